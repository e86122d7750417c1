import {
  type Concern,
  type CountedSlip,
  concernsAbout,
  groupedBy,
  type Habit,
  habitsOf,
  isStalled,
  LATEST,
  type LevelShown,
  levelShown,
  type Reason,
  type SchemeFamily,
  SKILLS,
  type SkillState,
  skillLabel,
  skillState,
  THRESHOLD,
  whatNext,
} from '@core';
import Papa from 'papaparse';
import { dayAt } from '../day';
import { type AttemptBrief, type AttemptLine, attemptLines, attemptsInBrief, costliestOf, linesOf, refusedLines, slipLines } from '../repositories/attempts';
import { coursesOfGroups, thresholdsOf } from '../repositories/courses';
import { findVersion, versionKey, versionTitles } from '../repositories/exercises';
import { extraDaysOf } from '../repositories/notes';
import { schemeNames } from '../repositories/schemes';
import { exercisesBySkill, levelsOf, lossesIn, type SkillKey, type SkillTry, triesOf } from '../repositories/skills';
import type { Person, RequestContext } from '../service';
import { type AssignmentSeen, assignmentsOfGroup } from './assigning';
import { mayKnow } from './attempts';
import { type CourseOfGroup, courseOfGroup } from './courses';
import { type CourseSeen, givenTo, type InOrder, inOrder } from './given';
import { peopleOfGroup, personSeen } from './people';

const DAY = 86_400_000;

/** Best and last of an exercise for one learner. */
export interface ExerciseStanding {
  readonly exerciseId: string;
  readonly title: string;
  readonly dueOn: string | null;
  /** The first day on which it can be practised; null: any day. */
  readonly from: string | null;
  readonly attempts: number;
  readonly best: number | null;
  /** The attempt that was the best, the first of equal ones. */
  readonly bestId: string | null;
  readonly last: number | null;
  readonly flashes: number;
  readonly stuck: boolean;
}

/** A skill of one learner under a family of schemes, as it stands now. */
export interface SkillSeen {
  readonly skill: string;
  readonly family: SchemeFamily;
  readonly shown: LevelShown;
  readonly state: SkillState;
  readonly count: number;
  /** Day of the last attempt, yyyy-mm-dd. */
  readonly lastDay: string;
  /** When it should be practised again. */
  readonly dueAt: Date;
}

function standingOf(assignment: InOrder, mine: readonly AttemptBrief[]): ExerciseStanding {
  const scores = mine.map((line) => line.score);
  const best = mine.reduce<AttemptBrief | null>((most, line) => (most && most.score >= line.score ? most : line), null);
  return {
    exerciseId: assignment.exerciseId,
    title: assignment.title,
    dueOn: assignment.dueOn,
    from: assignment.from,
    attempts: mine.length,
    best: best?.score ?? null,
    bestId: best?.id ?? null,
    last: scores.at(-1) ?? null,
    flashes: mine.reduce((most, line) => Math.max(most, line.flashes), 0),
    stuck: isStalled(scores),
  };
}

/** How a learner stands with each of these exercises. `lines`: their attempts, oldest first. */
function standingsOf(assignments: readonly InOrder[], lines: readonly AttemptBrief[]): ExerciseStanding[] {
  const byExercise = groupedBy(
    lines.filter(({ counts }) => counts),
    ({ exerciseId }) => exerciseId,
  );
  return assignments.map((assignment) => standingOf(assignment, byExercise.get(assignment.exerciseId) ?? []));
}

