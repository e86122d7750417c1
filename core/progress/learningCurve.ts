/** T(n) = floor + gain * n ** -rate (Newell & Rosenbloom 1981). */
export interface LearningCurve {
  readonly floor: number;
  readonly gain: number;
  readonly rate: number;
}

interface Trial {
  readonly n: number;
  readonly t: number;
}

const MAX_RATE = 8;
const GRID = 200;

/** Sums over powers n ** -rate that do not depend on the times. */
interface Powers {
  readonly rate: number;
  readonly x: readonly number[];
  readonly mean: number;
  readonly spread: number;
  readonly squares: number;
}

function powersOf(ns: readonly number[], rate: number): Powers {
  const x = ns.map((n) => n ** -rate);
  const mean = x.reduce((sum, v) => sum + v, 0) / x.length;
  return { rate, x, mean, spread: x.reduce((sum, v) => sum + (v - mean) * (v - mean), 0), squares: x.reduce((sum, v) => sum + v * v, 0) };
}

/** Best floor >= 0 and gain >= 0 for a given rate, in closed form, with the sum of squares left. */
function solve({ rate, x, mean, spread, squares: xx }: Powers, times: readonly number[]): LearningCurve & { squares: number } {
  const mt = times.reduce((sum, t) => sum + t, 0) / times.length;
  let sxt = 0;
  let xt = 0;
  for (let i = 0; i < x.length; i++) {
    sxt += ((x[i] as number) - mean) * ((times[i] as number) - mt);
    xt += (x[i] as number) * (times[i] as number);
  }
  let gain = spread > 1e-14 ? sxt / spread : 0;
  let floor = mt - gain * mean;
  if (gain < 0) {
    gain = 0;
    floor = Math.max(0, mt);
  } else if (floor < 0) {
    floor = 0;
    gain = xx > 0 ? Math.max(0, xt / xx) : 0;
  }
  let squares = 0;
  for (let i = 0; i < x.length; i++) squares += ((times[i] as number) - floor - gain * (x[i] as number)) ** 2;
  return { floor, gain, rate, squares };
}

const rateAt = (k: number): number => (MAX_RATE * k * k) / (GRID * GRID);

/** Fits many series of times at the same trials: `near` finds the rate to a few per cent, `exact` goes on from there. */
export function curveFitter(ns: readonly number[]) {
  const grid = Array.from({ length: GRID + 1 }, (_, k) => powersOf(ns, rateAt(k)));
  const near = (times: readonly number[]): LearningCurve & { squares: number; at: number } => {
    let best = { ...solve(grid[0] as Powers, times), at: 0 };
    for (let k = 1; k <= GRID; k++) {
      const found = solve(grid[k] as Powers, times);
      if (found.squares < best.squares * (1 - 1e-12)) best = { ...found, at: k };
    }
    return best;
  };
  const exact = (times: readonly number[]): LearningCurve & { squares: number } => {
    const best = near(times);
    let low = rateAt(Math.max(0, best.at - 1));
    let high = rateAt(Math.min(GRID, best.at + 1));
    const golden = (Math.sqrt(5) - 1) / 2;
    for (let step = 0; step < 80; step++) {
      const a = high - golden * (high - low);
      const b = low + golden * (high - low);
      if (solve(powersOf(ns, a), times).squares <= solve(powersOf(ns, b), times).squares) high = b;
      else low = a;
    }
    const refined = solve(powersOf(ns, (low + high) / 2), times);
    return refined.squares <= best.squares ? refined : best;
  };
  return { near, exact };
}

/** Inverse of a symmetric 3 x 3 matrix, or null. */
function inverse3(m: readonly number[]): number[] | null {
  const [a, b, c, , e, f, , , i] = m as [number, number, number, number, number, number, number, number, number];
  const A = e * i - f * f;
  const B = c * f - b * i;
  const C = b * f - c * e;
  const det = a * A + b * B + c * C;
  if (!(Math.abs(det) > 1e-300)) return null;
  return [A / det, B / det, C / det, B / det, (a * i - c * c) / det, (b * c - a * f) / det, C / det, (b * c - a * f) / det, (a * e - b * b) / det];
}

function standardErrors(trials: readonly Trial[], fit: LearningCurve & { squares: number }): LearningCurve {
  const freedom = trials.length - 3;
  const none = { floor: Number.POSITIVE_INFINITY, gain: Number.POSITIVE_INFINITY, rate: Number.POSITIVE_INFINITY };
  if (freedom <= 0) return none;
  const m = new Array<number>(9).fill(0);
  for (const { n } of trials) {
    const x = n ** -fit.rate;
    const j = [1, x, -fit.gain * x * Math.log(n)];
    for (let r = 0; r < 3; r++) for (let c = 0; c < 3; c++) m[r * 3 + c] = (m[r * 3 + c] as number) + (j[r] as number) * (j[c] as number);
  }
  const inverse = inverse3(m);
  if (!inverse) return none;
  const variance = fit.squares / freedom;
  const error = (k: number): number => Math.sqrt(Math.max(0, variance * (inverse[k] as number)));
  return { floor: error(0), gain: error(4), rate: error(8) };
}

/**
 * Plain least squares of T by variable projection (Golub & Pereyra 1973): floor and gain in closed form for each rate,
 * a search over the rate alone. `n` counts from 1. Standard errors from the Jacobian at the solution; infinite with
 * three trials or fewer.
 */
export function fitLearningCurve(trials: readonly Trial[]): LearningCurve & { standardErrors: LearningCurve } {
  const fit = curveFitter(trials.map(({ n }) => n)).exact(trials.map(({ t }) => t));
  return { floor: fit.floor, gain: fit.gain, rate: fit.rate, standardErrors: standardErrors(trials, fit) };
}

/** Smallest whole n with T(n) <= level; Infinity if the level is at or under the floor. */
export function attemptsToReach(curve: LearningCurve, level: number): number {
  const { floor, gain, rate } = curve;
  if (level <= floor) return Number.POSITIVE_INFINITY;
  if (floor + gain <= level) return 1;
  if (rate <= 0) return Number.POSITIVE_INFINITY;
  const exact = (gain / (level - floor)) ** (1 / rate);
  let n = Math.max(1, Math.floor(exact) - 1);
  while (n < exact + 2 && floor + gain * n ** -rate > level) n++;
  return n;
}
