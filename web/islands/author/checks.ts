import { type Exercise, sameData } from '@core/exercise';
import { picturedBy } from '@core/goals';

/** One thing that an exercise needs before it is given to somebody. */
export interface Check {
  readonly words: string;
  readonly done: boolean;
  /** What is missing, where it is not all of it. */
  readonly missing: string | null;
}

const stepsWords = (numbers: readonly number[]): string | null =>
  numbers.length === 0 ? null : numbers.length === 1 ? `step ${numbers[0]}` : `steps ${numbers.slice(0, -1).join(', ')} and ${numbers.at(-1)}`;

/** What there is still to do. `tried`: whether the author tried it since the page was opened; `published`: whether it is published as it stands. */
export function checklist({ title, start, steps }: Exercise, { tried, published }: { readonly tried: boolean; readonly published: boolean }): Check[] {
  const on = steps.map((step, i) => ({ ...step, number: i + 1 })).filter(({ off }) => !off);
  const numbersOf = (bad: (step: (typeof on)[number]) => boolean): number[] => on.filter(bad).map(({ number }) => number);
  const unsaid = numbersOf(({ brief }) => brief.trim() === '');
  const nothing = numbersOf(({ goal }) => {
    const target = picturedBy(goal, start);
    return target !== null && sameData(target, start);
  });
  return [
    { words: 'A title', done: title.trim() !== '', missing: null },
    { words: 'A step', done: on.length > 0, missing: null },
    { words: 'What to do', done: unsaid.length === 0, missing: stepsWords(unsaid) },
    { words: 'A target that is not the start', done: nothing.length === 0, missing: stepsWords(nothing) },
    { words: 'Tried by yourself', done: tried || published, missing: null },
    { words: 'Published', done: published, missing: null },
  ];
}
