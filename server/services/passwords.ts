import { FRESH, transact } from '../database';
import { forbidden, invalid, notFound } from '../errors';
import { byChance } from '../ids';
import { writeDown } from '../repositories/audit';
import * as people from '../repositories/people';
import { endSessionsOf } from '../repositories/sessions';
import type { Person, RequestContext } from '../service';
import { isStaff, maySee } from './people';
import { hashPassword } from './signIn';

/** No letters and figures that are taken for another. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const PARTS = 3;
const PART = 4;

/** A first password: three times four letters and figures, to be read out and typed. */
export const firstPassword = (): string => Array.from({ length: PARTS }, () => byChance(LETTERS, PART)).join('-');

/** Passwords that are hashed at the same moment: others have their turn in between. */
const AT_ONCE = 3;

/** How many of somebody's passwords are hashed, and of how many; in this process. */
export interface Hashing {
  readonly done: number;
  readonly of: number;
}

const underWay = new Map<string, Hashing>();

export const hashingFor = (asked: RequestContext): Hashing => underWay.get(asked.who.id) ?? { done: 0, of: 0 };

export async function hashAll(asked: RequestContext, passwords: readonly string[]): Promise<string[]> {
  const hashes: string[] = [];
  try {
    for (let i = 0; i < passwords.length; i += AT_ONCE) {
      underWay.set(asked.who.id, { done: i, of: passwords.length });
      hashes.push(...(await Promise.all(passwords.slice(i, i + AT_ONCE).map((password) => hashPassword(asked, password, asked.who.id)))));
    }
  } finally {
    underWay.delete(asked.who.id);
  }
  return hashes;
}

export interface PasswordGiven extends Pick<Person, 'name' | 'signIn'> {
  readonly password: string;
}

/** Gives each of these people a new first password, all or none, and signs them out everywhere. Instructors do so for those they teach. */
export async function newPasswords(asked: RequestContext, personIds: readonly string[]): Promise<PasswordGiven[]> {
  const found: Person[] = [];
  for (const id of personIds) {
    const person = await people.findPerson(asked.db, id);
    if (!person || !isStaff(asked.who) || !(await maySee(asked, id))) throw notFound('This person');
    if (person.id === asked.who.id) throw invalid('You are among them: choose your own password under your name.', 'personIds');
    if (asked.who.role !== 'lead' && person.role !== 'trainee') throw forbidden('Only a lead sets the passwords of instructors.');
    found.push(person);
  }
  const given = found.map((person) => ({ ...person, password: firstPassword() }));
  const hashes = await hashAll(
    asked,
    given.map(({ password }) => password),
  );
  await transact(
    asked.db,
    async (tx) => {
      for (const [i, { id }] of given.entries()) {
        await people.setPassword(tx, id, hashes[i] as string);
        await endSessionsOf(tx, id, null);
        await writeDown(tx, { what: 'password-set', byId: asked.who.id, aboutId: id }, asked.now());
      }
    },
    FRESH,
  );
  return given.map(({ name, signIn, password }) => ({ name, signIn, password }));
}
