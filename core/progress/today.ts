import { differenceInDays } from './days';

/** An exercise that is assigned, as a learner stands with it; days are yyyy-mm-dd where the station is. */
export interface Assigned {
  readonly exerciseId: string;
  readonly title: string;
  readonly dueOn: string | null;
  readonly attempts: number;
  readonly best: number | null;
  readonly flashes: number;
}

/** A skill whose time to be practised again has come. */
export interface DueSkill {
  readonly skill: string;
  /** The family of schemes, in words. */
  readonly family: string;
  readonly label: string;
  readonly dueAt: number;
  /** Day of its last attempt. */
  readonly lastDay: string;
  readonly fading: boolean;
  /** The scheme of that family that was used last. */
  readonly schemeId?: string | undefined;
  /** Assigned exercises at which it was practised. */
  readonly exerciseIds: readonly string[];
}

export type ReasonKind = 'overdue' | 'due' | 'skill' | 'next' | 'again' | 'more';

/** What to practise, and why. */
export interface Reason {
  readonly kind: ReasonKind;
  readonly exerciseId: string;
  readonly title: string;
  readonly words: string;
  /** What it should be done with, where that is a part of the reason. */
  readonly schemeId?: string;
}

/** How soon a date is told as due, days. */
const SOON = 7;

const inDays = (days: number): string => (days === 0 ? 'today' : days === 1 ? 'tomorrow' : `in ${days} days`);
const ago = (days: number): string => (days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`);
const points = (score: number): string => `best so far ${Math.floor(score)} of 100`;

/** Of those exercises the one that is furthest from being done. */
const weakest = (assigned: readonly Assigned[], ids: readonly string[]): Assigned | null =>
  assigned.filter(({ exerciseId }) => ids.includes(exerciseId)).sort((a, b) => (a.best ?? 0) - (b.best ?? 0))[0] ?? null;

/**
 * What a learner should do, most pressing first, each exercise once, each with its reason: what is overdue, what is due
 * soon, skills whose time has come, the next of the course, what has no flash yet, what could have more. `today`: yyyy-mm-dd.
 */
export function whatNext(today: string, assigned: readonly Assigned[], skills: readonly DueSkill[]): Reason[] {
  const found: Reason[] = [];
  const add = (kind: ReasonKind, { exerciseId, title }: Assigned, words: string, schemeId?: string): void => {
    if (!found.some((reason) => reason.exerciseId === exerciseId)) found.push({ kind, exerciseId, title, words, ...(schemeId ? { schemeId } : {}) });
  };
  const dated = assigned
    .flatMap((each) => (each.dueOn && each.flashes === 0 ? [{ each, left: differenceInDays(each.dueOn, today) }] : []))
    .sort((a, b) => a.left - b.left);
  for (const { each, left } of dated) if (left < 0) add('overdue', each, `Was due ${ago(-left)}${each.best === null ? '' : `, ${points(each.best)}`}`);
  for (const { each, left } of dated)
    if (left >= 0 && left <= SOON) add('due', each, `Due ${inDays(left)}${each.best === null ? '' : `, ${points(each.best)}`}`);
  for (const skill of [...skills].sort((a, b) => a.dueAt - b.dueAt)) {
    const each = weakest(assigned, skill.exerciseIds);
    const days = differenceInDays(today, skill.lastDay);
    if (each)
      add('skill', each, `${skill.label} with ${skill.family}: ${skill.fading ? 'mastered, and fading; ' : ''}last practised ${ago(days)}`, skill.schemeId);
  }
  const next = assigned.find(({ attempts, exerciseId }) => attempts === 0 && !found.some((reason) => reason.exerciseId === exerciseId));
  if (next) add('next', next, 'Next in the course');
  for (const each of assigned)
    if (each.attempts > 0 && each.flashes === 0) add('again', each, `No flash yet${each.best === null ? '' : `, ${points(each.best)}`}`);
  if (found.length === 0)
    for (const each of assigned) if (each.flashes > 0 && each.flashes < 3) add('more', each, `More flashes to earn, ${points(each.best ?? 0)}`);
  return found;
}
