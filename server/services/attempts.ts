import {
  coarseCard,
  type Exercise,
  forTrainee,
  type Scheme,
  type ScoreCard,
  type StepDetail,
  type Trace,
  type TraineeExercise,
  unlikelyWords,
  type View,
} from '@core';
import { type Database, FRESH, transact } from '../database';
import { invalid, notFound, ServiceError } from '../errors';
import { newId } from '../ids';
import { meshBytesOf } from '../meshes';
import { type MeshBytes, TOO_LONG } from '../pool';
import * as attempts from '../repositories/attempts';
import { type ExerciseVersion, findVersion } from '../repositories/exercises';
import { findRevision } from '../repositories/models';
import { findPerson } from '../repositories/people';
import { findScheme } from '../repositories/schemes';
import type { RequestContext, Service } from '../service';
import { versionToPractise } from './exercises';
import { takeIn } from './learning';
import { getModel } from './models';
import { isStaff, maySee } from './people';
import { schemesToPractise } from './schemes';

/** Whether the one who asks learns and never handed anything in. */
export const isNewcomer = async (asked: RequestContext): Promise<boolean> => !isStaff(asked.who) && !(await attempts.hasPractised(asked.db, asked.who.id));

export interface Opened {
  readonly id: string;
  readonly seed: number;
}

/** Opens an attempt: its clock on the server starts, and the versions it refers to are fixed. `id`: its name, from which its seed comes. */
export async function openAttempt(asked: RequestContext, input: { exerciseId: string; version: number; schemeId: string }, id = newId()): Promise<Opened> {
  const version = await versionToPractise(asked, input.exerciseId);
  if (version.version !== input.version) throw new ServiceError(409, 'changed', 'This exercise has a newer version: load the page again.');
  const scheme = (await schemesToPractise(asked, version.content.schemes)).find((s) => s.id === input.schemeId);
  if (!scheme) throw invalid('This scheme is not for you here: the exercise is meant for other schemes, or your instructor locked one.', 'schemeId');
  const seed = Number.parseInt(id.slice(0, 8), 16);
  await attempts.addAttempt(asked.db, {
    id,
    personId: asked.who.id,
    exerciseId: version.exerciseId,
    version: version.version,
    model: version.content.model,
    scheme: { id: scheme.id, revision: scheme.revision },
    seed,
    openedAt: asked.now(),
  });
  return { id, seed };
}

async function ownAttempt(asked: RequestContext, id: string): Promise<attempts.Attempt> {
  const attempt = await attempts.findAttempt(asked.db, id);
  if (!attempt || attempt.personId !== asked.who.id) throw notFound('This attempt');
  return attempt;
}

/** An attempt of one's own, or of someone whose attempts one may see. */
export async function attemptToSee(asked: RequestContext, id: string): Promise<attempts.Attempt> {
  const attempt = await attempts.findAttempt(asked.db, id);
  if (!attempt || !(await maySee(asked, attempt.personId))) throw notFound('This attempt');
  return attempt;
}

/** What an exercise is scored on: the mesh in shared memory, and its home view. */
async function modelOf(service: Service, content: Exercise): Promise<{ mesh: MeshBytes; home: View }> {
  const revision = await findRevision(service.db, content.model.id, content.model.revision);
  if (!revision) throw notFound('The model of this exercise');
  return { mesh: await meshBytesOf(service, revision.meshHash), home: revision.home };
}

const nameOfVersion = ({ exerciseId, version }: ExerciseVersion): string => `${exerciseId}/${version}`;

const REFUSED_TOO_LONG = 'It holds more than the server can score in its time. It is kept as it was sent.';
const refused = (): ServiceError =>
  new ServiceError(422, 'refused-too-long', 'This attempt is more than can be scored. It is kept, and your instructor sees it.', 'trace');
/** An attempt that comes this many seconds after its own end was not sent when it was finished. */
const LATE = 120;

/**
 * Takes an attempt in: checks the trace, replays and scores it in the pool, and keeps it. The same attempt twice is one
 * attempt. `read` gives the trace as it was sent; it is not asked before it is known that the attempt may be handed in.
 */
