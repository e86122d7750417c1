import { groupedBy } from '@core';
import { transact, unlessTaken } from '../database';
import { forbidden, invalid, notFound } from '../errors';
import { newId, sha256 } from '../ids';
import { nameOf } from '../names';
import { lastHandIns } from '../repositories/attempts';
import { writeDown } from '../repositories/audit';
import * as people from '../repositories/people';
import { endSessionsOf } from '../repositories/sessions';
import type { Person, RequestContext, Role, Service } from '../service';
import { checkPassword, hashPassword, isPassword } from './signIn';

export const isStaff = (person: Person): boolean => person.role !== 'trainee';

/** Makes a person without asking who may: for the start command, the demo and those who join by a code. `turn`: who waits in line for the password's hash. */
export async function makePerson(
  service: Service,
  input: { name: string; signIn: string; role: Role; password: string },
  turn = input.signIn,
): Promise<Person> {
  checkPassword(input.password);
  const signIn = input.signIn.trim().toLowerCase();
  if (!/^[a-z0-9][a-z0-9._-]{1,58}$/.test(signIn)) throw invalid('A sign-in name has 2 to 59 letters, digits, dots or dashes.', 'signIn');
  const name = nameOf(input.name);
  const person: Person = { id: newId(), name, signIn, role: input.role };
  const hash = await hashPassword(service, input.password, turn);
  await unlessTaken(
    () => people.addPerson(service.db, person, hash, service.now()),
    () => invalid(`The sign-in name "${signIn}" is taken.`, 'signIn'),
  );
  return person;
}

/** Leads see all groups, instructors those they teach. */
export async function groupsTaught(asked: RequestContext): Promise<people.Group[]> {
  if (asked.who.role === 'lead') return people.listGroups(asked.db);
  return people.groupsOf(asked.db, asked.who.id, 'instructor');
}

export interface GroupListed extends people.Group {
  readonly learners: number;
  /** When one of them last handed in. */
  readonly lastAt: Date | null;
}

/** The groups that one teaches, as a list shows them. */
export async function groupsListed(asked: RequestContext): Promise<GroupListed[]> {
  const groups = await groupsTaught(asked);
  const [learning, lastAt] = await Promise.all([
    people.learningIn(
      asked.db,
      groups.map(({ id }) => id),
    ),
    lastHandIns(asked.db),
  ]);
  const byGroup = groupedBy(learning, ({ groupId }) => groupId);
  return groups.map((group) => {
    const mine = byGroup.get(group.id) ?? [];
    const times = mine.flatMap(({ personId }) => lastAt.get(personId)?.getTime() ?? []);
    return { ...group, learners: mine.length, lastAt: times.length > 0 ? new Date(Math.max(...times)) : null };
  });
}

/** Everybody who learns in a group that the one who asks teaches. */
export async function traineesTaught(asked: RequestContext): Promise<Person[]> {
  return people.traineesOf(
    asked.db,
    (await groupsTaught(asked)).map(({ id }) => id),
  );
}

/** Those who learn with a person, and the person, of the groups that the one who asks teaches. */
export async function learningWith(asked: RequestContext, personId: string): Promise<Person[]> {
  const learns = new Set((await people.groupsOf(asked.db, personId, 'trainee')).map(({ id }) => id));
  const groups = (await groupsTaught(asked)).filter(({ id }) => learns.has(id));
  return people.traineesOf(
    asked.db,
    groups.map(({ id }) => id),
  );
}

/** The group, if the one who asks may lead it. */
export async function requireLedGroup(asked: RequestContext, groupId: string): Promise<people.Group> {
  const found = isStaff(asked.who) ? (await groupsTaught(asked)).find((group) => group.id === groupId) : undefined;
  if (!found) throw notFound('This group');
  return found;
}

/** Whether one person may see another's attempts and progress. */
export async function maySee(asked: RequestContext, personId: string): Promise<boolean> {
  if (asked.who.id === personId || asked.who.role === 'lead') return true;
  return asked.who.role === 'instructor' && people.teaches(asked.db, asked.who.id, personId);
}

export async function personSeen(asked: RequestContext, personId: string): Promise<Person> {
  const person = await people.findPerson(asked.db, personId);
  if (!person || !(await maySee(asked, personId))) throw notFound('This person');
  return person;
}

