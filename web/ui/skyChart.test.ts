import { expect, it } from 'vitest';
import { CHART_SIZE, heightRadius, skyPlace } from './skyChart';

const QUARTER = Math.PI / 2;
const middle = CHART_SIZE / 2;

it('straight above is the middle, the horizon a ring, below lies outside it and within the chart', () => {
  expect(skyPlace({ azimuth: 1, elevation: QUARTER })).toEqual({ x: middle, y: middle });
  const horizon = heightRadius(0);
  expect(heightRadius(QUARTER / 2)).toBeCloseTo(horizon / 2, 9);
  expect(heightRadius(-0.1)).toBeGreaterThan(horizon);
  expect(heightRadius(-QUARTER)).toBeLessThan(middle);
});

it('the front is at the foot, the right side at the right, the rear at the top', () => {
  const at = (azimuth: number) => skyPlace({ azimuth, elevation: 0 });
  expect(at(0).y).toBeGreaterThan(middle);
  expect(at(QUARTER).x).toBeGreaterThan(middle);
  expect(at(Math.PI).y).toBeLessThan(middle);
  expect(at(-QUARTER).x).toBeLessThan(middle);
});
