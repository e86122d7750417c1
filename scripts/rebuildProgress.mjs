/** `npm run rebuild-progress`: makes all levels and schedules anew from the attempts, the same rows that handing in keeps. */
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { command } from './setup/commands.mjs';
import { databaseNow } from './setup/databaseNow.mjs';
import { ensureNodeModules } from './setup/packages.mjs';
import { run } from './setup/say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '../..'));

await run(async () => {
  await ensureNodeModules();
  const database = await databaseNow();
  const env = { DATABASE_URL: database.url, DIALHOME_FILES: resolve(process.env.DIALHOME_DATA ?? '.data', 'files') };
  try {
    await command('npx', ['tsx', 'scripts/rebuildProgress.ts'], { env, advice: 'The levels are as they were.' });
  } finally {
    await database.stop();
  }
  process.exit();
});
