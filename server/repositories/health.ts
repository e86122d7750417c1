import { type CriterionId, type ExerciseStats, groupedBy, type HealthTry, type OwnTries, type SkillSum } from '@core';
import type { Database } from '../database';
import { parseColumn } from '../json';
import { versionKey } from './exercises';

/** Marks that something changed about attempts at an exercise, in the transaction that changes it. */
export async function markStale(tx: Database, exerciseIds: readonly string[]): Promise<void> {
  if (exerciseIds.length === 0) return;
  await tx('stale_stats')
    .insert([...exerciseIds].sort().map((id) => ({ exercise_id: id, changes: 1 })))
    .onConflict('exercise_id')
    .merge({ changes: tx.raw('stale_stats.changes + 1') });
}

/** Exercises about which something changed, and how much. */
export const staleExercises = (db: Database): Promise<{ exercise_id: string; changes: number }[]> => db('stale_stats').select('exercise_id', 'changes');

/** Exercises at which one of the skills of these was practised, themselves among them. */
export async function ofTheSameSkills(db: Database, exerciseIds: readonly string[]): Promise<string[]> {
  const rows: { exercise_id: string }[] = await db('skill_observations')
    .whereIn(
      'skill',
      db('skill_observations')
        .whereIn('exercise_id', [...exerciseIds])
        .distinct('skill'),
    )
    .distinct('exercise_id');
  return [...new Set([...exerciseIds, ...rows.map((row) => row.exercise_id)])];
}

/** Marks that an exercise was counted, unless something changed again meanwhile. */
export async function markCounted(db: Database, exerciseId: string, changes: number): Promise<void> {
  await db('stale_stats').where({ exercise_id: exerciseId, changes }).delete();
}

/** Exercises that have attempts, or stats. */
export async function exercisesTold(db: Database): Promise<string[]> {
  const rows: { exercise_id: string }[] = await db('attempts')
    .whereNotNull('handed_in_at')
    .distinct('exercise_id')
    .union(db('exercise_stats').distinct('exercise_id'));
  return rows.map((row) => row.exercise_id);
}

/** Attempts that count at an exercise, by version, in the order in which they were handed in. */
export async function triesByVersion(db: Database, exerciseId: string): Promise<Map<number, HealthTry[]>> {
  const rows: { version: number; person_id: string; score: number; seconds: number }[] = await db('attempts')
    .where({ exercise_id: exerciseId, counts: true })
    .whereNotNull('handed_in_at')
    .orderBy(['handed_in_at', 'id'])
    .select('version', 'person_id', 'score', 'seconds');
  const byVersion = groupedBy(rows, ({ version }) => version);
  return new Map([...byVersion].map(([version, list]) => [version, list.map(({ person_id, score, seconds }) => ({ personId: person_id, score, seconds }))]));
}

/** What attempts that count told of all the skills that were practised at these exercises, at these and at others. */
export async function skillSums(db: Database, exerciseIds: readonly string[]): Promise<SkillSum[]> {
  const skills = db('skill_observations')
    .whereIn('exercise_id', [...exerciseIds])
    .distinct('skill');
  const rows: { skill: string; exercise_id: string; person_id: string; odds: number; attempts: number | string }[] = await db('skill_observations as o')
    .join('attempts as a', 'a.id', 'o.attempt_id')
    .where('a.counts', true)
    .whereIn('o.skill', skills)
    .groupBy('o.skill', 'o.exercise_id', 'o.person_id')
    .select(
      'o.skill',
      'o.exercise_id',
      'o.person_id',
      db.raw('sum(ln((o.score + 2) / (102 - o.score)) + o.difficulty) as odds'),
      db.raw('count(*) as attempts'),
    );
  return rows.map((row) => ({
    skill: row.skill,
    exerciseId: row.exercise_id,
    personId: row.person_id,
    odds: Number(row.odds),
    attempts: Number(row.attempts),
  }));
}

