import { gunzipSync, gzipSync } from 'node:zlib';
import { type CountedSlip, type SchemeFamily, type ScoreCard, type Trace, traceSchema } from '@core';
import type { Knex } from 'knex';
import type { Database } from '../database';
import { parseColumn } from '../json';

export interface Attempt {
  readonly id: string;
  readonly personId: string;
  readonly exerciseId: string;
  readonly version: number;
  readonly model: { readonly id: string; readonly revision: number };
  readonly scheme: { readonly id: string; readonly revision: number };
  readonly seed: number;
  readonly openedAt: Date;
  readonly handedInAt: Date | null;
}

interface Row {
  id: string;
  person_id: string;
  exercise_id: string;
  version: number;
  model_id: string;
  model_revision: number;
  scheme_id: string;
  scheme_revision: number;
  seed: number;
  opened_at: Date;
  handed_in_at: Date | null;
  trace: Buffer | null;
  card: string | null;
}

const toAttempt = (row: Row): Attempt => ({
  id: row.id,
  personId: row.person_id,
  exerciseId: row.exercise_id,
  version: row.version,
  model: { id: row.model_id, revision: row.model_revision },
  scheme: { id: row.scheme_id, revision: row.scheme_revision },
  seed: row.seed,
  openedAt: row.opened_at,
  handedInAt: row.handed_in_at,
});

export async function addAttempt(db: Database, attempt: Attempt): Promise<void> {
  await db('attempts').insert({
    id: attempt.id,
    person_id: attempt.personId,
    exercise_id: attempt.exerciseId,
    version: attempt.version,
    model_id: attempt.model.id,
    model_revision: attempt.model.revision,
    scheme_id: attempt.scheme.id,
    scheme_revision: attempt.scheme.revision,
    seed: attempt.seed,
    opened_at: attempt.openedAt,
    handed_in_at: null,
  });
}

export async function findAttempt(db: Database, id: string): Promise<Attempt | null> {
  const row = await db<Row>('attempts').where({ id }).first();
  return row ? toAttempt(row) : null;
}

export async function cardOf(db: Database, id: string): Promise<ScoreCard | null> {
  const row = await db<Row>('attempts').where({ id }).first('card');
  // Written by this server from `scoreAttempt`; versioned by its own field.
  return row?.card ? (parseColumn(row.card) as ScoreCard) : null;
}

export async function traceOf(db: Database, id: string): Promise<Trace | null> {
  const row = await db<Row>('attempts').where({ id }).first('trace');
  return row?.trace ? traceSchema.parse(JSON.parse(gunzipSync(row.trace).toString('utf8'))) : null;
}

/** Keeps what was handed in, once: false when it had been before. */
export async function keepHandIn(db: Database, id: string, trace: Trace, card: ScoreCard, handedInAt: Date): Promise<boolean> {
  return db.transaction(async (tx: Knex.Transaction) => {
    const row = await tx<Row>('attempts').where({ id }).forUpdate().first('handed_in_at');
    if (!row || row.handed_in_at) return false;
    await tx('attempts')
      .where({ id })
      .update({
        handed_in_at: handedInAt,
        trace: gzipSync(JSON.stringify(trace)),
        card: JSON.stringify(card),
        score: card.score,
        flashes: card.flashes,
        seconds: card.seconds,
        gestures: card.gestures,
      });
    await tx('attempt_steps').insert(card.steps.map((step, i) => ({ attempt_id: id, step: i, skill: step.skill, score: step.score, seconds: step.seconds })));
    if (card.slips) await tx('attempt_slips').insert(card.slips.map((slip) => ({ attempt_id: id, ...slip })));
    return true;
  });
}

/** One handed-in attempt as lists show it. */
export interface AttemptLine {
  readonly id: string;
  readonly personId: string;
  readonly exerciseId: string;
  readonly version: number;
  readonly title: string;
  readonly family: SchemeFamily;
  readonly schemeId: string;
  readonly score: number;
  readonly flashes: number;
  readonly seconds: number;
  readonly gestures: number;
  readonly handedInAt: Date;
}

/** Handed-in attempts of these people, oldest first. */
export async function attemptLines(db: Database, personIds: readonly string[]): Promise<AttemptLine[]> {
  if (personIds.length === 0) return [];
  const rows = await db('attempts as a')
    .join('exercise_versions as v', function () {
      this.on('v.exercise_id', 'a.exercise_id').andOn('v.version', 'a.version');
    })
    .join('scheme_revisions as s', function () {
      this.on('s.id', 'a.scheme_id').andOn('s.revision', 'a.scheme_revision');
    })
    .whereIn('a.person_id', [...personIds])
    .whereNotNull('a.handed_in_at')
    .orderBy('a.handed_in_at')
    .orderBy('a.id')
    .select(
      'a.id',
      'a.person_id',
      'a.exercise_id',
      'a.version',
      'v.title',
      's.family',
      'a.scheme_id',
      'a.score',
      'a.flashes',
      'a.seconds',
      'a.gestures',
      'a.handed_in_at',
    );
  return rows.map((row) => ({
    id: row.id,
    personId: row.person_id,
    exerciseId: row.exercise_id,
    version: row.version,
    title: row.title,
    family: row.family,
    schemeId: row.scheme_id,
    score: row.score,
    flashes: row.flashes,
    seconds: row.seconds,
    gestures: row.gestures,
    handedInAt: row.handed_in_at,
  }));
}

export interface StepLine {
  readonly personId: string;
  readonly skill: string;
  readonly family: SchemeFamily;
  readonly score: number;
}

/** Scores of single steps by skill, oldest first. */
export async function stepLines(db: Database, personIds: readonly string[]): Promise<StepLine[]> {
  if (personIds.length === 0) return [];
  const rows = await db('attempt_steps as t')
    .join('attempts as a', 'a.id', 't.attempt_id')
    .join('scheme_revisions as s', function () {
      this.on('s.id', 'a.scheme_id').andOn('s.revision', 'a.scheme_revision');
    })
    .whereIn('a.person_id', [...personIds])
    .orderBy('a.handed_in_at')
    .orderBy('a.id')
    .orderBy('t.step')
    .select('a.person_id', 't.skill', 's.family', 't.score');
  return rows.map((row) => ({ personId: row.person_id, skill: row.skill, family: row.family, score: row.score }));
}

/** What came up of old habits in the attempts of these people. */
export async function slipLines(db: Database, personIds: readonly string[]): Promise<CountedSlip[]> {
  if (personIds.length === 0) return [];
  const rows = await db('attempt_slips as t')
    .join('attempts as a', 'a.id', 't.attempt_id')
    .whereIn('a.person_id', [...personIds])
    .select('t.attempt_id', 't.gesture', 't.wanted', 't.times');
  return rows.map((row) => ({ attemptId: row.attempt_id, gesture: row.gesture, wanted: row.wanted, times: row.times }));
}
