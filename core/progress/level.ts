/**
 * How well a skill goes under a family of schemes, from the scores of attempts: a local-level Kalman filter (Durbin &
 * Koopman 2012, ch. 2) on the log-odds of a score.
 */

/**
 * R: variance of one attempt about the level: a score of 80 is followed by anything from 65 to 90 on an equal day.
 * Q: what the level may wander in a day without practice. perObservation: what one attempt may change (one learns by
 * trying). priorVariance: before anything is known, four of five levels lie between 5 and 95.
 */
export const LEVEL = { R: 0.64, Q: 0.02, perObservation: 0.06, priorVariance: 4 } as const;

/** Half the width of an 80 % interval, in standard deviations: a tenth lies outside on either side. */
const TENTH = 1.2816;
/** Attempts from which a level is shown, and from which, on this many days, a skill can be mastered. */
export const FEWEST = 3;
const FEWEST_DAYS = 2;

/** What is known of a level: `theta` on the scale of `oddsOf`, `at` in days. */
export interface LevelState {
  readonly theta: number;
  readonly variance: number;
  readonly at: number;
  readonly count: number;
}

/** What one attempt tells of a skill. `score`: 0 … 100, the mean of its steps; `at`: days; `helped`: with hints or live help. */
export interface Observed {
  readonly score: number;
  readonly at: number;
  readonly difficulty: number;
  readonly helped: boolean;
}

/** A score, 0 … 100, as log-odds; 2 points at either end keep it finite. */
export const oddsOf = (score: number): number => Math.log((score + 2) / (102 - score));
const scoreAt = (theta: number): number => Math.min(100, Math.max(0, 104 / (1 + Math.exp(-theta)) - 2));

/** The level after one more attempt; `state` null: before the first. */
export function updateLevel(state: LevelState | null, { score, at, difficulty, helped }: Observed): LevelState {
  const before = state ? state.variance + LEVEL.Q * Math.max(0, at - state.at) + LEVEL.perObservation : LEVEL.priorVariance;
  const theta = state?.theta ?? 0;
  const noise = helped ? 2 * LEVEL.R : LEVEL.R;
  const gain = before / (before + noise);
  return {
    theta: theta + gain * (oddsOf(score) + difficulty - theta),
    variance: (1 - gain) * before,
    at: state ? Math.max(state.at, at) : at,
    count: (state?.count ?? 0) + 1,
  };
}

export interface LevelShown {
  /** 0 … 100 */
  readonly level: number;
  /** Ends of the 80 % interval. */
  readonly low: number;
  readonly high: number;
}

/** A level as points at a time, days; its interval widens while nothing is practised. */
export function levelShown({ theta, variance, at }: LevelState, now: number): LevelShown {
  const half = TENTH * Math.sqrt(variance + LEVEL.Q * Math.max(0, now - at));
  return { level: scoreAt(theta), low: scoreAt(theta - half), high: scoreAt(theta + half) };
}

/** First attempts of learners at an exercise, for one of its skills: how many, and the sum of their log-odds. */
export interface FirstTries {
  readonly learners: number;
  readonly odds: number;
}

/**
 * How much harder an exercise is than the others of a skill, in log-odds, drawn towards 0 while few have tried it:
 * `exercise` its own first tries, `skill` those at all exercises of the skill, its own among them.
 */
export function difficultyOf(exercise: FirstTries, skill: FirstTries): number {
  if (exercise.learners === 0 || skill.learners === 0) return 0;
  const harder = skill.odds / skill.learners - exercise.odds / exercise.learners;
  return (harder * exercise.learners) / (exercise.learners + 5);
}

/** A level with what mastery asks beside it. */
export interface SkillLevel extends LevelState {
  /** Days on which it was practised. */
  readonly days: number;
  /** The last of them, yyyy-mm-dd where the station is. */
  readonly lastDay: string;
  /** Whether the last attempt took a hint. */
  readonly lastHinted: boolean;
}

/** An attempt as it changes a skill: `day` where the station is, yyyy-mm-dd. */
export interface Practised extends Observed {
  readonly day: string;
  readonly hinted: boolean;
}

export function practised(state: SkillLevel | null, attempt: Practised): SkillLevel {
  const sameDay = state !== null && attempt.day <= state.lastDay;
  return {
    ...updateLevel(state, attempt),
    days: (state?.days ?? 0) + (sameDay ? 0 : 1),
    lastDay: sameDay ? state.lastDay : attempt.day,
    lastHinted: attempt.hinted,
  };
}

/** Few: fewer than three attempts. Fading: it was mastered when it was last practised, and is no longer sure. */
export type SkillState = 'few' | 'learning' | 'mastered' | 'fading';

/** How a skill stands at a time, days; mastered: at least `threshold` with nine in ten, on two days, the last without a hint. */
export function skillState(level: SkillLevel, now: number, threshold: number): SkillState {
  if (level.count < FEWEST) return 'few';
  if (level.days < FEWEST_DAYS || level.lastHinted) return 'learning';
  if (levelShown(level, now).low >= threshold) return 'mastered';
  return levelShown(level, level.at).low >= threshold ? 'fading' : 'learning';
}

/** The level from which a skill counts as mastered, where a course does not say otherwise. */
export const THRESHOLD = 80;
