import { firstAdvice, followAdvice } from '../advice';
import { type CriterionId, measure, measuredOf } from '../criteria';
import type { Step } from '../exercise';
import { aimOf } from '../goals';
import type { Scene } from '../navigation';
import { judgeNow, meanOf } from '../scoring';
import { crate } from './practice';

/** Sentences that a learner follows before giving up, and the points at which they stop, 0 … 100. */
const ROUNDS = 8;
export const ENOUGH = 95;

/** What became of a learner who does just what the first sentence says, again and again. */
export interface Obeyed {
  /** Weighted mean of the live criteria in the end, 0 … 100. */
  readonly points: number;
  readonly rounds: number;
  /** Each criterion that a sentence named, with its value before and after following it; null: not to be measured. */
  readonly said: readonly { readonly criterion: CriterionId; readonly before: number | null; readonly after: number | null }[];
}

const livePoints = (step: Step, scene: Scene): number => 100 * (meanOf(judgeNow(step, crate, scene)) ?? Number.NaN);

export function obey(step: Step, start: Scene): Obeyed {
  const said: Obeyed['said'][number][] = [];
  let scene = start;
  while (said.length < ROUNDS && livePoints(step, scene) < ENOUGH) {
    const first = firstAdvice(step, crate, scene);
    const next = followAdvice(step, crate, scene, 1)[0];
    if (!first || !next) break;
    const value = (at: Scene): number | null => measure(first.criterion, measuredOf(aimOf(step), crate, at, null)) as number | null;
    said.push({ criterion: first.criterion, before: value(scene), after: value(next) });
    scene = next;
  }
  return { points: livePoints(step, scene), rounds: said.length, said };
}

/** Whether following the sentence made the very criterion that it names worse. */
export const madeWorse = ({ before, after }: Obeyed['said'][number]): boolean => before !== null && (after ?? Number.POSITIVE_INFINITY) > before + 1e-9;
