import { describe, expect, it } from 'vitest';
import { type Assigned, type DueSkill, whatNext } from './today';

const TODAY = '2031-05-20';
const exercise = (id: string, more: Partial<Assigned> = {}): Assigned => ({
  exerciseId: id,
  title: id,
  dueOn: null,
  attempts: 0,
  best: null,
  flashes: 0,
  ...more,
});
const tried = (id: string, best: number, more: Partial<Assigned> = {}): Assigned => exercise(id, { attempts: 2, best, flashes: best >= 60 ? 1 : 0, ...more });
const skill = (more: Partial<DueSkill> = {}): DueSkill => ({
  skill: 'orbit',
  label: 'Orbit',
  family: 'the 3D mouse',
  dueAt: 0,
  lastDay: '2031-05-08',
  fading: false,
  exerciseIds: ['a', 'b'],
  ...more,
});
const told = (assigned: readonly Assigned[], skills: readonly DueSkill[] = []) =>
  whatNext(TODAY, assigned, skills).map(({ kind, exerciseId, words }) => `${kind} ${exerciseId}: ${words}`);

describe('what to practise', () => {
  it('what is overdue first, then what is due within a week, the earlier first', () => {
    expect(
      told([
        exercise('far', { dueOn: '2031-06-20', attempts: 1, flashes: 1, best: 70 }),
        exercise('soon', { dueOn: '2031-05-21' }),
        tried('late', 40.7, { dueOn: '2031-05-18' }),
        exercise('later', { dueOn: '2031-05-19', attempts: 1, best: 10 }),
        exercise('now', { dueOn: '2031-05-20' }),
      ]),
    ).toEqual([
      'overdue late: Was due 2 days ago, best so far 40 of 100',
      'overdue later: Was due yesterday, best so far 10 of 100',
      'due now: Due today',
      'due soon: Due tomorrow',
    ]);
  });

  it('what was done is no longer due', () => {
    expect(told([tried('a', 96, { dueOn: '2031-05-01', flashes: 3 })])).toEqual([]);
  });

  it('skills whose time has come, at the exercise that is weakest', () => {
    expect(told([tried('a', 90, { flashes: 2 }), tried('b', 70)], [skill()])).toEqual(['skill b: Orbit with the 3D mouse: last practised 12 days ago']);
    expect(told([tried('a', 90, { flashes: 2 })], [skill({ fading: true, lastDay: '2031-05-19' })])).toEqual([
      'skill a: Orbit with the 3D mouse: mastered, and fading; last practised yesterday',
    ]);
    // Where none of its exercises is assigned any more, there is nothing to open.
    expect(told([], [skill()])).toEqual([]);
  });

  it('then the next of the course, what has no flash, and only at last what could have more', () => {
    expect(told([tried('a', 70), exercise('b'), exercise('c'), tried('d', 30)])).toEqual([
      'next b: Next in the course',
      'again d: No flash yet, best so far 30 of 100',
    ]);
    expect(told([tried('a', 70), tried('b', 99, { flashes: 3 })])).toEqual(['more a: More flashes to earn, best so far 70 of 100']);
    expect(told([])).toEqual([]);
  });

  it('tells an exercise once, with its most pressing reason', () => {
    expect(told([exercise('a', { dueOn: '2031-05-20' })], [skill()])).toEqual(['due a: Due today']);
  });
});
