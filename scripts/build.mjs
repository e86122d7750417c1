/** `npm run build`: the application, the pool's file and the compressed static files, in `dist/`. */
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './setup/build.mjs';
import { ensureNodeModules } from './setup/packages.mjs';
import { run } from './setup/say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '../..'));

await run(async () => {
  await ensureNodeModules();
  await ensureBuilt();
});
