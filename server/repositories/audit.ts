import type { Database } from '../database';
import { newId } from '../ids';
import { parseColumn } from '../json';

/** What can be done that is written down. */
export type AuditedDeed =
  | 'person-added'
  | 'people-imported'
  | 'role-changed'
  | 'person-renamed'
  | 'person-moved'
  | 'person-deactivated'
  | 'person-back'
  | 'person-deleted'
  | 'password-set'
  | 'person-exported'
  | 'extra-time'
  | 'group-made'
  | 'group-renamed'
  | 'group-deleted'
  | 'joining-opened'
  | 'course-given'
  | 'course-taken'
  | 'exercise-given'
  | 'exercise-given-to'
  | 'exercise-taken-from'
  | 'exercise-taken'
  | 'exercise-moved'
  | 'exercise-published'
  | 'attempt-left-out'
  | 'attempt-counted'
  | 'score-set';

/** Figures and names of things, none of people: those are found by their ids, and go with them. */
export type Facts = Readonly<Record<string, string | number | null>>;

export interface Deed {
  readonly what: AuditedDeed;
  readonly byId: string;
  /** Whom it is about. */
  readonly aboutId?: string | null;
  readonly facts?: Facts;
}

export async function writeDown(db: Database, { what, byId, aboutId = null, facts = {} }: Deed, at: Date): Promise<void> {
  await db('audit').insert({ id: newId(), at, by_id: byId, about_id: aboutId, what, facts: JSON.stringify(facts) });
}

export interface AuditLine {
  readonly id: string;
  readonly at: Date;
  readonly what: AuditedDeed;
  /** Null: they were deleted, or nobody is meant. */
  readonly by: string | null;
  readonly about: string | null;
  readonly facts: Facts;
}

/** The newest first, some at a time; `before`: only what is older than that line. */
export async function auditLines(db: Database, most: number, before: { readonly at: Date; readonly id: string } | null): Promise<AuditLine[]> {
  const query = db('audit as a')
    .leftJoin('people as b', 'b.id', 'a.by_id')
    .leftJoin('people as p', 'p.id', 'a.about_id')
    .orderBy([
      { column: 'a.at', order: 'desc' },
      { column: 'a.id', order: 'desc' },
    ])
    .limit(most)
    .select('a.id', 'a.at', 'a.what', 'a.facts', 'b.name as by', 'p.name as about');
  if (before) query.where((q) => q.where('a.at', '<', before.at).orWhere((same) => same.where('a.at', before.at).andWhere('a.id', '<', before.id)));
  const rows: { id: string; at: Date; what: AuditedDeed; facts: unknown; by: string | null; about: string | null }[] = await query;
  return rows.map((row) => ({ ...row, facts: parseColumn(row.facts) as Facts }));
}
