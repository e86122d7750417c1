import { differenceInCalendarDays } from 'date-fns';
import type { Learner } from './GroupScreen';

export interface Concern {
  readonly learner: Learner;
  readonly words: string;
}

/** Days without an attempt after which someone is asked after. */
const AWAY_DAYS = 10;

/** Who needs a word: who has not started, who stopped coming, who is stuck and on what. */
export function concernsOf(learners: readonly Learner[], now: Date): Concern[] {
  return learners.flatMap((learner): Concern[] => {
    if (learner.lastAt === null) return [{ learner, words: 'has not started' }];
    const stuck = learner.standings.filter((s) => s.stuck).map((s) => s.title);
    const days = differenceInCalendarDays(now, new Date(learner.lastAt));
    const found: Concern[] = [];
    if (days >= AWAY_DAYS) found.push({ learner, words: `was last here ${days} days ago` });
    if (stuck.length > 0) found.push({ learner, words: `three tries without improving: ${stuck.join(', ')}` });
    return found;
  });
}
