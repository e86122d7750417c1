import { type FirstTries, oddsOf, type Schedule, type SchemeFamily, type SkillLevel } from '@core';
import { type Database, versionOf } from '../database';
import { parseColumn } from '../json';

const DAY = 86_400_000;
/** Log-odds are summed as whole numbers, so that the sum does not depend on their order. */
const MILLIONTHS = 1_000_000;
const oddsKept = (score: number): number => Math.round(oddsOf(score) * MILLIONTHS);

export interface SkillKey {
  readonly personId: string;
  readonly skill: string;
  readonly family: SchemeFamily;
}

/** What an attempt told of one skill, as it was taken in. */
export interface Observation extends SkillKey {
  readonly attemptId: string;
  readonly exerciseId: string;
  /** When it was made. */
  readonly at: Date;
  /** That day where the station is, yyyy-mm-dd. */
  readonly day: string;
  /** Mean of the skill's steps, 0 … 100. */
  readonly score: number;
  readonly difficulty: number;
  readonly helped: boolean;
  readonly hinted: boolean;
}

interface ObservationRow {
  attempt_id: string;
  skill: string;
  person_id: string;
  family: SchemeFamily;
  exercise_id: string;
  at: Date;
  day: string;
  score: number;
  difficulty: number;
  helped: number;
  hinted: number;
}

const toObservation = (row: ObservationRow): Observation => ({
  attemptId: row.attempt_id,
  personId: row.person_id,
  skill: row.skill,
  family: row.family,
  exerciseId: row.exercise_id,
  at: row.at,
  day: row.day,
  score: row.score,
  difficulty: row.difficulty,
  helped: Boolean(row.helped),
  hinted: Boolean(row.hinted),
});

const keyed = ({ personId, skill, family }: SkillKey) => ({ person_id: personId, skill, family });
const OBSERVATION = ['attempt_id', 'skill', 'person_id', 'family', 'exercise_id', 'at', 'day', 'score', 'difficulty', 'helped', 'hinted'] as const;

/** Makes everything else that changes what is known of these people wait for the end of this transaction, which must be `fresh`. */
export async function holdLearners(tx: Database, personIds: readonly string[]): Promise<void> {
  await tx('people')
    .whereIn('id', [...personIds])
    .orderBy('id')
    .forUpdate()
    .select('id');
}

export async function addObservations(db: Database, observations: readonly Observation[]): Promise<void> {
  if (observations.length === 0) return;
  await db('skill_observations').insert(
    observations.map(({ personId, attemptId, exerciseId, ...rest }) => ({ person_id: personId, attempt_id: attemptId, exercise_id: exerciseId, ...rest })),
  );
}

/** Takes another score for all that an attempt told. */
export async function scoreObservations(db: Database, attemptId: string, scores: ReadonlyMap<string, number>): Promise<void> {
  for (const [skill, score] of scores) await db('skill_observations').where({ attempt_id: attemptId, skill }).update({ score });
}

/** What attempts that count told of a person's skills, or of one, in the order in which they were made. */
export async function observationsOf(db: Database, personId: string, key?: SkillKey): Promise<Observation[]> {
  const rows: ObservationRow[] = await db('skill_observations as o')
    .join('attempts as a', 'a.id', 'o.attempt_id')
    .where({ 'o.person_id': personId, 'a.counts': true, ...(key ? { 'o.skill': key.skill, 'o.family': key.family } : {}) })
    .orderBy([{ column: 'o.at' }, { column: 'o.attempt_id' }])
    .select(OBSERVATION.map((column) => `o.${column}`));
  return rows.map(toObservation);
}

/** One attempt at a skill, as a curve is drawn from. */
export interface SkillTry extends Observation {
  readonly version: number;
  readonly title: string;
  readonly seconds: number;
}

/** A person's attempts that count at one skill, in the order in which they were made. */
export async function triesOf(db: Database, personId: string, skill: string): Promise<SkillTry[]> {
  const rows: (ObservationRow & { version: number; title: string; seconds: number })[] = await db('skill_observations as o')
    .join('attempts as a', 'a.id', 'o.attempt_id')
    .join('exercise_versions as v', versionOf('a'))
    .where({ 'o.person_id': personId, 'o.skill': skill, 'a.counts': true })
    .orderBy([{ column: 'o.at' }, { column: 'o.attempt_id' }])
    .select(...OBSERVATION.map((column) => `o.${column}`), 'a.version', 'a.seconds', 'v.title');
  return rows.map((row) => ({ ...toObservation(row), version: row.version, title: row.title, seconds: row.seconds }));
}

