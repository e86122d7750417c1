import { connect, databaseName } from '@server/database';
import { openFileStore } from '@server/files';
import type { Service } from '@server/service';

let service: Service | null = null;

/** The one service of this process, opened at the first request. */
export function openService(): Service {
  if (service) return service;
  const url = process.env.DATABASE_URL;
  const folder = process.env.DIALHOME_FILES;
  if (!url || !folder) throw new Error('DATABASE_URL and DIALHOME_FILES must be set; "npm start" sets them.');
  service = { db: connect(url, databaseName(url)), files: openFileStore(folder), now: () => new Date() };
  return service;
}

export const isDemo = (): boolean => Boolean(process.env.DIALHOME_DEMO);