export async function handIn(asked: RequestContext, id: string, read: () => Promise<Uint8Array>): Promise<Pick<ScoreCard, 'score' | 'flashes'>> {
  const attempt = await ownAttempt(asked, id);
  const already = attempt.handedInAt ? await attempts.cardOf(asked.db, id) : null;
  if (already) return already;
  if (attempt.refusedWhy) throw refused();
  const version = await findVersion(asked.db, attempt.exerciseId, attempt.version);
  if (!version) throw notFound('This exercise');
  const now = asked.now();
  const elapsed = (now.getTime() - attempt.openedAt.getTime()) / 1000;
  const body = await read();
  const opened = {
    exercise: { id: attempt.exerciseId, version: attempt.version },
    model: attempt.model,
    scheme: attempt.scheme,
    seed: attempt.seed,
  };
  const scheme = await findScheme(asked.db, attempt.scheme.id, attempt.scheme.revision);
  try {
    const input = { body, content: version.content, version: nameOfVersion(version), ...(await modelOf(asked, version.content)), scheme, elapsed, opened };
    const { trace, card, facts } = await asked.pool.run('score', input, { for: asked.who.id });
    const late = elapsed - facts.end > LATE;
    const take = async (tx: Database): Promise<boolean> => {
      if (!(await attempts.keepHandIn(tx, id, { trace, card, facts, handedInAt: now, late }))) return false;
      const hinted = facts.hints > 0 || (await attempts.hintsGiven(tx, id));
      const { liveHelp } = version.content;
      await takeIn(tx, asked.zone, { attempt, steps: facts.steps, handedInAt: now, late, end: facts.end, hinted, liveHelp, counts: true, set: null });
      return true;
    };
    const kept = await transact(asked.db, take, FRESH);
    // Where the same attempt came twice at once, the first to be kept counts.
    return (kept ? null : await attempts.cardOf(asked.db, id)) ?? facts;
  } catch (error) {
    if (!(error instanceof ServiceError && error.code === TOO_LONG)) throw error;
    await attempts.keepRefused(asked.db, id, body, REFUSED_TOO_LONG, now);
    throw refused();
  }
}

/** A trace as a page would send it. */
export const asSent = (trace: Trace) => async (): Promise<Uint8Array> => new TextEncoder().encode(JSON.stringify(trace));

/** Scores a trace on a draft or a published exercise without keeping it: an author's own try, `{content, trace}` as it was sent. */
export async function tryOut(asked: RequestContext, body: Uint8Array): Promise<ScoreCard> {
  if (!isStaff(asked.who)) throw notFound('This');
  const { content, scheme, trace } = await asked.pool.run('openTry', { body }, { for: asked.who.id });
  await getModel(asked, content.model.id, content.model.revision);
  const made = scheme ? await findScheme(asked.db, scheme.id, scheme.revision) : null;
  const input = { body: trace, content, ...(await modelOf(asked, content)), scheme: made, elapsed: null };
  const { card } = await asked.pool.run('score', input, { for: asked.who.id });
  return JSON.parse(card) as ScoreCard;
}

/** How an own attempt stands: seconds since it was opened, and whether it is over. */
export async function attemptState(asked: RequestContext, id: string): Promise<{ elapsed: number; over: boolean }> {
  const attempt = await ownAttempt(asked, id);
  return { elapsed: (asked.now().getTime() - attempt.openedAt.getTime()) / 1000, over: attempt.handedInAt !== null || attempt.refusedWhy !== null };
}

/** A hint of a step whose words were not sent with the exercise: they are given one after the other. */
export async function hintOf(asked: RequestContext, id: string, step: number, number: number): Promise<string> {
  const attempt = await ownAttempt(asked, id);
  const words = (await findVersion(asked.db, attempt.exerciseId, attempt.version))?.content.steps[step]?.hints[number];
  if (words === undefined || !(await attempts.giveHint(asked.db, id, step, number))) throw notFound('This hint');
  return words;
}

/** A handed-in attempt as it may be shown to one who asks. */
export interface AttemptShown {
  readonly attempt: attempts.Attempt;
  readonly personName: string;
  readonly card: ScoreCard;
  readonly exercise: TraineeExercise;
  /** Whether its goals may be known: a hidden target is told to its trainee by nothing, also by no difference from it. */
  readonly known: boolean;
  readonly pictures: readonly (string | null)[];
  /** The scheme that it was made with; its gestures are named. */
  readonly scheme: Scheme | null;
  readonly meshHash: string;
  readonly home: View;
  readonly verdict: attempts.Verdict;
}

