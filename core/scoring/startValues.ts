import { type CriterionId, measure } from '../criteria';
import type { Step } from '../exercise';
import { measuredNow } from '../goals/measuredNow';
import type { ScoredModel } from '../model';
import type { Trace } from '../trace';
import { gatherEvidence } from './evidence';

/** The ways in which a view is off its target: what lies between start and end of a movement. */
export const WAYS = ['direction', 'roll', 'placement', 'size'] as const satisfies readonly CriterionId[];

export const isWay = (id: string): boolean => (WAYS as readonly string[]).includes(id);

/** How far off each step's view was where the step began, each in its criterion's unit; empty for steps without such criteria, or not reached. */
export function startValues(steps: readonly Step[], model: ScoredModel, trace: Trace): ReadonlyMap<CriterionId, number | null>[] {
  const asked = steps.map(({ criteria }) => criteria.filter(({ id }) => isWay(id)));
  if (asked.every((criteria) => criteria.length === 0)) return steps.map(() => new Map());
  const evidence = gatherEvidence(steps, model, trace);
  return steps.map((step, i) => {
    const criteria = asked[i] ?? [];
    const before = evidence[i]?.before;
    if (!before || criteria.length === 0) return new Map();
    const measured = measuredNow(step, model, before);
    return new Map(criteria.map(({ id }) => [id, measure(id, measured)]));
  });
}
