import { CRITERIA, type CriterionId } from '../criteria';
import { median } from '../math';
import { regress } from './regress';

/** One attempt that counts at an exercise; they come in the order in which they were made. */
export interface HealthTry {
  readonly personId: string;
  readonly score: number;
  readonly seconds: number;
}

/** What attempts at one published version tell of it. */
export interface ExerciseStats {
  readonly attempts: number;
  readonly learners: number;
  /** Mean score of the learners' first attempts: how easy it is. */
  readonly firstMean: number;
  /** Correlation of the first scores with the learners' level on the rest of the skill, -1 … 1; null: of fewer than FEWEST_APART learners. */
  readonly discrimination: number | null;
  readonly medianSeconds: number;
  /** Share of all that was lost, by criterion, the largest first. */
  readonly losses: readonly { readonly criterion: string; readonly share: number }[];
}

/** Learners from whom on it is told whether an exercise tells them apart, and from whom on it is called easy or hard. */
const FEWEST_APART = 15;
const FEWEST_JUDGED = 5;
const EASY = 90;
const HARD = 30;
const APART = 0.1;
/** Openings from which on it is told that it is often left, and the share of them. */
const FEWEST_OPENED = 10;
const OFTEN = 0.3;
/** Tries of the author's own from which on its tolerances are held against them, and the share of those that lose points. */
const FEWEST_OWN = 3;
const MOST_LOSE = 0.5;

/** How the author's own attempts met a criterion: how many there were, and how many lost points by it. */
export interface OwnTries {
  readonly criterion: CriterionId;
  readonly tries: number;
  readonly lost: number;
}

/** What the attempts of one person at one exercise told of one skill: log-odds by how hard the exercise was, summed. */
export interface SkillSum {
  readonly skill: string;
  readonly exerciseId: string;
  readonly personId: string;
  readonly odds: number;
  readonly attempts: number;
}

/** Level of people on the rest of an exercise's skills, as log-odds: the mean of what they earned at other exercises. */
export function levelsOnTheRest(sums: readonly SkillSum[], exerciseId: string): Map<string, number> {
  const skills = new Set(sums.flatMap((sum) => (sum.exerciseId === exerciseId ? [sum.skill] : [])));
  const rest = new Map<string, { odds: number; attempts: number }>();
  for (const { skill, exerciseId: other, personId, odds, attempts } of sums) {
    if (other === exerciseId || !skills.has(skill)) continue;
    const known = rest.get(personId);
    rest.set(personId, { odds: (known?.odds ?? 0) + odds, attempts: (known?.attempts ?? 0) + attempts });
  }
  return new Map([...rest].map(([personId, { odds, attempts }]) => [personId, odds / attempts]));
}

/** `rest`: level of each learner on the rest of the skill, in any unit; `lost`: what each criterion cost. Null: nobody tried it. */
export function statsOf(
  tries: readonly HealthTry[],
  rest: ReadonlyMap<string, number>,
  lost: readonly { readonly criterion: string; readonly lost: number }[],
): ExerciseStats | null {
  if (tries.length === 0) return null;
  const firsts = new Map<string, number>();
  for (const { personId, score } of tries) if (!firsts.has(personId)) firsts.set(personId, score);
  const scores = [...firsts.values()];
  const both = [...firsts].flatMap(([personId, score]) => {
    const level = rest.get(personId);
    return level === undefined ? [] : [[level, score] as const];
  });
  const all = lost.reduce((sum, each) => sum + each.lost, 0);
  return {
    attempts: tries.length,
    learners: scores.length,
    firstMean: scores.reduce((sum, score) => sum + score, 0) / scores.length,
    discrimination: both.length < FEWEST_APART ? null : regress(both).r,
    // There is one, for there is a try.
    medianSeconds: median(tries.map(({ seconds }) => seconds)) as number,
    losses: lost
      .filter((each) => each.lost > 0)
      .map((each) => ({ criterion: each.criterion, share: each.lost / all }))
      .sort((a, b) => b.share - a.share || (a.criterion < b.criterion ? -1 : 1)),
  };
}

/** What an exercise suffers from, in words. */
export interface HealthFlag {
  readonly kind: 'easy' | 'hard' | 'same' | 'tight' | 'left';
  readonly words: string;
}

/** `opened`: attempts begun long enough ago to be over; `left`: those of them that were never handed in; `own`: the author's. */
export function healthFlags(
  stats: ExerciseStats | null,
  { opened, left, own = [] }: { readonly opened: number; readonly left: number; readonly own?: readonly OwnTries[] },
): HealthFlag[] {
  const flags: HealthFlag[] = [];
  if (stats && stats.learners >= FEWEST_JUDGED) {
    if (stats.firstMean >= EASY) flags.push({ kind: 'easy', words: 'Too easy: first attempts earn nearly everything' });
    if (stats.firstMean < HARD) flags.push({ kind: 'hard', words: 'Too hard: first attempts earn next to nothing' });
  }
  const apart = stats?.discrimination ?? null;
  if (apart !== null && apart < APART) flags.push({ kind: 'same', words: 'Tells nobody apart: who is good at the skill does no better here' });
  const tight = own.filter(({ tries, lost }) => tries >= FEWEST_OWN && lost / tries > MOST_LOSE);
  if (tight.length > 0)
    flags.push({
      kind: 'tight',
      words: `Tighter than the author: most of the author’s own tries lose points for ${tight.map(({ criterion }) => CRITERIA[criterion].label.toLowerCase()).join(', ')}`,
    });
  if (opened >= FEWEST_OPENED && left / opened > OFTEN)
    flags.push({ kind: 'left', words: `Often left: ${left} of ${opened} that were begun were never handed in` });
  return flags;
}
