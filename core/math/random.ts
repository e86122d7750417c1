import { cos, log } from './exact';

/** Numbers from a seed: the same seed gives the same numbers in every engine. */
export interface Random {
  /** Uniform in [0, 1). */
  next(): number;
  /** Normal with mean 0 and deviation 1 (Box & Muller 1958). */
  normal(): number;
  /** Whole number in 0 … below - 1. */
  below(limit: number): number;
}

/** mulberry32: a 32-bit state, period 2^32. */
export function randomFrom(seed: number): Random {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    normal: () => Math.sqrt(-2 * log(1 - next())) * cos(2 * Math.PI * next()),
    below: (limit) => Math.floor(next() * limit),
  };
}

/** The whole numbers 0 … count - 1 in an order that the seed decides (Fisher & Yates). */
export function shuffled(count: number, seed: number): number[] {
  const order = Array.from({ length: count }, (_, i) => i);
  const random = randomFrom(seed);
  for (let i = count - 1; i > 0; i--) {
    const j = random.below(i + 1);
    [order[i], order[j]] = [order[j] as number, order[i] as number];
  }
  return order;
}
