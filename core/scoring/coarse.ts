import { CRITERIA } from '../criteria';
import { isStill } from '../goals';
import type { Scene } from '../navigation';
import type { CriterionResult, ScoreCard } from './scoreAttempt';

/**
 * The card of an exercise whose target is hidden, as its learner may have it: no differences, points to a quarter, no way told.
 * What stood still to be read is the secret itself: there the scene is that of the exercise's start.
 */
export function coarseCard(card: ScoreCard, start: Scene): ScoreCard {
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
  const sceneOf = ({ goal, scene }: ScoreCard['steps'][number]): Scene | null => (scene && isStill(goal) ? start : scene);
  return { ...card, steps: card.steps.map((step) => ({ ...step, scene: sceneOf(step), criteria: step.criteria.map(coarse) })) };
}

/** How near a criterion came, in a word that gives no way and no figure away. */
function nearness({ points, value }: CriterionResult): 'asAsked' | 'notJudged' | 'nearly' | 'someWay' | 'far' {
  if (points >= 1) return 'asAsked';
  if (value === null) return 'notJudged';
  if (points >= 0.75) return 'nearly';
  return points > 0 ? 'someWay' : 'far';
}
