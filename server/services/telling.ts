import type { Database } from '../database';
import { newId } from '../ids';
import { addNotices } from '../repositories/notices';
import { membersOf } from '../repositories/people';
import type { Service } from '../service';

/** Tells everybody in a group who practises, under Today. */
export async function tellTrainees(service: Service, db: Database, groupId: string, words: string): Promise<void> {
  const trainees = await membersOf(db, groupId, 'trainee');
  await addNotices(
    db,
    trainees.map((person) => ({ id: newId(), personId: person.id, words, madeAt: service.now() })),
  );
}
