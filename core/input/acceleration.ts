/** A key that is held begins gently, so that a touch of it is a small step, and gets faster: shares of the full speed. */
const GENTLE = 0.4;
const FASTEST = 2.5;
/** Seconds until the full speed, and until the fastest. */
const FULL_AFTER = 0.5;
const FASTEST_AFTER = 2.5;

/** Share of the full speed after a key was held for `seconds`: 0.4 at first, 1 after half a second, 2.5 from two and a half on. */
export function heldSpeed(seconds: number): number {
  const t = Math.max(0, seconds);
  if (t < FULL_AFTER) return GENTLE + ((1 - GENTLE) * t) / FULL_AFTER;
  return 1 + (FASTEST - 1) * Math.min(1, (t - FULL_AFTER) / (FASTEST_AFTER - FULL_AFTER));
}

/** Repeats of a key until its step is the largest, and how many times the first step that is. */
const GROWN_AFTER = 20;
const LARGEST = 4;

/** How many times its first step a key makes when it repeats for the n-th time; the first four are as the first, so that one can count them. */
export const repeatedStep = (repeats: number): number => 1 + (LARGEST - 1) * Math.min(1, Math.max(0, repeats - 4) / (GROWN_AFTER - 4));
