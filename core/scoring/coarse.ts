import { criterionInfo } from '../exercise';
import type { CriterionResult, ScoreCard } from './scoreAttempt';

/** How near a criterion came, in words that give no way and no figure away. */
function coarseWords({ id, points, value }: CriterionResult): string {
  const { label } = criterionInfo(id);
  if (points >= 1) return `${label}: as asked.`;
  if (value === null) return `${label}: could not be judged.`;
  if (points >= 0.75) return `${label}: nearly as asked.`;
  return points > 0 ? `${label}: some way off.` : `${label}: far off.`;
}

/** What was tried, and how often, gives nothing of a target away. */
const OWN: ReadonlySet<string> = new Set(['time', 'gestures', 'switches', 'hints', 'callTime']);

/** The card of an exercise whose target is hidden, as its learner may have it: no differences, points to a quarter, coarse words. */
export function coarseCard(card: ScoreCard): ScoreCard {
  const coarse = (result: CriterionResult): CriterionResult =>
    OWN.has(result.id) ? result : { ...result, value: null, points: Math.round(result.points * 4) / 4, advice: coarseWords(result) };
  return { ...card, steps: card.steps.map((step) => ({ ...step, criteria: step.criteria.map(coarse) })) };
}
