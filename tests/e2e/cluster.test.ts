import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openService } from '@server/openService';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { startNginx, startNodes, startOnNode } from '../../deploy/cluster/cluster.mjs';
import { putClassToWork } from '../faults/classAtWork';
import { compare, exerciseOf } from '../faults/faults';

/** Three database nodes, two processes of the application and nginx, as deploy/cluster/ starts them. */
let folder: string;
let nodes: Awaited<ReturnType<typeof startNodes>>;
const parts: { stop(signal?: NodeJS.Signals): Promise<void> }[] = [];

beforeAll(async () => {
  process.env.LOG_LEVEL = 'silent';
  folder = mkdtempSync(join(tmpdir(), 'dial-home-cluster-'));
  nodes = await startNodes(folder);
  const env = { DATABASE_URL: nodes.urls[0] as string, DIALHOME_FILES: join(folder, 'files1'), DIALHOME_DEMO: '1' };
  const made = spawnSync('npx', ['tsx', 'scripts/prepare.ts'], { env: { ...process.env, ...env }, encoding: 'utf8' });
  if (made.status !== 0) throw new Error(made.stderr);
});
afterAll(async () => {
  for (const part of parts.reverse()) await part.stop();
  await nodes?.stop();
  rmSync(folder, { recursive: true, force: true });
});

const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

it('with a node and a process taken away under load, nothing is lost, and the node comes back with what it missed', async () => {
  const apps = [await startOnNode(nodes.urls[0] as string, join(folder, 'files1')), await startOnNode(nodes.urls[1] as string, join(folder, 'files2'))];
  parts.push(...apps);
  const nginx = await startNginx(
    folder,
    apps.map((app) => app.port),
  );
  parts.push(nginx);
  const third = openService(nodes.urls[2] as string, join(folder, 'files3'));
  const before = Number((await third.db('attempts').whereNotNull('handed_in_at').count({ n: '*' }).first())?.n);
  const exercise = await exerciseOf(third, 'Round to the ladder');
  const atWork = putClassToWork({ bases: [nginx.base], exercise, learners: 6 });
  const more = async (n: number): Promise<void> => {
    const wanted = atWork.acknowledged.size + n;
    while (atWork.acknowledged.size < wanted) await pause(50);
  };
  await more(10);
  await nodes.kill(0);
  await more(10);
  await apps[1]?.stop('SIGKILL');
  // Nobody is left who can answer: the only process talks to the node that is gone.
  await nodes.start(0);
  await more(10);
  await atWork.stop();

  expect(await compare(third, before, atWork.acknowledged)).toEqual({ lost: 0, doubled: 0, faults: [] });
  const first = openService(nodes.urls[0] as string, join(folder, 'files4'));
  await first.db.raw('set session wsrep_sync_wait = 1');
  expect(await first.db('attempts').whereNotNull('handed_in_at').count({ n: '*' })).toEqual(
    await third.db('attempts').whereNotNull('handed_in_at').count({ n: '*' }),
  );
  await first.close();
  await third.close();
});
