import { FRESH, transact } from '../database';
import { forbidden, invalid, notFound } from '../errors';
import { nameOf } from '../names';
import { lastHandIns } from '../repositories/attempts';
import { writeDown } from '../repositories/audit';
import { markStale } from '../repositories/health';
import * as leaving from '../repositories/leaving';
import * as people from '../repositories/people';
import { endSessionsOf } from '../repositories/sessions';
import { recountFirstTries } from '../repositories/skills';
import type { Person, RequestContext, Role } from '../service';
import { requireLead, requireLedGroup } from './people';

export interface PersonOnRoster extends people.PersonListed {
  /** When they last handed in. */
  readonly lastAt: Date | null;
}

/** Everybody, for a lead. */
export async function roster(asked: RequestContext): Promise<PersonOnRoster[]> {
  requireLead(asked);
  const [all, lastAt] = await Promise.all([people.listPeople(asked.db), lastHandIns(asked.db)]);
  return all.map((person) => ({ ...person, lastAt: lastAt.get(person.id) ?? null }));
}

/** Another person than the one who asks; nobody locks themselves out. */
async function another(asked: RequestContext, personId: string): Promise<Person> {
  requireLead(asked);
  const person = await people.findPerson(asked.db, personId);
  if (!person) throw notFound('This person');
  if (person.id === asked.who.id) throw invalid('This is yourself: another lead does it.', 'person');
  return person;
}

/** Somebody who leads has to stay. */
async function keepALead(tx: RequestContext['db'], person: Person): Promise<void> {
  if (person.role === 'lead' && (await people.lockLeads(tx)).every((id) => id === person.id))
    throw invalid('This is the only lead: make another one first.', 'person');
}

export async function changeRole(asked: RequestContext, personId: string, role: Role): Promise<void> {
  const person = await another(asked, personId);
  if (person.role === role) return;
  await transact(
    asked.db,
    async (tx) => {
      await keepALead(tx, person);
      await people.setRole(tx, personId, role);
      await writeDown(tx, { what: 'role-changed', byId: asked.who.id, aboutId: personId, facts: { from: person.role, to: role } }, asked.now());
    },
    FRESH,
  );
}

/** Gives somebody another name; the name they sign in by stays. */
export async function renamePerson(asked: RequestContext, personId: string, name: string): Promise<void> {
  requireLead(asked);
  const person = await people.findPerson(asked.db, personId);
  if (!person) throw notFound('This person');
  const wanted = nameOf(name);
  if (wanted === person.name) return;
  await people.setName(asked.db, personId, wanted);
  await writeDown(asked.db, { what: 'person-renamed', byId: asked.who.id, aboutId: personId }, asked.now());
}

/** Keeps somebody out, or lets them in again; nothing of theirs changes. */
export async function setActive(asked: RequestContext, personId: string, active: boolean): Promise<void> {
  const person = await another(asked, personId);
  await transact(
    asked.db,
    async (tx) => {
      if (!active) await keepALead(tx, person);
      await people.setDeactivated(tx, personId, active ? null : asked.now());
      if (!active) await endSessionsOf(tx, personId, null);
      await writeDown(tx, { what: active ? 'person-back' : 'person-deactivated', byId: asked.who.id, aboutId: personId }, asked.now());
    },
    FRESH,
  );
}

/**
 * Moves people from one group to another; null: from none, or to none. What they did stays theirs. Leads move anybody,
 * instructors trainees between groups that they teach.
 */
export async function movePeople(
  asked: RequestContext,
  personIds: readonly string[],
  { from, to }: { readonly from: string | null; readonly to: string | null },
): Promise<void> {
  const [left, joined] = [from === null ? null : await requireLedGroup(asked, from), to === null ? null : await requireLedGroup(asked, to)];
  if (left === joined || left?.id === joined?.id) throw invalid('Choose another group.', 'to');
  await transact(
    asked.db,
    async (tx) => {
      for (const personId of personIds) {
        const person = await people.findPerson(tx, personId);
        // Who is in none of one's groups is moved by leads alone.
        const may = left ? await people.isMember(tx, left.id, personId) : asked.who.role === 'lead';
        if (!person || !may) throw notFound('This person');
        if (asked.who.role !== 'lead' && person.role !== 'trainee') throw forbidden('Only a lead moves instructors.');
        if (left) await people.removeMember(tx, left.id, personId);
        if (joined) await people.addMember(tx, joined.id, personId, people.roleInGroup(person.role));
        const facts = { from: left?.name ?? null, to: joined?.name ?? null };
        await writeDown(tx, { what: 'person-moved', byId: asked.who.id, aboutId: personId, facts }, asked.now());
      }
    },
    FRESH,
  );
}

export interface Leaving extends leaving.Owned {
  /** Who can take over what is theirs. */
  readonly heirs: readonly Pick<Person, 'id' | 'name'>[];
}

/** What of a person others need, and who could take it over. */
export async function whatTheyLeave(asked: RequestContext, personId: string): Promise<Leaving> {
  await another(asked, personId);
  const [owned, staff] = await Promise.all([leaving.ownedBy(asked.db, personId), people.activeStaff(asked.db)]);
  return { ...owned, heirs: staff.filter(({ id }) => id !== personId).map(({ id, name }) => ({ id, name })) };
}

/**
 * Deletes a person with all their data, for good. Models, exercises, courses and schemes that others need pass to `heirId`.
 * What is known of others stays as it is: how hard an exercise was is counted anew without them.
 */
export async function deletePerson(asked: RequestContext, personId: string, heirId: string | null): Promise<void> {
  const person = await another(asked, personId);
  await transact(
    asked.db,
    async (tx) => {
      await people.lockPerson(tx, personId);
      await keepALead(tx, person);
      const { models, exercises, courses, schemes } = await leaving.ownedBy(tx, personId);
      const passed = models + exercises + courses + schemes;
      const heir = heirId === null ? null : await people.findPerson(tx, heirId);
      if (passed > 0 && (!heir || heir.role === 'trainee' || heir.id === personId))
        throw invalid('Say which instructor or lead takes over what is theirs.', 'heirId');
      if (heir) await leaving.passOn(tx, personId, heir.id);
      const tried = await leaving.exercisesTried(tx, personId);
      await leaving.removePerson(tx, person, heir?.id ?? asked.who.id);
      if (tried.length > 0) await recountFirstTries(tx, tried);
      await markStale(tx, tried);
      await writeDown(tx, { what: 'person-deleted', byId: asked.who.id, facts: { role: person.role, passed } }, asked.now());
    },
    FRESH,
  );
}
