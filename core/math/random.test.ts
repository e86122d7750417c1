import { expect, it } from 'vitest';
import { randomFrom, shuffled } from './random';

it('the same seed gives the same numbers, another gives others', () => {
  const take = (seed: number): number[] => {
    const random = randomFrom(seed);
    return Array.from({ length: 5 }, () => random.next());
  };
  expect(take(7)).toEqual(take(7));
  expect(take(7)).not.toEqual(take(8));
});

it('normal numbers have mean 0 and deviation 1', () => {
  const random = randomFrom(3);
  const values = Array.from({ length: 20_000 }, () => random.normal());
  const mean = values.reduce((s, v) => s + v, 0) / values.length;
  const deviation = Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / values.length);
  expect(Math.abs(mean)).toBeLessThan(0.03);
  expect(Math.abs(deviation - 1)).toBeLessThan(0.03);
});

it('a shuffle keeps every number once', () => {
  expect([...shuffled(20, 5)].sort((a, b) => a - b)).toEqual(Array.from({ length: 20 }, (_, i) => i));
  expect(shuffled(20, 5)).not.toEqual(shuffled(20, 6));
});
