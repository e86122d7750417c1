/**
 * `npm run bench:load`: 200 learners at once for two minutes (open a page and an attempt, think, hand in, see the card), with
 * the database, the application and the learners on this one computer. Prints the times of each request and the longest block
 * of the thread that answers. `LEARNERS` and `SECONDS` change the size.
 */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { LEARNERS as PEOPLE } from '@demo/people';
import { openService } from '@server/openService';
import { startMariaDb } from '../scripts/setup/mariaDb.mjs';
import { startApp } from '../tests/e2e/appProcess';
import { SCHEME, traceToSend } from '../tests/faults/classAtWork';
import { exerciseOf } from '../tests/faults/faults';

const LEARNERS = Number(process.env.LEARNERS ?? 200);
const SECONDS = Number(process.env.SECONDS ?? 120);
/** Seconds that one looks at the page, then practises, then reads the card. */
const THINKING = [6, 14] as const;

const folder = mkdtempSync(join(tmpdir(), 'dial-home-load-'));
const database = await startMariaDb(join(folder, 'mariadb'));
const env = { DATABASE_URL: `${database.url}/load`, DIALHOME_FILES: join(folder, 'files'), DIALHOME_DEMO: '1' };
const made = spawnSync('npx', ['tsx', 'scripts/prepare.ts'], { env: { ...process.env, ...env }, encoding: 'utf8' });
if (made.status !== 0) throw new Error(made.stderr);
const app = await startApp(env);
const service = openService(env.DATABASE_URL, env.DIALHOME_FILES);
const exercise = await exerciseOf(service, 'Round to the ladder');
await service.close();

const times = new Map<string, number[]>();
let errors = 0;
const pause = (seconds: number): Promise<void> => new Promise((done) => setTimeout(done, seconds * 1000));

async function timed(what: string, path: string, cookie: string, body?: unknown): Promise<{ response: Response; text: string }> {
  const from = performance.now();
  const response = await fetch(`${app.base}${path}`, {
    method: body === undefined ? 'GET' : 'POST',
    headers: { Origin: app.base, Cookie: cookie, 'Content-Type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  const text = await response.text();
  const list = times.get(what) ?? [];
  list.push(performance.now() - from);
  times.set(what, list);
  if (!response.ok) {
    errors++;
    process.stderr.write(`${what}: ${response.status} ${text.slice(0, 200)}\n`);
  }
  return { response, text };
}

/** A trace as long and as full as a learner's is: `seconds` of drags at sixty commands a second. */
function traceOf(seed: number, seconds: number): unknown {
  const moves = Array.from({ length: Math.floor(seconds * 30) }, (_, i) => ({
    t: i / 60 + Math.floor(i / 90) * 1.5,
    command: { kind: 'orbit', dx: 1.3, dy: i % 2 ? 0.4 : -0.3, mode: 'turntable' },
    gesture: { id: 1 + Math.floor(i / 90), device: 'mouse', binding: 'left drag' },
  })).filter((move) => move.t < seconds);
  return traceToSend(exercise, seed, moves, seconds);
}

const end = performance.now() + SECONDS * 1000;
async function learner(number: number): Promise<void> {
  // They do not all come in the same instant, but within the first seconds of a lesson.
  await pause(Math.random() * 10);
  const person = PEOPLE[number % PEOPLE.length] as (typeof PEOPLE)[number];
  const { response } = await timed('sign in', '/api/demo-sign-in', '', { name: person.signIn });
  const cookie = (response.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
  while (performance.now() < end) {
    await timed('page: Today', '/today', cookie);
    await timed('page: Practise', `/practise/${exercise.id}`, cookie);
    const opened = JSON.parse((await timed('open', '/api/attempts', cookie, { exerciseId: exercise.id, version: exercise.version, schemeId: SCHEME })).text);
    const seconds = THINKING[0] + Math.random() * (THINKING[1] - THINKING[0]);
    await pause(seconds);
    await timed('hand in', `/api/attempts/${opened.id}/hand-in`, cookie, traceOf(opened.seed, seconds - 0.5));
    await timed('page: card', `/attempts/${opened.id}`, cookie);
    await pause(1 + Math.random() * 3);
  }
}

/** Longest block of the answering thread since it was asked last, ms. */
async function longestBlock(): Promise<number> {
  const text = await (await fetch(`${app.base}/metrics`)).text();
  return Number(/nodejs_eventloop_lag_max_seconds ([\d.e-]+)/.exec(text)?.[1]) * 1000;
}

await longestBlock();
let block = 0;
const watching = setInterval(async () => {
  block = Math.max(block, await longestBlock().catch(() => 0));
}, 2000);
await Promise.all(Array.from({ length: LEARNERS }, (_, i) => learner(i)));
clearInterval(watching);
block = Math.max(block, await longestBlock());
const memory = Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${app.pid}/status`, 'utf8'))?.[1]) / 1024;

const quantile = (list: number[], q: number): string => (list[Math.min(list.length - 1, Math.floor(q * list.length))] ?? 0).toFixed(0).padStart(6);
process.stdout.write(`${LEARNERS} learners, ${SECONDS} s, ${availableParallelism()} cores; milliseconds\n`);
process.stdout.write(`${'request'.padEnd(18)}${'number'.padStart(7)}   p50    p95    p99\n`);
for (const [what, list] of times) {
  list.sort((a, b) => a - b);
  process.stdout.write(`${what.padEnd(18)}${String(list.length).padStart(7)}${quantile(list, 0.5)} ${quantile(list, 0.95)} ${quantile(list, 0.99)}\n`);
}
process.stdout.write(`errors ${errors}; longest block of the answering thread ${block.toFixed(0)} ms; its process held ${memory.toFixed(0)} MB at most\n`);
await app.stop();
await database.stop();
rmSync(folder, { recursive: true, force: true });
if (errors > 0) process.exitCode = 1;
