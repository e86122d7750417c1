import { type Exercise, mergeDrafts, sameData } from '@core/exercise';
import type { Change, Undo } from '@web/keep/keptUndo';

export const NOTHING_DONE: Undo = { back: [], again: [] };

/** Changes that are remembered. */
const MOST = 40;
/** The same thing changed again this soon is one change: a word is written letter by letter, ms. */
const ONE_CHANGE = 1500;

export function remember({ back }: Undo, change: Change): Undo {
  const last = back.at(-1);
  const same = last && last.words === change.words && change.at - last.at < ONE_CHANGE && sameData(last.after, change.before);
  return { back: [...(same ? back.slice(0, -1) : back), same ? { ...change, before: last.before } : change].slice(-MOST), again: [] };
}

/** The draft with a change undone, or done again; what was changed since in other places stays. */
const without = (draft: Exercise, from: Exercise, to: Exercise): Exercise => mergeDrafts(from, to, draft).draft;

export interface TakenBack {
  readonly undo: Undo;
  readonly draft: Exercise;
  readonly words: string;
}

/** Takes the last change back; null where there is none. */
export function takeBack({ back, again }: Undo, draft: Exercise): TakenBack | null {
  const change = back.at(-1);
  return change
    ? { undo: { back: back.slice(0, -1), again: [...again, change] }, draft: without(draft, change.after, change.before), words: change.words }
    : null;
}

/** Does the change again that was taken back last; null where there is none. */
export function doAgain({ back, again }: Undo, draft: Exercise): TakenBack | null {
  const change = again.at(-1);
  return change
    ? { undo: { back: [...back, change], again: again.slice(0, -1) }, draft: without(draft, change.before, change.after), words: change.words }
    : null;
}
