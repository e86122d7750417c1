import type { Vec3 } from '@core';
import { forbidden, invalid, notFound, ServiceError } from '../errors';
import { newId } from '../ids';
import type { Attempt } from '../repositories/attempts';
import * as comments from '../repositories/comments';
import { membersOf } from '../repositories/people';
import type { RequestContext } from '../service';
import { attemptToSee } from './attempts';
import { isStaff, requireLedGroup } from './people';

/** Most comments and answers of one attempt: nobody reads more. */
const MOST = 200;

/** A comment as it is shown to one who may see the attempt. */
export interface CommentSeen {
  readonly id: string;
  readonly author: string;
  /** Whether it is by the one who looks: then it can be changed and removed. */
  readonly mine: boolean;
  readonly answersId: string | null;
  readonly t: number;
  readonly point: Vec3 | null;
  readonly words: string;
  /** ISO 8601. */
  readonly madeAt: string;
  readonly edited: boolean;
  readonly understood: boolean;
}

const toSeen = (comment: comments.Comment, who: string): CommentSeen => ({
  id: comment.id,
  author: comment.author,
  mine: comment.authorId === who,
  answersId: comment.answersId,
  t: comment.t,
  point: comment.point,
  words: comment.words,
  madeAt: comment.madeAt.toISOString(),
  edited: comment.editedAt !== null,
  understood: comment.understoodAt !== null,
});

/** What is said about an attempt, for whoever may see it; oldest first. */
export async function commentsSeen(asked: RequestContext, attemptId: string): Promise<CommentSeen[]> {
  await attemptToSee(asked, attemptId);
  return (await comments.commentsOf(asked.db, attemptId)).map((comment) => toSeen(comment, asked.who.id));
}

/** The one comment, and its attempt, if the one who asks may see that. */
async function commentToSee(asked: RequestContext, id: string): Promise<{ comment: comments.Comment; attempt: Attempt }> {
  const comment = await comments.findComment(asked.db, id);
  if (!comment) throw notFound('This comment');
  return { comment, attempt: await attemptToSee(asked, comment.attemptId) };
}

async function ownComment(asked: RequestContext, id: string): Promise<comments.Comment> {
  const { comment } = await commentToSee(asked, id);
  if (comment.authorId !== asked.who.id) throw forbidden('Only who wrote a comment changes or removes it.');
  return comment;
}

export interface NewComment {
  readonly t: number;
  readonly point: Vec3 | null;
  readonly words: string;
  readonly answersId: string | null;
}

const wordsOf = (text: string): string => {
  const words = text.trim();
  if (!words) throw invalid('Write what you want to say.', 'words');
  return words;
};

/** Says something about a moment of an attempt: those who teach; or answers it: they and the learner. */
export async function addComment(asked: RequestContext, attemptId: string, { t, point, words, answersId }: NewComment): Promise<string> {
  const attempt = await attemptToSee(asked, attemptId);
  if (!attempt.handedInAt) throw notFound('This attempt');
  const answered = answersId ? await comments.findComment(asked.db, answersId) : null;
  if (answersId && (answered?.attemptId !== attemptId || answered.answersId)) throw notFound('The comment that you answer');
  if (!answered && !isStaff(asked.who)) throw forbidden('Comments are begun by those who teach; you can answer them.');
  if ((await comments.countComments(asked.db, attemptId)) >= MOST)
    throw new ServiceError(409, 'full', `More than ${MOST} comments are not kept with one attempt.`);
  const id = newId();
  // An answer stands where what it answers stands.
  const at = answered ? { t: answered.t, point: null } : { t, point };
  await comments.addComment(asked.db, { id, attemptId, authorId: asked.who.id, answersId, ...at, words: wordsOf(words), madeAt: asked.now() });
  return id;
}

export async function editComment(asked: RequestContext, id: string, words: string): Promise<void> {
  await ownComment(asked, id);
  await comments.editComment(asked.db, id, wordsOf(words), asked.now());
}

export async function removeComment(asked: RequestContext, id: string): Promise<void> {
  await ownComment(asked, id);
  await comments.removeComment(asked.db, id);
}

/** The learner says that it is understood, or that it is not yet. */
export async function markUnderstood(asked: RequestContext, id: string, understood: boolean): Promise<void> {
  const { attempt, comment } = await commentToSee(asked, id);
  if (attempt.personId !== asked.who.id || comment.answersId) throw forbidden('Only the learner says that a comment is understood.');
  await comments.setUnderstood(asked.db, id, understood ? asked.now() : null);
}

/** What others have said about an attempt is read. */
export async function commentsRead(asked: RequestContext, attemptId: string): Promise<void> {
  await attemptToSee(asked, attemptId);
  await comments.markRead(asked.db, attemptId, asked.who.id);
}

/** What was said about one's own attempts and is not read yet. */
export const unreadMine = (asked: RequestContext): Promise<comments.UnreadComment[]> => comments.unreadComments(asked.db, asked.who.id, [asked.who.id]);

/** What was said about the attempts of a group's trainees and is not read yet by the one who teaches it. */
export async function unreadInGroup(asked: RequestContext, groupId: string): Promise<comments.UnreadComment[]> {
  await requireLedGroup(asked, groupId);
  const trainees = await membersOf(asked.db, groupId, 'trainee');
  return comments.unreadComments(
    asked.db,
    asked.who.id,
    trainees.map(({ id }) => id),
  );
}