/** Levels of people as they stand now, in the order in which skills are taught. */
export async function skillsSeen(asked: RequestContext, personIds: readonly string[]): Promise<Map<string, SkillSeen[]>> {
  const now = asked.now().getTime() / DAY;
  const [levels, thresholds] = await Promise.all([levelsOf(asked.db, personIds), thresholdsOf(asked.db, personIds)]);
  const seen = levels.map(({ level, dueAt, ...key }): SkillKey & SkillSeen => ({
    ...key,
    shown: levelShown(level, now),
    state: skillState(level, now, thresholds.get(key.personId) ?? THRESHOLD),
    count: level.count,
    lastDay: level.lastDay,
    dueAt,
  }));
  const place = new Map<string, number>(SKILLS.map(({ id }, i) => [id, i]));
  const placeOf = (skill: string): number => place.get(skill) ?? SKILLS.length;
  const byPerson = groupedBy(seen, ({ personId }) => personId);
  for (const skills of byPerson.values()) skills.sort((a, b) => placeOf(a.skill) - placeOf(b.skill));
  return byPerson;
}

export interface Progress {
  readonly person: Person;
  readonly attempts: readonly AttemptLine[];
  readonly standings: readonly ExerciseStanding[];
  readonly courses: readonly CourseSeen[];
  /** Exercises that are not open yet, each with the reason as a sentence. */
  readonly closed: ReadonlyMap<string, string>;
  readonly skills: readonly SkillSeen[];
  readonly slips: readonly CountedSlip[];
  /** Habits of an earlier scheme, the most frequent of late first. */
  readonly habits: readonly (Habit & { readonly scheme: string })[];
  /** Attempts that could not be scored, newest first. */
  readonly refused: readonly { readonly id: string; readonly title: string; readonly why: string; readonly at: Date }[];
}

export async function progressOf(asked: RequestContext, personId: string): Promise<Progress> {
  const person = await personSeen(asked, personId);
  const [attempts, skills, slips, refused] = await Promise.all([
    attemptLines(asked.db, [personId]),
    skillsSeen(asked, [personId]),
    slipLines(asked.db, [personId]),
    refusedLines(asked.db, [personId]),
  ]);
  const flashed = new Set(attempts.flatMap(({ counts, flashes, exerciseId }) => (counts && flashes > 0 ? [exerciseId] : [])));
  const { assigned, courses, closed } = await givenTo(asked, personId, flashed);
  const habits = habitsOf(
    attempts.filter((line) => line.counts),
    slips,
  );
  const names = await schemeNames(asked.db, [...new Set(habits.map((habit) => habit.schemeId))]);
  return {
    person,
    attempts,
    standings: standingsOf(assigned, attempts),
    courses,
    closed,
    skills: skills.get(personId) ?? [],
    slips,
    habits: habits.map((habit) => ({ ...habit, scheme: names.get(habit.schemeId) ?? '' })),
    refused,
  };
}

export interface SkillOpened {
  readonly tries: readonly SkillTry[];
  /** Share of all that was lost, by criterion, the largest first; without exercises whose target is hidden from who asks. */
  readonly losses: readonly { readonly criterion: string; readonly share: number }[];
}

/** What there is to see of one skill of a learner: every attempt that counts, and what it lost. */
export async function skillOpened(asked: RequestContext, personId: string, skill: string): Promise<SkillOpened> {
  await personSeen(asked, personId);
  const tries = await triesOf(asked.db, personId, skill);
  const told: string[] = [];
  for (const { attemptId, exerciseId, version: number } of tries) {
    // Versions are read once a process.
    const version = await findVersion(asked.db, exerciseId, number);
    if (version && mayKnow(asked, version)) told.push(attemptId);
  }
  const losses = await lossesIn(asked.db, skill, told);
  const all = losses.reduce((sum, { lost }) => sum + lost, 0);
  return { tries, losses: losses.map(({ criterion, lost }) => ({ criterion, share: lost / all })) };
}

export interface Today {
  readonly progress: Progress;
  readonly reasons: readonly Reason[];
}

/** Families as one says what one practises with. */
const WITH: Record<SchemeFamily, string> = { mouse: 'the mouse', touch: 'fingers or pen', keyboard: 'the keyboard', puck: 'the 3D mouse' };

