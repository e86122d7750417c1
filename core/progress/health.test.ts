import { describe, expect, it } from 'vitest';
import { type HealthTry, healthFlags, levelsOnTheRest, type OwnTries, type SkillSum, statsOf } from './health';

const tries = (...list: readonly (readonly [string, number, number])[]): HealthTry[] =>
  list.map(([personId, score, seconds]) => ({ personId, score, seconds }));
const nobody = new Map<string, number>();
const NEVER_LEFT = { opened: 20, left: 0 };

describe('what attempts tell of an exercise', () => {
  it('is worked out from first attempts, all times, and what was lost', () => {
    const stats = statsOf(tries(['a', 20, 10], ['b', 60, 30], ['a', 90, 20], ['a', 95, 50]), nobody, [
      { criterion: 'size', lost: 0.5 },
      { criterion: 'roll', lost: 0 },
      { criterion: 'direction', lost: 1.5 },
    ]);
    expect(stats).toEqual({
      attempts: 4,
      learners: 2,
      firstMean: 40,
      discrimination: null,
      // Of 10, 20, 30 and 50 seconds.
      medianSeconds: 25,
      losses: [
        { criterion: 'direction', share: 0.75 },
        { criterion: 'size', share: 0.25 },
      ],
    });
    expect(statsOf([], nobody, [])).toBeNull();
    expect(statsOf(tries(['a', 100, 7]), nobody, [])).toMatchObject({ medianSeconds: 7, losses: [] });
  });

  it('tells learners apart from fifteen on whose level on the rest is known', () => {
    const some = (n: number, score: (i: number) => number) => tries(...Array.from({ length: n }, (_, i) => [`p${i}`, score(i), 10] as const));
    const levels = new Map(Array.from({ length: 20 }, (_, i) => [`p${i}`, i]));
    expect(
      statsOf(
        some(14, (i) => i),
        levels,
        [],
      )?.discrimination,
    ).toBeNull();
    expect(
      statsOf(
        some(15, (i) => 3 * i + 2),
        levels,
        [],
      )?.discrimination,
    ).toBeCloseTo(1, 12);
    expect(
      statsOf(
        some(15, (i) => 90 - i),
        levels,
        [],
      )?.discrimination,
    ).toBeCloseTo(-1, 12);
    expect(
      statsOf(
        some(16, () => 50),
        levels,
        [],
      )?.discrimination,
    ).toBe(0);
    // Of twenty, six whose level nobody knows: fourteen are left.
    expect(
      statsOf(
        some(20, (i) => i),
        new Map([...levels].slice(0, 14)),
        [],
      )?.discrimination,
    ).toBeNull();
  });
});

describe('the level on the rest of an exercise’s skills', () => {
  const sum = (skill: string, exerciseId: string, personId: string, odds: number, attempts = 1): SkillSum => ({ skill, exerciseId, personId, odds, attempts });
  it('is the mean of all attempts at other exercises of those skills', () => {
    const sums = [
      sum('orbit', 'e', 'ada', 9),
      sum('zoom', 'e', 'ada', 9),
      sum('orbit', 'f', 'ada', 3, 2),
      sum('zoom', 'g', 'ada', 5, 2),
      sum('pan', 'f', 'ada', 100),
      sum('orbit', 'f', 'mary', -2, 4),
    ];
    expect(levelsOnTheRest(sums, 'e')).toEqual(
      new Map([
        ['ada', 2],
        ['mary', -0.5],
      ]),
    );
    // Who did nothing else has none.
    expect(levelsOnTheRest(sums.slice(0, 2), 'e')).toEqual(new Map());
  });
});

describe('what an exercise suffers from', () => {
  const kinds = (score: number, n: number, opened = NEVER_LEFT): string[] =>
    healthFlags(statsOf(tries(...Array.from({ length: n }, (_, i) => [`p${i}`, score, 10] as const)), nobody, []), opened).map(({ kind }) => kind);
  it('is told from five learners on, by their first attempts', () => {
    expect(kinds(95, 4)).toEqual([]);
    expect(kinds(95, 5)).toEqual(['easy']);
    expect(kinds(29, 5)).toEqual(['hard']);
    expect(kinds(30, 5)).toEqual([]);
  });
  it('is that it is often left, from ten on that were begun', () => {
    expect(kinds(60, 5, { opened: 9, left: 9 })).toEqual([]);
    expect(kinds(60, 5, { opened: 10, left: 3 })).toEqual([]);
    expect(kinds(60, 5, { opened: 10, left: 4 })).toEqual(['left']);
    expect(healthFlags(null, { opened: 10, left: 10 }).map(({ kind }) => kind)).toEqual(['left']);
  });
  it('is that its tolerances are tighter than the author keeps to, from three own tries on', () => {
    const told = (...own: OwnTries[]): string[] => healthFlags(null, { ...NEVER_LEFT, own }).map(({ words }) => words);
    expect(told({ criterion: 'direction', tries: 2, lost: 2 })).toEqual([]);
    expect(told({ criterion: 'direction', tries: 4, lost: 2 })).toEqual([]);
    expect(told({ criterion: 'direction', tries: 4, lost: 3 }, { criterion: 'size', tries: 4, lost: 0 }, { criterion: 'roll', tries: 4, lost: 4 })).toEqual([
      'Tighter than the author: most of the author’s own tries lose points for direction, roll',
    ]);
  });
  it('is that it tells nobody apart', () => {
    const levels = new Map(Array.from({ length: 15 }, (_, i) => [`p${i}`, i]));
    const stats = statsOf(tries(...Array.from({ length: 15 }, (_, i) => [`p${i}`, 60 + (i % 2), 10] as const)), levels, []);
    expect(healthFlags(stats, NEVER_LEFT).map(({ kind }) => kind)).toEqual(['same']);
  });
});
