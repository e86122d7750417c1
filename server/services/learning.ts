import { difficultyOf, type FirstTries, flashesFor, groupedBy, practised, rescheduled, type Schedule, type SchemeFamily, type SkillLevel } from '@core';
import { type Database, FRESH, transact } from '../database';
import { dayAt } from '../day';
import { type Attempt, findAttempt, hintsGiven, type StepScore, stepScores, traceOf, verdictOf } from '../repositories/attempts';
import { findVersion } from '../repositories/exercises';
import { markStale } from '../repositories/health';
import { familyOf } from '../repositories/schemes';
import * as skills from '../repositories/skills';
import type { Service } from '../service';

const DAY = 86_400_000;
const NOBODY: FirstTries = { learners: 0, odds: 0 };

/** What is known of an attempt as it is taken in. */
export interface TakenIn {
  readonly attempt: Pick<Attempt, 'id' | 'personId' | 'exerciseId' | 'scheme' | 'openedAt'>;
  readonly steps: readonly StepScore[];
  readonly handedInAt: Date;
  readonly late: boolean;
  /** Its end by its own clock, seconds. */
  readonly end: number;
  /** Whether a hint was taken. */
  readonly hinted: boolean;
  /** Whether the exercise helps while one practises. */
  readonly liveHelp: boolean;
  readonly counts: boolean;
  /** What it counts for in place of what its steps earned. */
  readonly set: number | null;
}

/** The score of each skill of an attempt: what was set for it, or the mean of its steps. */
function bySkill(steps: TakenIn['steps'], set: number | null): Map<string, number> {
  const those = groupedBy(steps, ({ skill }) => skill);
  return new Map([...those].map(([skill, mine]) => [skill, set ?? mine.reduce((sum, { score }) => sum + score, 0) / mine.length]));
}

/** How hard an exercise is for a skill by the first tries so far. */
function difficultyNow(tries: ReadonlyMap<string, FirstTries>, exerciseId: string): number {
  const all = [...tries.values()].reduce((sum, { learners, odds }) => ({ learners: sum.learners + learners, odds: sum.odds + odds }), NOBODY);
  return difficultyOf(tries.get(exerciseId) ?? NOBODY, all);
}

function observed(taken: TakenIn, family: SchemeFamily, zone: string) {
  const { attempt, handedInAt, late, end, hinted, liveHelp } = taken;
  const at = late ? new Date(attempt.openedAt.getTime() + Math.round(end * 1000)) : handedInAt;
  const { id: attemptId, personId, exerciseId } = attempt;
  return { attemptId, personId, exerciseId, family, at, day: dayAt(at, zone), helped: hinted || liveHelp, hinted };
}

interface Standing {
  readonly level: SkillLevel;
  readonly schedule: Schedule;
}

/** What is known of a skill after one more observation. */
function after(standing: Standing | null, { score, at, day, difficulty, helped, hinted }: skills.Observation): Standing {
  return {
    level: practised(standing?.level ?? null, { score, at: at.getTime() / DAY, day, difficulty, helped, hinted }),
    schedule: rescheduled(standing?.schedule ?? null, { flashes: flashesFor(score), at: at.getTime(), day }),
  };
}

/** Folds what attempts told anew: of all of a person's skills, or of one. */
async function refold(tx: Database, personId: string, key?: skills.SkillKey): Promise<void> {
  const folded = new Map<string, { key: skills.SkillKey; standing: Standing }>();
  for (const observation of await skills.observationsOf(tx, personId, key)) {
    const { skill, family } = observation;
    const name = `${skill} ${family}`;
    folded.set(name, { key: { personId, skill, family }, standing: after(folded.get(name)?.standing ?? null, observation) });
  }
  await skills.forgetStandings(tx, personId, key);
  for (const { key: each, standing } of folded.values()) await skills.keepStanding(tx, each, standing);
}

