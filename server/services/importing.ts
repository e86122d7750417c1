import { type Encoding, type PersonLine, readPeople } from '@formats/peopleCsv';
import { FRESH, isDuplicate, transact } from '../database';
import { invalid, ServiceError } from '../errors';
import { newId } from '../ids';
import { writeDown } from '../repositories/audit';
import * as people from '../repositories/people';
import type { RequestContext } from '../service';
import { freeName, signInStem } from './joining';
import { firstPassword, hashAll } from './passwords';
import { requireLead } from './people';

/** What becomes of a line: a new person, somebody who is here and comes into a group, somebody with whom nothing changes, or nothing, for it is wrong. */
export type Becomes = 'new' | 'joins' | 'there' | 'bad';

export interface LinePlanned {
  readonly line: number;
  readonly name: string;
  /** What they will sign in as. */
  readonly signIn: string;
  readonly role: 'trainee' | 'instructor';
  readonly group: string;
  readonly becomes: Becomes;
  /** Why, where it is not simply new; empty else. */
  readonly words: string;
}

export interface ImportPlan {
  readonly encoding: Encoding;
  /** Why nothing of the file can be used; null: it can. */
  readonly fault: string | null;
  readonly lines: readonly LinePlanned[];
  /** Groups that will be made. */
  readonly newGroups: readonly string[];
}

export interface FileSent {
  readonly bytes: Uint8Array;
  /** Null: it is guessed. */
  readonly encoding: Encoding | null;
}

/** A line with what is needed to carry it out. */
interface Step extends LinePlanned {
  readonly password: string;
  /** The one who is here already. */
  readonly personId: string | null;
}

interface Known {
  readonly bySignIn: ReadonlyMap<string, people.PersonListed>;
  /** Names of people in a group, in small letters: `name in group`. */
  readonly inGroups: ReadonlySet<string>;
  /** Groups by name in small letters. */
  readonly groups: ReadonlyMap<string, people.Group>;
}

async function known(asked: RequestContext): Promise<Known> {
  const [all, groups] = await Promise.all([people.listPeople(asked.db), people.listGroups(asked.db)]);
  return {
    bySignIn: new Map(all.map((person) => [person.signIn, person])),
    inGroups: new Set(all.flatMap((person) => person.groups.map((group) => `${person.name} in ${group.name}`.toLowerCase()))),
    groups: new Map(groups.map((group) => [group.name.toLowerCase(), group])),
  };
}

function stepOf(read: PersonLine, { bySignIn, inGroups }: Known, taken: Set<string>): Step {
  const step = (becomes: Becomes, words = '', change: Partial<Step> = {}): Step => ({ ...read, personId: null, becomes, words, ...change });
  if (read.faults.length > 0) return step('bad', read.faults.join(' '));
  const here = bySignIn.get(read.signIn);
  if (here && here.name.toLowerCase() !== read.name.toLowerCase()) return step('bad', `${here.name} signs in as “${read.signIn}” already.`);
  if (here) {
    // What they are is changed under People, not by a file.
    const known = { personId: here.id, role: people.roleInGroup(here.role) };
    const isIn = read.group === '' || here.groups.some(({ name }) => name.toLowerCase() === read.group.toLowerCase());
    return isIn ? step('there', 'Is here already: nothing changes.', known) : step('joins', `Is here already, and comes into “${read.group}”.`, known);
  }
  if (read.signIn === '' && inGroups.has(`${read.name} in ${read.group}`.toLowerCase()))
    return step('bad', `Somebody of this name is in “${read.group}” already: give a sign-in name if this is another person.`);
  const signIn = read.signIn || freeName(signInStem(read.name), (name) => taken.has(name) || bySignIn.has(name));
  taken.add(signIn);
  return step('new', '', { signIn });
}

