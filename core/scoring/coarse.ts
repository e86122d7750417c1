import { CRITERIA } from '../criteria';
import type { CriterionResult, ScoreCard } from './scoreAttempt';

/** The card of an exercise whose target is hidden, as its learner may have it: no differences, points to a quarter, no way told. */
export function coarseCard(card: ScoreCard): ScoreCard {
  const coarse = (result: CriterionResult): CriterionResult =>
    CRITERIA[result.id].tellsNothing
      ? result
      : {
          ...result,
          value: null,
          points: Math.round(result.points * 4) / 4,
          startPoints: Math.round(result.startPoints * 4) / 4,
          advice: { code: 'coarse', figures: { near: nearness(result) } },
        };
  return { ...card, steps: card.steps.map((step) => ({ ...step, criteria: step.criteria.map(coarse) })) };
}

/** How near a criterion came, in a word that gives no way and no figure away. */
function nearness({ points, value }: CriterionResult): 'asAsked' | 'notJudged' | 'nearly' | 'someWay' | 'far' {
  if (points >= 1) return 'asAsked';
  if (value === null) return 'notJudged';
  if (points >= 0.75) return 'nearly';
  return points > 0 ? 'someWay' : 'far';
}
