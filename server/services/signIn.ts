import { invalid, ServiceError } from '../errors';
import { newToken, sha256 } from '../ids';
import { findBySignIn } from '../repositories/people';
import * as sessions from '../repositories/sessions';
import type { Person, Service } from '../service';

const DAY = 86_400_000;
const SESSION_DAYS = 14;
export const SHORTEST_PASSWORD = 8;
const LONGEST_PASSWORD = 200;

export const hashPassword = (service: Service, password: string, person: string): Promise<string> =>
  service.pool.run('hashPassword', { password }, { for: person });

export function checkPassword(password: string, field = 'password'): void {
  if (password.length < SHORTEST_PASSWORD) throw invalid(`A password needs at least ${SHORTEST_PASSWORD} characters.`, field);
  if (password.length > LONGEST_PASSWORD) throw invalid(`A password may have ${LONGEST_PASSWORD} characters at most.`, field);
}

/** Whether a password is the one that was hashed; `who` waits in line for it. */
export const isPassword = (service: Service, hash: string, password: string, who: string): Promise<boolean> =>
  service.pool.run('verifyPassword', { hash, password: password.slice(0, LONGEST_PASSWORD) }, { for: who });

/** A hash that nobody's password has. */
const DECOY = '$argon2id$v=19$m=19456,t=2,p=1$PVu1y2eQwTmotdyJDja6Pw$BoRrw2nO5HA9yPrIWlzk/E225ByezhpgjuJ2KuBrvwg';

/** A new session's token for the right name and password; tries are limited for an account from an address, and for an address. */
export async function signIn(service: Service, name: string, password: string, address: string): Promise<{ token: string; person: Person }> {
  const account = name.trim().toLowerCase().slice(0, 60);
  const tried = await service.limits.signIn(account, address);
  const found = await findBySignIn(service.db, account);
  // An unknown name takes as long as a wrong password, so that names cannot be guessed by the clock.
  const right = await isPassword(service, found?.passwordHash ?? DECOY, password, `sign-in ${account}`);
  if (!found || !right) throw new ServiceError(401, 'wrong', 'The name or the password is not right.', 'password');
  await tried.right();
  if (found.deactivated) throw new ServiceError(403, 'deactivated', 'This account is deactivated. Ask whoever leads your course.');
  return { token: await openSession(service, found.person.id), person: found.person };
}

export async function openSession(service: Service, personId: string): Promise<string> {
  const token = newToken();
  const now = service.now();
  await sessions.clearExpired(service.db, now);
  await sessions.addSession(service.db, { tokenHash: sha256(token), personId, expiresAt: new Date(now.getTime() + SESSION_DAYS * DAY) });
  return token;
}

export const whoIs = (service: Service, token: string): Promise<Person | null> => sessions.personOf(service.db, sha256(token), service.now());

export const signOut = (service: Service, token: string): Promise<void> => sessions.endSession(service.db, sha256(token));

/** The made-up people of the demo, as the sign-in page offers them; nobody who was added later. */
export const demoPeople = (service: Service, demo: boolean): Promise<Person[]> => (demo ? sessions.madeUpPeople(service.db) : Promise.resolve([]));

/** Sign-in without a password, for the made-up people of the demo only. */
export async function demoSignIn(service: Service, name: string, demo: boolean): Promise<{ token: string; person: Person }> {
  if (!demo) throw new ServiceError(404, 'not-found', 'There is no demo here.');
  const found = (await demoPeople(service, demo)).find((person) => person.signIn === name);
  if (!found) throw new ServiceError(404, 'not-found', 'The demo has no such person.');
  return { token: await openSession(service, found.id), person: found };
}
