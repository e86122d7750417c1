import type { CriterionId } from '../criteria';
import type { Criterion } from '../criteria/criterionSchema';
import { CRITERIA } from '../criteria/registry';
import type { CriterionChoice } from './goalKind';

type Change = Partial<Pick<Criterion, 'full' | 'zero' | 'must'>>;

/** A criterion that a goal is judged by from the beginning. */
export const standard = (id: CriterionId, weight: number, change: Change = {}): CriterionChoice => ({
  id,
  ...CRITERIA[id].tolerance,
  weight,
  ...change,
  standard: true,
});

/** A criterion that an author can add, with weight 1. */
export const choice = (id: CriterionId, change: Change = {}): CriterionChoice => ({ id, ...CRITERIA[id].tolerance, weight: 1, ...change, standard: false });

/** What every step can be judged by beside its goal. */
export const EVERYWHERE: readonly CriterionId[] = ['time', 'gestures', 'switches', 'hints', 'detour'];

/** By which way it was done: for goals with orbits or views. */
export const METHOD: readonly CriterionId[] = ['pivotMissed', 'byHand'];

/** The choices, followed by those of every goal that are not among them; `method`: whether its way can be judged too. */
export function withEverywhere(choices: readonly CriterionChoice[], method = true): CriterionChoice[] {
  return [...choices, ...[...EVERYWHERE, ...(method ? METHOD : [])].filter((id) => !choices.some((c) => c.id === id)).map((id) => choice(id))];
}
