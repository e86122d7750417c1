import { flashesFor } from '@core';
import { type Database, FRESH, transact } from '../database';
import { invalid, notFound } from '../errors';
import * as attempts from '../repositories/attempts';
import { type AuditedDeed, type Facts, writeDown } from '../repositories/audit';
import { findVersion } from '../repositories/exercises';
import type { RequestContext } from '../service';
import { attemptToSee } from './attempts';
import { relearn, rescore } from './learning';
import { isStaff } from './people';

/** An attempt of a learner of one's own, to decide about: nobody decides about their own. */
async function attemptToJudge(asked: RequestContext, id: string): Promise<attempts.Attempt> {
  const attempt = await attemptToSee(asked, id);
  if (!isStaff(asked.who) || attempt.personId === asked.who.id || !attempt.handedInAt) throw notFound('This attempt');
  return attempt;
}

function decision(asked: RequestContext, why: string): { why: string; by: string; at: Date } {
  if (!why.trim()) throw invalid('Write why: the learner sees it.', 'why');
  return { why: why.trim(), by: asked.who.id, at: asked.now() };
}

/** Writes down what was decided about an attempt. */
async function decided(
  asked: RequestContext,
  tx: Database,
  { exerciseId, version, personId }: attempts.Attempt,
  what: AuditedDeed,
  facts: Facts,
): Promise<void> {
  const exercise = (await findVersion(tx, exerciseId, version))?.content.title ?? '';
  await writeDown(tx, { what, byId: asked.who.id, aboutId: personId, facts: { exercise, ...facts } }, asked.now());
}

/** Leaves one attempt out of progress with a reason, or, with null, counts it again. */
export async function leaveOut(asked: RequestContext, id: string, why: string | null): Promise<void> {
  const attempt = await attemptToJudge(asked, id);
  const { exerciseId, personId } = attempt;
  const out = why === null ? null : decision(asked, why);
  await transact(
    asked.db,
    async (tx) => {
      await attempts.leaveOut(tx, id, out);
      await relearn(tx, exerciseId, [personId]);
      await decided(asked, tx, attempt, out ? 'attempt-left-out' : 'attempt-counted', { why: out?.why ?? null });
    },
    FRESH,
  );
}

/** Sets what one attempt counts for, 0 … 100, with a reason; null: what was computed counts again. The card stays as it was computed. */
export async function setScore(asked: RequestContext, id: string, given: { readonly score: number; readonly why: string } | null): Promise<void> {
  const attempt = await attemptToJudge(asked, id);
  const card = await attempts.cardOf(asked.db, id);
  if (!card) throw notFound('This attempt');
  const counted = given ? { score: given.score, flashes: flashesFor(given.score) } : { score: card.score, flashes: card.flashes };
  const set = given && decision(asked, given.why);
  await transact(
    asked.db,
    async (tx) => {
      await attempts.setScore(tx, id, counted, set);
      await rescore(tx, attempt, given?.score ?? null);
      await decided(asked, tx, attempt, 'score-set', { score: given?.score ?? null, why: set?.why ?? null });
    },
    FRESH,
  );
}
