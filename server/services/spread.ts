import { quantile } from '@core';
import type { RequestContext } from '../service';
import { learningWith, personSeen } from './people';
import { skillsSeen } from './progress';

/** Others under which nothing is told of them: a figure of two would be a name. */
const FEWEST_OTHERS = 5;

/** Where the levels of others lie, 0 … 100: the middle half of them. */
export interface Spread {
  readonly others: number;
  readonly low: number;
  readonly high: number;
}

/** Levels of those who share a group with a learner, by `skill family`, for who teaches them; never the learner's own, never a name. */
export async function spreadBehind(asked: RequestContext, personId: string): Promise<ReadonlyMap<string, Spread>> {
  await personSeen(asked, personId);
  const others = (await learningWith(asked, personId)).flatMap(({ id }) => (id === personId ? [] : [id]));
  const levels = new Map<string, number[]>();
  for (const skills of (await skillsSeen(asked, others)).values())
    for (const { skill, family, shown, state } of skills) {
      if (state === 'few') continue;
      const key = `${skill} ${family}`;
      levels.set(key, [...(levels.get(key) ?? []), shown.level]);
    }
  return new Map(
    [...levels].flatMap(([key, list]) => {
      const [low, high] = [quantile(list, 0.25), quantile(list, 0.75)];
      return list.length < FEWEST_OTHERS || low === null || high === null ? [] : [[key, { others: list.length, low, high }] as const];
    }),
  );
}
