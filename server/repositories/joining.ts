import type { Database } from '../database';

/** A code by which trainees join a group by themselves; a group has one at a time. */
export interface JoinCode {
  readonly groupId: string;
  readonly code: string;
  readonly madeAt: Date;
  readonly expiresAt: Date;
}

interface Row {
  group_id: string;
  code: string;
  made_at: Date;
  expires_at: Date;
}

const toCode = (row: Row): JoinCode => ({ groupId: row.group_id, code: row.code, madeAt: row.made_at, expiresAt: row.expires_at });

/** Keeps a group's code in place of the one before. */
export async function keepCode(db: Database, { groupId, code, madeAt, expiresAt }: JoinCode, madeBy: string): Promise<void> {
  const row = { code, made_at: madeAt, expires_at: expiresAt, made_by: madeBy };
  await db('join_codes')
    .insert({ group_id: groupId, ...row })
    .onConflict('group_id')
    .merge();
}

export async function removeCode(db: Database, groupId: string): Promise<void> {
  await db('join_codes').where({ group_id: groupId }).delete();
}

export async function codeOfGroup(db: Database, groupId: string): Promise<JoinCode | null> {
  const row: Row | undefined = await db('join_codes').where({ group_id: groupId }).first();
  return row ? toCode(row) : null;
}

/** What a code opens: the group with its name. */
export async function groupOfCode(db: Database, code: string): Promise<(JoinCode & { readonly groupName: string }) | null> {
  const row: (Row & { name: string }) | undefined = await db('join_codes as j')
    .join('groups as g', 'g.id', 'j.group_id')
    .where({ 'j.code': code })
    .first('j.*', 'g.name');
  return row ? { ...toCode(row), groupName: row.name } : null;
}

export async function markJoined(db: Database, groupId: string, personId: string, at: Date): Promise<void> {
  await db('memberships').where({ group_id: groupId, person_id: personId }).update({ joined_at: at });
}

/** Who joined a group by a code since a moment, newest first. */
export async function joinedSince(db: Database, groupId: string, since: Date): Promise<{ name: string; signIn: string; at: Date }[]> {
  const rows: { name: string; sign_in: string; joined_at: Date }[] = await db('memberships as m')
    .join('people as p', 'p.id', 'm.person_id')
    .where({ 'm.group_id': groupId })
    .andWhere('m.joined_at', '>=', since)
    .orderBy('m.joined_at', 'desc')
    .select('p.name', 'p.sign_in', 'm.joined_at');
  return rows.map((row) => ({ name: row.name, signIn: row.sign_in, at: row.joined_at }));
}
