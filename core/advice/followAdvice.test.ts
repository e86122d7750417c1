import { describe, expect, it } from 'vitest';
import type { Step } from '../exercise';
import { GOAL_KINDS } from '../goals';
import { randomFrom } from '../math';
import { liveCriteria } from '../scoring';
import { GOALS } from '../tests/goals';
import { ENOUGH, madeWorse, obey } from '../tests/obedient';
import { crate, exerciseOf } from '../tests/practice';
import { PLACES, startView } from '../tests/startViews';
import { adviceOf, firstAdvice } from './adviceOf';

const STARTS = 200;

const kinds = GOAL_KINDS.filter((kind) => liveCriteria(exerciseOf(GOALS[kind][0] as (typeof GOALS)[typeof kind][number]).steps[0] as Step).length > 0);

describe('a learner who does just what the first sentence says', () => {
  it('is told of every kind of goal of which one view tells something', () => {
    expect(kinds).toEqual(expect.arrayContaining(['matchView', 'frameIt', 'cutToReveal']));
  });

  it.each(kinds)('%s: gets there from anywhere, and no sentence makes its own criterion worse', (kind) => {
    const goals = GOALS[kind];
    const short: string[] = [];
    for (let i = 0; i < STARTS; i++) {
      const place = PLACES[i % PLACES.length] as (typeof PLACES)[number];
      const [step] = exerciseOf(goals[i % goals.length] as (typeof goals)[number]).steps as [Step];
      const { points, said } = obey(step, startView(crate, randomFrom(i + 1), place));
      expect(said.filter(madeWorse), `${kind} from ${place} (${i})`).toEqual([]);
      if (points < ENOUGH) short.push(`${place} (${i})`);
    }
    expect(short.length, short.join(', ')).toBeLessThanOrEqual(STARTS / 100);
  });
});

it('the one sentence is the first with moves of all that is advised', () => {
  for (let i = 0; i < 40; i++) {
    const [step] = exerciseOf(GOALS.matchView[i % GOALS.matchView.length] as (typeof GOALS.matchView)[number]).steps as [Step];
    const scene = startView(crate, randomFrom(500 + i), PLACES[i % PLACES.length] as (typeof PLACES)[number]);
    const first = firstAdvice(step, crate, scene);
    const listed = adviceOf(step, crate, scene, null).find(({ moves }) => moves.length > 0);
    expect(first?.criterion).toBe(listed?.criterion);
    expect(first?.advice.moves).toEqual(listed?.moves);
  }
});
