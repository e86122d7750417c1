import { expect, it } from 'vitest';
import { COURSE } from './course';
import { FIRST_WATCH_UNITS, ROUNDS_UNITS } from './units';

const titles = COURSE.map(({ title }) => title);

it('has twelve units that hold every exercise once, in the order in which they are practised', () => {
  expect(FIRST_WATCH_UNITS).toHaveLength(12);
  expect(FIRST_WATCH_UNITS.flatMap((unit) => unit.titles)).toEqual(titles);
  expect(titles.length).toBeGreaterThanOrEqual(30);
});

it('gives a second course of exercises that there are', () => {
  for (const title of ROUNDS_UNITS.flatMap((unit) => unit.titles)) expect(titles).toContain(title);
});
