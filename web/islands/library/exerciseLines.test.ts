import { expect, it } from 'vitest';
import { ALL, type ExerciseLine, isFiltered, linesWanted, occurring } from './exerciseLines';

const line = (id: string, change: Partial<ExerciseLine> = {}): ExerciseLine => ({
  id,
  title: id,
  steps: 1,
  version: 1,
  changedSince: false,
  mine: true,
  archived: false,
  skills: ['Orbit'],
  goals: ['Match a view'],
  courses: [],
  picture: null,
  flags: [],
  updatedAt: '2026-11-01T10:00:00.000Z',
  ...change,
});
const lines = [
  line('Stern 10', { updatedAt: '2026-11-03T10:00:00.000Z', skills: ['Zoom', 'Orbit'] }),
  line('Stern 9', { version: 0, goals: ['Frame it'], updatedAt: '2026-11-02T10:00:00.000Z' }),
  line('Bow', { courses: ['First watch'], flags: ['Too hard: first attempts earn next to nothing'], changedSince: true }),
  line('gone', { title: null, skills: [], goals: [] }),
];
const ids = (change: Partial<typeof ALL>): string[] => linesWanted(lines, { ...ALL, ...change }).map(({ id }) => id);

it('without a wish all are there, the one changed last first', () => {
  expect(ids({})).toEqual(['Stern 10', 'Stern 9', 'gone', 'Bow']);
  expect(isFiltered(ALL)).toBe(false);
  expect(isFiltered({ ...ALL, order: 'title' })).toBe(false);
});

it('every word has to be found, in the title, a skill, a goal or a course, however it is written', () => {
  expect(ids({ words: '  STERN match ' })).toEqual(['Stern 10']);
  expect(ids({ words: 'first WATCH' })).toEqual(['Bow']);
  expect(ids({ words: 'stern bow' })).toEqual([]);
  expect(ids({ words: '(' })).toEqual([]);
});

it.each([
  [{ skill: 'Zoom' }, ['Stern 10']],
  [{ goal: 'Frame it' }, ['Stern 9']],
  [{ course: 'First watch' }, ['Bow']],
  [{ state: 'draft' }, ['Stern 9']],
  [{ state: 'changed' }, ['Bow']],
  [{ state: 'published' }, ['Stern 10', 'gone']],
  [{ state: 'care' }, ['Bow']],
  [{ skill: 'Zoom', state: 'care' }, []],
] as const)('%j leaves %j', (change, left) => {
  expect(ids(change)).toEqual(left);
  expect(isFiltered({ ...ALL, ...change })).toBe(true);
});

it('titles stand in their order, numbers as numbers; what wants care may come first', () => {
  expect(ids({ order: 'title' })).toEqual(['gone', 'Bow', 'Stern 9', 'Stern 10']);
  expect(ids({ order: 'care' })[0]).toBe('Bow');
});

it('only what occurs can be chosen', () => {
  expect(occurring(lines, 'skills')).toEqual(['Orbit', 'Zoom']);
  expect(occurring(lines, 'courses')).toEqual(['First watch']);
});
