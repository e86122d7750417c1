import { compareSchemes, FEWEST_COMPARED, FEWEST_TRIES, groupedBy, type SchemesCompared, type SchemeTry, type WayGone } from '@core';
import { type WayRow, waysOf } from '../repositories/comparing';
import { findVersion } from '../repositories/exercises';
import { schemeNames } from '../repositories/schemes';
import type { RequestContext } from '../service';
import type { Progress } from './progress';

/** Pairs of schemes that are told of at most, and exercises that are named at once. */
const PAIRS = 3;
const NAMED = 2;
/** The bootstrap's: the same attempts tell the same twice. */
const SEED = 1;

export interface SchemeNamed {
  readonly id: string;
  readonly name: string;
}

/** The scheme that was used last beside another one. */
export interface ComparedPair extends SchemesCompared {
  readonly mine: SchemeNamed;
  readonly other: SchemeNamed;
  /** While there are too few: what to do next, the nearest to being comparable first. */
  readonly toDo: readonly { readonly exerciseId: string; readonly title: string; readonly scheme: SchemeNamed; readonly times: number }[];
}

/** Attempts as they are compared: of ways whose length is known from this or another attempt at the exercise. */
async function triesFrom(asked: RequestContext, rows: readonly WayRow[]): Promise<SchemeTry[]> {
  const keyOf = ({ step, criterion }: WayRow): string => `${step} ${criterion}`;
  const lengths = new Map<string, number>();
  for (const row of rows) if (row.start !== null) lengths.set(`${row.exerciseId} ${keyOf(row)}`, Math.abs(row.start));
  const tries: SchemeTry[] = [];
  for (const [, those] of groupedBy(rows, ({ attemptId }) => attemptId)) {
    const first = those[0] as WayRow;
    // Versions are read once a process.
    const version = await findVersion(asked.db, first.exerciseId, first.version);
    if (!version) continue;
    const ways = those.flatMap((row): WayGone[] => {
      const start = row.start ?? lengths.get(`${row.exerciseId} ${keyOf(row)}`);
      const full = version.content.steps[row.step]?.criteria.find(({ id }) => id === row.criterion)?.full;
      return start === undefined || full === undefined ? [] : [{ key: keyOf(row), start, end: row.end, full }];
    });
    if (ways.length === 0) continue;
    const seconds = [...groupedBy(those, ({ step }) => step).values()].reduce((sum, [row]) => sum + (row as WayRow).seconds, 0);
    tries.push({ exerciseId: first.exerciseId, schemeId: first.schemeId, seconds, ways });
  }
  return tries;
}

/** The schemes of a learner compared, the one used last with each of the others; empty with one scheme. */
export async function schemesCompared(asked: RequestContext, { person, attempts, standings, closed }: Progress): Promise<ComparedPair[]> {
  const used = [
    ...new Set(
      attempts
        .filter(({ counts }) => counts)
        .map(({ schemeId }) => schemeId)
        .reverse(),
    ),
  ];
  const [mine, ...others] = used;
  if (mine === undefined || others.length === 0) return [];
  const tries = await triesFrom(asked, await waysOf(asked.db, person.id));
  const names = await schemeNames(asked.db, used);
  const named = (id: string): SchemeNamed => ({ id, name: names.get(id) ?? 'a scheme that is gone' });
  const timesOf = (exerciseId: string, schemeId: string): number => tries.filter((each) => each.exerciseId === exerciseId && each.schemeId === schemeId).length;
  return others.slice(0, PAIRS).map((other) => {
    const found = compareSchemes(tries, [mine, other], SEED);
    const missing = standings
      .filter(({ exerciseId }) => !closed.has(exerciseId))
      .flatMap(({ exerciseId, title }) =>
        [mine, other].map((schemeId) => ({
          exerciseId,
          title,
          schemeId,
          times: FEWEST_TRIES - timesOf(exerciseId, schemeId),
          done: timesOf(exerciseId, schemeId === mine ? other : mine),
        })),
      )
      // Done often enough under the one, and not under the other.
      .filter(({ times, done }) => times > 0 && done >= FEWEST_TRIES)
      .sort((a, b) => a.times - b.times);
    const toDo = found.ratio ? [] : missing.slice(0, Math.min(NAMED, FEWEST_COMPARED - found.exercises.length));
    return {
      ...found,
      mine: named(mine),
      other: named(other),
      toDo: toDo.map(({ exerciseId, title, schemeId, times }) => ({ exerciseId, title, scheme: named(schemeId), times })),
    };
  });
}
