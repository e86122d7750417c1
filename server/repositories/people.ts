import type { Database } from '../database';
import type { Person, Role } from '../service';

export interface PersonRow {
  id: string;
  name: string;
  sign_in: string;
  role: Role;
  password_hash: string;
}

export const toPerson = (row: PersonRow): Person => ({ id: row.id, name: row.name, signIn: row.sign_in, role: row.role });

export async function findPerson(db: Database, id: string): Promise<Person | null> {
  const row = await db<PersonRow>('people').where({ id }).first();
  return row ? toPerson(row) : null;
}

/** Waits until no other transaction works on the person: what is counted then is still so when it is written. */
export async function lockPerson(db: Database, id: string): Promise<void> {
  await db('people').where({ id }).forUpdate().first('id');
}

export async function findBySignIn(db: Database, signIn: string): Promise<{ person: Person; passwordHash: string } | null> {
  const row = await db<PersonRow>('people').where({ sign_in: signIn }).first();
  return row ? { person: toPerson(row), passwordHash: row.password_hash } : null;
}

export async function addPerson(db: Database, person: Person, passwordHash: string, now: Date): Promise<void> {
  await db('people').insert({ id: person.id, name: person.name, sign_in: person.signIn, role: person.role, password_hash: passwordHash, created_at: now });
}

/** Marks people as made up: they may come in without a password where a demo is shown. */
export async function markMadeUp(db: Database, ids: readonly string[]): Promise<void> {
  await db('people')
    .whereIn('id', [...ids])
    .update({ made_up: true });
}

export async function passwordHashOf(db: Database, id: string): Promise<string | null> {
  const row = await db<PersonRow>('people').where({ id }).first('password_hash');
  return row?.password_hash ?? null;
}

export async function setPassword(db: Database, id: string, passwordHash: string): Promise<void> {
  await db('people').where({ id }).update({ password_hash: passwordHash });
}

export async function listPeople(db: Database): Promise<Person[]> {
  return (await db<PersonRow>('people').orderBy('name')).map(toPerson);
}

export interface Group {
  readonly id: string;
  readonly name: string;
}

export async function addGroup(db: Database, group: Group, now: Date): Promise<void> {
  await db('groups').insert({ ...group, created_at: now });
}

export async function addMember(db: Database, groupId: string, personId: string, role: 'instructor' | 'trainee'): Promise<void> {
  await db('memberships').insert({ group_id: groupId, person_id: personId, role }).onConflict(['group_id', 'person_id']).merge();
}

export async function removeMember(db: Database, groupId: string, personId: string): Promise<void> {
  await db('memberships').where({ group_id: groupId, person_id: personId }).delete();
}

export async function listGroups(db: Database): Promise<Group[]> {
  return db<Group>('groups').select('id', 'name').orderBy('name');
}

/** Groups in which a person teaches or learns. */
export async function groupsOf(db: Database, personId: string, role: 'instructor' | 'trainee'): Promise<Group[]> {
  return db('memberships')
    .join('groups', 'groups.id', 'memberships.group_id')
    .where({ person_id: personId, role })
    .select('groups.id', 'groups.name')
    .orderBy('groups.name');
}

export async function membersOf(db: Database, groupId: string, role: 'instructor' | 'trainee'): Promise<Person[]> {
  const rows: PersonRow[] = await db('memberships')
    .join('people', 'people.id', 'memberships.person_id')
    .where({ group_id: groupId, 'memberships.role': role })
    .select('people.*')
    .orderBy('people.name');
  return rows.map(toPerson);
}

/** Whether an instructor teaches a group that the trainee learns in. */
export async function teaches(db: Database, instructorId: string, traineeId: string): Promise<boolean> {
  const row = await db('memberships as mine')
    .join('memberships as theirs', 'theirs.group_id', 'mine.group_id')
    .where({ 'mine.person_id': instructorId, 'mine.role': 'instructor', 'theirs.person_id': traineeId, 'theirs.role': 'trainee' })
    .first('mine.group_id');
  return row !== undefined;
}

export async function countPeople(db: Database): Promise<number> {
  const row = await db('people').count({ n: '*' }).first();
  return Number(row?.n ?? 0);
}

/** Sign-in names that begin with a stem. */
export async function signInsLike(db: Database, stem: string): Promise<string[]> {
  const rows: { sign_in: string }[] = await db('people')
    .whereRaw('sign_in like ?', [`${stem.replace(/[%_\\]/g, '\\$&')}%`])
    .select('sign_in');
  return rows.map((row) => row.sign_in);
}
