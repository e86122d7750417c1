import { groupedBy, randomFrom } from '../math';
import { FEWEST_FOR_CURVE, tellsMore } from './forecast';
import { attemptsToReach, curveFitter } from './learningCurve';

/** One degree of freedom of a movement: how far it had to go, how far off it ended, and how far off still earns everything, in one unit. */
export interface WayGone {
  /** Which one, the same in every attempt at an exercise: step and criterion. */
  readonly key: string;
  readonly start: number;
  readonly end: number;
  readonly full: number;
}

/** One attempt at an exercise under a scheme; they come in the order in which they were made. */
export interface SchemeTry {
  readonly exerciseId: string;
  readonly schemeId: string;
  /** Seconds of movement. */
  readonly seconds: number;
  readonly ways: readonly WayGone[];
}

/** Attempts under each scheme before an exercise is compared, how many of the last are timed, and exercises before schemes are. */
export const FEWEST_TRIES = 3;
const TIMED = 3;
export const FEWEST_COMPARED = 4;
/** Of a normal distribution, that many deviations hold 96 % (ISO 9241-411). */
const EFFECTIVE = 4.133;
const BOOTSTRAPS = 1000;

const meanOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * Throughput of one exercise under one scheme, bits a second (ISO 9241-411 in spirit, by degrees of freedom): ID = sum of
 * log2(D / W + 1), D the mean way from start to target, W = 4.133 times the root mean square of the end errors, at least half
 * of what earns everything; ID over the time of each of the last three attempts, their mean. Null: no way, or no time.
 */
export function throughputOf(tries: readonly SchemeTry[]): number | null {
  const gone = groupedBy(
    tries.flatMap(({ ways }) => ways),
    ({ key }) => key,
  );
  let bits = 0;
  for (const ways of gone.values()) {
    const errors = Math.sqrt(meanOf(ways.map(({ end }) => end * end)));
    const width = Math.max(EFFECTIVE * errors, Math.max(...ways.map(({ full }) => full)) / 2);
    if (width > 0) bits += Math.log2(meanOf(ways.map(({ start }) => Math.abs(start))) / width + 1);
  }
  const timed = tries.slice(-TIMED).filter(({ seconds }) => seconds > 0);
  return bits > 0 && timed.length > 0 ? meanOf(timed.map(({ seconds }) => bits / seconds)) : null;
}

export interface ExerciseCompared {
  readonly exerciseId: string;
  /** Bits a second under the one scheme and the other. */
  readonly one: number;
  readonly other: number;
}

export interface SchemesCompared {
  readonly exercises: readonly ExerciseCompared[];
  /** Throughput of the one over that of the other, the geometric mean over the exercises; null: of fewer than FEWEST_COMPARED. */
  readonly ratio: { readonly likely: number; readonly low: number; readonly high: number } | null;
  /** Further attempts at each exercise until the slower scheme is as quick as the other is today; Infinity: not as it goes; null: nothing to draw it from. */
  readonly meetIn: number | null;
}

/** The curve of times over attempts at one exercise, each as a multiple of `usual`; null where it tells no more than a mean. */
function curveOf(byExercise: readonly (readonly SchemeTry[])[], usual: (exerciseId: string) => number) {
  const points = byExercise.flatMap((tries) => tries.map(({ exerciseId, seconds }, i) => ({ n: i + 1, t: seconds / usual(exerciseId) })));
  if (points.length < FEWEST_FOR_CURVE) return null;
  const times = points.map(({ t }) => t);
  const fit = curveFitter(points.map(({ n }) => n)).exact(times);
  const mean = meanOf(times);
  const squares = times.reduce((sum, t) => sum + (t - mean) ** 2, 0);
  if (!tellsMore(squares, fit.squares, points.length - 3)) return null;
  const made = meanOf(byExercise.map(({ length }) => length));
  return { fit, made, today: fit.floor + fit.gain * made ** -fit.rate };
}

/**
 * One learner's throughput under two schemes, on the exercises done at least three times under both: the ratio with a paired
 * bootstrap (Efron & Tibshirani 1993) over exercises, 80 %; and when the curves of times meet, if the slower one is practised.
 */
export function compareSchemes(tries: readonly SchemeTry[], [one, other]: readonly [string, string], seed: number): SchemesCompared {
  const under = (schemeId: string) =>
    groupedBy(
      tries.filter((each) => each.schemeId === schemeId),
      ({ exerciseId }) => exerciseId,
    );
  const ofOne = under(one);
  const ofOther = under(other);
  const exercises = [...ofOne].flatMap(([exerciseId, first]): ExerciseCompared[] => {
    const second = ofOther.get(exerciseId) ?? [];
    if (first.length < FEWEST_TRIES || second.length < FEWEST_TRIES) return [];
    const a = throughputOf(first);
    const b = throughputOf(second);
    return a === null || b === null ? [] : [{ exerciseId, one: a, other: b }];
  });
  if (exercises.length < FEWEST_COMPARED) return { exercises, ratio: null, meetIn: null };

  const logs = exercises.map((each) => Math.log(each.one / each.other));
  const random = randomFrom(seed);
  const again = Array.from({ length: BOOTSTRAPS }, () => meanOf(logs.map(() => logs[random.below(logs.length)] as number))).sort((a, b) => a - b);
  const at = (share: number): number => Math.exp(again[Math.floor(share * BOOTSTRAPS)] as number);
  const likely = Math.exp(meanOf(logs));

  const triesAt = (those: ReadonlyMap<string, SchemeTry[]>) => exercises.map(({ exerciseId }) => those.get(exerciseId) ?? []);
  const usual = new Map(
    exercises.map(({ exerciseId }) => [
      exerciseId,
      meanOf([...(ofOne.get(exerciseId) ?? []), ...(ofOther.get(exerciseId) ?? [])].map(({ seconds }) => seconds)),
    ]),
  );
  const curves = [ofOne, ofOther].map((those) => curveOf(triesAt(those), (exerciseId) => usual.get(exerciseId) ?? 1));
  const [slower, faster] = likely < 1 ? curves : curves.toReversed();
  const meetIn = slower && faster ? Math.max(0, Math.ceil(attemptsToReach(slower.fit, faster.today) - slower.made)) : null;
  return { exercises, ratio: { likely, low: at(0.1), high: at(0.9) }, meetIn };
}
