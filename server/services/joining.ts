import { randomInt } from 'node:crypto';
import { invalid, ServiceError } from '../errors';
import { byChance, newId } from '../ids';
import { nameOf } from '../names';
import { writeDown } from '../repositories/audit';
import * as joining from '../repositories/joining';
import { addMember, signInsLike } from '../repositories/people';
import type { Person, RequestContext, Service } from '../service';
import { makePerson, requireLedGroup } from './people';
import { checkPassword, openSession } from './signIn';

const DAY = 86_400_000;
/** No letters and figures that are taken for another. */
const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
const LENGTH = 8;

/** As it is read aloud and written down: four and four. */
export const codeShown = (code: string): string => `${code.slice(0, 4)}-${code.slice(4)}`;
/** As it is kept, from how people write it. */
const codeKept = (written: string): string => written.toUpperCase().replace(/[^A-Z0-9]/g, '');

export interface Joining {
  readonly code: string;
  readonly expiresAt: Date;
  /** Who came by it, newest first. */
  readonly came: readonly { readonly name: string; readonly signIn: string; readonly at: Date }[];
}

/** The open code of a group and who came by it; null: there is none, or its time is over. */
export async function joiningOf(asked: RequestContext, groupId: string): Promise<Joining | null> {
  await requireLedGroup(asked, groupId);
  const found = await joining.codeOfGroup(asked.db, groupId);
  if (!found || found.expiresAt <= asked.now()) return null;
  return { code: codeShown(found.code), expiresAt: found.expiresAt, came: await joining.joinedSince(asked.db, groupId, found.madeAt) };
}

/** Makes a new code for a group, open for some days; the one before opens nothing any more. */
export async function openJoining(asked: RequestContext, groupId: string, days: number): Promise<void> {
  const group = await requireLedGroup(asked, groupId);
  const code = byChance(LETTERS, LENGTH);
  const madeAt = asked.now();
  await joining.keepCode(asked.db, { groupId, code, madeAt, expiresAt: new Date(madeAt.getTime() + days * DAY) }, asked.who.id);
  await writeDown(asked.db, { what: 'joining-opened', byId: asked.who.id, facts: { group: group.name, days } }, madeAt);
}

export async function closeJoining(asked: RequestContext, groupId: string): Promise<void> {
  await requireLedGroup(asked, groupId);
  await joining.removeCode(asked.db, groupId);
}

/** What a sign-in name is made of: "Ada Byron" gives "ada.byron". */
export function signInStem(name: string): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^a-z0-9]+/g, '.')
    .replace(/^\.+|\.+$/g, '')
    .slice(0, 40);
  return plain.length > 1 ? plain : `trainee${plain}`;
}

/** A name that is not taken: "ada.byron", then "ada.byron2". */
export function freeName(stem: string, isTaken: (name: string) => boolean): string {
  if (!isTaken(stem)) return stem;
  let n = 2;
  while (isTaken(`${stem}${n}`)) n += 1;
  return `${stem}${n}`;
}

/** A sign-in name that nobody has. */
async function freeSignIn(service: Service, stem: string): Promise<string> {
  const taken = new Set(await signInsLike(service.db, stem));
  return freeName(stem, (name) => taken.has(name));
}

const TRIES = 5;
/** Where others of one name join at the same moment, a number of so many tells them apart. */
const APART = 10_000;

/** Makes the one who joins, under a name to sign in with that is free; another who joins at the same moment may have been given it first. */
async function madeFor(service: Service, name: string, password: string): Promise<Person> {
  const stem = signInStem(name);
  for (let tries = 1; ; tries++) {
    const signIn = tries === 1 ? await freeSignIn(service, stem) : `${stem}${randomInt(APART)}`;
    try {
      return await makePerson(service, { name, signIn, password, role: 'trainee' }, newId());
    } catch (error) {
      if (!(error instanceof ServiceError && error.field === 'signIn') || tries >= TRIES) throw error;
    }
  }
}

/** Joins a group by its code: a new trainee, signed in. Tries with codes are limited for an address. */
export async function join(
  service: Service,
  input: { code: string; name: string; password: string },
  address: string,
): Promise<{ token: string; person: Person }> {
  const name = nameOf(input.name);
  checkPassword(input.password);
  const tried = await service.limits.join(address);
  const found = await joining.groupOfCode(service.db, codeKept(input.code));
  if (!found || found.expiresAt <= service.now())
    throw invalid('This code opens no group, or its time is over. Ask your instructor for the present one.', 'code');
  await tried.right();
  const person = await madeFor(service, name, input.password);
  await addMember(service.db, found.groupId, person.id, 'trainee');
  await joining.markJoined(service.db, found.groupId, person.id, service.now());
  return { token: await openSession(service, person.id), person };
}
