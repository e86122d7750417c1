import { describe, expect, it } from 'vitest';
import type { GivenCourse } from '../repositories/courses';
import type { Assignment } from '../repositories/exercises';
import { inOrder } from './given';

const assigned = (exerciseId: string, change: Partial<Assignment> = {}): Assignment => ({
  id: `assignment ${exerciseId}`,
  groupId: 'group',
  exerciseId,
  version: 1,
  position: 0,
  dueOn: null,
  alone: false,
  title: `Exercise ${exerciseId}`,
  ...change,
});

/** A course of units, each written as the letters of its exercises, from a day on at a pace. */
const course = (courseId: string, units: readonly string[], startsOn: string, pace: number | null, dues: Record<string, string> = {}): GivenCourse => ({
  groupId: 'group',
  courseId,
  content: {
    name: courseId,
    about: '',
    threshold: 80,
    units: units.map((letters, i) => ({ id: `unit-${i + 1}`, name: `Unit ${i + 1}`, about: '', opensAfter: null, exerciseIds: [...letters] })),
  },
  plan: { startsOn, pace, dues },
});

const told = (...all: Parameters<typeof inOrder>): string[] =>
  inOrder(...all).map(({ exerciseId, dueOn, from }) => `${exerciseId} ${dueOn ?? '-'} ${from ?? '-'}`);

describe('what one is assigned', () => {
  it('comes in the order of the course, then what stands in none as it came', () => {
    const all = ['c', 'z', 'a', 'y', 'b'].map((id) => assigned(id, { alone: 'zy'.includes(id) }));
    expect(told(all, [course('one', ['ab', 'c'], '2031-04-01', 7)])).toEqual([
      'a 2031-04-07 2031-04-01',
      'b 2031-04-07 2031-04-01',
      'c 2031-04-14 2031-04-01',
      'z - -',
      'y - -',
    ]);
    expect(told(all, []).map((line) => line[0])).toEqual(['c', 'z', 'a', 'y', 'b']);
  });

  it('leaves out what the course holds and the group does not have, as before it is published', () => {
    expect(told([assigned('b')], [course('one', ['abc'], '2031-04-01', null)])).toEqual(['b - 2031-04-01']);
  });

  it.each([
    ['the day of its unit', {}, 'a 2031-04-07 2031-04-01'],
    ['the day that was set for itself, also where that is later', { dueOn: '2031-05-05' }, 'a 2031-05-05 2031-04-01'],
    ['any day from the beginning on, where it is given by itself too', { alone: true }, 'a 2031-04-07 -'],
  ])('is due by %s', (_, change, line) => {
    expect(told([assigned('a', change)], [course('one', ['a'], '2031-04-01', 7)])).toEqual([line]);
  });

  it('is due by the earlier of two courses, and open from the one that begins first', () => {
    const [slow, quick] = [course('slow', ['a'], '2031-04-01', 30), course('quick', ['a'], '2031-04-10', 2)];
    expect(told([assigned('a')], [slow, quick])).toEqual(['a 2031-04-11 2031-04-01']);
    expect(told([assigned('a')], [quick, slow])).toEqual(['a 2031-04-11 2031-04-01']);
    // One without days takes none away.
    expect(told([assigned('a')], [slow, course('free', ['a'], '2031-03-01', null)])).toEqual(['a 2031-04-30 2031-03-01']);
  });

  it('is due later for one who has more time, whatever day it was; what has none stays without', () => {
    const all = [assigned('a'), assigned('b', { dueOn: '2031-12-30', alone: true }), assigned('c', { alone: true })];
    expect(told(all, [course('one', ['a'], '2031-04-01', 7)], 3)).toEqual(['a 2031-04-10 2031-04-01', 'b 2032-01-02 -', 'c - -']);
  });

  it('stands once, where a course holds it twice over', () => {
    expect(told([assigned('a')], [course('one', ['a', 'a'], '2031-04-01', 1), course('two', ['a'], '2031-04-01', 1)])).toEqual(['a 2031-04-01 2031-04-01']);
  });
});
