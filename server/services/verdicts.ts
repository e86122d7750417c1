import { flashesFor } from '@core';
import { invalid, notFound } from '../errors';
import * as attempts from '../repositories/attempts';
import type { RequestContext } from '../service';
import { attemptToSee } from './attempts';
import { isStaff } from './people';

/** An attempt of a learner of one's own, to decide about: nobody decides about their own. */
async function attemptToJudge(asked: RequestContext, id: string): Promise<void> {
  const attempt = await attemptToSee(asked, id);
  if (!isStaff(asked.who) || attempt.personId === asked.who.id || !attempt.handedInAt) throw notFound('This attempt');
}

function decision(asked: RequestContext, why: string): { why: string; by: string; at: Date } {
  if (!why.trim()) throw invalid('Write why: the learner sees it.', 'why');
  return { why: why.trim(), by: asked.who.id, at: asked.now() };
}

/** Leaves one attempt out of progress with a reason, or, with null, counts it again. */
export async function leaveOut(asked: RequestContext, id: string, why: string | null): Promise<void> {
  await attemptToJudge(asked, id);
  await attempts.leaveOut(asked.db, id, why === null ? null : decision(asked, why));
}

/** Sets what one attempt counts for, 0 … 100, with a reason; null: what was computed counts again. The card stays as it was computed. */
export async function setScore(asked: RequestContext, id: string, given: { readonly score: number; readonly why: string } | null): Promise<void> {
  await attemptToJudge(asked, id);
  const card = await attempts.cardOf(asked.db, id);
  if (!card) throw notFound('This attempt');
  if (given) await attempts.setScore(asked.db, id, { score: given.score, flashes: flashesFor(given.score) }, decision(asked, given.why));
  else await attempts.setScore(asked.db, id, { score: card.score, flashes: card.flashes }, null);
}
