import { CRITERIA, type CriterionId, isJudged, type Measured, measure, measuredOf } from '../criteria';
import { angleBetween, backOf, dot, exact, type Quat, scale, sub, unit } from '../math';
import { directionError } from '../measures';
import type { CommandKind, Scene } from '../navigation';
import type { GestureBlock } from './gestures';
import type { Moment, MomentFigures } from './moment';
import { atGesture, type StepDone, sceneAfter, sceneBefore } from './stepDone';

const ROUND: ReadonlySet<CommandKind> = new Set(['orbit', 'turn']);
const SIZES: ReadonlySet<CommandKind> = new Set(['zoom', 'dolly', 'zoomRegion']);
const SLIDES: ReadonlySet<CommandKind> = new Set(['pan']);

/** How far a gesture went past the target's direction, radians; 0: it did not. */
function pastDirection(before: Quat, after: Quat, target: Quat): number {
  const [a, b, c] = [backOf(before), backOf(after), backOf(target)];
  // The target's foot on the way that was gone, measured along it.
  const ahead = unit(sub(b, scale(a, dot(a, b))));
  if (!ahead) return 0;
  const foot = exact.atan2(dot(c, ahead), dot(c, a));
  return foot > 0 ? Math.max(0, angleBetween(a, b) - foot) : 0;
}

/** What was passed and taken back: by how much, and whether the next gesture brought it nearer. */
interface Passed {
  readonly by: number;
  readonly takenBack: boolean;
}

function passedSize(id: CriterionId, before: Measured, after: Measured, next: Measured): Passed | null {
  const large = (m: Measured): number | null => CRITERIA[id].tooLarge?.(m) ?? null;
  const [was, is] = [large(before), large(after)];
  const [by, then] = [measure(id, after), measure(id, next)];
  if (was === null || is === null || by === null || then === null || was > 1 === is > 1) return null;
  return { by, takenBack: then < by };
}

function passedPlace(before: Measured, after: Measured, next: Measured): Passed | null {
  const way = (m: Measured): readonly [number, number] | null => {
    const found = m.framings();
    return found && [found.actual.u - found.asked.u, found.actual.v - found.asked.v];
  };
  const [was, is, then] = [way(before), way(after), way(next)];
  if (!was || !is || !then) return null;
  const size = ([u, v]: readonly [number, number]): number => Math.sqrt(u * u + v * v);
  const by = -(was[0] * is[0] + was[1] * is[1]) / Math.max(size(was), 1e-9);
  return { by, takenBack: size(then) < size(is) };
}

function passedDirection(before: Measured, after: Measured, next: Measured): Passed | null {
  const target = after.aim.target?.view.orientation;
  if (!target) return null;
  const [a, b, c] = [before, after, next].map(({ scene }) => scene.view.orientation) as [Quat, Quat, Quat];
  return { by: pastDirection(a, b, target), takenBack: directionError(c, target) < directionError(b, target) };
}

/** Gestures that went past what was asked by more than earns anything, and were taken back by the next. */
export function tooFars(done: StepDone): Moment[] {
  const { step, gestures, aim, model } = done;
  if (!step || !aim) return [];
  const zeroOf = (id: CriterionId): number => step.criteria.find((c) => c.id === id)?.zero ?? Number.POSITIVE_INFINITY;
  const measured = (scene: Scene): Measured => measuredOf(aim, model, scene, null);
  return gestures.slice(0, -1).flatMap((gesture, i): Moment[] => {
    const next = gestures[i + 1] as GestureBlock;
    const scenes = (): [Measured, Measured, Measured] => [
      measured(sceneBefore(done, gesture)),
      measured(sceneAfter(done, gesture)),
      measured(sceneAfter(done, next)),
    ];
    const told = (what: MomentFigures['tooFar']['what'], id: CriterionId, passed: Passed | null): Moment[] =>
      passed?.takenBack && passed.by > zeroOf(id) ? [{ kind: 'tooFar', figures: { what, gesture: gesture.kind, by: passed.by }, ...atGesture(gesture) }] : [];
    if (SIZES.has(gesture.kind) && SIZES.has(next.kind)) {
      const id = (['size', 'fill'] as const).find((each) => isJudged(step.criteria, each));
      return id ? told('size', id, passedSize(id, ...scenes())) : [];
    }
    if (SLIDES.has(gesture.kind) && SLIDES.has(next.kind) && isJudged(step.criteria, 'placement'))
      return told('placement', 'placement', passedPlace(...scenes()));
    if (ROUND.has(gesture.kind) && ROUND.has(next.kind) && isJudged(step.criteria, 'direction'))
      return told('direction', 'direction', passedDirection(...scenes()));
    return [];
  });
}
