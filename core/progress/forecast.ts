import { randomFrom } from '../math';
import { attemptsToReach, curveFitter } from './learningCurve';

/** Further attempts until a score is reached: the middle, and the ends of an 80 % interval; Infinity where it may never be. */
export interface Forecast {
  readonly likely: number;
  readonly low: number;
  readonly high: number;
}

/** Attempts under which no curve is drawn on. */
export const FEWEST_FOR_CURVE = 5;
/** Chance that a curve that is none looks this good, at most. */
const DOUBT = 0.1;
const FITS = 400;

/**
 * Whether a learning curve tells more than a mean: the F test of its two further parameters, for which the chance has
 * the closed form P(F > f) = (1 + 2 f / d) ** (-d / 2) with 2 and d degrees of freedom.
 */
export function tellsMore(constantSquares: number, curveSquares: number, freedom: number): boolean {
  if (freedom <= 0 || constantSquares <= 0) return false;
  if (curveSquares <= constantSquares * 1e-12) return true;
  const f = (constantSquares - curveSquares) / 2 / (curveSquares / freedom);
  return (1 + (2 * f) / freedom) ** (-freedom / 2) <= DOUBT;
}

/**
 * How many attempts after the last of `points` until the error 100 - score is at most 100 - `threshold`, by a parametric
 * bootstrap (Efron & Tibshirani 1993) of the learning curve; null with fewer than five attempts, or where the curve is no
 * better than a constant. `n` counts attempts from 1.
 */
export function forecast(points: readonly { readonly n: number; readonly score: number }[], threshold: number, seed: number): Forecast | null {
  if (points.length < FEWEST_FOR_CURVE) return null;
  const ns = points.map(({ n }) => n);
  const errors = points.map(({ score }) => 100 - score);
  const { near, exact } = curveFitter(ns);
  const fit = exact(errors);
  const mean = errors.reduce((sum, error) => sum + error, 0) / errors.length;
  const freedom = points.length - 3;
  if (
    !tellsMore(
      errors.reduce((sum, error) => sum + (error - mean) ** 2, 0),
      fit.squares,
      freedom,
    )
  )
    return null;
  const last = Math.max(...ns);
  const random = randomFrom(seed);
  const deviation = Math.sqrt(fit.squares / freedom);
  const curve = ns.map((n) => fit.floor + fit.gain * n ** -fit.rate);
  const further = Array.from({ length: FITS }, () => {
    const again = near(curve.map((error) => Math.min(100, Math.max(0, error + deviation * random.normal()))));
    return Math.max(0, attemptsToReach(again, 100 - threshold) - last);
  }).sort((a, b) => a - b || 0);
  const at = (share: number): number => further[Math.min(FITS - 1, Math.floor(share * FITS))] as number;
  return { likely: at(0.5), low: at(0.1), high: at(0.9) };
}
