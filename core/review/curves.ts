import { type CriterionId, type Evidence, evidenceUpTo, measure, measuredOf } from '../criteria';
import type { Step } from '../exercise';
import { aimOf } from '../goals';
import type { ScoredModel } from '../model';
import { pointsOf } from '../scoring/startPoints';
import { gesturesOf } from './gestures';

/** Moments at which a step is judged over time, at most. */
export const MOST_SAMPLES = 200;

/** What one criterion came to at a moment, had the step ended there. */
export interface Sample {
  /** Seconds from opening. */
  readonly t: number;
  /** In the criterion's own unit; null where it has none. */
  readonly value: number | null;
  readonly points: number;
}

/**
 * When a step is judged: at its beginning, at the ends of its gestures, and at its end. Of very many gestures evenly chosen ones. In the order in
 * which a curve takes shape: the ends first, then the middles of what lies between.
 */
export function sampleTimes({ span, ...evidence }: Pick<Evidence, 'span' | 'index' | 'moves'>, most = MOST_SAMPLES): number[] {
  const ends = gesturesOf(evidence).flatMap(({ to }) => (to > span.from && to < span.to ? [to] : []));
  const inner = ends.length <= most - 2 ? ends : Array.from({ length: most - 2 }, (_, i) => ends[Math.floor((i * ends.length) / (most - 2))] as number);
  const times = [...new Set([span.from, ...inner, span.to])];
  const order: number[] = [];
  const queue: (readonly [number, number])[] = [[0, times.length - 1]];
  const taken = new Set<number>();
  const take = (i: number): void => {
    if (taken.has(i)) return;
    taken.add(i);
    order.push(times[i] as number);
  };
  take(times.length - 1);
  take(0);
  for (let next = queue.shift(); next; next = queue.shift()) {
    const [a, b] = next;
    if (b - a < 2) continue;
    const middle = (a + b) >> 1;
    take(middle);
    queue.push([a, middle], [middle, b]);
  }
  return order;
}

/** What the criteria of a step come to at a moment of it: at its end exactly what the card says. */
export function judgedAt(step: Step, model: ScoredModel, evidence: Evidence, t: number): { readonly [id in CriterionId]?: Sample } {
  const then = evidenceUpTo(evidence, t);
  const measured = measuredOf(aimOf(step), model, then.after, then);
  return Object.fromEntries(
    step.criteria.map((criterion) => {
      const value = measure(criterion.id, measured);
      return [criterion.id, { t, value, points: pointsOf(criterion, value) }];
    }),
  );
}
