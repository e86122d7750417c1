import { type OpenService, openService, ownPlaces } from '@server/openService';
import { watchPool } from './metrics';

let opened: OpenService | null = null;

/** The one service of this process, opened at the first request. */
export function theService(): OpenService {
  if (opened) return opened;
  const { url, folder } = ownPlaces();
  opened = openService(url, folder);
  watchPool(opened.pool.load);
  return opened;
}

export const isDemo = (): boolean => Boolean(process.env.DIALHOME_DEMO);