/** What each criterion cost in attempts that count at a version, as shares of what was to gain, summed. */
export async function lossesAt(db: Database, exerciseId: string, version: number): Promise<{ criterion: string; lost: number }[]> {
  return db('attempt_criteria as c')
    .join('attempts as a', 'a.id', 'c.attempt_id')
    .where({ 'a.exercise_id': exerciseId, 'a.version': version, 'a.counts': true })
    .whereNotNull('c.lost')
    .groupBy('c.criterion')
    .orderBy('c.criterion')
    .select('c.criterion', db.raw('sum(c.lost) as lost'));
}

/** Keeps what is told of an exercise's versions in place of what was. */
export async function keepStats(tx: Database, exerciseId: string, byVersion: ReadonlyMap<number, ExerciseStats>): Promise<void> {
  await tx('exercise_stats').where({ exercise_id: exerciseId }).delete();
  const rows = [...byVersion].map(([version, { attempts, learners, firstMean, discrimination, medianSeconds, losses }]) => ({
    exercise_id: exerciseId,
    version,
    attempts,
    learners,
    first_mean: firstMean,
    discrimination,
    median_seconds: medianSeconds,
    losses: JSON.stringify(losses),
  }));
  if (rows.length > 0) await tx('exercise_stats').insert(rows);
}

/** What is told of versions of these exercises, by `versionKey`. */
export async function statsKept(db: Database, exerciseIds: readonly string[]): Promise<Map<string, ExerciseStats>> {
  if (exerciseIds.length === 0) return new Map();
  const rows: {
    exercise_id: string;
    version: number;
    attempts: number;
    learners: number;
    first_mean: number;
    discrimination: number | null;
    median_seconds: number;
    losses: unknown;
  }[] = await db('exercise_stats').whereIn('exercise_id', [...exerciseIds]);
  return new Map(
    rows.map((row) => [
      versionKey(row.exercise_id, row.version),
      {
        attempts: row.attempts,
        learners: row.learners,
        firstMean: row.first_mean,
        discrimination: row.discrimination,
        medianSeconds: row.median_seconds,
        // Written by this server from `statsOf`.
        losses: parseColumn(row.losses) as ExerciseStats['losses'],
      },
    ]),
  );
}

/** Attempts at versions of these exercises that were begun before a moment, and those of them that were never handed in, by `versionKey`. */
export async function openedAndLeft(db: Database, exerciseIds: readonly string[], before: Date): Promise<Map<string, { opened: number; left: number }>> {
  if (exerciseIds.length === 0) return new Map();
  const rows: { exercise_id: string; version: number; opened: number | string; left_over: number | string }[] = await db('attempts')
    .whereIn('exercise_id', [...exerciseIds])
    .where('opened_at', '<', before)
    .groupBy('exercise_id', 'version')
    .select('exercise_id', 'version', db.raw('count(*) as opened'), db.raw('sum(handed_in_at is null) as left_over'));
  return new Map(rows.map((row) => [versionKey(row.exercise_id, row.version), { opened: Number(row.opened), left: Number(row.left_over) }]));
}

/** How the author's own attempts that count met each criterion that weighs something, by `versionKey`. */
export async function ownTries(db: Database, exerciseIds: readonly string[]): Promise<Map<string, OwnTries[]>> {
  if (exerciseIds.length === 0) return new Map();
  // Criteria are written by this server, from cards.
  const rows: { exercise_id: string; version: number; criterion: CriterionId; tries: number | string; lost: number | string }[] = await db('attempts as a')
    .join('exercises as e', function () {
      this.on('e.id', 'a.exercise_id').andOn('e.owner_id', 'a.person_id');
    })
    .join('attempt_criteria as c', 'c.attempt_id', 'a.id')
    .whereIn('a.exercise_id', [...exerciseIds])
    .where('a.counts', true)
    .whereNotNull('c.value')
    .groupBy('a.exercise_id', 'a.version', 'c.criterion')
    .orderBy('c.criterion')
    .select('a.exercise_id', 'a.version', 'c.criterion', db.raw('count(*) as tries'), db.raw('sum(c.lost > 0) as lost'));
  const found = rows.map(({ exercise_id, version, criterion, tries, lost }) => ({
    key: versionKey(exercise_id, version),
    own: { criterion, tries: Number(tries), lost: Number(lost) },
  }));
  return new Map([...groupedBy(found, ({ key }) => key)].map(([key, those]) => [key, those.map(({ own }) => own)]));
}
