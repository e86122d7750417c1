/**
 * Migrates the database, keeps the built-in schemes, and seeds the demo once. `--reset` begins with an empty database. With
 * DIALHOME_DEMO=few the demo has its first learners only: tests of the seeding itself need no more.
 */

import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { INSTRUCTOR, LEAD, LEARNERS } from '@demo/people';
import { seedStation } from '@demo/station';
import { alone, dropDatabase, ensureDatabase, migrate } from '@server/database';
import { type OpenService, openService, ownPlaces } from '@server/openService';
import { blobSize } from '@server/repositories/blobs';
import { countPeople, findBySignIn, markMadeUp } from '@server/repositories/people';
import { isHalfMade, readSetting, writeSetting } from '@server/repositories/settings';
import { takeInEarlier } from '@server/services/learning';
import { keepBuiltInSchemes } from '@server/services/schemes';

const { url, folder } = ownPlaces();
const demo = Boolean(process.env.DIALHOME_DEMO);
const say = (text: string): void => void process.stdout.write(`${text}\n`);
const SEEDING = 'demo seeding';
const FEW = 3;

/** Files of an installation from before they were kept in the database. */
async function takeFilesIn({ db, files }: OpenService): Promise<void> {
  for (const part of await readdir(folder).catch(() => []))
    for (const name of await readdir(join(folder, part)).catch(() => []))
      if (/^[0-9a-f]{64}$/.test(name) && (await blobSize(db, name)) === null) await files.keep(await readFile(join(folder, part, name)));
}

/** Marks the made-up people of a demo that was seeded before it was written down who they are. */
async function markThem({ db }: OpenService): Promise<void> {
  const found = await Promise.all([LEAD, INSTRUCTOR, ...LEARNERS].map(({ signIn }) => findBySignIn(db, signIn)));
  await markMadeUp(
    db,
    found.flatMap((entry) => (entry ? [entry.person.id] : [])),
  );
}

/** Prepares the database once; false when what an interrupted start left there has to be taken away first. */
async function prepared(service: OpenService): Promise<boolean> {
  const { db } = service;
  if (await isHalfMade(db)) return false;
  await migrate(db);
  await service.files.tidy();
  await takeFilesIn(service);
  await keepBuiltInSchemes(service);
  const taken = await takeInEarlier(service);
  if (taken > 0) say(`What ${taken} earlier attempts tell of each skill is taken in.`);
  if (!demo) return true;
  const state = await readSetting(db, SEEDING);
  if (state === 'done') return true;
  if (state === 'begun') return false;
  if ((await countPeople(db)) > 0) {
    // Seeded by an earlier version, whole or not.
    if (!(await db('exercises').first('id'))) return false;
    await markThem(service);
  } else {
    await writeSetting(db, SEEDING, 'begun');
    await seedStation(service, say, process.env.DIALHOME_DEMO === 'few' ? LEARNERS.slice(0, FEW) : LEARNERS);
  }
  await writeSetting(db, SEEDING, 'done');
  return true;
}

await alone(url, async () => {
  if (process.argv.includes('--reset')) await dropDatabase(url);
  for (let tries = 1; ; tries++) {
    await ensureDatabase(url);
    const service = openService(url, folder);
    try {
      if (await prepared(service)) return;
    } finally {
      await service.close();
    }
    if (tries > 1) throw new Error('The database could not be prepared: what an earlier start left there is still in the way.');
    say('An earlier start was interrupted before it was done: beginning afresh …');
    await dropDatabase(url);
  }
});