/** Refuses who is no lead. `does`: what only a lead does, as what follows "a lead". */
export function requireLead(asked: RequestContext, does = 'does this'): void {
  if (asked.who.role !== 'lead') throw forbidden(`Only a lead ${does}.`);
}

export async function makeGroup(asked: RequestContext, name: string): Promise<people.Group> {
  requireLead(asked, 'makes groups');
  const trimmed = nameOf(name);
  const group = { id: newId(), name: trimmed };
  await people.addGroup(asked.db, group, asked.now());
  await writeDown(asked.db, { what: 'group-made', byId: asked.who.id, facts: { group: group.name } }, asked.now());
  return group;
}

export async function renameGroup(asked: RequestContext, groupId: string, name: string): Promise<void> {
  requireLead(asked);
  const group = await requireLedGroup(asked, groupId);
  const wanted = nameOf(name);
  if (wanted === group.name) return;
  await people.renameGroup(asked.db, groupId, wanted);
  await writeDown(asked.db, { what: 'group-renamed', byId: asked.who.id, facts: { from: group.name, to: wanted } }, asked.now());
}

/** Deletes a group: what was given to it is taken back; its people stay, with all that they did. */
export async function deleteGroup(asked: RequestContext, groupId: string): Promise<void> {
  requireLead(asked);
  const { group, instructors, trainees } = await peopleOfGroup(asked, groupId);
  await transact(asked.db, async (tx) => {
    if (!(await people.removeGroup(tx, groupId))) throw notFound('This group');
    await writeDown(tx, { what: 'group-deleted', byId: asked.who.id, facts: { group: group.name, people: instructors.length + trainees.length } }, asked.now());
  });
}

/** Adds a new person to a group: leads anyone, instructors trainees of their own groups. */
export async function addToGroup(
  asked: RequestContext,
  groupId: string,
  input: { name: string; signIn: string; password: string; role: 'instructor' | 'trainee' },
): Promise<Person> {
  const group = await requireLedGroup(asked, groupId);
  if (input.role === 'instructor' && asked.who.role !== 'lead') throw forbidden('Only a lead makes instructors.');
  const person = await makePerson(asked, input);
  await people.addMember(asked.db, groupId, person.id, input.role);
  await writeDown(asked.db, { what: 'person-added', byId: asked.who.id, aboutId: person.id, facts: { group: group.name, role: input.role } }, asked.now());
  return person;
}

/**
 * Sets a password: one's own, a trainee's of an own group, anybody's for a lead. For one's own the present one is needed.
 * Their other sessions end; `token`: of the session that asks.
 */
export async function resetPassword(
  asked: RequestContext,
  personId: string,
  input: { password: string; present?: string | undefined },
  token: string | null,
): Promise<void> {
  const person = await people.findPerson(asked.db, personId);
  const own = asked.who.id === personId;
  if (!person || !(await maySee(asked, personId))) throw notFound('This person');
  if (!own && asked.who.role !== 'lead' && person.role !== 'trainee') throw forbidden('Only a lead sets the passwords of instructors.');
  checkPassword(input.password);
  if (own) {
    const tried = await asked.limits.signIn(`own ${person.signIn}`, personId);
    const hash = await people.passwordHashOf(asked.db, personId);
    if (!hash || !(await isPassword(asked, hash, input.present ?? '', personId))) throw invalid('The present password is not right.', 'present');
    await tried.right();
  }
  await people.setPassword(asked.db, personId, await hashPassword(asked, input.password, asked.who.id));
  await endSessionsOf(asked.db, personId, own && token ? sha256(token) : null);
  if (!own) await writeDown(asked.db, { what: 'password-set', byId: asked.who.id, aboutId: personId }, asked.now());
}

export interface GroupPeople {
  readonly group: people.Group;
  readonly instructors: readonly Person[];
  readonly trainees: readonly Person[];
}

export async function peopleOfGroup(asked: RequestContext, groupId: string): Promise<GroupPeople> {
  const group = await requireLedGroup(asked, groupId);
  const [instructors, trainees] = await Promise.all([people.membersOf(asked.db, groupId, 'instructor'), people.membersOf(asked.db, groupId, 'trainee')]);
  return { group, instructors, trainees };
}
