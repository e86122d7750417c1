import { readScheme, type Scheme, type SchemeFamily, schemeToKeep } from '@core';
import { type Database, isDuplicate } from '../database';
import { parseColumn } from '../json';
import { unchanging } from '../unchanging';

/** A scheme that a person made, in its newest revision. */
export interface OwnScheme {
  readonly scheme: Scheme;
  readonly ownerId: string;
  readonly ownerName: string;
}

/** A group that a scheme is given to; locked: the group's trainees practise with it alone. */
export interface SchemeShare {
  readonly schemeId: string;
  readonly groupId: string;
  readonly lockedBy: string | null;
}

const revisions = unchanging<Scheme>(500);

/** A scheme in one revision, or its newest. */
export async function findScheme(db: Database, id: string, revision?: number): Promise<Scheme | null> {
  const read = async (): Promise<Scheme | null> => {
    const query = db('scheme_revisions').where({ id });
    if (revision !== undefined) query.where({ revision });
    const row = await query.orderBy('revision', 'desc').first('content');
    return row ? readScheme(parseColumn(row.content)) : null;
  };
  return revision === undefined ? read() : revisions(db, `${id}/${revision}`, read);
}

/** The family of a revision that is kept. */
export async function familyOf(db: Database, { id, revision }: { readonly id: string; readonly revision: number }): Promise<SchemeFamily> {
  const row = await db('scheme_revisions').where({ id, revision }).first('family');
  return row.family;
}

/** Names of schemes in their newest revisions, by id. */
export async function schemeNames(db: Database, ids: readonly string[]): Promise<Map<string, string>> {
  const found = await Promise.all(ids.map((id) => findScheme(db, id)));
  return new Map(found.flatMap((scheme) => (scheme ? [[scheme.id, scheme.name]] : [])));
}

/** Keeps a revision; false when there is one of that number already. */
export async function addSchemeRevision(db: Database, scheme: Scheme, ownerId: string | null): Promise<boolean> {
  try {
    await db('scheme_revisions').insert({
      id: scheme.id,
      revision: scheme.revision,
      owner_id: ownerId,
      family: scheme.family,
      content: JSON.stringify(schemeToKeep(scheme)),
    });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}

export async function addScheme(db: Database, id: string, ownerId: string, now: Date): Promise<void> {
  await db('schemes').insert({ id, owner_id: ownerId, removed_at: null, created_at: now });
}

/** Schemes that a person made and has not put away. */
export async function countOwn(db: Database, ownerId: string): Promise<number> {
  const row = await db('schemes').where({ owner_id: ownerId }).whereNull('removed_at').count({ n: '*' }).first();
  return Number(row?.n ?? 0);
}

export async function ownerOf(db: Database, id: string): Promise<{ ownerId: string; ownerName: string } | null> {
  const row = await db('schemes as s').join('people as p', 'p.id', 's.owner_id').where({ 's.id': id }).whereNull('s.removed_at').first('p.id', 'p.name');
  return row ? { ownerId: row.id, ownerName: row.name } : null;
}

export async function removeScheme(db: Database, id: string, now: Date): Promise<void> {
  await db('schemes').where({ id }).update({ removed_at: now });
}

/** Ids of the schemes that a person made or that are shared with a group they are in; null: all. */
export async function listSchemeIds(db: Database, personId: string | null): Promise<string[]> {
  const query = db('schemes as s').whereNull('s.removed_at').orderBy('s.created_at').distinct('s.id', 's.created_at');
  if (personId !== null) {
    const shared = db('scheme_shares as h').join('memberships as m', 'm.group_id', 'h.group_id').where('m.person_id', personId).select('h.scheme_id');
    query.where((q) => q.where('s.owner_id', personId).orWhereIn('s.id', shared));
  }
  return (await query).map((row: { id: string }) => row.id);
}

export async function listShares(db: Database, schemeIds: readonly string[]): Promise<SchemeShare[]> {
  if (schemeIds.length === 0) return [];
  const rows = await db('scheme_shares').whereIn('scheme_id', [...schemeIds]);
  return rows.map((row: { scheme_id: string; group_id: string; locked_by: string | null }) => ({
    schemeId: row.scheme_id,
    groupId: row.group_id,
    lockedBy: row.locked_by,
  }));
}

/** Shares that are locked for groups in which a person is a trainee, with the name of who locked them. */
export async function locksFor(db: Database, personId: string): Promise<{ schemeId: string; by: string }[]> {
  const rows = await db('scheme_shares as h')
    .join('memberships as m', 'm.group_id', 'h.group_id')
    .join('schemes as s', 's.id', 'h.scheme_id')
    .join('people as p', 'p.id', 'h.locked_by')
    .where({ 'm.person_id': personId, 'm.role': 'trainee' })
    .whereNull('s.removed_at')
    .select('h.scheme_id', 'p.name');
  return rows.map((row: { scheme_id: string; name: string }) => ({ schemeId: row.scheme_id, by: row.name }));
}

export async function setShare(db: Database, share: SchemeShare): Promise<void> {
  await db('scheme_shares')
    .insert({ scheme_id: share.schemeId, group_id: share.groupId, locked_by: share.lockedBy })
    .onConflict(['scheme_id', 'group_id'])
    .merge();
}

export async function removeShare(db: Database, schemeId: string, groupId: string): Promise<void> {
  await db('scheme_shares').where({ scheme_id: schemeId, group_id: groupId }).delete();
}
