import type { ScoredModel } from '../model';
import type { Scene } from '../navigation';
import type { OwnStarts } from '../trace';
import { lostStart } from './getBack/lostStart';
import type { GoalKindId, RedactedGoal, RedactedOf } from './kinds';

/** Makes the scene that a step of one kind begins in, from a seed of its own. */
type MakeStart<G> = (goal: G, model: ScoredModel, start: Scene, seed: number) => Scene;

/** Kinds whose steps begin in a scene of their own. */
const STARTS: { readonly [K in GoalKindId]?: MakeStart<RedactedOf<K>> } = { getBack: lostStart };

/** Keeps the seeds of an attempt's steps apart. */
const STEP = 0x9e3779b1;

/** The scenes of their own in which steps of an attempt begin: the same in page, replay and server. */
export function ownStarts(steps: readonly { readonly goal: RedactedGoal }[], model: ScoredModel, start: Scene, seed: number): OwnStarts {
  const known = new Map<number, Scene | null>();
  return (step) => {
    const found = known.get(step);
    if (found !== undefined) return found;
    const goal = steps[step]?.goal;
    const make = goal && (STARTS[goal.kind] as MakeStart<RedactedGoal> | undefined);
    const made = goal && make ? make(goal, model, start, (seed ^ Math.imul(step + 1, STEP)) >>> 0) : null;
    known.set(step, made);
    return made;
  };
}

/** The scene in which a step of an attempt begins, as long as nothing was done before. */
export const startOf = (
  exercise: { readonly start: Scene; readonly steps: readonly { readonly goal: RedactedGoal }[] },
  model: ScoredModel,
  seed: number,
  step: number,
): Scene => ownStarts(exercise.steps, model, exercise.start, seed)(step) ?? exercise.start;
