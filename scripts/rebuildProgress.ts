/** Makes all levels and schedules anew from the attempts; called by `npm run rebuild-progress`. */
import { alone, migrate } from '@server/database';
import { openService, ownPlaces } from '@server/openService';
import { rebuildStats } from '@server/services/health';
import { rebuildProgress } from '@server/services/learning';

const { url, folder } = ownPlaces();
const service = openService(url, folder);
try {
  await alone(url, async () => {
    await migrate(service.db);
    const { attempts, people } = await rebuildProgress(service);
    await rebuildStats(service);
    process.stdout.write(`Levels of ${people} people are made anew; ${attempts} attempts were taken in that had not been.\n`);
  });
} finally {
  await service.close();
}
