import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { command, has } from './commands.mjs';
import { Advice, say } from './say.mjs';

const DEBIAN = [
  { package: 'mariadb-server', program: 'mariadbd' },
  { package: 'chromium', program: 'chromium', tests: true },
  { package: 'chromium-driver', program: 'chromedriver', tests: true },
  { package: 'nginx-light', program: 'nginx', tests: true, cluster: true },
  { package: 'galera-4', file: '/usr/lib/galera/libgalera_smm.so', tests: true, cluster: true },
  { package: 'rsync', program: 'rsync', tests: true, cluster: true },
];

const isThere = ({ program, file }) => (file ? existsSync(file) : has(program) || existsSync(`/usr/sbin/${program}`));

/** Installs the Debian packages that are missing; the browser only for tests and screenshots, those of a cluster for it and for tests. */
export async function ensureDebianPackages({ browser, cluster = false }) {
  const missing = DEBIAN.filter((entry) => (browser || !entry.tests || (cluster && entry.cluster)) && !isThere(entry));
  if (missing.length === 0) return;
  const names = missing.map((entry) => entry.package).join(' ');
  if (process.getuid?.() !== 0) throw new Advice(`Missing: ${names}. Ask someone with the right to run: apt-get install --no-install-recommends ${names}`);
  if (!has('apt-get')) throw new Advice(`Missing: ${names}. This machine has no apt-get; install them its own way.`);
  say(`Installing ${names} (a minute or two) …`);
  // What is installed is started by us, on ports of its own: no service is to begin by itself.
  const env = { DEBIAN_FRONTEND: 'noninteractive', RUNLEVEL: '1' };
  await command('apt-get', ['update'], { quiet: true, env, advice: 'The list of Debian packages could not be fetched: check the network.' });
  await command('apt-get', ['install', '-y', '--no-install-recommends', ...missing.map((entry) => entry.package)], {
    quiet: true,
    env,
    advice: `${names} could not be installed.`,
  });
}

/** Installs the npm packages when node_modules is missing or older than the lock file. */
export async function ensureNodeModules() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) throw new Advice(`Node ${process.versions.node} is too old: Dial Home needs 20.19 or newer.`);
  const wanted = createHash('sha256').update(readFileSync('package-lock.json')).digest('hex');
  const mark = 'node_modules/.dial-home-lock';
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return;
  say('Installing npm packages (about a minute) …');
  await command('npm', ['ci', '--no-audit', '--no-fund'], {
    quiet: true,
    advice: 'The npm packages could not be installed: check the network, then run this again.',
  });
  writeFileSync(mark, wanted);
}
