import { WAYS } from '@core';
import type { Database } from '../database';

/** One way of a step of an attempt: how far off where it began, and where it ended. */
export interface WayRow {
  readonly attemptId: string;
  readonly exerciseId: string;
  readonly version: number;
  readonly schemeId: string;
  readonly step: number;
  readonly criterion: string;
  /** Null in attempts of before it was kept. */
  readonly start: number | null;
  readonly end: number;
  /** On the step's clock. */
  readonly seconds: number;
}

/** What the attempts of a person that count went from and to, in the order in which they were made; steps that were not reached are left out. */
export async function waysOf(db: Database, personId: string): Promise<WayRow[]> {
  const rows: {
    id: string;
    exercise_id: string;
    version: number;
    scheme_id: string;
    step: number;
    criterion: string;
    start_value: number | null;
    value: number;
    seconds: number;
  }[] = await db('attempts as a')
    .join('attempt_criteria as c', 'c.attempt_id', 'a.id')
    .join('attempt_steps as t', function () {
      this.on('t.attempt_id', 'c.attempt_id').andOn('t.step', 'c.step');
    })
    .where({ 'a.person_id': personId, 'a.counts': true })
    .whereNotNull('a.handed_in_at')
    .whereIn('c.criterion', [...WAYS])
    .whereNotNull('c.value')
    .whereNotNull('t.seconds')
    .orderBy(['a.handed_in_at', 'a.id', 'c.step', 'c.criterion'])
    .select('a.id', 'a.exercise_id', 'a.version', 'a.scheme_id', 'c.step', 'c.criterion', 'c.start_value', 'c.value', 't.seconds');
  return rows.map((row) => ({
    attemptId: row.id,
    exerciseId: row.exercise_id,
    version: row.version,
    schemeId: row.scheme_id,
    step: row.step,
    criterion: row.criterion,
    start: row.start_value,
    end: row.value,
    seconds: row.seconds,
  }));
}
