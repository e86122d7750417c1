import { type Exercise, startFor } from '../exercise';
import type { ScoredModel } from '../model';
import type { Scene } from '../navigation';
import type { OwnStarts } from '../trace';
import { lostStart } from './getBack/lostStart';
import type { GoalKindId, GoalOf, RedactedGoal, RedactedOf } from './kinds';
import { isStill } from './tasks';
import { questionScene } from './whichWay/aim';

/** Makes the scene that a step of one kind begins in, from a seed of its own, or the one with which its call is shown; null: none. */
type MakeStart<G> = (goal: G, model: ScoredModel, start: Scene, seed: number, call: number) => Scene | null;

/** Kinds whose steps begin in a scene of their own, or show several. */
const STARTS: { readonly [K in GoalKindId]?: MakeStart<RedactedOf<K> | GoalOf<K>> } = {
  getBack: (goal, model, start, seed, call) => (call === 0 ? lostStart(goal, model, start, seed) : null),
  whichWay: (goal, model, _start, _seed, call) => ('questions' in goal ? questionScene(goal, model, call) : null),
};

/** Keeps the seeds of an attempt's steps apart. */
const STEP = 0x9e3779b1;

/** The scenes of their own in which steps of an attempt begin: the same in page, replay and server. */
export function ownStarts(steps: readonly { readonly goal: RedactedGoal }[], model: ScoredModel, start: Scene, seed: number): OwnStarts {
  const known = new Map<string, Scene | null>();
  const made = (step: number, call: number): Scene | null => {
    const goal = steps[step]?.goal;
    if (!goal) return null;
    const make = STARTS[goal.kind] as MakeStart<RedactedGoal> | undefined;
    const own = make?.(goal, model, start, (seed ^ Math.imul(step + 1, STEP)) >>> 0, call) ?? null;
    // What was shown in a still step may be secret, and is left behind: what follows begins anew.
    const before = steps[step - 1]?.goal;
    return own ?? (call === 0 && before && isStill(before.kind) ? start : null);
  };
  return (step, call = 0) => {
    const key = `${step} ${call}`;
    const found = known.get(key);
    if (found !== undefined) return found;
    const scene = made(step, call);
    known.set(key, scene);
    return scene;
  };
}

/** The scene in which a step of an attempt begins, as long as nothing was done before. */
export const startOf = (
  exercise: Pick<Exercise, 'start' | 'variants'> & { readonly steps: readonly { readonly goal: RedactedGoal }[] },
  model: ScoredModel,
  seed: number,
  step: number,
): Scene => {
  const start = startFor(exercise, seed);
  return ownStarts(exercise.steps, model, start, seed)(step) ?? start;
};
