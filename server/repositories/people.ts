import { groupedBy } from '@core';
import { type Database, literally } from '../database';
import type { Person, Role } from '../service';

export interface PersonRow {
  id: string;
  name: string;
  sign_in: string;
  role: Role;
  password_hash: string;
  deactivated_at: Date | null;
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

/** Somebody by their sign-in name. `deactivated`: they may not come in. */
export async function findBySignIn(db: Database, signIn: string): Promise<{ person: Person; passwordHash: string; deactivated: boolean } | null> {
  const row = await db<PersonRow>('people').where({ sign_in: signIn }).first();
  return row ? { person: toPerson(row), passwordHash: row.password_hash, deactivated: row.deactivated_at !== null } : null;
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

/** A person with their groups. */
export interface PersonListed extends Person {
  readonly deactivated: boolean;
  readonly groups: readonly Group[];
}

/** Everybody, by name. */
export async function listPeople(db: Database): Promise<PersonListed[]> {
  const [rows, memberships]: [PersonRow[], { person_id: string; id: string; name: string }[]] = await Promise.all([
    db<PersonRow>('people').orderBy(['name', 'id']),
    db('memberships as m').join('groups as g', 'g.id', 'm.group_id').orderBy('g.name').select('m.person_id', 'g.id', 'g.name'),
  ]);
  const groups = groupedBy(memberships, ({ person_id }) => person_id);
  return rows.map((row) => ({
    ...toPerson(row),
    deactivated: row.deactivated_at !== null,
    groups: (groups.get(row.id) ?? []).map(({ id, name }) => ({ id, name })),
  }));
}

/** Instructors and leads who may sign in, by name. */
export async function activeStaff(db: Database): Promise<Person[]> {
  return (await db<PersonRow>('people').whereNot({ role: 'trainee' }).whereNull('deactivated_at').orderBy(['name', 'id'])).map(toPerson);
}

/** What somebody is in a group: one who leads teaches there. */
export const roleInGroup = (role: Role): 'instructor' | 'trainee' => (role === 'trainee' ? 'trainee' : 'instructor');

/** Gives somebody another role, at the station and in their groups. */
export async function setRole(db: Database, id: string, role: Role): Promise<void> {
  await db('people').where({ id }).update({ role });
  await db('memberships')
    .where({ person_id: id })
    .update({ role: roleInGroup(role) });
}

export async function setName(db: Database, id: string, name: string): Promise<void> {
  await db('people').where({ id }).update({ name });
}

export async function setDeactivated(db: Database, id: string, at: Date | null): Promise<void> {
  await db('people').where({ id }).update({ deactivated_at: at });
}

/** Leads who may sign in; they are held until the transaction ends. */
export async function lockLeads(db: Database): Promise<string[]> {
  const rows: { id: string }[] = await db('people').where({ role: 'lead' }).whereNull('deactivated_at').forUpdate().select('id');
  return rows.map(({ id }) => id);
}

export interface Group {
  readonly id: string;
  readonly name: string;
}

export async function addGroup(db: Database, group: Group, now: Date): Promise<void> {
  await db('groups').insert({ ...group, created_at: now });
}

export async function renameGroup(db: Database, id: string, name: string): Promise<void> {
  await db('groups').where({ id }).update({ name });
}

/** Takes a group away, and with it who is in it, what it was given and its code; false: it was gone. */
export const removeGroup = async (db: Database, id: string): Promise<boolean> => (await db('groups').where({ id }).delete()) > 0;

export async function addMember(db: Database, groupId: string, personId: string, role: 'instructor' | 'trainee'): Promise<void> {
  await db('memberships').insert({ group_id: groupId, person_id: personId, role }).onConflict(['group_id', 'person_id']).merge();
}

export async function removeMember(db: Database, groupId: string, personId: string): Promise<void> {
  await db('memberships').where({ group_id: groupId, person_id: personId }).delete();
}

export async function isMember(db: Database, groupId: string, personId: string): Promise<boolean> {
  return (await db('memberships').where({ group_id: groupId, person_id: personId }).first('person_id')) !== undefined;
}

export async function listGroups(db: Database): Promise<Group[]> {
  return db<Group>('groups').select('id', 'name').orderBy('name');
}

/** Who learns in each of these groups. */
export async function learningIn(db: Database, groupIds: readonly string[]): Promise<{ groupId: string; personId: string }[]> {
  if (groupIds.length === 0) return [];
  return db('memberships as m')
    .join('people as p', 'p.id', 'm.person_id')
    .whereIn('m.group_id', [...groupIds])
    .where({ 'm.role': 'trainee' })
    .whereNull('p.deactivated_at')
    .select({ groupId: 'm.group_id', personId: 'm.person_id' });
}

/** Groups in which a person teaches or learns. */
export async function groupsOf(db: Database, personId: string, role: 'instructor' | 'trainee'): Promise<Group[]> {
  return db('memberships')
    .join('groups', 'groups.id', 'memberships.group_id')
    .where({ person_id: personId, role })
    .select('groups.id', 'groups.name')
    .orderBy('groups.name');
}

/** Who teaches or learns in a group, by name; `all`: also those who are deactivated. */
export async function membersOf(db: Database, groupId: string, role: 'instructor' | 'trainee', { all = false } = {}): Promise<Person[]> {
  const rows: PersonRow[] = await db('memberships')
    .join('people', 'people.id', 'memberships.person_id')
    .where({ group_id: groupId, 'memberships.role': role })
    .modify((query) => void (!all && query.whereNull('people.deactivated_at')))
    .select('people.*')
    .orderBy('people.name');
  return rows.map(toPerson);
}

/** Who learns in any of these groups, each once. */
export async function traineesOf(db: Database, groupIds: readonly string[]): Promise<Person[]> {
  if (groupIds.length === 0) return [];
  const learning = db('memberships')
    .whereIn('group_id', [...groupIds])
    .where({ role: 'trainee' })
    .select('person_id');
  const rows: PersonRow[] = await db('people').whereIn('id', learning).whereNull('deactivated_at').orderBy('name');
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
    .whereRaw('sign_in like ?', [`${literally(stem)}%`])
    .select('sign_in');
  return rows.map((row) => row.sign_in);
}
