/** Figures as a sentence tells them. What is told is what the moves of an advice do. */

const DEGREE = Math.PI / 180;

const tenths = (x: number): number => Math.round(x * 10) / 10;

/** Degrees with a decimal below 3, else whole. */
export const toldDegrees = (angle: number): number => {
  const d = Math.abs(angle) / DEGREE;
  return Math.sign(angle) * (d < 3 ? tenths(d) : Math.round(d));
};
/** An angle as it is told, radians. */
export const toldAngle = (angle: number): number => toldDegrees(angle) * DEGREE;

/** Per cent with a decimal below 3, else whole. */
export const toldPercent = (share: number): number => {
  const p = Math.abs(share) * 100;
  return Math.sign(share) * (p < 3 ? tenths(p) : Math.round(p));
};
/** A share as it is told. */
export const toldShare = (share: number): number => toldPercent(share) / 100;

/** Up to three times a size is told in per cent, beyond that as so many times. */
export const MOST_IN_PERCENT = 3;

/** How many times too large something is, as it is told: 1.18 for 18 % too large, 0.82 for 18 % too small. */
export function toldTooLarge(ratio: number): number {
  const times = ratio < 1 ? 1 / ratio : ratio;
  if (times <= MOST_IN_PERCENT) return 1 + toldShare(ratio - 1);
  const told = times < 10 ? tenths(times) : Math.round(times);
  return ratio < 1 ? 1 / told : told;
}

/** The factor of size that mends what is told: what is 18 % too large is divided by 1.18. */
export const toldFactor = (factor: number): number => 1 / toldTooLarge(1 / factor);

/** A length to three digits, as it is told, metres. */
export const toldLength = (metres: number): number => Number(metres.toPrecision(3));

/** A way that is walked: to a centimetre below a metre, else to a tenth, metres. */
export const toldWay = (metres: number): number => Number(metres.toFixed(Math.abs(metres) < 1 ? 2 : 1));
