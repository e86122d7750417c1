import { checkTrace, detailsOf, type Exercise, type ScoreCard, type ScoredModel, type StepDetail, scoreAttempt, type Trace, type View } from '@core';
import { invalid, notFound, ServiceError } from '../errors';
import { newId } from '../ids';
import * as attempts from '../repositories/attempts';
import { type ExerciseVersion, findVersion } from '../repositories/exercises';
import { findRevision } from '../repositories/models';
import { findPerson } from '../repositories/people';
import { findScheme } from '../repositories/schemes';
import type { Asked, Service } from '../service';
import { forTrainee, versionToPractise } from './exercises';
import { meshOf, modelRead } from './models';
import { isStaff, maySee } from './people';
import { schemesToPractise } from './schemes';

export interface Opened {
  readonly id: string;
  readonly seed: number;
}

/** Opens an attempt: its clock on the server starts, and the versions it refers to are fixed. */
export async function openAttempt(asked: Asked, input: { exerciseId: string; version: number; schemeId: string }): Promise<Opened> {
  const version = await versionToPractise(asked, input.exerciseId);
  if (version.version !== input.version) throw new ServiceError(409, 'changed', 'This exercise has a newer version: load the page again.');
  const scheme = (await schemesToPractise(asked, version.content.schemes)).find((s) => s.id === input.schemeId);
  if (!scheme) throw invalid('This scheme is not for you here: the exercise is meant for other schemes, or your instructor locked one.', 'schemeId');
  const id = newId();
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
    handedInAt: null,
  });
  return { id, seed };
}

async function scoredModelOf(service: Service, content: Exercise): Promise<ScoredModel> {
  const revision = await findRevision(service.db, content.model.id, content.model.revision);
  if (!revision) throw notFound('The model of this exercise');
  return { mesh: await meshOf(service, revision.meshHash), home: revision.home };
}

/** Checks a trace and scores it, or refuses it with the reason. `elapsed`: seconds the server saw, null where it did not look. */
async function checkAndScore(service: Service, content: Exercise, trace: Trace, elapsed: number | null): Promise<ScoreCard> {
  const model = await scoredModelOf(service, content);
  const refusal = checkTrace(trace, {
    start: content.start,
    allowed: content.allowed,
    partIds: new Set(model.mesh.parts.map((part) => part.id)),
    steps: content.steps.length,
    elapsed,
  });
  if (refusal) throw new ServiceError(422, `refused-${refusal.code}`, refusal.message, 'trace');
  return scoreAttempt(content, model, trace, await findScheme(service.db, trace.scheme.id, trace.scheme.revision));
}

/** Takes an attempt in: checks the trace, replays and scores it, and keeps it. The same attempt twice is one attempt. */
export async function handIn(asked: Asked, id: string, trace: Trace): Promise<ScoreCard> {
  const attempt = await attempts.findAttempt(asked.db, id);
  if (!attempt || attempt.personId !== asked.who.id) throw notFound('This attempt');
  const already = await attempts.cardOf(asked.db, id);
  if (already) return already;
  const version = await findVersion(asked.db, attempt.exerciseId, attempt.version);
  if (!version) throw notFound('This exercise');
  const same =
    trace.exercise.id === attempt.exerciseId &&
    trace.exercise.version === attempt.version &&
    trace.model.id === attempt.model.id &&
    trace.model.revision === attempt.model.revision &&
    trace.scheme.id === attempt.scheme.id &&
    trace.scheme.revision === attempt.scheme.revision &&
    trace.seed === attempt.seed;
  if (!same) throw new ServiceError(422, 'refused-exercise', 'The attempt is of another exercise, model or scheme than was opened.', 'trace');
  const now = asked.now();
  const card = await checkAndScore(asked, version.content, trace, (now.getTime() - attempt.openedAt.getTime()) / 1000);
  await attempts.keepHandIn(asked.db, id, trace, card, now);
  return (await attempts.cardOf(asked.db, id)) ?? card;
}

/** Scores a trace on a draft or a published exercise without keeping it: an author's own try. */
export async function tryOut(asked: Asked, content: Exercise, trace: Trace): Promise<ScoreCard> {
  if (!isStaff(asked.who)) throw notFound('This');
  await modelRead(asked, content.model.id, content.model.revision);
  return checkAndScore(asked, content, trace, null);
}

export interface AttemptSeen {
  readonly attempt: attempts.Attempt;
  readonly personName: string;
  readonly card: ScoreCard;
  readonly version: ExerciseVersion;
  readonly meshHash: string;
  readonly home: View;
  /** What the pictures of the differences are drawn from, per step. */
  readonly details: readonly StepDetail[];
  /** The card of the attempt at the same exercise before this one. */
  readonly before: { readonly id: string; readonly score: number } | null;
}

/** A handed-in attempt with all that its card shows, for the learner, their instructors and leads. */
export async function attemptSeen(asked: Asked, id: string): Promise<AttemptSeen> {
  const attempt = await attempts.findAttempt(asked.db, id);
  if (!attempt || !(await maySee(asked, attempt.personId))) throw notFound('This attempt');
  const card = await attempts.cardOf(asked.db, id);
  if (!card) throw notFound('This attempt');
  const version = await findVersion(asked.db, attempt.exerciseId, attempt.version);
  const revision = await findRevision(asked.db, attempt.model.id, attempt.model.revision);
  if (!version || !revision) throw notFound('This exercise');
  const lines = (await attempts.attemptLines(asked.db, [attempt.personId])).filter((line) => line.exerciseId === attempt.exerciseId);
  const at = lines.findIndex((line) => line.id === id);
  const earlier = at > 0 ? lines[at - 1] : undefined;
  const trace = await attempts.traceOf(asked.db, id);
  const mesh = await meshOf(asked, revision.meshHash);
  const mayHaveTarget = isStaff(asked.who) || version.content.showTarget;
  return {
    attempt,
    personName: (await findPerson(asked.db, attempt.personId))?.name ?? '',
    card,
    version: mayHaveTarget ? version : { ...version, content: forTrainee(version.content) },
    meshHash: revision.meshHash,
    home: revision.home,
    // A hidden target is not told by its difference either.
    details: trace && mayHaveTarget ? detailsOf(version.content, { mesh, home: revision.home }, trace) : version.content.steps.map(() => ({ kind: 'none' })),
    before: earlier ? { id: earlier.id, score: earlier.score } : null,
  };
}

/** The trace of an attempt, for whoever may see the attempt. */
export async function traceSeen(asked: Asked, id: string): Promise<Trace> {
  const attempt = await attempts.findAttempt(asked.db, id);
  if (!attempt || !(await maySee(asked, attempt.personId))) throw notFound('This attempt');
  const trace = await attempts.traceOf(asked.db, id);
  if (!trace) throw notFound('This attempt');
  return trace;
}
