import { type Measured, measuredOf } from '../criteria';
import type { Step } from '../exercise';
import type { ScoredModel } from '../model';
import type { Scene } from '../navigation';
import { aimOf } from './aims';

/** What was measured of a scene last, by scene: what judges it and what advises about it share the pictures. */
const known = new WeakMap<Scene, { readonly step: Step; readonly model: ScoredModel; readonly measured: Measured }>();

/** What the present scene tells of a step while practising. */
export function measuredNow(step: Step, model: ScoredModel, scene: Scene): Measured {
  const found = known.get(scene);
  if (found && found.step === step && found.model === model) return found.measured;
  const measured = measuredOf(aimOf(step), model, scene, null);
  known.set(scene, { step, model, measured });
  return measured;
}