/** What each criterion cost in the steps of a skill in these attempts, as shares of what was to gain, summed; the largest first. */
export async function lossesIn(db: Database, skill: string, attemptIds: readonly string[]): Promise<{ criterion: string; lost: number }[]> {
  if (attemptIds.length === 0) return [];
  const rows: { criterion: string; lost: number }[] = await db('attempt_criteria as c')
    .join('attempt_steps as t', function () {
      this.on('t.attempt_id', 'c.attempt_id').andOn('t.step', 'c.step');
    })
    .where('t.skill', skill)
    .whereIn('c.attempt_id', [...attemptIds])
    .whereNotNull('c.lost')
    .groupBy('c.criterion')
    .select('c.criterion', db.raw('sum(c.lost) as lost'))
    .orderBy([{ column: 'lost', order: 'desc' }, 'c.criterion']);
  return rows.filter(({ lost }) => lost > 0);
}

/** Which exercises these skills of a person were practised at. */
export async function exercisesBySkill(db: Database, personId: string): Promise<{ skill: string; family: SchemeFamily; exerciseId: string }[]> {
  const rows: { skill: string; family: SchemeFamily; exercise_id: string }[] = await db('skill_observations')
    .where({ person_id: personId })
    .distinct('skill', 'family', 'exercise_id');
  return rows.map((row) => ({ skill: row.skill, family: row.family, exerciseId: row.exercise_id }));
}

/** First tries of a skill by exercise. */
export async function firstTries(db: Database, skill: string): Promise<Map<string, FirstTries>> {
  const rows: { exercise_id: string; learners: number; odds_millionths: number }[] = await db('first_tries').where({ skill });
  return new Map(rows.map((row) => [row.exercise_id, { learners: row.learners, odds: Number(row.odds_millionths) / MILLIONTHS }]));
}

export async function addFirstTry(db: Database, { exerciseId, skill, score }: Pick<Observation, 'exerciseId' | 'skill' | 'score'>): Promise<void> {
  const more = oddsKept(score);
  await db.raw(
    'insert into first_tries (skill, exercise_id, learners, odds_millionths) values (?, ?, 1, ?) on duplicate key update learners = learners + 1, odds_millionths = odds_millionths + ?',
    [skill, exerciseId, more, more],
  );
}

/** A person's first attempt that counts at an exercise, of those that tell of a skill; null: none. */
export async function firstTryOf(
  db: Database,
  { personId, exerciseId, skill }: Pick<Observation, 'personId' | 'exerciseId' | 'skill'>,
): Promise<string | null> {
  const row = await db('skill_observations as o')
    .join('attempts as a', 'a.id', 'o.attempt_id')
    .where({ 'o.exercise_id': exerciseId, 'o.skill': skill, 'o.person_id': personId, 'a.counts': true })
    .orderBy(['o.at', 'o.attempt_id'])
    .first('o.attempt_id');
  return row?.attempt_id ?? null;
}

/** Counts the first tries at these exercises, or at all, anew, in a `fresh` transaction. */
export async function recountFirstTries(db: Database, exerciseIds?: readonly string[]): Promise<void> {
  // Whoever hands in at one of them waits, or is counted.
  await db('first_tries')
    .modify((query) => void (exerciseIds && query.whereIn('exercise_id', [...exerciseIds])))
    .forUpdate()
    .select('skill');
  const rows: { skill: string; exercise_id: string; score: number }[] = await db
    .from(
      db('skill_observations as o')
        .join('attempts as a', 'a.id', 'o.attempt_id')
        .where('a.counts', true)
        .modify((query) => void (exerciseIds && query.whereIn('o.exercise_id', [...exerciseIds])))
        .select(
          'o.skill',
          'o.exercise_id',
          'o.score',
          db.raw('row_number() over (partition by o.exercise_id, o.skill, o.person_id order by o.at, o.attempt_id) as n'),
        )
        .as('tries'),
    )
    .where('n', 1)
    .select('skill', 'exercise_id', 'score');
  const sums = new Map<string, { skill: string; exercise_id: string; learners: number; odds_millionths: number }>();
  for (const { skill, exercise_id, score } of rows) {
    const key = `${skill} ${exercise_id}`;
    const sum = sums.get(key) ?? { skill, exercise_id, learners: 0, odds_millionths: 0 };
    sum.learners += 1;
    sum.odds_millionths += oddsKept(score);
    sums.set(key, sum);
  }
  await db('first_tries')
    .modify((query) => void (exerciseIds && query.whereIn('exercise_id', [...exerciseIds])))
    .delete();
  if (sums.size > 0)
    await db('first_tries')
      .insert([...sums.values()])
      .onConflict()
      .merge();
}

