import { type Database, versionOf } from '../database';

/** Rows as the database has them: for files that a person takes away. */
type Rows = readonly Readonly<Record<string, unknown>>[];

/** All rows about a person, by what they are. Without passwords, sessions, and what is noted about them in private. */
export async function rowsAbout(db: Database, personId: string): Promise<Readonly<Record<string, Rows>>> {
  const mine = { person_id: personId };
  const attemptIds = db('attempts').where(mine).select('id');
  const ofAttempts = (table: string): Promise<Rows> => db(table).whereIn('attempt_id', attemptIds).orderBy('attempt_id');
  const titled = db('attempts as a').leftJoin('exercise_versions as v', versionOf('a')).where({ 'a.person_id': personId }).orderBy(['a.opened_at', 'a.id']);
  const columns = ['id', 'exercise_id', 'version', 'model_id', 'model_revision', 'scheme_id', 'scheme_revision', 'opened_at', 'handed_in_at', 'late'].map(
    (name) => `a.${name}`,
  );
  const results = ['score', 'flashes', 'seconds', 'gestures', 'counts', 'left_out_why', 'set_score', 'set_why', 'refused_why'].map((name) => `a.${name}`);
  return {
    person: await db('people').where({ id: personId }).select('id', 'name', 'sign_in', 'role', 'created_at', 'deactivated_at'),
    groups: await db('memberships as m').join('groups as g', 'g.id', 'm.group_id').where({ 'm.person_id': personId }).select('g.name', 'm.role', 'm.joined_at'),
    attempts: await titled.select(...columns, 'v.title', ...results),
    steps: await ofAttempts('attempt_steps'),
    criteria: await ofAttempts('attempt_criteria'),
    slips: await ofAttempts('attempt_slips'),
    observations: await db('skill_observations').where(mine).orderBy(['at', 'attempt_id']),
    levels: await db('skill_levels').where(mine),
    schedules: await db('schedules').where(mine).select('skill', 'family', 'due_at'),
    comments: await db('comments as c')
      .leftJoin('people as p', 'p.id', 'c.author_id')
      .where('c.author_id', personId)
      .orWhereIn('c.attempt_id', attemptIds)
      .orderBy('c.made_at')
      .select('c.attempt_id', 'p.name as author', 'c.t', 'c.words', 'c.made_at', 'c.understood_at'),
    messages: await db('notices').where(mine).orderBy('made_at').select('words', 'made_at'),
    views: await db('saved_views').where(mine).select('model_id', 'name', 'about', 'scene'),
    schemes: await db('scheme_revisions').where({ owner_id: personId }).select('id', 'revision', 'content'),
    given: await db('exercises_given').where(mine).select('exercise_id', 'version', 'due_on', 'given_at'),
    more_time: await db('extra_time').where(mine).select('days', 'why', 'at'),
  };
}

/** A person's attempts that were handed in, oldest first: each is read by itself, for traces are long. */
export async function attemptIdsOf(db: Database, personId: string): Promise<string[]> {
  const rows: { id: string }[] = await db('attempts').where({ person_id: personId }).whereNotNull('handed_in_at').orderBy(['handed_in_at', 'id']).select('id');
  return rows.map(({ id }) => id);
}
