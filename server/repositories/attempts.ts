import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import { type CountedSlip, type CriterionId, readCard, type SchemeFamily, type ScoreCard, type Trace, traceSchema, type Unlikely } from '@core';
import { z } from 'zod';
import { type Database, transact, versionOf } from '../database';
import { parseColumn } from '../json';
import type { Scored } from '../pool';
import { versionKey, versionTitles } from './exercises';

const zipped = promisify(gzip);
const unzipped = promisify(gunzip);

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
  /** Handed in well after it was finished. */
  readonly late: boolean;
  /** What of it no hand does. */
  readonly unlikely: readonly Unlikely[];
  /** Why it could not be scored. */
  readonly refusedWhy: string | null;
  /** Whether it counts for progress: an instructor may leave out what was done with a faulty exercise. */
  readonly counts: boolean;
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
  late: number;
  unlikely: unknown;
  refused_why: string | null;
  counts: number;
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
  late: Boolean(row.late),
  // Written by this server from `unlikeAHand`.
  unlikely: (parseColumn(row.unlikely) as Unlikely[] | null) ?? [],
  refusedWhy: row.refused_why,
  counts: Boolean(row.counts),
});

export async function addAttempt(db: Database, attempt: Omit<Attempt, 'handedInAt' | 'late' | 'unlikely' | 'refusedWhy' | 'counts'>): Promise<void> {
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

/** All columns but those that hold whole traces and cards. */
const COLUMNS = [
  'id',
  'person_id',
  'exercise_id',
  'version',
  'model_id',
  'model_revision',
  'scheme_id',
  'scheme_revision',
  'seed',
  'opened_at',
  'handed_in_at',
  'late',
  'unlikely',
  'refused_why',
  'counts',
] as const satisfies readonly (keyof Row)[];

export async function findAttempt(db: Database, id: string): Promise<Attempt | null> {
  const row: Row | undefined = await db('attempts')
    .where({ id })
    .first(...COLUMNS);
  return row ? toAttempt(row) : null;
}

/** Whether a person ever opened an attempt at an exercise. */
export const hasAttempted = async (db: Database, personId: string, exerciseId: string): Promise<boolean> =>
  (await db('attempts').where({ person_id: personId, exercise_id: exerciseId }).first('id')) !== undefined;

/** Whether a person handed anything in yet. */
export const hasPractised = async (db: Database, personId: string): Promise<boolean> =>
  (await db('attempts').where({ person_id: personId }).whereNotNull('handed_in_at').first('id')) !== undefined;

/** Exercises at which a person earned a flash with an attempt that counts. */
export async function flashedBy(db: Database, personId: string): Promise<ReadonlySet<string>> {
  const rows: { exercise_id: string }[] = await db('attempts').where({ person_id: personId, counts: true }).andWhere('flashes', '>', 0).distinct('exercise_id');
  return new Set(rows.map((row) => row.exercise_id));
}

/** When each person last handed in. */
export async function lastHandIns(db: Database): Promise<ReadonlyMap<string, Date>> {
  const rows: { person_id: string; at: Date }[] = await db('attempts')
    .whereNotNull('handed_in_at')
    .groupBy('person_id')
    .select('person_id', db.raw('max(handed_in_at) as at'));
  return new Map(rows.map((row) => [row.person_id, row.at]));
}

export async function cardOf(db: Database, id: string): Promise<ScoreCard | null> {
  const row = await db('attempts').where({ id }).first('card');
  return row?.card ? readCard(parseColumn(row.card)) : null;
}

/** The trace as it was kept: JSON. */
export async function traceBytes(db: Database, id: string): Promise<Uint8Array | null> {
  const row = await db('attempts').where({ id }).first('trace');
  return row?.trace ? unzipped(row.trace) : null;
}

export async function traceOf(db: Database, id: string): Promise<Trace | null> {
  const bytes = await traceBytes(db, id);
  return bytes ? traceSchema.parse(JSON.parse(new TextDecoder().decode(bytes))) : null;
}

/** What is kept of an attempt that was scored. */
export interface HandIn {
  readonly trace: Uint8Array;
  readonly card: string;
  readonly facts: Scored['facts'];
  readonly handedInAt: Date;
  /** Handed in well after it was finished, as when the network was away. */
  readonly late: boolean;
}

/** Keeps what was handed in, once: false when it had been before. `tx`: a transaction, which holds the attempt from here on. */
export async function keepHandIn(tx: Database, id: string, { trace, card, facts, handedInAt, late }: HandIn): Promise<boolean> {
  const row = await tx<Row>('attempts').where({ id }).forUpdate().first('handed_in_at');
  if (!row || row.handed_in_at) return false;
  await tx('attempts')
    .where({ id })
    .update({
      handed_in_at: handedInAt,
      trace: Buffer.from(trace),
      card,
      score: facts.score,
      flashes: facts.flashes,
      seconds: facts.seconds,
      gestures: facts.gestures,
      unlikely: facts.unlikely.length > 0 ? JSON.stringify(facts.unlikely) : null,
      late,
    });
  await tx('attempt_steps').insert(facts.steps.map((step, i) => ({ attempt_id: id, step: i, skill: step.skill, score: step.score, seconds: step.seconds })));
  if (facts.criteria.length > 0)
    await tx('attempt_criteria').insert(facts.criteria.map(({ start, ...entry }) => ({ attempt_id: id, ...entry, start_value: start })));
  if (facts.slips) await tx('attempt_slips').insert(facts.slips.map((slip) => ({ attempt_id: id, ...slip })));
  return true;
}

/** Keeps an attempt that could not be scored, with the reason, as it was sent. */
export async function keepRefused(db: Database, id: string, body: Uint8Array, why: string, now: Date): Promise<void> {
  await db('attempts')
    .where({ id })
    .whereNull('handed_in_at')
    .update({ refused_body: Buffer.from(await zipped(body)), refused_why: why.slice(0, 200), refused_at: now });
}

/** Attempts of these people that could not be scored, newest first. */
export async function refusedLines(
  db: Database,
  personIds: readonly string[],
): Promise<{ id: string; personId: string; title: string; why: string; at: Date }[]> {
  if (personIds.length === 0) return [];
  const rows = await db('attempts as a')
    .join('exercise_versions as v', versionOf('a'))
    .whereIn('a.person_id', [...personIds])
    .whereNotNull('a.refused_at')
    .whereNull('a.handed_in_at')
    .orderBy('a.refused_at', 'desc')
    .limit(50)
    .select('a.id', 'a.person_id', 'v.title', 'a.refused_why', 'a.refused_at');
  return rows.map((row) => ({ id: row.id, personId: row.person_id, title: row.title, why: row.refused_why, at: row.refused_at }));
}

/** Counts a hint that was given for a step and tells how many there now are; null when the attempt is over. */
export async function giveHint(db: Database, id: string, step: number, number: number): Promise<boolean> {
  return transact(db, async (tx) => {
    const row = await tx('attempts').where({ id }).forUpdate().first('handed_in_at', 'hints_given');
    if (!row || row.handed_in_at) return false;
    const given = z.record(z.string(), z.number()).parse(parseColumn(row.hints_given) ?? {});
    if (number > (given[step] ?? 0)) return false;
    await tx('attempts')
      .where({ id })
      .update({ hints_given: JSON.stringify({ ...given, [step]: Math.max(given[step] ?? 0, number + 1) }) });
    return true;
  });
}

/** Whether a hint of an attempt was given by the server. */
export const hintsGiven = async (db: Database, id: string): Promise<boolean> => (await db('attempts').where({ id }).first('hints_given'))?.hints_given != null;

export interface StepScore {
  readonly skill: string;
  /** 0 … 100 */
  readonly score: number;
}

/** What the steps of an attempt earned. */
export const stepScores = (db: Database, id: string): Promise<StepScore[]> =>
  db('attempt_steps').where({ attempt_id: id }).orderBy('step').select('skill', 'score');

/** Whether the attempts of a group's trainees at one version of an exercise count for progress. */
export async function setCounting(
  db: Database,
  of: { readonly groupId: string; readonly exerciseId: string; readonly version: number },
  counts: boolean,
): Promise<void> {
  await db('attempts')
    .where({ exercise_id: of.exerciseId, version: of.version })
    .whereIn('person_id', (q) => q.from('memberships').where({ group_id: of.groupId, role: 'trainee' }).select('person_id'))
    // What was left out by itself stays so.
    .whereNull('left_out_at')
    .update({ counts });
}

/** What an instructor decided about an attempt, why, and who it was; null: nothing. */
export interface Verdict {
  readonly leftOut: Decision | null;
  /** A score in place of the computed one. */
  readonly set: (Decision & { readonly score: number }) | null;
}

interface Decision {
  readonly why: string;
  /** Name of who decided; null: the person is no longer here. */
  readonly by: string | null;
  readonly at: Date;
}

export async function verdictOf(db: Database, id: string): Promise<Verdict> {
  const row = await db('attempts as a')
    .leftJoin('people as l', 'l.id', 'a.left_out_by')
    .leftJoin('people as s', 's.id', 'a.set_by')
    .where({ 'a.id': id })
    .first('a.left_out_why', 'a.left_out_at', 'l.name as left_out_name', 'a.set_score', 'a.set_why', 'a.set_at', 's.name as set_name');
  return {
    leftOut: row?.left_out_at ? { why: row.left_out_why, by: row.left_out_name, at: row.left_out_at } : null,
    set: row?.set_at ? { score: row.set_score, why: row.set_why, by: row.set_name, at: row.set_at } : null,
  };
}

/** Leaves an attempt out of progress, or takes that back. */
export async function leaveOut(db: Database, id: string, decision: { readonly why: string; readonly by: string; readonly at: Date } | null): Promise<void> {
  await db('attempts')
    .where({ id })
    .update({ counts: decision === null, left_out_why: decision?.why ?? null, left_out_by: decision?.by ?? null, left_out_at: decision?.at ?? null });
}

/** Sets what an attempt counts for; `decision` null: what was computed counts again. */
export async function setScore(
  db: Database,
  id: string,
  counted: { readonly score: number; readonly flashes: number },
  decision: { readonly why: string; readonly by: string; readonly at: Date } | null,
): Promise<void> {
  await db('attempts')
    .where({ id })
    .update({
      ...counted,
      set_score: decision ? counted.score : null,
      set_why: decision?.why ?? null,
      set_by: decision?.by ?? null,
      set_at: decision?.at ?? null,
    });
}

/** What the standing of a learner is told by of one handed-in attempt. */
export interface AttemptBrief {
  readonly id: string;
  readonly personId: string;
  readonly exerciseId: string;
  readonly version: number;
  readonly score: number;
  readonly flashes: number;
  readonly seconds: number;
  readonly handedInAt: Date;
  readonly counts: boolean;
}

type BriefRow = Pick<Row, 'id' | 'person_id' | 'exercise_id' | 'version' | 'counts'> & {
  score: number;
  flashes: number;
  seconds: number;
  handed_in_at: Date;
};

const toBrief = (row: BriefRow): AttemptBrief => ({
  id: row.id,
  personId: row.person_id,
  exerciseId: row.exercise_id,
  version: row.version,
  score: row.score,
  flashes: row.flashes,
  seconds: row.seconds,
  handedInAt: row.handed_in_at,
  counts: Boolean(row.counts),
});

// All in one index, in this order: thousands are read for a group, and its wide rows are not opened.
const BRIEF = ['person_id', 'handed_in_at', 'id', 'exercise_id', 'version', 'score', 'flashes', 'seconds', 'counts'] as const;

/** Handed-in attempts of these people, one person after the other, oldest first. */
export async function attemptsInBrief(db: Database, personIds: readonly string[]): Promise<AttemptBrief[]> {
  if (personIds.length === 0) return [];
  const rows: BriefRow[] = await db('attempts')
    .whereIn('person_id', [...personIds])
    .whereNotNull('handed_in_at')
    .orderBy(['person_id', 'handed_in_at', 'id'])
    .select(...BRIEF);
  return rows.map(toBrief);
}

/** One handed-in attempt as lists show it. */
export interface AttemptLine extends AttemptBrief {
  readonly title: string;
  readonly family: SchemeFamily;
  readonly schemeId: string;
  readonly gestures: number;
  readonly late: boolean;
}

type LineRow = BriefRow & Pick<Row, 'scheme_id' | 'scheme_revision' | 'late'> & { gestures: number };

/** Handed-in attempts of these people, oldest first. Titles and families are looked up once each. */
export const attemptLines = (db: Database, personIds: readonly string[]): Promise<AttemptLine[]> => linesWhere(db, 'person_id', personIds);

/** These handed-in attempts, oldest first. */
export const linesOf = (db: Database, attemptIds: readonly string[]): Promise<AttemptLine[]> => linesWhere(db, 'id', attemptIds);

async function linesWhere(db: Database, column: 'person_id' | 'id', ids: readonly string[]): Promise<AttemptLine[]> {
  if (ids.length === 0) return [];
  const rows: LineRow[] = await db('attempts')
    .whereIn(column, [...ids])
    .whereNotNull('handed_in_at')
    .orderBy(['handed_in_at', 'id'])
    .select(...BRIEF, 'scheme_id', 'scheme_revision', 'gestures', 'late');
  const [titles, schemes]: [ReadonlyMap<string, string>, { id: string; revision: number; family: SchemeFamily }[]] = await Promise.all([
    versionTitles(
      db,
      rows.map((row) => row.exercise_id),
    ),
    db('scheme_revisions')
      .whereIn('id', [...new Set(rows.map((row) => row.scheme_id))])
      .select('id', 'revision', 'family'),
  ]);
  const families = new Map(schemes.map((row) => [`${row.id} ${row.revision}`, row.family]));
  return rows.map((row) => ({
    ...toBrief(row),
    title: titles.get(versionKey(row.exercise_id, row.version)) ?? '',
    // Both are there: foreign keys hold them.
    family: families.get(`${row.scheme_id} ${row.scheme_revision}`) as SchemeFamily,
    schemeId: row.scheme_id,
    gestures: row.gestures,
    late: Boolean(row.late),
  }));
}

/** The criterion that cost most in each of these attempts, and its share of what was to gain. */
export async function costliestOf(db: Database, attemptIds: readonly string[]): Promise<Map<string, { criterion: CriterionId; share: number }>> {
  if (attemptIds.length === 0) return new Map();
  // Criteria are written by this server, from cards.
  const rows: { attempt_id: string; criterion: CriterionId; share: number }[] = await db('attempt_criteria')
    .whereIn('attempt_id', [...attemptIds])
    .whereNotNull('lost')
    .groupBy('attempt_id', 'criterion')
    .select('attempt_id', 'criterion')
    .select(db.raw('sum(lost) as share'))
    .orderBy(['attempt_id', { column: 'share', order: 'desc' }, 'criterion']);
  const found = new Map<string, { criterion: CriterionId; share: number }>();
  for (const { attempt_id, criterion, share } of rows) if (!found.has(attempt_id)) found.set(attempt_id, { criterion, share });
  return found;
}

/** Cards of the last attempt that counts of each of these people at a version. */
export async function lastCards(
  db: Database,
  exerciseId: string,
  version: number,
  personIds: readonly string[],
): Promise<{ attemptId: string; personId: string; card: ScoreCard }[]> {
  if (personIds.length === 0) return [];
  const lines: { id: string; person_id: string }[] = await db('attempts')
    .where({ exercise_id: exerciseId, version, counts: true })
    .whereIn('person_id', [...personIds])
    .whereNotNull('handed_in_at')
    .orderBy(['handed_in_at', 'id'])
    .select('id', 'person_id');
  const last = new Map(lines.map(({ id, person_id }) => [person_id, id]));
  const rows: { id: string; person_id: string; card: unknown }[] = await db('attempts')
    .whereIn('id', [...last.values()])
    .select('id', 'person_id', 'card');
  return rows.flatMap((row) => {
    const card = readCard(parseColumn(row.card));
    return card ? [{ attemptId: row.id, personId: row.person_id, card }] : [];
  });
}

export interface CriterionLine {
  readonly personId: string;
  readonly step: number;
  readonly criterion: string;
  readonly value: number;
}

/** Values of criteria in attempts that count of these people at a version, oldest first; what has no value is left out. */
export async function criterionLines(db: Database, exerciseId: string, version: number, personIds: readonly string[]): Promise<CriterionLine[]> {
  if (personIds.length === 0) return [];
  const rows = await db('attempt_criteria as c')
    .join('attempts as a', 'a.id', 'c.attempt_id')
    .where({ 'a.exercise_id': exerciseId, 'a.version': version, 'a.counts': true })
    .whereIn('a.person_id', [...personIds])
    .whereNotNull('a.handed_in_at')
    .whereNotNull('c.value')
    .orderBy('a.handed_in_at')
    .orderBy('a.id')
    .select('a.person_id', 'c.step', 'c.criterion', 'c.value');
  return rows.map((row) => ({ personId: row.person_id, step: row.step, criterion: row.criterion, value: row.value }));
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
