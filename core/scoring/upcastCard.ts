import { CARD_FORMAT, type ScoreCard } from './scoreAttempt';

type Kept = { readonly [key: string]: unknown };
interface OldCriterion {
  readonly advice: string;
}
interface OldStep {
  readonly criteria: readonly OldCriterion[];
}

/**
 * From each form to the next. The first kept sentences, and what was earned rather than gained: its words and scores are
 * shown as they were.
 */
const STEPS: Readonly<Record<number, (kept: Kept) => Kept>> = {
  1: ({ version: _, ...card }) => ({
    ...card,
    format: 2,
    steps: (card.steps as readonly OldStep[]).map((step) => ({
      ...step,
      criteria: step.criteria.map((result) => ({ ...result, startPoints: 0, advice: { code: 'said', figures: { words: result.advice } } })),
    })),
  }),
};

/** A card of any form as it was kept; null for what is none. */
export function readCard(kept: unknown): ScoreCard | null {
  if (typeof kept !== 'object' || kept === null) return null;
  let at = kept as Kept;
  const first = typeof at.format === 'number' ? at.format : 1;
  for (let format = first; STEPS[format]; format++) at = (STEPS[format] as (kept: Kept) => Kept)(at);
  // Written by this program and no other: what it holds is known by its form.
  return at.format === CARD_FORMAT ? (at as unknown as ScoreCard) : null;
}
