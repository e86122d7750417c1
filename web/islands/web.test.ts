import { CRITERION_IDS, flashesFor } from '@core';
import { trimmed } from '@web/goals/followOrbit/useRecording';
import { shownPoints } from '@web/ui/points';
import { shownValue } from '@web/ui/shownValue';
import { describe, expect, it } from 'vitest';
import { fromShown, toShown } from './author/CriteriaTable';
import { slid, zoomed } from './review/TimeLine';

it('points shown are points reached: 95 has its third flash, 94.99 has not', () => {
  for (const score of [59.99, 60, 79.999, 80, 94.6, 94.999999, 95, 100]) expect(flashesFor(shownPoints(score))).toBe(flashesFor(score));
  expect(shownPoints(94.6)).toBe(94);
});

describe('values as people see them', () => {
  it('tolerances come back from what is shown', () => {
    for (const id of CRITERION_IDS) for (const value of [0, 0.02, 0.5, 1]) expect(fromShown(id, toShown(id, value)), id).toBeCloseTo(value, 2);
  });

  it('degrees, percent, matches and seconds', () => {
    expect(shownValue('direction', Math.PI / 12)).toBe('15°');
    expect(shownValue('size', 1)).toBe('100 % off');
    expect(shownValue('size', 0.24, 1.18)).toBe('18 % too large');
    expect(shownValue('fill', 0.18, 0.82)).toBe('18 % too small');
    expect(shownValue('size', 2.1, 1 / 4.2)).toBe('4.2 × too small');
    expect(shownValue('size', 0, 1)).toBe('right');
    expect(shownValue('placement', 0.18)).toBe('18 %');
    expect(shownValue('overlap', 0.08)).toBe('92 %');
    expect(shownValue('time', 12.34)).toBe('12.3 s');
    expect(shownValue('projection', 1)).toBe('other');
    expect(shownValue('size', null)).toBe('–');
    expect(shownValue('size', 8)).toBe('256 × off');
  });
});

it('a trimmed line begins at 0 and keeps the views between', () => {
  const view = (x: number) => ({ target: [x, 0, 0] as const, orientation: [0, 0, 0, 1] as const, distance: 1, projection: 'perspective' as const, fovY: 1 });
  const path = trimmed({ kind: 'followOrbit', pivot: [0, 0, 0], path: [0, 1, 2, 3].map((t) => ({ t, view: view(t) })) }, 0.5, 2.5);
  expect(path.map((p) => [p.t, p.view.target[0]])).toEqual([
    [0, 0.5],
    [0.5, 1],
    [1.5, 2],
    [2, 2.5],
  ]);
});

describe('the range of a time line', () => {
  it('goes earlier and later within the whole, and nearer about a moment', () => {
    expect(slid([10, 20], 0.5, 60)).toEqual([15, 25]);
    expect(slid([10, 20], -2, 60)).toEqual([0, 10]);
    expect(slid([45, 55], 1, 60)).toEqual([50, 60]);
    expect(zoomed([0, 60], 30, 0.5, 60)).toEqual([15, 45]);
    expect(zoomed([15, 45], 20, 8, 60)).toEqual([0, 60]);
  });
});
