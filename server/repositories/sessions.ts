import type { Database } from '../database';
import type { Person } from '../service';
import { type PersonRow, toPerson } from './people';

export async function addSession(db: Database, session: { tokenHash: string; personId: string; expiresAt: Date }): Promise<void> {
  await db('sessions').insert({ token_hash: session.tokenHash, person_id: session.personId, expires_at: session.expiresAt });
}

/** Whose session it is, in one query: it is asked with every request. */
export async function personOf(db: Database, tokenHash: string, now: Date): Promise<Person | null> {
  const row: PersonRow | undefined = await db('sessions as s')
    .join('people as p', 'p.id', 's.person_id')
    .where({ 's.token_hash': tokenHash })
    .where('s.expires_at', '>', now)
    .whereNull('p.deactivated_at')
    .first('p.*');
  return row ? toPerson(row) : null;
}

export async function endSession(db: Database, tokenHash: string): Promise<void> {
  await db('sessions').where({ token_hash: tokenHash }).delete();
}

/** Ends a person's sessions, but for the one that is kept. */
export async function endSessionsOf(db: Database, personId: string, but: string | null): Promise<void> {
  const query = db('sessions').where({ person_id: personId });
  if (but !== null) query.whereNot({ token_hash: but });
  await query.delete();
}

/** Takes away sessions and limits that have run out. */
export async function clearExpired(db: Database, now: Date): Promise<void> {
  await db('sessions').where('expires_at', '<', now).limit(1000).delete();
  await db('limits').where('expire', '<', Date.now()).limit(1000).delete();
}

/** People that the demo's seeding made up, in the order of their names; those who lead first. */
export async function madeUpPeople(db: Database): Promise<Person[]> {
  const rows: PersonRow[] = await db('people')
    .where({ made_up: true })
    .whereNull('deactivated_at')
    .orderByRaw("field(role, 'instructor', 'lead', 'trainee')")
    .orderBy('created_at')
    .orderBy('name');
  return rows.map(toPerson);
}
