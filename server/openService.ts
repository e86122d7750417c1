import { connect, databaseName } from './database';
import { stationZone } from './day';
import { openFileStore } from './files';
import { openLimits } from './limits';
import { openPool } from './pool';
import type { Service } from './service';

export interface OpenService extends Service {
  /** Ends the pool and the connections. */
  close(): Promise<void>;
}

/** A service on the database at `url`, which is there already. `folder`: for copies of files. */
export function openService(url: string, folder: string): OpenService {
  const db = connect(url, databaseName(url));
  const pool = openPool();
  return {
    db,
    pool,
    files: openFileStore(db, folder),
    limits: openLimits(db),
    now: () => new Date(),
    zone: stationZone(process.env.DIALHOME_TIME_ZONE),
    async close() {
      await pool.close();
      await db.destroy();
    },
  };
}

/** Address of the database and folder for files that the environment names, as "npm start" sets them. */
export function ownPlaces(): { readonly url: string; readonly folder: string } {
  const url = process.env.DATABASE_URL;
  const folder = process.env.DIALHOME_FILES;
  if (!url || !folder) throw new Error('DATABASE_URL and DIALHOME_FILES must be set; "npm start" sets them.');
  return { url, folder };
}
