import { mkdtemp, rm, statfs, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { json } from '@web/http/answer';
import type { APIRoute } from 'astro';

/** Free bytes under which a file can no longer be relied on to find room. */
const ROOM = 256 * 1024 * 1024;

async function inTime<T>(work: Promise<T>): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, fail) => {
    timer = setTimeout(() => fail(new Error('no answer within 3 s')), 3000);
  });
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}

async function diskWorks(): Promise<boolean> {
  const folder = await mkdtemp(join(process.env.DIALHOME_FILES ?? '.', 'health-'));
  try {
    await writeFile(join(folder, 'x'), 'x');
    const { bavail, bsize } = await statfs(folder);
    return bavail * bsize > ROOM;
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

const asWord = (work: Promise<boolean>): Promise<boolean> => inTime(work).catch(() => false);

/** Whether this process can do its work: 200 when all of it can, 503 when something cannot. */
export const GET: APIRoute = async ({ locals }) => {
  const { db, pool } = locals.service;
  const [database, disk] = await Promise.all([asWord(db.raw('select 1').then(() => true)), asWord(diskWorks())]);
  const { running, waiting, threads } = pool.load();
  const well = database && disk && waiting < 200;
  return json({ alive: true, database, disk, pool: { running, waiting, threads } }, well ? 200 : 503);
};
