/**
 * `npm run bench:progress`: a station of 2,000 learners in groups of 50, with 200,000 attempts, in a database of its own;
 * prints how long Group, Learner and Today take in the services and as pages of the built application, what a hand-in costs
 * more for levels and schedules, and beside it what it would cost to compute a level from all attempts. After `npm run build`. `PEOPLE` and `EACH` change the size.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { flashesFor, randomFrom, SKILL_IDS } from '@core';
import { buoy } from '@demo/models';
import { writeGlb } from '@formats';
import { ensureDatabase, FRESH, migrate, transact } from '@server/database';
import { dayAt } from '@server/day';
import { newId } from '@server/ids';
import { openService } from '@server/openService';
import { markStale } from '@server/repositories/health';
import { addGroup, addMember } from '@server/repositories/people';
import { observationsOf } from '@server/repositories/skills';
import type { RequestContext } from '@server/service';
import { schemesCompared } from '@server/services/comparing';
import { giveCourse, makeCourse } from '@server/services/courses';
import { draftRead, makeExercise, publish, saveDraft } from '@server/services/exercises';
import { refreshStats } from '@server/services/health';
import { rebuildProgress, takeIn } from '@server/services/learning';
import { importModel } from '@server/services/models';
import { makePerson } from '@server/services/people';
import { groupProgress, progressOf, todayOf } from '@server/services/progress';
import { keepBuiltInSchemes } from '@server/services/schemes';
import { openSession } from '@server/services/signIn';
import { spreadBehind } from '@server/services/spread';
import { startApplication } from '../scripts/setup/application.mjs';
import { freePort, startMariaDb } from '../scripts/setup/mariaDb.mjs';
import { toPublish } from '../server/tests/testService';

const PEOPLE = Number(process.env.PEOPLE ?? 2000);
const EACH = Number(process.env.EACH ?? 100);
const GROUP = 50;
const EXERCISES = 40;
const DAY = 86_400_000;
const TRIES = 40;
const ROWS = 2000;

const folder = mkdtempSync(join(tmpdir(), 'dial-home-progress-'));
const database = await startMariaDb(join(folder, 'mariadb'));
const url = `${database.url}/progress`;
await ensureDatabase(url);
const service = openService(url, join(folder, 'files'));
const { db } = service;
const say = (text: string): void => void process.stdout.write(`${text}\n`);

await migrate(db);
await keepBuiltInSchemes(service);
const lead: RequestContext = { ...service, who: await makePerson(service, { name: 'Lead', signIn: 'lead', role: 'lead', password: 'a long password' }) };
const { model } = await importModel(lead, { name: 'Buoy', files: [{ name: 'buoy.glb', bytes: await writeGlb(buoy()) }] });
const exercises: { id: string; skill: string }[] = [];
for (let i = 0; i < EXERCISES; i++) {
  const id = await makeExercise(lead, model.id);
  const skill = SKILL_IDS[i % SKILL_IDS.length] as (typeof SKILL_IDS)[number];
  const draft = toPublish((await draftRead(lead, id)).draft);
  await saveDraft(lead, id, { ...draft, title: `Exercise ${i + 1}`, steps: draft.steps.map((step) => ({ ...step, skill })) });
  await publish(lead, id, [null]);
  exercises.push({ id, skill });
}
const schemes = await Promise.all(
  ['two-button-mouse', 'three-button-mouse'].map(async (id) => ({
    id,
    revision: Number((await db('scheme_revisions').where({ id }).first('revision')).revision),
  })),
);
const schemeOf = (n: number): (typeof schemes)[number] => schemes[n % schemes.length] as (typeof schemes)[number];
const groups: string[] = [];
const UNIT = 4;
const course = await makeCourse(lead, {
  name: 'All of it',
  about: '',
  threshold: 80,
  units: Array.from({ length: Math.ceil(EXERCISES / UNIT) }, (_, i) => ({
    id: `unit-${i + 1}`,
    name: `Unit ${i + 1}`,
    about: '',
    opensAfter: null,
    exerciseIds: exercises.slice(i * UNIT, (i + 1) * UNIT).map(({ id }) => id),
  })),
});
const people: string[] = [];
for (let n = 0; n < PEOPLE; n++) {
  if (n % GROUP === 0) {
    const group = { id: newId(), name: `Group ${groups.length + 1}` };
    await addGroup(db, group, service.now());
    groups.push(group.id);
    await giveCourse(lead, group.id, course, { startsOn: dayAt(new Date(service.now().getTime() - 60 * DAY), service.zone), pace: 7, dues: {} });
  }
  const id = newId();
  await db('people').insert({ id, name: `Learner ${n + 1}`, sign_in: `learner${n + 1}`, password_hash: 'none', role: 'trainee', created_at: service.now() });
  await addMember(db, groups.at(-1) as string, id, 'trainee');
  people.push(id);
}
say(`${PEOPLE} learners in ${groups.length} groups, ${EXERCISES} exercises. Their ${PEOPLE * EACH} attempts …`);
const random = randomFrom(1);
const now = service.now().getTime();
const batch: Record<'attempts' | 'attempt_steps' | 'attempt_criteria' | 'skill_observations', object[]> = {
  attempts: [],
  attempt_steps: [],
  attempt_criteria: [],
  skill_observations: [],
};
async function write(): Promise<void> {
  for (const [table, rows] of Object.entries(batch)) await db.batchInsert(table, rows.splice(0), 500);
}
for (const personId of people) {
  for (let n = 0; n < EACH; n++) {
    const { id: exerciseId, skill } = exercises[Math.floor((n * EXERCISES) / EACH)] as (typeof exercises)[number];
    const at = new Date(now - 60 * DAY + (n * 59 * DAY) / EACH);
    const score = Math.round(100 * (1 - 0.8 * random.next() * (n + 1) ** -0.3));
    const attempt = { id: newId(), person_id: personId, exercise_id: exerciseId };
    batch.attempts.push({
      ...attempt,
      version: 1,
      model_id: model.id,
      model_revision: 1,
      scheme_id: schemeOf(n).id,
      scheme_revision: schemeOf(n).revision,
      seed: n,
      opened_at: at,
      handed_in_at: at,
      score,
      flashes: flashesFor(score),
      seconds: 20,
      gestures: 9,
    });
    batch.attempt_steps.push({ attempt_id: attempt.id, step: 0, skill, score, seconds: 20 });
    for (const [criterion, lost] of [
      ['direction', 0.6],
      ['size', 0.4],
    ] as const)
      batch.attempt_criteria.push({
        attempt_id: attempt.id,
        step: 0,
        criterion,
        value: 0.1,
        start_value: 2,
        points: score / 100,
        lost: lost * (1 - score / 100),
      });
    batch.skill_observations.push({
      attempt_id: attempt.id,
      skill,
      person_id: personId,
      family: 'mouse',
      exercise_id: exerciseId,
      at,
      day: at.toISOString().slice(0, 10),
      score,
      difficulty: 0,
      helped: true,
      hinted: false,
    });
  }
  if (batch.attempts.length >= ROWS) await write();
}
await write();
const begun = performance.now();
await rebuildProgress(service);
say(`levels and schedules made anew from all of them: ${Math.round((performance.now() - begun) / 1000)} s`);

const median = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] as number;
async function timed(what: string, work: (n: number) => Promise<unknown>, aim: string): Promise<void> {
  await work(0);
  const times: number[] = [];
  for (let n = 1; n <= TRIES; n++) {
    const from = performance.now();
    await work(n);
    times.push(performance.now() - from);
  }
  say(`${what.padEnd(60)} ${median(times).toFixed(1).padStart(7)} ms   aim ${aim}`);
}
const someone = (n: number): string => people[(n * 37) % people.length] as string;
const trainee = (n: number): RequestContext => ({ ...service, who: { id: someone(n), name: 'Learner', signIn: 'learner', role: 'trainee' } });

say(`\nmedians of ${TRIES}, ${availableParallelism()} cores, the database on the same ones`);
await timed(`Group of ${GROUP}, ${GROUP * EACH} attempts`, (n) => groupProgress(lead, groups[n % groups.length] as string), '300 ms');
await timed(
  'Learner, with schemes compared and where others are',
  async (n) => {
    const progress = await progressOf(lead, someone(n));
    await Promise.all([schemesCompared(lead, progress), spreadBehind(lead, progress.person.id)]);
  },
  '300 ms',
);
await timed('Today', (n) => todayOf(trainee(n)), '300 ms');
await timed(
  'a hand-in: levels, schedule and difficulty',
  async (n) => {
    const { id: exerciseId, skill } = exercises[n % EXERCISES] as (typeof exercises)[number];
    const id = newId();
    const at = service.now();
    await db('attempts').insert({
      id,
      person_id: someone(n),
      exercise_id: exerciseId,
      version: 1,
      model_id: model.id,
      model_revision: 1,
      scheme_id: schemeOf(n).id,
      scheme_revision: schemeOf(n).revision,
      seed: 1,
      opened_at: at,
      handed_in_at: at,
      score: 80,
      flashes: 2,
      seconds: 20,
      gestures: 9,
    });
    const attempt = { id, personId: someone(n), exerciseId, scheme: schemeOf(0), openedAt: at };
    await transact(
      db,
      (tx) =>
        takeIn(tx, service.zone, {
          attempt,
          steps: [{ skill, score: 80 }],
          handedInAt: at,
          late: false,
          end: 20,
          hinted: false,
          liveHelp: true,
          counts: true,
          set: null,
        }),
      FRESH,
    );
  },
  '20 ms',
);
await refreshStats(service);
await timed(
  'how exercises of one skill fare, counted anew beside the rest',
  async (n) => {
    await markStale(db, [exercises[n % EXERCISES]?.id as string]);
    await refreshStats(service);
  },
  'within 20 s',
);
await timed(
  'reference: all attempts of one group read for their levels',
  async (n) => {
    for (const id of people.slice((n % groups.length) * GROUP, ((n % groups.length) + 1) * GROUP)) await observationsOf(db, id);
  },
  '-',
);

const port = await freePort(4500, '127.0.0.1');
const application = await startApplication({
  DATABASE_URL: url,
  DIALHOME_FILES: join(folder, 'files'),
  PORT: String(port),
  LOG_FILE: join(folder, 'requests.log'),
});
const tokens = new Map<string, string>();
for (const id of [lead.who.id, ...Array.from({ length: TRIES + 1 }, (_, n) => someone(n))]) tokens.set(id, await openSession(service, id));
async function page(path: string, personId: string): Promise<void> {
  const cookie = `dh_session=${tokens.get(personId)}`;
  const answer = await fetch(`http://127.0.0.1:${port}${path}`, { headers: { cookie }, redirect: 'manual' });
  const text = await answer.text();
  if (answer.status !== 200) throw new Error(`${path} gave ${answer.status}: ${text.slice(0, 200)}`);
}
const leadId = lead.who.id;
await timed('from request to page: Group', (n) => page(`/groups/${groups[n % groups.length]}`, leadId), '300 ms');
await timed('from request to page: Learner', (n) => page(`/learners/${someone(n)}`, leadId), '300 ms');
await timed('from request to page: Today', (n) => page('/today', someone(n)), '300 ms');
await application.stop();

await service.close();
await database.stop();
rmSync(folder, { recursive: true, force: true });
process.exit();
