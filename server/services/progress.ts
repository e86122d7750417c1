import { type CountedSlip, type Habit, habitsOf, isStuck, type Level, levelOf, type SchemeFamily, SKILLS, skillLabel } from '@core';
import Papa from 'papaparse';
import { type AttemptLine, attemptLines, refusedLines, type StepLine, slipLines, stepLines } from '../repositories/attempts';
import { type Assignment, assignmentsOfPerson } from '../repositories/exercises';
import { schemeNames } from '../repositories/schemes';
import type { Person, RequestContext } from '../service';
import { type AssignmentSeen, assignmentsOfGroup } from './assigning';
import { peopleOfGroup, personSeen } from './people';

/** Best and last of an exercise for one learner. */
export interface ExerciseStanding {
  readonly exerciseId: string;
  readonly title: string;
  readonly dueOn: string | null;
  readonly attempts: number;
  readonly best: number | null;
  readonly last: number | null;
  readonly flashes: number;
  readonly stuck: boolean;
}

export interface SkillLevel {
  readonly skill: string;
  readonly family: SchemeFamily;
  readonly level: Level;
}

function standingOf(assignment: Pick<Assignment, 'exerciseId' | 'title' | 'dueOn'>, lines: readonly AttemptLine[]): ExerciseStanding {
  const mine = lines.filter((line) => line.exerciseId === assignment.exerciseId && line.counts);
  const scores = mine.map((line) => line.score);
  return {
    exerciseId: assignment.exerciseId,
    title: assignment.title,
    dueOn: assignment.dueOn,
    attempts: mine.length,
    best: scores.length > 0 ? Math.max(...scores) : null,
    last: scores.at(-1) ?? null,
    flashes: mine.reduce((most, line) => Math.max(most, line.flashes), 0),
    stuck: isStuck(scores),
  };
}

/** Level of each skill under each family of schemes; nothing on fewer than three attempts. */
export function skillLevels(lines: readonly StepLine[]): SkillLevel[] {
  const scores = new Map<string, { skill: string; family: SchemeFamily; scores: number[] }>();
  for (const line of lines) {
    const key = `${line.skill} ${line.family}`;
    const entry = scores.get(key) ?? { skill: line.skill, family: line.family, scores: [] };
    entry.scores.push(line.score);
    scores.set(key, entry);
  }
  return [...scores.values()].flatMap((entry) => {
    const level = levelOf(entry.scores);
    return level ? [{ skill: entry.skill, family: entry.family, level }] : [];
  });
}

export interface Progress {
  readonly person: Person;
  readonly attempts: readonly AttemptLine[];
  readonly standings: readonly ExerciseStanding[];
  readonly skills: readonly SkillLevel[];
  readonly slips: readonly CountedSlip[];
  /** Habits of an earlier scheme, the most frequent of late first. */
  readonly habits: readonly (Habit & { readonly scheme: string })[];
  /** Attempts that could not be scored, newest first. */
  readonly refused: readonly { readonly id: string; readonly title: string; readonly why: string; readonly at: Date }[];
}

export async function progressOf(asked: RequestContext, personId: string): Promise<Progress> {
  const person = await personSeen(asked, personId);
  const [attempts, steps, slips, assigned, refused] = await Promise.all([
    attemptLines(asked.db, [personId]),
    stepLines(asked.db, [personId]),
    slipLines(asked.db, [personId]),
    assignmentsOfPerson(asked.db, personId),
    refusedLines(asked.db, [personId]),
  ]);
  const habits = habitsOf(
    attempts.filter((line) => line.counts),
    slips,
  );
  const names = await schemeNames(asked.db, [...new Set(habits.map((habit) => habit.schemeId))]);
  return {
    person,
    attempts,
    standings: assigned.map((assignment) => standingOf(assignment, attempts)),
    skills: skillLevels(steps),
    slips,
    habits: habits.map((habit) => ({ ...habit, scheme: names.get(habit.schemeId) ?? '' })),
    refused,
  };
}

export interface LearnerRow {
  readonly person: Person;
  readonly skills: readonly SkillLevel[];
  readonly standings: readonly ExerciseStanding[];
  readonly lastAt: Date | null;
}

export interface GroupProgress {
  readonly group: { readonly id: string; readonly name: string };
  readonly learners: readonly LearnerRow[];
  readonly assignments: readonly AssignmentSeen[];
  /** Newest first. */
  readonly recent: readonly (AttemptLine & { readonly personName: string })[];
}

const RECENT_SHOWN = 60;

export async function groupProgress(asked: RequestContext, groupId: string): Promise<GroupProgress> {
  const { group, trainees } = await peopleOfGroup(asked, groupId);
  const assignments = await assignmentsOfGroup(asked, groupId);
  const ids = trainees.map((person) => person.id);
  const [lines, steps] = await Promise.all([attemptLines(asked.db, ids), stepLines(asked.db, ids)]);
  const names = new Map(trainees.map((person) => [person.id, person.name]));
  const learners = trainees.map((person): LearnerRow => {
    const mine = lines.filter((line) => line.personId === person.id);
    return {
      person,
      skills: skillLevels(steps.filter((step) => step.personId === person.id)),
      standings: assignments.map((a) => standingOf(a, mine)),
      lastAt: mine.at(-1)?.handedInAt ?? null,
    };
  });
  const recent = lines
    .slice(-RECENT_SHOWN)
    .reverse()
    .map((line) => ({ ...line, personName: names.get(line.personId) ?? '' }));
  return { group, learners, assignments, recent };
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

/** Learners by skills and families. */
export async function groupCsv(asked: RequestContext, groupId: string): Promise<string> {
  const { learners } = await groupProgress(asked, groupId);
  const rows = learners.flatMap(({ person, skills }) =>
    [...skills]
      .sort((a, b) => SKILLS.findIndex((s) => s.id === a.skill) - SKILLS.findIndex((s) => s.id === b.skill))
      .map(({ skill, family, level }) => ({
        learner: person.name,
        skill: skillLabel(skill),
        family,
        level: csvNumber(level.score),
        spread: csvNumber(level.spread),
        attempts: level.count,
      })),
  );
  return Papa.unparse(
    { fields: ['learner', 'skill', 'family', 'level', 'spread', 'attempts'], data: rows.map((row) => Object.values(row)) },
    { escapeFormulae: true },
  );
}