export interface AttemptSeen extends AttemptShown {
  /** What the pictures of the differences are drawn from, per step. */
  readonly details: readonly StepDetail[];
  /** The card of the attempt before this one at the same version of the exercise. */
  readonly before: { readonly id: string; readonly score: number } | null;
  /** For those who teach: what of the attempt no hand does, in words. */
  readonly unlikely: readonly string[];
}

/** Whether the goals of a version may be known to the one who asks: a hidden target is not told to trainees. */
export const mayKnow = (asked: RequestContext, { content }: ExerciseVersion): boolean => isStaff(asked.who) || content.showTarget;

/** A handed-in attempt for the learner, their instructors and leads, with the version that it was made at. */
export async function attemptShown(asked: RequestContext, id: string): Promise<{ shown: AttemptShown; version: ExerciseVersion }> {
  const attempt = await attemptToSee(asked, id);
  const card = await attempts.cardOf(asked.db, id);
  if (!card) throw notFound('This attempt');
  const version = await findVersion(asked.db, attempt.exerciseId, attempt.version);
  const revision = await findRevision(asked.db, attempt.model.id, attempt.model.revision);
  if (!version || !revision) throw notFound('This exercise');
  const known = mayKnow(asked, version);
  const shown: AttemptShown = {
    attempt,
    personName: (await findPerson(asked.db, attempt.personId))?.name ?? '',
    card: known ? card : coarseCard(card, version.content.start),
    exercise: known ? version.content : forTrainee(version.content),
    known,
    pictures: version.pictures,
    scheme: await findScheme(asked.db, attempt.scheme.id, attempt.scheme.revision),
    meshHash: revision.meshHash,
    home: revision.home,
    verdict: await attempts.verdictOf(asked.db, id),
  };
  return { shown, version };
}

/** A learner's attempts at the version of one of them, oldest first. */
export const linesAtVersion = async (asked: RequestContext, { personId, exerciseId, version }: attempts.Attempt): Promise<attempts.AttemptLine[]> =>
  (await attempts.attemptLines(asked.db, [personId])).filter((line) => line.exerciseId === exerciseId && line.version === version);

/** A handed-in attempt with all that its card shows. */
export async function attemptSeen(asked: RequestContext, id: string): Promise<AttemptSeen> {
  const { shown, version } = await attemptShown(asked, id);
  const { attempt, known } = shown;
  const lines = (await linesAtVersion(asked, attempt)).filter((line) => line.counts || line.id === id);
  const at = lines.findIndex((line) => line.id === id);
  const earlier = at > 0 ? lines[at - 1] : undefined;
  const nothing = version.content.steps.map((): StepDetail => ({ kind: 'none' }));
  const trace = known ? await attempts.traceBytes(asked.db, id) : null;
  return {
    ...shown,
    details: trace ? await detailsFor(asked, version, trace, nothing) : nothing,
    before: earlier ? { id: earlier.id, score: earlier.score } : null,
    unlikely: isStaff(asked.who) ? attempt.unlikely.map(unlikelyWords) : [],
  };
}

/** A card can be read without its pictures of the difference: where they take too long, it comes without. */
async function detailsFor(asked: RequestContext, version: ExerciseVersion, trace: Uint8Array, nothing: readonly StepDetail[]): Promise<readonly StepDetail[]> {
  try {
    return await asked.pool.run(
      'details',
      { trace, content: version.content, version: nameOfVersion(version), ...(await modelOf(asked, version.content)) },
      { for: asked.who.id },
    );
  } catch (error) {
    if (error instanceof ServiceError && (error.code === TOO_LONG || error.code === 'busy')) return nothing;
    throw error;
  }
}

/** The trace of an attempt as it was kept, JSON, for whoever may see the attempt. */
export async function getTrace(asked: RequestContext, id: string): Promise<Uint8Array> {
  await attemptToSee(asked, id);
  const trace = await attempts.traceBytes(asked.db, id);
  if (!trace) throw notFound('This attempt');
  return trace;
}
