import { contextFor } from '../model';
import { apply, type Command, type Scene } from '../navigation';
import type { Advice } from './advice';
import type { CriterionSpec } from './criterion';
import type { Measured } from './measured';

/** The scene after some commands. */
export function sceneAfter(m: Pick<Measured, 'model' | 'scene'>, moves: readonly Command[]): Scene {
  const context = contextFor(m.model, m.scene);
  return moves.reduce((scene, command) => apply(scene, command, context), m.scene);
}

/** Rounding may raise a value by this and be no worse. */
const NOT_WORSE = 1e-9;

/** The advice, without moves where they would not bring the criterion nearer: a value that is lost is worse than any. */
export function unlessWorse(m: Measured, spec: Pick<CriterionSpec, 'measure'>, value: number | null, made: Advice): Advice {
  if (made.moves.length === 0) return made;
  const then = spec.measure(m.inScene(sceneAfter(m, made.moves)));
  const worse = then === null ? value !== null : value !== null && then >= value - NOT_WORSE;
  return worse ? { ...made, moves: [] } : made;
}
