/** `npm run faults -- [application] [database]`: kills both so often while a class hands in (100 and 20), and counts what was lost. */
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './setup/build.mjs';
import { command } from './setup/commands.mjs';
import { ensureDebianPackages, ensureNodeModules } from './setup/packages.mjs';
import { run } from './setup/say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '../..'));

await run(async () => {
  await ensureDebianPackages({ browser: false });
  await ensureNodeModules();
  await ensureBuilt();
  await command('npx', ['tsx', 'scripts/runFaults.ts', ...process.argv.slice(2)], { advice: 'Something was lost: see above.' });
});
