import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type OpenService, openService } from '@server/openService';
import { findVersion } from '@server/repositories/exercises';
import { findScheme } from '@server/repositories/schemes';
import type { Service } from '@server/service';
import { checkData } from '@server/services/checkData';
import { freePort, startMariaDb } from '../../scripts/setup/mariaDb.mjs';
import { keepRunning } from '../../scripts/setup/watch.mjs';
import { type AppProcess, startApp } from '../e2e/appProcess';
import { type ExerciseDone, putClassToWork, SCHEME } from './classAtWork';

export interface FaultReport {
  readonly applicationKilled: number;
  readonly databaseKilled: number;
  /** Attempts that learners were told are there. */
  readonly acknowledged: number;
  /** Of those, the ones that are not. */
  readonly lost: number;
  /** Attempts that are there though nobody handed them in, or steps that are there twice. */
  readonly doubled: number;
  readonly sentAgain: number;
  /** What is not whole in the database afterwards. */
  readonly faults: readonly string[];
}

export interface FaultOptions {
  readonly application: number;
  readonly database: number;
  readonly learners?: number;
  readonly say?: (text: string) => void;
}

/** What was killed is started again after this, ms: a hundred times would else take an hour. */
const PAUSE = 300;

const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

/** The exercise that the class does, with what a trace has to say of it. */
export async function exerciseOf(service: Service, title: string): Promise<ExerciseDone> {
  const row = await service.db('exercise_versions').where({ title }).first('exercise_id', 'version');
  const version = await findVersion(service.db, row.exercise_id, row.version);
  const scheme = await findScheme(service.db, SCHEME);
  if (!version || !scheme) throw new Error('The demo is not there.');
  return { id: version.exerciseId, version: version.version, model: version.content.model, start: version.content.start, schemeRevision: scheme.revision };
}

/** Compares what learners were told with what is there. */
export async function compare(
  service: OpenService,
  before: number,
  acknowledged: ReadonlySet<string>,
): Promise<Pick<FaultReport, 'lost' | 'doubled' | 'faults'>> {
  const rows: { id: string }[] = await service.db('attempts').whereNotNull('handed_in_at').select('id');
  const there = new Set(rows.map((row) => row.id));
  const lost = [...acknowledged].filter((id) => !there.has(id)).length;
  return { lost, doubled: rows.length - before - (acknowledged.size - lost), faults: (await checkData(service.db)).faults };
}

/** Kills the application and the database (-9) while a class hands in, again and again, and counts what became of it. */
export async function runFaults({ application, database, learners = 8, say = () => {} }: FaultOptions): Promise<FaultReport> {
  const folder = mkdtempSync(join(tmpdir(), 'dial-home-faults-'));
  const started: { stop(): Promise<void> }[] = [];
  try {
    let url = '';
    let port = 0;
    const mariaDb = await keepRunning(
      'the database',
      async () => {
        const own = await startMariaDb(join(folder, 'mariadb'), { port });
        port = own.port;
        url = `${own.url}/faults`;
        return own;
      },
      say,
      PAUSE,
    );
    started.push(mariaDb);
    const env = { DATABASE_URL: url, DIALHOME_FILES: join(folder, 'files'), DIALHOME_DEMO: '1' };
    const made = spawnSync('npx', ['tsx', 'scripts/prepare.ts'], { env: { ...process.env, ...env }, encoding: 'utf8' });
    if (made.status !== 0) throw new Error(`The demo could not be seeded: ${made.stderr}`);
    const appPort = String(await freePort());
    let app: AppProcess | undefined;
    const watched = await keepRunning(
      'the application',
      async () => {
        app = await startApp({ ...env, PORT: appPort });
        return app;
      },
      say,
      PAUSE,
    );
    started.push(watched);

    const service = openService(url, env.DIALHOME_FILES);
    const before = Number((await service.db('attempts').whereNotNull('handed_in_at').count({ n: '*' }).first())?.n);
    const atWork = putClassToWork({ bases: [`http://127.0.0.1:${appPort}`], exercise: await exerciseOf(service, 'Round to the ladder'), learners });

    const counts = { application: 0, database: 0 };
    while (counts.application < application || counts.database < database) {
      // Until some attempts went through since the last time, so that each blow falls into work.
      const reached = atWork.acknowledged.size + 3;
      for (let waited = 0; atWork.acknowledged.size < reached && waited < 60_000; waited += 20) await pause(20);
      await pause(Math.random() * 300);
      const both = counts.database / Math.max(1, database) < counts.application / Math.max(1, application);
      if (counts.database < database && (both || counts.application >= application)) {
        process.kill(Number(readFileSync(join(folder, 'mariadb', 'm.pid'), 'utf8')), 'SIGKILL');
        counts.database++;
      } else {
        if (app) process.kill(app.pid, 'SIGKILL');
        counts.application++;
      }
      say(
        `${counts.application} of ${application} and ${counts.database} of ${database}: ${atWork.acknowledged.size} handed in, ${atWork.failed()} sent again`,
      );
    }
    await atWork.stop();
    const found = await compare(service, before, atWork.acknowledged);
    await service.close();
    return {
      applicationKilled: counts.application,
      databaseKilled: counts.database,
      acknowledged: atWork.acknowledged.size,
      sentAgain: atWork.failed(),
      ...found,
    };
  } finally {
    for (const part of started.reverse()) await part.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