/** What the one who asks should practise, and why. */
export async function todayOf(asked: RequestContext): Promise<Today> {
  const progress = await progressOf(asked, asked.who.id);
  const practisedAt = await exercisesBySkill(asked.db, asked.who.id);
  const now = asked.now();
  const due = progress.skills
    .filter(({ dueAt }) => dueAt <= now)
    .map(({ skill, family, dueAt, lastDay, state }) => ({
      skill,
      family: WITH[family],
      label: skillLabel(skill),
      dueAt: dueAt.getTime(),
      lastDay,
      fading: state === 'fading',
      schemeId: progress.attempts.findLast((line) => line.family === family)?.schemeId,
      exerciseIds: practisedAt.filter((each) => each.skill === skill && each.family === family).map(({ exerciseId }) => exerciseId),
    }));
  const open = progress.standings.filter(({ exerciseId }) => !progress.closed.has(exerciseId));
  return { progress, reasons: whatNext(dayAt(now, asked.zone), open, due) };
}

export interface LearnerRow {
  readonly person: Person;
  readonly skills: readonly SkillSeen[];
  readonly standings: readonly ExerciseStanding[];
  readonly lastAt: Date | null;
  /** Scores of the latest attempts that count, oldest first. */
  readonly latest: readonly number[];
  readonly concerns: readonly Concern[];
}

export interface GroupProgress {
  readonly group: { readonly id: string; readonly name: string };
  readonly learners: readonly LearnerRow[];
  readonly assignments: readonly AssignmentSeen[];
  readonly courses: readonly CourseOfGroup[];
  /** Newest first. */
  readonly recent: readonly (AttemptLine & { readonly personName: string })[];
}

const RECENT_SHOWN = 14;
/** Latest attempts of a learner that are drawn. */
const LATEST_SHOWN = 10;

/** Days between which attempts are looked at, yyyy-mm-dd where the station is; left out: however early or late. */
export interface Dates {
  readonly from?: string | undefined;
  readonly to?: string | undefined;
}

/**
 * How a group stands. `dates`: of which days attempts, and what was reached with them, are told; levels, and who needs a word,
 * are of all time.
 */
