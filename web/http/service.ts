import { type OpenService, openService, ownPlaces } from '@server/openService';
import { refreshStats } from '@server/services/health';
import { log } from './log';
import { watchPool } from './metrics';

/** How often it is looked whether something was handed in, ms: what is told of exercises is never older than a minute. */
const EVERY = 20_000;

function keepStatsFresh(service: OpenService): void {
  let busy = false;
  const refresh = async (): Promise<void> => {
    if (busy) return;
    busy = true;
    await refreshStats(service).catch((error) => log.warn({ err: error }, 'what is told of exercises could not be brought up to date'));
    busy = false;
  };
  setInterval(refresh, EVERY).unref();
  void refresh();
}

let opened: OpenService | null = null;

/** The one service of this process, opened at the first request. */
export function theService(): OpenService {
  if (opened) return opened;
  const { url, folder } = ownPlaces();
  opened = openService(url, folder);
  watchPool(opened.pool.load);
  keepStatsFresh(opened);
  return opened;
}

export const isDemo = (): boolean => Boolean(process.env.DIALHOME_DEMO);
