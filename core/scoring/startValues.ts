import { type CriterionId, measure } from '../criteria';
import type { Step } from '../exercise';
import { measuredNow } from '../goals/measuredNow';
import type { ScoredModel } from '../model';
import type { Gathered } from './evidence';

/** The ways in which a view is off its target: what lies between start and end of a movement. */
export const WAYS = ['direction', 'roll', 'placement', 'size'] as const satisfies readonly CriterionId[];

const isWay = (id: string): boolean => (WAYS as readonly string[]).includes(id);

/** How far off each step's view was where the step began, each in its criterion's unit; empty for steps without such criteria, or not reached. */
export function startValues(steps: readonly Step[], model: ScoredModel, { evidence }: Pick<Gathered, 'evidence'>): ReadonlyMap<CriterionId, number | null>[] {
  return steps.map((step, i) => {
    const criteria = step.criteria.filter(({ id }) => isWay(id));
    const before = evidence[i]?.before;
    if (!before || criteria.length === 0) return new Map();
    const measured = measuredNow(step, model, before);
    return new Map(criteria.map(({ id }) => [id, measure(id, measured)]));
  });
}
