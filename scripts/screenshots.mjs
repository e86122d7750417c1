/** `npm run screenshots`: the pictures of the README, taken from freshly seeded demo data. */
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './setup/build.mjs';
import { command } from './setup/commands.mjs';
import { ensureDebianPackages, ensureNodeModules } from './setup/packages.mjs';
import { run } from './setup/say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '../..'));

await run(async () => {
  await ensureDebianPackages({ browser: true });
  await ensureNodeModules();
  await ensureBuilt();
  await command('npx', ['tsx', 'scripts/takeScreenshots.ts'], { advice: 'Not all pictures were taken.' });
});