interface LevelRow {
  person_id: string;
  skill: string;
  family: SchemeFamily;
  theta: number;
  variance: number;
  at: Date;
  count: number;
  days: number;
  last_day: string;
  last_hinted: number;
}

const toLevel = (row: LevelRow): SkillLevel => ({
  theta: row.theta,
  variance: row.variance,
  at: row.at.getTime() / DAY,
  count: row.count,
  days: row.days,
  lastDay: row.last_day,
  lastHinted: Boolean(row.last_hinted),
});

/** A level and a schedule as they stand, held for this transaction; null: none yet. */
export async function standing(db: Database, key: SkillKey): Promise<{ level: SkillLevel; schedule: Schedule } | null> {
  const level: LevelRow | undefined = await db('skill_levels').where(keyed(key)).forUpdate().first();
  const schedule = level && (await db('schedules').where(keyed(key)).first('content'));
  // Written by `keepStanding` from a schedule.
  return schedule ? { level: toLevel(level), schedule: parseColumn(schedule.content) as Schedule } : null;
}

export async function keepStanding(
  db: Database,
  key: SkillKey,
  { level, schedule }: { readonly level: SkillLevel; readonly schedule: Schedule },
): Promise<void> {
  const { theta, variance, count, days } = level;
  const row = { theta, variance, at: new Date(Math.round(level.at * DAY)), count, days, last_day: level.lastDay, last_hinted: level.lastHinted };
  await db('skill_levels')
    .insert({ ...keyed(key), ...row })
    .onConflict()
    .merge();
  await db('schedules')
    .insert({ ...keyed(key), due_at: new Date(schedule.memory.due), content: JSON.stringify(schedule) })
    .onConflict()
    .merge();
}

/** Takes away what is known of a person's skills, or of one of them. */
export async function forgetStandings(db: Database, personId: string, key?: SkillKey): Promise<void> {
  for (const table of ['skill_levels', 'schedules'])
    await db(table)
      .where(key ? keyed(key) : { person_id: personId })
      .delete();
}

/** Levels of these people. */
export async function levelsOf(db: Database, personIds: readonly string[]): Promise<(SkillKey & { readonly level: SkillLevel; readonly dueAt: Date })[]> {
  if (personIds.length === 0) return [];
  const rows: (LevelRow & { due_at: Date })[] = await db('skill_levels as l')
    .join('schedules as d', function () {
      this.on('d.person_id', 'l.person_id').andOn('d.skill', 'l.skill').andOn('d.family', 'l.family');
    })
    .whereIn('l.person_id', [...personIds])
    .orderBy(['l.person_id', 'l.skill', 'l.family'])
    .select('l.*', 'd.due_at');
  return rows.map((row) => ({ personId: row.person_id, skill: row.skill, family: row.family, level: toLevel(row), dueAt: row.due_at }));
}

/** Takes away all that attempts told, and all that came of it; the attempts stay. */
export async function forgetObservations(db: Database): Promise<void> {
  for (const table of ['skill_observations', 'skill_levels', 'schedules', 'first_tries']) await db(table).delete();
}

/** Attempts of which it was not yet kept what they tell, in the order in which they were handed in. */
export async function attemptsNotTaken(db: Database): Promise<string[]> {
  const rows: { id: string }[] = await db('attempts as a')
    .whereNotNull('a.handed_in_at')
    .whereNotExists((query) => query.from('skill_observations as o').whereRaw('o.attempt_id = a.id').select(db.raw('1')))
    .orderBy(['a.handed_in_at', 'a.id'])
    .select('a.id');
  return rows.map(({ id }) => id);
}

/** Everybody of whom something is known. */
export const peopleObserved = async (db: Database): Promise<string[]> =>
  (await db('skill_observations').distinct('person_id').orderBy('person_id')).map((row: { person_id: string }) => row.person_id);
