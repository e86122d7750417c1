import type { ExerciseLine as ExerciseRead } from '@server/services/exercises';
import { hasWords } from '@web/ui/hasWords';

/** An exercise as the list in Build tells it. */
export interface ExerciseLine extends Omit<ExerciseRead, 'updatedAt' | 'skills' | 'goals' | 'model'> {
  /** Skills, goals and courses by what they are called. */
  readonly skills: readonly string[];
  readonly goals: readonly string[];
  readonly courses: readonly string[];
  /** Address of a picture of what it asks for; null: none. */
  readonly picture: string | null;
  /** What the newest version suffers from, in words. */
  readonly flags: readonly string[];
  /** ISO 8601. */
  readonly updatedAt: string;
}

/** What can be chosen of the state of an exercise. */
export const STATES = {
  draft: 'never published',
  changed: 'changed since published',
  published: 'published as it is',
  care: 'wants care',
} as const;
export type State = keyof typeof STATES;

export const ORDERS = { changed: 'Changed last first', title: 'By title', care: 'Wanting care first' } as const;
export type Order = keyof typeof ORDERS;

/** What of the list is shown; an empty word filters nothing. */
export interface Wanted {
  readonly words: string;
  readonly skill: string;
  readonly goal: string;
  readonly course: string;
  readonly state: State | '';
  readonly order: Order;
}

export const ALL: Wanted = { words: '', skill: '', goal: '', course: '', state: '', order: 'changed' };

export const isFiltered = ({ order: _, ...wanted }: Wanted): boolean => Object.values(wanted).some((word) => word !== '');

function isIn(state: State, { version, changedSince, flags }: ExerciseLine): boolean {
  if (state === 'draft') return version === 0;
  if (state === 'care') return flags.length > 0;
  return version > 0 && changedSince === (state === 'changed');
}

/** The lines that are wanted, in the order that is. Every word has to stand in the title, a skill, a goal or a course. */
export function linesWanted(lines: readonly ExerciseLine[], { words, skill, goal, course, state, order }: Wanted): ExerciseLine[] {
  const found = lines.filter((line) => {
    const text = [line.title ?? '', ...line.skills, ...line.goals, ...line.courses].join(' ');
    return (
      hasWords(text, words) &&
      (skill === '' || line.skills.includes(skill)) &&
      (goal === '' || line.goals.includes(goal)) &&
      (course === '' || line.courses.includes(course)) &&
      (state === '' || isIn(state, line))
    );
  });
  const byTitle = (a: ExerciseLine, b: ExerciseLine): number => (a.title ?? '').localeCompare(b.title ?? '', 'en', { numeric: true });
  const byChange = (a: ExerciseLine, b: ExerciseLine): number => (a.updatedAt < b.updatedAt ? 1 : a.updatedAt > b.updatedAt ? -1 : byTitle(a, b));
  if (order === 'title') return found.sort(byTitle);
  if (order === 'care') return found.sort((a, b) => b.flags.length - a.flags.length || byChange(a, b));
  return found.sort(byChange);
}

/** What can be chosen: each word that occurs, in the order of the alphabet. */
export const occurring = (lines: readonly ExerciseLine[], of: 'skills' | 'goals' | 'courses'): string[] =>
  [...new Set(lines.flatMap((line) => line[of]))].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