async function planned(asked: RequestContext, { bytes, encoding }: FileSent): Promise<ImportPlan & { readonly steps: readonly Step[] }> {
  requireLead(asked, 'imports people');
  const file = readPeople(bytes, encoding);
  const about = await known(asked);
  // Names that lines give themselves come before those that are made.
  const taken = new Set(file.lines.flatMap(({ signIn, faults }) => (signIn !== '' && faults.length === 0 ? [signIn] : [])));
  const steps = file.lines.map((line) => stepOf(line, about, taken));
  const wanted = new Map(
    steps.flatMap(({ becomes, group }) => ((becomes === 'new' || becomes === 'joins') && group !== '' ? [[group.toLowerCase(), group] as const] : [])),
  );
  const newGroups = [...wanted].flatMap(([key, name]) => (about.groups.has(key) ? [] : [name]));
  const lines = steps.map(({ line, name, signIn, role, group, becomes, words }) => ({ line, name, signIn, role, group, becomes, words }));
  return { encoding: file.encoding, fault: file.fault, lines, newGroups, steps };
}

/** What an import of a file would do; nothing is changed. */
export async function previewPeople(asked: RequestContext, file: FileSent): Promise<ImportPlan> {
  const { steps: _, ...plan } = await planned(asked, file);
  return plan;
}

export interface Imported {
  readonly people: readonly {
    readonly name: string;
    readonly signIn: string;
    readonly group: string;
    /** The first password; null: it was in the file. */
    readonly password: string | null;
  }[];
  /** How many who were here came into a group. */
  readonly joined: number;
}

/** Imports a file as its preview says: all of it or nothing. `leaveOut`: bad lines are left out; else they keep it back. */
export async function importPeople(asked: RequestContext, file: FileSent & { readonly name: string; readonly leaveOut: boolean }): Promise<Imported> {
  const { fault, steps, newGroups } = await planned(asked, file);
  if (fault) throw invalid(fault, 'file');
  const bad = steps.filter(({ becomes }) => becomes === 'bad').length;
  if (bad > 0 && !file.leaveOut) throw invalid(`${bad} of ${steps.length} lines are wrong: mend them, or leave them out.`, 'leaveOut');
  const added = steps
    .filter(({ becomes }) => becomes === 'new')
    .map((step) => ({ ...step, id: newId(), made: step.password === '', password: step.password || firstPassword() }));
  const joining = steps.filter(({ becomes }) => becomes === 'joins');
  if (added.length === 0 && joining.length === 0) throw invalid('Nobody of the file would be added.', 'file');
  const hashes = await hashAll(
    asked,
    added.map(({ password }) => password),
  );
  try {
    await transact(
      asked.db,
      async (tx) => {
        const now = asked.now();
        for (const name of newGroups) {
          await people.addGroup(tx, { id: newId(), name }, now);
          await writeDown(tx, { what: 'group-made', byId: asked.who.id, facts: { group: name } }, now);
        }
        const groups = new Map((await people.listGroups(tx)).map((group) => [group.name.toLowerCase(), group.id]));
        const into = async (group: string, personId: string, role: 'trainee' | 'instructor'): Promise<void> => {
          const id = groups.get(group.toLowerCase());
          if (id) await people.addMember(tx, id, personId, role);
        };
        for (const [i, { id, name, signIn, role, group }] of added.entries()) {
          await people.addPerson(tx, { id, name, signIn, role }, hashes[i] as string, now);
          await into(group, id, role);
        }
        for (const { personId, group, role } of joining) if (personId) await into(group, personId, role);
        await writeDown(
          tx,
          { what: 'people-imported', byId: asked.who.id, facts: { people: added.length + joining.length, file: file.name.slice(0, 100) } },
          now,
        );
      },
      FRESH,
    );
  } catch (error) {
    if (isDuplicate(error))
      throw new ServiceError(
        409,
        'changed',
        'Somebody was given one of these sign-in names at the same moment. Nothing was imported: look at the preview again.',
      );
    throw error;
  }
  return {
    people: added.map(({ name, signIn, group, made, password }) => ({ name, signIn, group, password: made ? password : null })),
    joined: joining.length,
  };
}
