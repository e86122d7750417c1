import { describe, expect, it } from 'vitest';
import { dayAfter } from '../progress/days';
import { type CourseContent, courseSchema } from './courseSchema';
import { addUnit, moveExercise, moveUnit, removeExercise, removeUnit, setUnit, stepExercise } from './editing';
import { type CoursePlan, dueDaysOf, unitStandings } from './standing';

const unit = (id: string, exerciseIds: string[], opensAfter: string | null = null) => ({ id, name: `Unit ${id}`, about: '', opensAfter, exerciseIds });
const course: CourseContent = { name: 'A course', about: '', threshold: 80, units: [unit('a', ['1', '2']), unit('b', ['3'], 'a'), unit('c', [], 'b')] };
const orderOf = ({ units }: CourseContent): string => units.map(({ id, exerciseIds }) => `${id}(${exerciseIds.join('')})`).join(' ');

describe('what a course may be', () => {
  it('is accepted as it stands', () => {
    expect(courseSchema.parse(course)).toEqual(course);
  });
  it.each([
    ['an exercise twice', { units: [unit('a', ['1']), unit('b', ['1'])] }, 'units.1.exerciseIds'],
    ['a unit that waits for a later one', { units: [unit('a', [], 'b'), unit('b', [])] }, 'units.0.opensAfter'],
    ['a unit that waits for itself', { units: [unit('a', [], 'a')] }, 'units.0.opensAfter'],
    ['two units of one id', { units: [unit('a', []), unit('a', [])] }, 'units.1.id'],
    ['a name of spaces', { name: '   ' }, 'name'],
    ['a threshold out of reach', { threshold: 100 }, 'threshold'],
  ])('%s is refused at its field', (_, change, field) => {
    const { error } = courseSchema.safeParse({ ...course, ...change });
    expect(error?.issues.map(({ path }) => path.join('.'))).toContain(field);
  });
});

describe('changing a course', () => {
  it('moves units, and frees those that would wait for a later one', () => {
    const moved = moveUnit('a', 2)(course);
    expect(orderOf(moved)).toBe('b(3) c() a(12)');
    expect(moved.units.map(({ opensAfter }) => opensAfter)).toEqual([null, 'b', null]);
    expect(moveUnit('nobody', 0)(course).units).toEqual(course.units);
  });
  it('takes a unit away, and frees who waited for it', () => {
    expect(removeUnit('a')(course).units.map(({ opensAfter }) => opensAfter)).toEqual([null, 'b']);
  });
  it('puts an exercise into a unit, from wherever it stands', () => {
    expect(orderOf(moveExercise('1', 'b', 1)(course))).toBe('a(2) b(31) c()');
    expect(orderOf(moveExercise('9', 'c', 4)(course))).toBe('a(12) b(3) c(9)');
    expect(orderOf(removeExercise('3')(course))).toBe('a(12) b() c()');
  });
  it('steps an exercise through its unit and over its edges', () => {
    expect(orderOf(stepExercise('1', 1)(course))).toBe('a(21) b(3) c()');
    expect(orderOf(stepExercise('2', 1)(course))).toBe('a(1) b(23) c()');
    expect(orderOf(stepExercise('3', -1)(course))).toBe('a(123) b() c()');
    expect(orderOf(stepExercise('1', -1)(course))).toBe(orderOf(course));
  });
  it('adds and names', () => {
    expect(orderOf(addUnit('d', 'New')(course))).toBe('a(12) b(3) c() d()');
    expect(setUnit('b', { name: 'Other' })(course).units[1]).toMatchObject({ name: 'Other', exerciseIds: ['3'] });
  });
});

describe('when units are due', () => {
  const plan: CoursePlan = { startsOn: '2031-04-01', pace: 7, dues: {} };
  it('is the last of its days by the pace', () => {
    expect(dueDaysOf(course.units, plan)).toEqual(['2031-04-07', '2031-04-14', '2031-04-21']);
    expect(dueDaysOf(course.units, { ...plan, pace: 1 })).toEqual(['2031-04-01', '2031-04-02', '2031-04-03']);
  });
  it('is the day that was set, also without a pace', () => {
    expect(dueDaysOf(course.units, { ...plan, pace: null, dues: { b: '2031-05-05' } })).toEqual([null, '2031-05-05', null]);
    expect(dueDaysOf(course.units, { ...plan, dues: { b: '2031-05-05' } })).toEqual(['2031-04-07', '2031-05-05', '2031-04-21']);
  });
  it('counts over the end of a month and a leap day', () => {
    expect(dayAfter('2032-02-27', 3)).toBe('2032-03-01');
  });
});

describe('how one stands with a course', () => {
  const states = (flashed: string, today = '2031-04-03') =>
    unitStandings(course.units, { startsOn: '2031-04-02', today, flashed: (id) => flashed.includes(id) }).map(({ state }) => state);
  it('opens unit after unit', () => {
    expect(states('')).toEqual(['open', 'closed', 'closed']);
    expect(states('1')).toEqual(['open', 'closed', 'closed']);
    expect(states('12')).toEqual(['done', 'open', 'closed']);
    // A unit without exercises is open, and there is nothing to be done with it.
    expect(states('123')).toEqual(['done', 'done', 'open']);
  });
  it('has nothing open before it begins, and all on its first day', () => {
    expect(states('12', '2031-04-01')).toEqual(['early', 'early', 'early']);
    expect(states('', '2031-04-02')).toEqual(['open', 'closed', 'closed']);
  });
  it('says what a unit waits for, and counts', () => {
    expect(unitStandings(course.units, { startsOn: '2031-04-02', today: '2031-04-02', flashed: (id) => id === '1' })[1]).toEqual({
      state: 'closed',
      waitsFor: 'Unit a',
      flashed: 0,
    });
  });
});