/** Keeps what a handed-in attempt tells of its skills, in the `fresh` transaction that takes it in. */
export async function takeIn(tx: Database, zone: string, taken: TakenIn): Promise<void> {
  await skills.holdLearners(tx, [taken.attempt.personId]);
  const about = observed(taken, await familyOf(tx, taken.attempt.scheme), zone);
  let overtaken = false;
  for (const [skill, score] of bySkill(taken.steps, taken.set)) {
    const difficulty = difficultyNow(await skills.firstTries(tx, skill), about.exerciseId);
    const observation: skills.Observation = { ...about, skill, score, difficulty };
    const before = await skills.firstTryOf(tx, observation);
    await skills.addObservations(tx, [observation]);
    if (!taken.counts) continue;
    if (before === null) await skills.addFirstTry(tx, observation);
    // One that was made before others were taken in may be the first of its learner after all.
    else if ((await skills.firstTryOf(tx, observation)) !== before) overtaken = true;
    const standing = await skills.standing(tx, observation);
    if (standing && Math.round(standing.level.at * DAY) >= about.at.getTime()) await refold(tx, about.personId, observation);
    else await skills.keepStanding(tx, observation, after(standing, observation));
  }
  if (overtaken) await skills.recountFirstTries(tx, [about.exerciseId]);
  await markStale(tx, [about.exerciseId]);
}

/** Folds anew what these people learned, in a `fresh` transaction, after attempts at an exercise began or ceased to count, or count for another score. */
export async function relearn(tx: Database, exerciseId: string, personIds: readonly string[]): Promise<void> {
  await skills.holdLearners(tx, personIds);
  await skills.recountFirstTries(tx, [exerciseId]);
  for (const personId of personIds) await refold(tx, personId);
  await markStale(tx, [exerciseId]);
}

/** What an attempt counts for in each of its skills: the score that was set for it, or what its steps earned. */
export async function rescore(tx: Database, { id, exerciseId, personId }: Pick<Attempt, 'id' | 'exerciseId' | 'personId'>, set: number | null): Promise<void> {
  await skills.scoreObservations(tx, id, bySkill(await stepScores(tx, id), set));
  await relearn(tx, exerciseId, [personId]);
}

/** An attempt of which it was not kept what it tells, read from its trace; null: it cannot be read. */
async function readTaken(db: Database, id: string): Promise<TakenIn | null> {
  const attempt = await findAttempt(db, id);
  const trace = await traceOf(db, id);
  const version = attempt && (await findVersion(db, attempt.exerciseId, attempt.version));
  if (!trace || !version || !attempt.handedInAt) return null;
  const { set } = await verdictOf(db, id);
  return {
    attempt,
    steps: await stepScores(db, id),
    handedInAt: attempt.handedInAt,
    late: attempt.late,
    end: trace.end,
    hinted: trace.events.some(({ kind }) => kind === 'hint') || (await hintsGiven(db, id)),
    liveHelp: version.content.liveHelp,
    counts: attempt.counts,
    set: set?.score ?? null,
  };
}

/**
 * Takes in, in their order, attempts that were handed in before it was kept what they tell, as after an update; tells how
 * many there were.
 */
export async function takeInEarlier({ db, zone }: Pick<Service, 'db' | 'zone'>): Promise<number> {
  const ids = await skills.attemptsNotTaken(db);
  for (const id of ids) {
    const taken = await readTaken(db, id);
    if (taken) await transact(db, (tx) => takeIn(tx, zone, taken), FRESH);
  }
  return ids.length;
}

/** Makes all that is known of learners anew from what their attempts told: the same rows that hand-ins keep. */
export async function rebuildProgress(service: Pick<Service, 'db' | 'zone'>): Promise<{ attempts: number; people: number }> {
  const { db } = service;
  const attempts = await takeInEarlier(service);
  const people = await skills.peopleObserved(db);
  await transact(db, (tx) => skills.recountFirstTries(tx), FRESH);
  for (const personId of people) {
    const again = async (tx: Database): Promise<void> => {
      await skills.holdLearners(tx, [personId]);
      await refold(tx, personId);
    };
    await transact(db, again, FRESH);
  }
  return { attempts, people: people.length };
}

/** Takes everything in anew, in the order in which it was handed in: difficulties too. */
export async function retakeAll(service: Pick<Service, 'db' | 'zone'>): Promise<void> {
  await skills.forgetObservations(service.db);
  await takeInEarlier(service);
}
