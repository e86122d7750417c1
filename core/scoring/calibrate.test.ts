import { expect, it } from 'vitest';
import { calibrated, calibratedFromGroup, quantile } from './calibrate';

it('quantiles are linear between the order statistics', () => {
  expect(quantile([1, 2, 3, 4], 0.9)).toBeCloseTo(3.7, 12);
  expect(quantile([4, 1, 3, 2], 0.25)).toBeCloseTo(1.75, 12);
  expect(quantile([5], 0.9)).toBe(5);
  expect(quantile([], 0.5)).toBeNull();
});

it('what is close enough comes from three tries or more, never finer than a hand', () => {
  expect(calibrated('time', [10, 12])).toBeNull();
  const time = calibrated('time', [40, 50, 60]);
  expect(time?.full).toBeCloseTo(58, 9);
  expect(time?.zero).toBeCloseTo(232, 9);
  // Three perfect hits: half a degree, and the usual end of points.
  const direction = calibrated('direction', [0, 0.0001, 0]);
  expect(direction?.full).toBeCloseTo((0.5 * Math.PI) / 180, 12);
  expect(direction?.zero).toBeGreaterThan(0.1);
  // Of a share there is no more than all, and who reached nothing tells nothing.
  expect(calibrated('missed', [0.5, 0.5, 0.5])).toEqual({ full: 0.5, zero: 1 });
  expect(calibrated('missed', [1, 1, 1])).toBeNull();
  // What is met or not has no tolerance.
  expect(calibrated('projection', [0, 0, 0])).toBeNull();
});

it('a group’s best quarter sets full marks, its first tries the end of points', () => {
  const time = calibratedFromGroup('time', [10, 20, 30, 40, 50], [60, 70, 80, 90, 100]);
  expect(time).toEqual({ full: 20, zero: expect.closeTo(96, 9) });
  expect(calibratedFromGroup('time', [10, 20], [60, 70])).toBeNull();
  // Who began as well as they ever became: four times what is full, or the usual.
  expect(calibratedFromGroup('time', [10, 10, 10], [10, 10, 10])).toEqual({ full: 10, zero: 120 });
  expect(calibratedFromGroup('time', [50, 50, 50], [50, 50, 50])).toEqual({ full: 50, zero: 200 });
  expect(calibratedFromGroup('direction', [0, 0, 0], [0, 0, 0])?.full).toBeCloseTo((0.5 * Math.PI) / 180, 12);
  expect(calibratedFromGroup('missed', [1, 1, 1], [1, 1, 1])).toBeNull();
  expect(calibratedFromGroup('projection', [0, 0, 0], [1, 1, 1])).toBeNull();
});
