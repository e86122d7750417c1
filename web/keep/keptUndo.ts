import type { Exercise } from '@core/exercise';
import { get, set } from 'idb-keyval';
import { opened } from './keptAttempts';

/** One change of a draft. */
export interface Change {
  readonly before: Exercise;
  readonly after: Exercise;
  /** What was changed: "the title". */
  readonly words: string;
  /** When, ms since 1970. */
  readonly at: number;
}

/** What can be taken back, and what was taken back and can be done again; newest last. */
export interface Undo {
  readonly back: readonly Change[];
  readonly again: readonly Change[];
}

const keyOf = (person: string, exercise: string): string => `${person}/undo/${exercise}`;

/** What can be taken back of an exercise's draft, kept in this browser; null where nothing is, or nothing can be kept. */
export const keptUndo = async (person: string, exercise: string): Promise<Undo | null> =>
  (await get<Undo>(keyOf(person, exercise), opened()).catch(() => null)) ?? null;

/** A browser that keeps nothing still takes back until the page is left. */
export const keepUndo = (person: string, exercise: string, undo: Undo): Promise<void> => set(keyOf(person, exercise), undo, opened()).catch(() => {});
