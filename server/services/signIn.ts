import { hash, verify } from '@node-rs/argon2';
import { invalid, ServiceError } from '../errors';
import { newToken, sha256 } from '../ids';
import { findBySignIn, findPerson } from '../repositories/people';
import type { Person, Service } from '../service';

const DAY = 86_400_000;
const SESSION_DAYS = 14;
const WINDOW = 15 * 60_000;
const MOST_BY_ACCOUNT = 8;
const MOST_BY_ADDRESS = 60;
export const SHORTEST_PASSWORD = 8;

/** argon2id with 19 MiB and two passes (OWASP's first recommendation). */
export const hashPassword = (password: string): Promise<string> => hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });

export function checkPassword(password: string): void {
  if (password.length < SHORTEST_PASSWORD) throw invalid(`A password needs at least ${SHORTEST_PASSWORD} characters.`, 'password');
  if (password.length > 200) throw invalid('A password may have 200 characters at most.', 'password');
}

let decoy: Promise<string> | null = null;

async function tooMany(service: Service, account: string, address: string): Promise<boolean> {
  const since = new Date(service.now().getTime() - WINDOW);
  const count = async (column: 'account' | 'address', value: string): Promise<number> => {
    const row = await service.db('sign_in_failures').where(column, value).where('at', '>', since).count({ n: '*' }).first();
    return Number(row?.n ?? 0);
  };
  return (await count('account', account)) >= MOST_BY_ACCOUNT || (await count('address', address)) >= MOST_BY_ADDRESS;
}

/** A new session's token for the right name and password; attempts are limited per account and per address. */
export async function signIn(service: Service, name: string, password: string, address: string): Promise<{ token: string; person: Person }> {
  const account = name.trim().toLowerCase().slice(0, 60);
  if (await tooMany(service, account, address))
    throw new ServiceError(429, 'too-many', 'Too many attempts. Wait a quarter of an hour, or ask your instructor for a new password.');
  const found = await findBySignIn(service.db, account);
  // An unknown name takes as long as a wrong password, so that names cannot be guessed by the clock.
  decoy ??= hashPassword('no one has this password');
  const right = await verify(found?.passwordHash ?? (await decoy), password.slice(0, 200)).catch(() => false);
  if (!found || !right) {
    await service.db('sign_in_failures').insert({ account, address: address.slice(0, 64), at: service.now() });
    throw new ServiceError(401, 'wrong', 'The name or the password is not right.', 'password');
  }
  await service.db('sign_in_failures').where({ account }).delete();
  return { token: await openSession(service, found.person.id), person: found.person };
}

export async function openSession(service: Service, personId: string): Promise<string> {
  const token = newToken();
  const now = service.now();
  await service.db('sessions').where('expires_at', '<', now).delete();
  await service.db('sessions').insert({ token_hash: sha256(token), person_id: personId, expires_at: new Date(now.getTime() + SESSION_DAYS * DAY) });
  return token;
}

export async function whoIs(service: Service, token: string): Promise<Person | null> {
  const row = await service
    .db('sessions')
    .where({ token_hash: sha256(token) })
    .where('expires_at', '>', service.now())
    .first('person_id');
  return row ? findPerson(service.db, row.person_id) : null;
}

export async function signOut(service: Service, token: string): Promise<void> {
  await service
    .db('sessions')
    .where({ token_hash: sha256(token) })
    .delete();
}

/** Sign-in without a password, for the people of the demo only. */
export async function demoSignIn(service: Service, name: string, demo: boolean): Promise<{ token: string; person: Person }> {
  if (!demo) throw new ServiceError(404, 'not-found', 'There is no demo here.');
  const found = await findBySignIn(service.db, name);
  if (!found) throw new ServiceError(404, 'not-found', 'The demo has no such person.');
  return { token: await openSession(service, found.person.id), person: found.person };
}
