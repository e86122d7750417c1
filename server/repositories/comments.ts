import type { Vec3 } from '@core';
import { type Database, versionOf } from '../database';
import { parseColumn } from '../json';

/** What is said about an attempt at a moment of it, or in answer to that. */
export interface Comment {
  readonly id: string;
  readonly attemptId: string;
  readonly authorId: string;
  readonly author: string;
  /** The comment that it answers; null: it stands by itself. */
  readonly answersId: string | null;
  /** Seconds from the attempt's opening. */
  readonly t: number;
  /** A point of the model that it is pinned to, world metres. */
  readonly point: Vec3 | null;
  readonly words: string;
  readonly madeAt: Date;
  readonly editedAt: Date | null;
  readonly understoodAt: Date | null;
}

interface Row {
  id: string;
  attempt_id: string;
  author_id: string;
  author: string;
  answers_id: string | null;
  t: number;
  point: unknown;
  words: string;
  made_at: Date;
  edited_at: Date | null;
  understood_at: Date | null;
}

const toComment = (row: Row): Comment => ({
  id: row.id,
  attemptId: row.attempt_id,
  authorId: row.author_id,
  author: row.author,
  answersId: row.answers_id,
  t: row.t,
  point: parseColumn(row.point) as Vec3 | null,
  words: row.words,
  madeAt: row.made_at,
  editedAt: row.edited_at,
  understoodAt: row.understood_at,
});

const joined = (db: Database) => db('comments as c').join('people as p', 'p.id', 'c.author_id').select('c.*', 'p.name as author');

/** Of an attempt, oldest first. */
export async function commentsOf(db: Database, attemptId: string): Promise<Comment[]> {
  const rows: Row[] = await joined(db).where({ 'c.attempt_id': attemptId }).orderBy('c.made_at').orderBy('c.id');
  return rows.map(toComment);
}

export async function findComment(db: Database, id: string): Promise<Comment | null> {
  const row: Row | undefined = await joined(db).where({ 'c.id': id }).first();
  return row ? toComment(row) : null;
}

export async function countComments(db: Database, attemptId: string): Promise<number> {
  return Number((await db('comments').where({ attempt_id: attemptId }).count({ n: '*' }).first())?.n ?? 0);
}

export async function addComment(db: Database, comment: Omit<Comment, 'author' | 'editedAt' | 'understoodAt'>): Promise<void> {
  await db('comments').insert({
    id: comment.id,
    attempt_id: comment.attemptId,
    author_id: comment.authorId,
    answers_id: comment.answersId,
    t: comment.t,
    point: comment.point ? JSON.stringify(comment.point) : null,
    words: comment.words,
    made_at: comment.madeAt,
  });
}

export async function editComment(db: Database, id: string, words: string, at: Date): Promise<void> {
  await db('comments').where({ id }).update({ words, edited_at: at });
  // Who had read it has not read this.
  await db('comment_reads').where({ comment_id: id }).delete();
}

export async function setUnderstood(db: Database, id: string, at: Date | null): Promise<void> {
  await db('comments').where({ id }).update({ understood_at: at });
}

/** With its answers. */
export async function removeComment(db: Database, id: string): Promise<void> {
  await db('comments').where({ id }).delete();
}

/** Marks as read by a person what others have said about an attempt. */
export async function markRead(db: Database, attemptId: string, personId: string): Promise<void> {
  const rows: { id: string }[] = await db('comments').where({ attempt_id: attemptId }).whereNot({ author_id: personId }).select('id');
  if (rows.length === 0) return;
  await db('comment_reads')
    .insert(rows.map(({ id }) => ({ comment_id: id, person_id: personId })))
    .onConflict(['comment_id', 'person_id'])
    .ignore();
}

/** What was said and not read yet, newest first. */
export interface UnreadComment {
  readonly id: string;
  readonly attemptId: string;
  readonly author: string;
  readonly learner: string;
  readonly title: string;
  readonly t: number;
  readonly words: string;
  readonly madeAt: Date;
}

/** Most that are told at once. */
const MOST = 20;

/** What others have said about the attempts of these people that a person has not read. */
export async function unreadComments(db: Database, reader: string, learners: readonly string[]): Promise<UnreadComment[]> {
  if (learners.length === 0) return [];
  const rows = await db('comments as c')
    .join('attempts as a', 'a.id', 'c.attempt_id')
    .join('people as p', 'p.id', 'c.author_id')
    .join('people as l', 'l.id', 'a.person_id')
    .join('exercise_versions as v', versionOf('a'))
    .leftJoin('comment_reads as r', function () {
      this.on('r.comment_id', 'c.id').andOnVal('r.person_id', reader);
    })
    .whereIn('a.person_id', [...learners])
    .whereNot({ 'c.author_id': reader })
    .whereNull('r.comment_id')
    .orderBy('c.made_at', 'desc')
    .orderBy('c.id')
    .limit(MOST)
    .select('c.id', 'c.attempt_id', 'p.name as author', 'l.name as learner', 'v.title', 'c.t', 'c.words', 'c.made_at');
  return rows.map((row) => ({
    id: row.id,
    attemptId: row.attempt_id,
    author: row.author,
    learner: row.learner,
    title: row.title,
    t: row.t,
    words: row.words,
    madeAt: row.made_at,
  }));
}
