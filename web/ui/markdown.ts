import { micromark } from 'micromark';

/**
 * What a brief does not need: pictures would be fetched from elsewhere, HTML would be run, headings would outshout the page.
 * Markdown is CommonMark without these.
 */
const LEFT_OUT = ['codeFenced', 'codeIndented', 'definition', 'headingAtx', 'htmlFlow', 'htmlText', 'labelStartImage', 'setextUnderline', 'thematicBreak'];

/** HTML of a brief or a hint. Safe to show: HTML in it is text, and links lead nowhere but to addresses (`allowDangerous…` of micromark are off). */
export const htmlOf = (markdown: string): string =>
  micromark(markdown, { extensions: [{ disable: { null: LEFT_OUT } }] }).replaceAll('<a href=', '<a target="_blank" rel="noopener noreferrer nofollow" href=');

const ENTITIES: Record<string, string> = { amp: '&', lt: '<', gt: '>', quot: '"' };

/** The words alone, for lists and titles. */
export const plainOf = (markdown: string): string =>
  htmlOf(markdown)
    .replace(/<[^>]*>/g, ' ')
    .replace(/&(amp|lt|gt|quot);/g, (_, name: string) => ENTITIES[name] ?? '')
    .replace(/\s+/g, ' ')
    .trim();

/** The words of an exercise as HTML, as a page shows them. */
export interface ExerciseWords {
  readonly brief: string;
  readonly steps: readonly { readonly brief: string; readonly hints: readonly string[] }[];
}

export const wordsOfExercise = ({
  brief,
  steps,
}: {
  readonly brief: string;
  readonly steps: readonly { readonly brief: string; readonly hints: readonly string[] }[];
}): ExerciseWords => ({
  brief: htmlOf(brief),
  // A hint that is kept back is empty, and stays so.
  steps: steps.map((step) => ({ brief: htmlOf(step.brief), hints: step.hints.map((hint) => hint && htmlOf(hint)) })),
});
