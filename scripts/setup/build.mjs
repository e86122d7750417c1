import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { command } from './commands.mjs';
import { say } from './say.mjs';

const SOURCES = ['core', 'formats', 'server', 'web', 'demo', 'astro.config.mjs', 'package-lock.json', 'tsconfig.json'];

function hashOf(path, hash) {
  if (!existsSync(path)) return;
  if (statSync(path).isDirectory()) {
    for (const name of readdirSync(path).sort()) hashOf(join(path, name), hash);
  } else if (!path.endsWith('.test.ts')) hash.update(path).update(readFileSync(path));
}

/** Builds the application when its sources changed since the last build. */
export async function ensureBuilt() {
  const hash = createHash('sha256');
  for (const path of SOURCES) hashOf(path, hash);
  const wanted = hash.digest('hex');
  const mark = 'dist/.sources';
  if (existsSync('dist/server/entry.mjs') && existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return;
  say('Building the application (about a minute) …');
  await command('npx', ['astro', 'build'], {
    quiet: true,
    env: { ASTRO_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
    advice: 'The application could not be built.',
  });
  writeFileSync(mark, wanted);
}
