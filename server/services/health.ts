import { type ExerciseStats, type HealthFlag, healthFlags, levelsOnTheRest, type SkillSum, statsOf } from '@core';
import { type Database, FRESH, transact } from '../database';
import { lockExercise, versionKey } from '../repositories/exercises';
import * as health from '../repositories/health';
import type { RequestContext, Service } from '../service';
import { exerciseRead } from './exercises';

/** Figures are kept with so many decimals: a sum in another order gives the same row. */
const DECIMALS = 1e6;
const rounded = (value: number): number => Math.round(value * DECIMALS) / DECIMALS;

/** Counts one exercise anew, every version of it. `sums`: what was told of its skills. */
async function recount(db: Database, exerciseId: string, sums: readonly SkillSum[]): Promise<void> {
  await transact(
    db,
    async (tx) => {
      await lockExercise(tx, exerciseId);
      const tries = await health.triesByVersion(tx, exerciseId);
      const rest = levelsOnTheRest(sums, exerciseId);
      const found = new Map<number, ExerciseStats>();
      for (const [version, list] of tries) {
        const stats = statsOf(list, rest, await health.lossesAt(tx, exerciseId, version));
        if (!stats) continue;
        const { firstMean, discrimination, losses } = stats;
        found.set(version, {
          ...stats,
          firstMean: rounded(firstMean),
          discrimination: discrimination === null ? null : rounded(discrimination),
          losses: losses.map(({ criterion, share }) => ({ criterion, share: rounded(share) })),
        });
      }
      await health.keepStats(tx, exerciseId, found);
    },
    FRESH,
  );
}

/**
 * Brings up to date what is told of exercises at which something changed, and of those whose learners' levels that touches;
 * tells of how many. Safe beside itself and beside hand-ins.
 */
export async function refreshStats({ db }: Pick<Service, 'db'>): Promise<number> {
  const stale = await health.staleExercises(db);
  if (stale.length === 0) return 0;
  const touched = await health.ofTheSameSkills(
    db,
    stale.map(({ exercise_id }) => exercise_id),
  );
  const sums = await health.skillSums(db, touched);
  for (const exerciseId of touched) await recount(db, exerciseId, sums);
  for (const { exercise_id, changes } of stale) await health.markCounted(db, exercise_id, changes);
  return touched.length;
}

/** Counts all exercises anew: the same rows that `refreshStats` keeps. */
export async function rebuildStats({ db }: Pick<Service, 'db'>): Promise<void> {
  const all = await health.exercisesTold(db);
  const sums = await health.skillSums(db, all);
  for (const exerciseId of all) await recount(db, exerciseId, sums);
}

const DAY = 86_400_000;

export interface ExerciseHealth {
  readonly version: number;
  /** Null: nobody has handed in yet. */
  readonly stats: ExerciseStats | null;
  /** Attempts begun more than a day ago, and those of them never handed in. */
  readonly opened: number;
  readonly left: number;
  readonly flags: readonly HealthFlag[];
}

/** Health of versions, each given by its exercise and number. */
async function healthOf(asked: RequestContext, versions: readonly { readonly exerciseId: string; readonly version: number }[]): Promise<ExerciseHealth[]> {
  const ids = [...new Set(versions.map(({ exerciseId }) => exerciseId))];
  const [stats, opened, own] = await Promise.all([
    health.statsKept(asked.db, ids),
    health.openedAndLeft(asked.db, ids, new Date(asked.now().getTime() - DAY)),
    health.ownTries(asked.db, ids),
  ]);
  return versions.map(({ exerciseId, version }) => {
    const key = versionKey(exerciseId, version);
    const counts = opened.get(key) ?? { opened: 0, left: 0 };
    const known = stats.get(key) ?? null;
    return { version, stats: known, ...counts, flags: healthFlags(known, { ...counts, own: own.get(key) ?? [] }) };
  });
}

/** How every published version of an exercise fares, the newest first. */
export async function exerciseHealth(asked: RequestContext, exerciseId: string, newest: number): Promise<ExerciseHealth[]> {
  await exerciseRead(asked, exerciseId);
  return healthOf(
    asked,
    Array.from({ length: newest }, (_, i) => ({ exerciseId, version: newest - i })),
  );
}

/** What the newest versions of exercises suffer from, by exercise; of those that the one who asks was given as a list. */
export async function flagsOf(
  asked: RequestContext,
  newest: readonly { readonly id: string; readonly version: number }[],
): Promise<Map<string, readonly HealthFlag[]>> {
  const published = newest.filter(({ version }) => version > 0).map(({ id, version }) => ({ exerciseId: id, version }));
  const found = await healthOf(asked, published);
  return new Map(published.map(({ exerciseId }, i) => [exerciseId, found[i]?.flags ?? []]));
}
