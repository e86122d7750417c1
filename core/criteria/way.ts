import { backOf } from '../math';
import { anglesOf, nearestStandardDirection, wrapAngle } from '../view';
import { type Advice, advice } from './advice';
import { timeOfRight } from './callResults';
import type { CriterionSpec } from './criterion';
import { toldAngle } from './figures';
import type { Measured } from './measured';

const DEGREE = Math.PI / 180;

/** The question that was answered farthest from the truth: a mirrored side is another mistake than one beside it. */
function worst(m: Measured): Advice {
  const missed = [...m.ways()].sort((a, b) => b.error - a.error);
  const unanswered = missed.filter(({ answered }) => answered === null);
  const found = missed.find(({ answered }) => answered !== null);
  if (unanswered.length > 0 && (unanswered.length === missed.length || !found || found.right)) return advice('unanswered', { count: unanswered.length });
  if (!found?.answered || found.right) return advice('asAsked', {});
  const truth = anglesOf(found.question.orientation);
  const beside = Math.abs(wrapAngle(found.answered.azimuth - truth.azimuth));
  const mirrored = Math.abs(wrapAngle(found.answered.azimuth + truth.azimuth));
  const mistake = mirrored < 15 * DEGREE && beside > 30 * DEGREE ? 'mirrored' : beside > 150 * DEGREE ? 'behind' : 'off';
  return advice('wrongWay', {
    question: found.number + 1,
    error: toldAngle(found.error),
    seenFrom: nearestStandardDirection(backOf(found.question.orientation)),
    mistake,
  });
}

const facingError: CriterionSpec = {
  label: 'Direction answered',
  unit: 'rad',
  display: 'degrees',
  how: 'The angle between the answered and the true direction to the eye, the mean over all questions; no answer counts 180°. Where only the side is asked the height is that of the view shown.',
  tolerance: { full: 12 * DEGREE, zero: 75 * DEGREE },
  live: false,
  rank: 44,
  measure(m) {
    const results = m.ways();
    return results.length === 0 ? null : results.reduce((sum, { error }) => sum + error, 0) / results.length;
  },
  advise: worst,
};

const wrongAnswers: CriterionSpec = {
  label: 'Wrong answers',
  unit: 'share',
  display: 'percent',
  of: 'of the views',
  how: 'The share of the questions whose answer lies nearer to another standard view than the true direction does, or that got none.',
  tolerance: { full: 0.05, zero: 0.6 },
  live: false,
  rank: 43.5,
  measure(m) {
    const results = m.ways();
    return results.length === 0 ? null : results.filter(({ right }) => !right).length / results.length;
  },
  advise: worst,
};

const answerTime: CriterionSpec = {
  label: 'Time to answer',
  unit: 's',
  display: 'seconds',
  how: 'The median time from the showing of a view to its answer, over the questions that were answered rightly; where those are fewer than half, none.',
  tolerance: { full: 6, zero: 25 },
  live: false,
  rank: 61,
  tellsNothing: true,
  measure: (m) => timeOfRight(m.ways()),
  advise: (_, value) => (value === null ? advice('noReaction', {}) : advice('answerTime', { seconds: value })),
};

/** From where a shown view is seen. */
export const WAY_CRITERIA = { facingError, wrongAnswers, answerTime } as const;
