import type { Database } from '../database';
import { newId } from '../ids';
import { addNotices } from '../repositories/notices';
import { membersOf } from '../repositories/people';
import type { Service } from '../service';

/** Tells people something, under Today. */
export async function tell(service: Service, db: Database, personIds: readonly string[], words: string): Promise<void> {
  await addNotices(
    db,
    personIds.map((personId) => ({ id: newId(), personId, words, madeAt: service.now() })),
  );
}

/** Tells everybody in a group who practises, under Today. */
export async function tellTrainees(service: Service, db: Database, groupId: string, words: string): Promise<void> {
  const trainees = await membersOf(db, groupId, 'trainee');
  await tell(
    service,
    db,
    trainees.map(({ id }) => id),
    words,
  );
}
