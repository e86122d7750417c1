import { readdirSync, readFileSync, readlinkSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import { type Random, randomFrom } from '@core/math';
import { buoy } from '@demo/models';
import { writeGlb } from '@formats';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { SCHEME, traceToSend } from '../faults/classAtWork';
import { exerciseOf } from '../faults/faults';
import { type AppProcess, startApp, testEnv } from './appProcess';
import { openStored } from './stored';

/** What no page sends. Each of these once ended the server for everybody, or took it minutes; it runs in a process of its own. */
const stored = openStored();
let app: AppProcess;
const cookies: Record<string, string> = {};

const call = (path: string, options: RequestInit & { as?: string } = {}): Promise<Response> =>
  fetch(`${app.base}${path}`, {
    redirect: 'manual',
    ...options,
    headers: { Origin: app.base, ...(options.as ? { Cookie: cookies[options.as] as string } : {}), ...options.headers },
  });
const post = (path: string, body: unknown, as?: string): Promise<Response> =>
  call(path, { method: 'POST', body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' }, ...(as ? { as } : {}) });

/** Sends a body piece by piece without saying how long it is, until the server answers or ends the connection. */
function sendEndless(path: string, headers: Record<string, string>, most: number): Promise<{ status: number; sent: number }> {
  return new Promise((done) => {
    let sent = 0;
    let status = 0;
    const piece = Buffer.alloc(64 * 1024, 0x20);
    const url = new URL(app.base);
    const request = httpRequest({ host: url.hostname, port: url.port, path, method: 'POST', headers: { Origin: app.base, ...headers } }, (response) => {
      status = response.statusCode ?? 0;
      response.resume();
      response.on('end', () => request.destroy());
    });
    const more = (): void => {
      while (sent < most && !request.destroyed) {
        sent += piece.length;
        if (!request.write(piece)) {
          request.once('drain', more);
          return;
        }
      }
      request.end();
    };
    request.on('error', () => {});
    request.on('close', () => done({ status, sent }));
    more();
  });
}

/** Bytes of memory that the application's process holds. */
const memory = (): number => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${app.pid}/status`, 'utf8'))?.[1]) * 1024;
/** Files of the application, or kept ones, that its process has open. */
const handles = (): number =>
  readdirSync(`/proc/${app.pid}/fd`).filter((fd) => {
    try {
      return /dist\/client|dial-home-e2e-/.test(readlinkSync(`/proc/${app.pid}/fd/${fd}`));
    } catch {
      return false;
    }
  }).length;
const well = async (): Promise<boolean> => (await call('/healthz')).ok;

/** The longest time the thread that answers was blocked since the last look, ms: how late a request for nothing comes back. */
async function longestWait(work: Promise<unknown>): Promise<number> {
  let over = false;
  let longest = 0;
  const ended = work.finally(() => {
    over = true;
  });
  while (!over) {
    const from = performance.now();
    await call('/mark.svg').then((r) => r.arrayBuffer());
    longest = Math.max(longest, performance.now() - from);
    await new Promise((next) => setTimeout(next, 10));
  }
  await ended;
  return longest;
}

beforeAll(async () => {
  app = await startApp(testEnv());
  for (const name of ['ida', 'maren']) cookies[name] = ((await post('/api/demo-sign-in', { name })).headers.get('set-cookie') ?? '').split(';')[0] as string;
});
afterAll(async () => {
  await app.stop();
  await stored.close();
});

describe('bodies', () => {
  const GB = 1024 ** 3;

  it('an endless sign-in is refused after a few kilobytes, whatever its header says, and memory stays', async () => {
    const before = memory();
    for (const headers of [{ 'Content-Type': 'application/json' }, { 'Transfer-Encoding': 'chunked' }] as Record<string, string>[]) {
      const { status, sent } = await sendEndless('/api/sign-in', headers, 3 * GB);
      expect([0, 413]).toContain(status);
      expect(sent).toBeLessThan(64 * 1024 * 1024);
    }
    expect((await post('/api/sign-in', { name: 'x'.repeat(9000), password: 'y' })).status).toBe(413);
    expect(memory() - before).toBeLessThan(150 * 1024 * 1024);
    expect(await well()).toBe(true);
  });

  it('a trainee’s upload of a model is refused before any of it is read', async () => {
    const before = memory();
    const { status, sent } = await sendEndless('/api/models', { Cookie: cookies.ida as string, 'Content-Type': 'multipart/form-data; boundary=x' }, GB);
    expect([0, 404]).toContain(status);
    expect(sent).toBeLessThan(64 * 1024 * 1024);
    expect(memory() - before).toBeLessThan(150 * 1024 * 1024);
  });

  it('downloads that are broken off leave no file open', async () => {
    const revision = await stored.db('model_revisions').orderByRaw("json_value(summary, '$.triangles') desc").first('mesh_hash');
    const script = readdirSync('dist/client/_astro').find((name) => name.endsWith('.js')) as string;
    for (const path of [`/api/meshes/${revision.mesh_hash}`, `/_astro/${script}`])
      for (let round = 0; round < 10; round++)
        await Promise.all(
          Array.from({ length: 15 }, async () => {
            const stop = new AbortController();
            const response = await call(path, { as: 'maren', signal: stop.signal });
            expect(response.status).toBe(200);
            stop.abort();
            await response.arrayBuffer().catch(() => {});
          }),
        );
    await expect.poll(handles, { timeout: 60_000 }).toBe(0);
    expect(await well()).toBe(true);
  });
});

describe('attempts', () => {
  it('eight of the heaviest at once are scored or refused one by one, while others are answered', async () => {
    const exercise = await exerciseOf(stored, 'Round to the ladder');
    const heavy = async (): Promise<number> => {
      const opened = await post('/api/attempts', { exerciseId: exercise.id, version: exercise.version, schemeId: SCHEME }, 'ida');
      const { id, seed } = (await opened.json()) as { id: string; seed: number };
      // A second passes on the server's clock before so much may have been done.
      await new Promise((done) => setTimeout(done, 4500));
      const moves = Array.from({ length: 8000 }, (_, i) => ({ t: i / 1900, command: { kind: 'roll', angle: i % 2 ? 0.1 : -0.1 } }));
      return (await post(`/api/attempts/${id}/hand-in`, traceToSend(exercise, seed, moves, 4.3), 'ida')).status;
    };
    let statuses: number[] = [];
    const waited = await longestWait(
      Promise.all(Array.from({ length: 8 }, heavy)).then((found) => {
        statuses = found;
      }),
    );
    expect(statuses).toEqual(Array(8).fill(200));
    // Far above what a block of the thread would need to show, far below what scoring on it took.
    expect(waited).toBeLessThan(2500);
    expect(await well()).toBe(true);
  });
});

/** Any JSON, often nearly right, from a seed. */
function anything(random: Random, depth = 0): unknown {
  const kind = random.below(depth > 3 ? 6 : 9);
  if (kind === 0) return null;
  if (kind === 1) return random.next() < 0.5;
  if (kind === 2) return [0, -1, 1e308, 2 ** 53, 0.5, Number.MIN_VALUE][random.below(6)];
  if (kind === 3)
    return ['', 'ida', '../../etc/passwd', '\u0000', '😀'.repeat(30), 'x'.repeat(5000), '__proto__', '%00', "'; drop table people; --"][random.below(9)];
  if (kind === 4) return random.below(1000);
  if (kind === 5) return '2026-02-30';
  if (kind === 6) return Array.from({ length: random.below(6) }, () => anything(random, depth + 1));
  const names = [
    'name',
    'password',
    'signIn',
    'role',
    'exerciseId',
    'version',
    'schemeId',
    'moves',
    'events',
    'start',
    'scene',
    'view',
    'home',
    'from',
    'file',
    'step',
    'number',
    'pictures',
    '__proto__',
    'constructor',
    'groupId',
    'how',
    'dueOn',
    'base',
    'scheme',
    'move',
    'point',
    'normal',
    'part',
    'kind',
  ];
  return Object.fromEntries(Array.from({ length: random.below(8) }, () => [names[random.below(names.length)], anything(random, depth + 1)]));
}

describe('anything at all, from a seed', () => {
  it('2,000 bodies over all endpoints: refused in words, never an error of the server’s own, and memory comes back', async () => {
    const random = randomFrom(20_261_128);
    const attempt = await stored.db('attempts').first('id', 'exercise_id', 'model_id');
    const group = await stored.db('groups').orderBy('created_at').first('id');
    const person = await stored.db('people').where({ sign_in: 'ida' }).first('id');
    const ids = { attempt: attempt.id, exercise: attempt.exercise_id, model: attempt.model_id, group: group.id, person: person.id };
    const paths = [
      'sign-in',
      'demo-sign-in',
      'attempts',
      `attempts/${ids.attempt}`,
      `attempts/${ids.attempt}/hand-in`,
      `attempts/${ids.attempt}/hints`,
      `attempts/${ids.attempt}/trace`,
      'try',
      'exercises',
      `exercises/${ids.exercise}`,
      `exercises/${ids.exercise}/publish`,
      `exercises/${ids.exercise}/editing`,
      'groups',
      `groups/${ids.group}/people`,
      `groups/${ids.group}/assignments`,
      `groups/${ids.group}/courses`,
      'courses',
      'courses/x',
      'messages',
      'notices/x/answer',
      'people/preview',
      'people/import',
      'people/move',
      'people/passwords',
      'finder/x',
      'people/exercises',
      'people/x/exercises',
      'people/x',
      'people/x/notes',
      'people/x/extra-time',
      'models',
      `models/${ids.model}`,
      `models/${ids.model}/revisions`,
      `models/${ids.model}/landmarks`,
      `models/${ids.model}/views`,
      `models/${ids.model}/parts`,
      `people/${ids.person}/attempts.csv`,
      'schemes',
      'schemes/two-button-mouse',
      'schemes/two-button-mouse/share',
      'landmarks/x',
      'views/x',
      'notices/x',
      'meshes/abc',
      'pictures/a/b/c',
      'nothing/here',
    ];
    const methods = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'];
    const bodyOf = (): string => {
      const text = JSON.stringify(anything(random)) ?? '';
      return random.next() < 0.15 ? text.slice(0, random.below(text.length + 1)) : text;
    };
    const one = async (): Promise<void> => {
      const method = methods[random.below(5)] as string;
      const path = `/api/${paths[random.below(paths.length)]}`;
      const as = ['ida', 'maren', undefined][random.below(3)];
      const body = method === 'GET' ? undefined : bodyOf();
      const response = await call(path, {
        method,
        ...(body === undefined ? {} : { body }),
        headers: { 'Content-Type': 'application/json' },
        ...(as ? { as } : {}),
      });
      const text = await response.text();
      // Thousands of changes a minute are refused as such, and that is right as well.
      expect(response.status, `${as} ${method} ${path} ${body}: ${text}`).toBeLessThan(500);
      if (response.status >= 400) expect(JSON.parse(text).error.message, `${method} ${path}`).toMatch(/\w+/);
    };
    for (let i = 0; i < 100; i++) await one();
    const before = memory();
    for (let round = 0; round < 190; round++) await Promise.all(Array.from({ length: 10 }, one));
    expect(await well()).toBe(true);
    await expect.poll(memory, { timeout: 120_000, interval: 2000 }).toBeLessThan(before * 1.3 + 40 * 1024 * 1024);
  });

  it('500 models that were bent: taken or refused in words, and none hangs', async () => {
    const random = randomFrom(7);
    const whole = await writeGlb(buoy());
    const jsonEnd = 20 + new DataView(whole.buffer, whole.byteOffset).getUint32(12, true);
    const before = memory();
    const one = async (i: number): Promise<void> => {
      const bytes = new Uint8Array(whole);
      for (let n = 1 + random.below(6); n > 0; n--) bytes[random.below(random.next() < 0.7 ? jsonEnd : bytes.length)] = 32 + random.below(95);
      const form = new FormData();
      form.set('name', `bent ${i}`);
      form.set('settings', '{}');
      form.append('files', new Blob([random.next() < 0.1 ? bytes.slice(0, random.below(bytes.length)) : bytes]), 'bent.glb');
      let response = await call('/api/models', { method: 'POST', body: form, as: 'maren' });
      // More than a minute's worth of changes: waited for.
      while (response.status === 429 || response.status === 503) {
        await new Promise((done) => setTimeout(done, 2000));
        response = await call('/api/models', { method: 'POST', body: form, as: 'maren' });
      }
      const text = await response.text();
      expect(response.status, text).toBeLessThan(500);
      if (!response.ok) expect(JSON.parse(text).error.message).toMatch(/\w+/);
    };
    for (let i = 0; i < 500; i += 5) await Promise.all([0, 1, 2, 3, 4].map((n) => one(i + n)));
    expect(await well()).toBe(true);
    await expect.poll(memory, { timeout: 120_000, interval: 2000 }).toBeLessThan(before * 1.3 + 250 * 1024 * 1024);
    await stored
      .db('model_revisions')
      .whereIn('model_id', stored.db('models').where('name', 'like', 'bent %').select('id'))
      .delete();
    await stored.db('models').where('name', 'like', 'bent %').delete();
  });
});
