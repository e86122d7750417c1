/** `npm run bench:advice`: how often a learner who does just what the first sentence says gets there, from made-up starts, for every kind of goal. */
import type { Step } from '@core';
import { GOAL_KINDS } from '@core/goals';
import { randomFrom } from '@core/math';
import { liveCriteria } from '@core/scoring';
import { GOALS } from '../core/tests/goals';
import { ENOUGH, madeWorse, obey } from '../core/tests/obedient';
import { crate, exerciseOf } from '../core/tests/practice';
import { PLACES, startView } from '../core/tests/startViews';

/** Starts a kind of goal. */
const STARTS = 2000;

const percent = (part: number, whole: number): string => (whole > 0 ? `${((100 * part) / whole).toFixed(2)} %` : 'none');

process.stdout.write(
  `\nfollowing the first sentence, ${STARTS} starts a kind: reached ${ENOUGH} points, sentences needed, sentences that made their own criterion worse\n`,
);
for (const kind of GOAL_KINDS) {
  const goals = GOALS[kind];
  let reached = 0;
  let sentences = 0;
  let worse = 0;
  const [first] = exerciseOf(goals[0] as (typeof goals)[number]).steps as [Step];
  if (liveCriteria(first).length === 0) continue;
  for (let i = 0; i < STARTS; i++) {
    const [step] = exerciseOf(goals[i % goals.length] as (typeof goals)[number]).steps as [Step];
    const { points, rounds, said } = obey(step, startView(crate, randomFrom(i + 1), PLACES[i % PLACES.length] as (typeof PLACES)[number]));
    if (points >= ENOUGH) reached++;
    sentences += rounds;
    worse += said.filter(madeWorse).length;
  }
  process.stdout.write(`  ${kind.padEnd(12)} ${percent(reached, STARTS)}, ${(sentences / STARTS).toFixed(2)} each, ${percent(worse, sentences)}\n`);
}
