import { randomBytes } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { apply, defaultCriteria, type Exercise, FRAME, type Goal, startFor, TRACE_FORMAT, type Trace } from '@core';
import { buoy } from '@demo/models';
import { writeGlb } from '@formats';
import { ensureDatabase, migrate } from '../database';
import { newId } from '../ids';
import { openService } from '../openService';
import { addGroup, addMember, type Group } from '../repositories/people';
import type { Person, RequestContext, Role, Service } from '../service';
import { asSent, handIn, openAttempt } from '../services/attempts';
import { versionToPractise } from '../services/exercises';
import { importModel } from '../services/models';
import { makePerson } from '../services/people';
import { keepBuiltInSchemes } from '../services/schemes';

export interface TestService extends Service {
  /** Moves the clock on by seconds. */
  pass(seconds: number): void;
  close(): Promise<void>;
}

/** A service on a database of its own, with a clock that the test sets. */
export async function openTestService(): Promise<TestService> {
  const url = process.env.TEST_DATABASE_URL;
  if (!url) throw new Error('TEST_DATABASE_URL is set by the global setup');
  const name = `test_${randomBytes(6).toString('hex')}`;
  const folder = mkdtempSync(join(tmpdir(), 'dial-home-test-'));
  let time = Date.UTC(2031, 4, 5, 9);
  await ensureDatabase(`${url}/${name}`);
  const opened = openService(`${url}/${name}`, folder);
  const { db } = opened;
  const service: TestService = {
    ...opened,
    now: () => new Date(time),
    zone: 'UTC',
    pass: (seconds) => {
      time += seconds * 1000;
    },
    async close() {
      await db.raw('drop database if exists ??', [name]);
      await opened.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
  await migrate(db);
  await keepBuiltInSchemes(service);
  return service;
}

export const PASSWORD = 'a long password';
let count = 0;

export const person = (service: Service, role: Role): Promise<Person> => {
  count += 1;
  return makePerson(service, { name: `${role} ${count}`, signIn: `${role}${count}`, role, password: PASSWORD });
};

export interface School {
  readonly lead: RequestContext;
  readonly instructor: RequestContext;
  readonly trainee: RequestContext;
  readonly group: Group;
}

/** A lead, and a group with an instructor and a trainee. */
export async function school(service: Service): Promise<School> {
  const [lead, instructor, trainee] = [await person(service, 'lead'), await person(service, 'instructor'), await person(service, 'trainee')];
  const group = { id: newId(), name: `group ${count}` };
  await addGroup(service.db, group, service.now());
  await addMember(service.db, group.id, instructor.id, 'instructor');
  await addMember(service.db, group.id, trainee.id, 'trainee');
  return { lead: { ...service, who: lead }, instructor: { ...service, who: instructor }, trainee: { ...service, who: trainee }, group };
}

let glb: Promise<Uint8Array> | null = null;
export const buoyFile = async (): Promise<{ name: string; bytes: Uint8Array }> => {
  glb ??= writeGlb(buoy());
  return { name: 'buoy.glb', bytes: await glb };
};
export const aModel = async (asked: RequestContext) => importModel(asked, { name: 'Buoy', files: [await buoyFile()] });

/** A draft that can be published: its first step asks for the other side. */
export function toPublish(draft: Exercise): Exercise {
  const { view } = apply(draft.start, { kind: 'opposite' }, { frame: FRAME });
  const goal: Goal = { kind: 'matchView', target: { ...draft.start, view }, subject: [] };
  return { ...draft, title: 'Title', steps: draft.steps.map((step) => ({ ...step, brief: 'Do it', goal, criteria: defaultCriteria(goal) })) };
}

/** Opens an attempt at an exercise, turns the view a little and hands it in; its id. `change`: what of the trace is otherwise. */
export async function handInFor(
  asked: RequestContext,
  exerciseId: string,
  angle = 0.3,
  change: Partial<Trace> = {},
  schemeId = 'two-button-mouse',
): Promise<string> {
  const { version, content } = await versionToPractise(asked, exerciseId);
  const { id, seed } = await openAttempt(asked, { exerciseId, version, schemeId });
  (asked as RequestContext & Partial<TestService>).pass?.(4);
  const scheme = { id: schemeId, revision: Number((await asked.db('attempts').where({ id }).first('scheme_revision')).scheme_revision) };
  const trace: Trace = {
    format: TRACE_FORMAT,
    exercise: { id: exerciseId, version },
    model: content.model,
    scheme,
    start: startFor(content, seed),
    seed,
    moves: [{ t: 1, command: { kind: 'turn', axis: 'left', angle }, gesture: { id: 1, device: 'keyboard', binding: 'left arrow' } }],
    events: [
      { t: 1, kind: 'begin' },
      { t: 2, kind: 'handIn' },
    ],
    end: 2,
    ...change,
  };
  await handIn(asked, id, asSent(trace));
  return id;
}
