/** `npm test`: the same set-up as `npm start`, then every check and test, counted. */

import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './setup/build.mjs';
import { startMariaDb } from './setup/mariaDb.mjs';
import { ensureDebianPackages, ensureNodeModules } from './setup/packages.mjs';
import { run, say } from './setup/say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '../..'));
const REPORTS = '.cache/tests';

/** The exit code of a command whose output goes to the terminal. */
const code = (program, args, env = {}) =>
  new Promise((done) => {
    const child = spawn(program, args, { stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, ...env } });
    child.on('error', () => done(1));
    child.on('close', (status) => done(status ?? 1));
  });

/** Passed and failed tests of one Vitest project, from its own report; a run without a report has failed. */
async function tests(project, env) {
  say(`\n— ${project} tests —`);
  const report = join(REPORTS, `${project}.json`);
  const status = await code('npx', ['vitest', 'run', '--project', project, '--reporter=default', '--reporter=json', `--outputFile=${report}`], env);
  if (!existsSync(report)) return { passed: 0, failed: 1 };
  const { numPassedTests, numFailedTests, numFailedTestSuites, success } = JSON.parse(readFileSync(report, 'utf8'));
  // A suite that could not even be loaded has no failed test of its own.
  const broken = numFailedTests === 0 && (!success || status !== 0) ? Math.max(1, numFailedTestSuites) : 0;
  return { passed: numPassedTests, failed: numFailedTests + broken };
}

async function main() {
  await ensureDebianPackages({ browser: true });
  await ensureNodeModules();
  rmSync(REPORTS, { recursive: true, force: true });
  mkdirSync(REPORTS, { recursive: true });

  // Side by side with the checks: each takes one core.
  const built = ensureBuilt();
  built.catch(() => {});
  const failedChecks = [];
  for (const [name, script] of [
    ['Formatter and linter', 'lint'],
    ['Types', 'types'],
    ['Import boundaries', 'boundaries'],
  ]) {
    say(`\n— ${name} —`);
    if ((await code('npm', ['run', '--silent', script])) !== 0) failedChecks.push(name);
  }

  await built;
  const database = process.env.TEST_DATABASE_URL
    ? { url: process.env.TEST_DATABASE_URL, stop: async () => {} }
    : await startMariaDb('.data-test/mariadb', { relaxed: true });
  const total = { passed: 0, failed: failedChecks.length };
  try {
    const of = (project) => tests(project, { TEST_DATABASE_URL: database.url });
    // Server tests wait much for the disk: unit tests use that time. Browsers need the whole machine.
    for (const { passed, failed } of [...(await Promise.all([of('unit'), of('server')])), await of('e2e')]) {
      total.passed += passed;
      total.failed += failed;
    }
  } finally {
    await database.stop();
  }
  for (const name of failedChecks) say(`${name}: failed, see above.`);
  const line = `${total.passed} passed, ${total.failed} failed`;
  writeFileSync(join(REPORTS, 'line.txt'), `${line}\n`);
  say(`\n${line}`);
  if (total.failed > 0 || total.passed === 0) process.exitCode = 1;
}

await run(main);