export async function groupProgress(asked: RequestContext, groupId: string, { from, to }: Dates = {}): Promise<GroupProgress> {
  const { group, trainees } = await peopleOfGroup(asked, groupId);
  const [given, plans] = await Promise.all([assignmentsOfGroup(asked, groupId), coursesOfGroups(asked.db, [groupId])]);
  const ordered = inOrder(given, plans);
  const place = new Map(ordered.map(({ exerciseId }, i) => [exerciseId, i]));
  const assignments = [...given].sort((a, b) => (place.get(a.exerciseId) ?? 0) - (place.get(b.exerciseId) ?? 0));
  const ids = trainees.map((person) => person.id);
  const [attempts, skills, extra] = await Promise.all([attemptsInBrief(asked.db, ids), skillsSeen(asked, ids), extraDaysOf(asked.db, ids)]);
  const within = ({ handedInAt }: AttemptBrief): boolean => {
    const day = from || to ? dayAt(handedInAt, asked.zone) : '';
    return (!from || day >= from) && (!to || day <= to);
  };
  const byPerson = groupedBy(attempts, ({ personId }) => personId);
  const latestIds = [...byPerson.values()].flatMap((mine) =>
    mine
      .filter(({ counts }) => counts)
      .slice(-LATEST)
      .map(({ id }) => id),
  );
  const newestIds = attempts
    .filter(within)
    .sort((a, b) => b.handedInAt.getTime() - a.handedInAt.getTime() || b.id.localeCompare(a.id))
    .slice(0, RECENT_SHOWN)
    .map(({ id }) => id);
  const [costs, slips, titles, newest] = await Promise.all([
    costliestOf(asked.db, latestIds),
    slipLines(asked.db, ids),
    versionTitles(
      asked.db,
      attempts.map(({ exerciseId }) => exerciseId),
    ),
    linesOf(asked.db, newestIds),
  ]);
  const oldGestures = new Map<string, number>();
  for (const { attemptId, times } of slips) oldGestures.set(attemptId, (oldGestures.get(attemptId) ?? 0) + times);
  const names = new Map(trainees.map((person) => [person.id, person.name]));
  const now = asked.now();
  const today = dayAt(now, asked.zone);
  const learners = trainees.map((person): LearnerRow => {
    const mine = byPerson.get(person.id) ?? [];
    const looked = from || to ? mine.filter(within) : mine;
    const days = extra.get(person.id) ?? 0;
    const asks = days > 0 ? inOrder(given, plans, days) : ordered;
    const standings = standingsOf(asks, mine);
    const facts = mine
      .filter(({ counts }) => counts)
      .map(({ id, exerciseId, version, handedInAt, score, seconds }) => ({
        id,
        exerciseId,
        title: titles.get(versionKey(exerciseId, version)) ?? '',
        at: handedInAt.getTime(),
        score,
        seconds,
        oldGestures: oldGestures.get(id) ?? 0,
        costliest: costs.get(id) ?? null,
      }));
    return {
      person,
      skills: skills.get(person.id) ?? [],
      standings: looked === mine ? standings : standingsOf(asks, looked),
      lastAt: mine.at(-1)?.handedInAt ?? null,
      latest: looked
        .filter(({ counts }) => counts)
        .slice(-LATEST_SHOWN)
        .map(({ score }) => score),
      concerns: concernsAbout(facts, {
        now: now.getTime(),
        due: standings.filter(({ dueOn, from, flashes }) => flashes === 0 && (from ?? '') <= today && (dueOn === null || dueOn <= today)).length,
        given: standings.some(({ from }) => (from ?? '') <= today),
      }),
    };
  });
  const recent = newest.map((line) => ({ ...line, personName: names.get(line.personId) ?? '' })).reverse();
  return { group, learners, assignments, courses: plans.map(courseOfGroup), recent };
}

const csvNumber = (value: number | null, digits = 1): string => (value === null ? '' : value.toFixed(digits));

/** All attempts of one learner. */
export async function progressCsv(asked: RequestContext, personId: string): Promise<string> {
  const { attempts, person, slips } = await progressOf(asked, personId);
  return Papa.unparse(
    attempts.map((line) => ({
      learner: person.name,
      exercise: line.title,
      handed_in: line.handedInAt.toISOString(),
      scheme: line.schemeId,
      family: line.family,
      score: csvNumber(line.score),
      flashes: line.flashes,
      seconds: csvNumber(line.seconds),
      gestures: line.gestures,
      late: line.late ? 'yes' : '',
      counts: line.counts ? 'yes' : 'no',
      slips: slips.reduce((sum, slip) => sum + (slip.attemptId === line.id ? slip.times : 0), 0),
    })),
    // A cell that begins like a formula is not to be run by a spreadsheet.
    { escapeFormulae: true },
  );
}

/** Learners by skills and families; a level that few attempts tell is left empty. */
export async function groupCsv(asked: RequestContext, groupId: string): Promise<string> {
  const { learners } = await groupProgress(asked, groupId);
  const rows = learners.flatMap(({ person, skills }) =>
    skills.map(({ skill, family, shown, state, count, lastDay }) => [
      person.name,
      skillLabel(skill),
      family,
      csvNumber(state === 'few' ? null : shown.level),
      csvNumber(state === 'few' ? null : shown.low),
      csvNumber(state === 'few' ? null : shown.high),
      state,
      count,
      lastDay,
    ]),
  );
  return Papa.unparse(
    { fields: ['learner', 'skill', 'family', 'level', 'low', 'high', 'state', 'attempts', 'last_day'], data: rows },
    { escapeFormulae: true },
  );
}
