import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { command } from './commands.mjs';
import { say } from './say.mjs';

const SOURCES = ['core', 'formats', 'server', 'web', 'scripts/setup/build.mjs', 'astro.config.mjs', 'package-lock.json', 'tsconfig.json'];
const MARK = 'dist/.sources';
/** What is worth compressing, from this many bytes on. */
const COMPRESSED = /\.(?:js|css|svg|json|html|txt|map)$/;
const SMALLEST = 1024;

function hashOf(path, hash) {
  if (!existsSync(path)) return;
  if (statSync(path).isDirectory()) {
    for (const name of readdirSync(path).sort()) hashOf(join(path, name), hash);
  } else if (!/\.test\.tsx?$/.test(path)) hash.update(path).update(readFileSync(path));
}

function* filesIn(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* filesIn(path);
    else yield path;
  }
}

/** The file that threads of the pool run, for server, scripts and tests alike. */
export async function buildWorker() {
  const { build } = await import('esbuild');
  await build({
    entryPoints: ['server/pool/worker.ts'],
    outfile: 'dist/worker.mjs',
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    // Packages that have both forms are taken in the newer one, whose parts can be found.
    mainFields: ['module', 'main'],
    external: ['@node-rs/argon2'],
    logLevel: 'warning',
    // Packages of the older kind ask for Node's own modules.
    banner: { js: "import { createRequire as makeRequire } from 'node:module';\nconst require = makeRequire(import.meta.url);" },
  });
}

/** Writes each static file once more for browsers that take brotli, and for those that take gzip. */
async function compress() {
  for (const file of [...filesIn('dist/client')]) {
    const bytes = readFileSync(file);
    if (!COMPRESSED.test(file) || bytes.length < SMALLEST) continue;
    const params = { [constants.BROTLI_PARAM_QUALITY]: 10, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length };
    const [br, gz] = await Promise.all([promisify(brotliCompress)(bytes, { params }), promisify(gzip)(bytes, { level: 9 })]);
    writeFileSync(`${file}.br`, br);
    writeFileSync(`${file}.gz`, gz);
  }
}

/** Builds the application and the pool's file when their sources changed since the last build. */
export async function ensureBuilt() {
  const hash = createHash('sha256');
  for (const path of SOURCES) hashOf(path, hash);
  const wanted = hash.digest('hex');
  if (existsSync('dist/server/entry.mjs') && existsSync('dist/worker.mjs') && existsSync(MARK) && readFileSync(MARK, 'utf8') === wanted) return;
  say('Building the application (about a minute) …');
  await command('npx', ['astro', 'build'], {
    quiet: true,
    env: { ASTRO_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
    advice: 'The application could not be built.',
  });
  await buildWorker();
  await compress();
  writeFileSync(MARK, wanted);
}
