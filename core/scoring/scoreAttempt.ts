import { advise, CRITERIA, type Criterion, type Evidence, gestureCounts, type KeptAdvice, type Measured, measure, measuredOf } from '../criteria';
import type { Exercise, SkillId, Step } from '../exercise';
import { aimOf, type GoalKindId } from '../goals';
import { foldTask } from '../goals/foldTask';
import type { Scheme } from '../input';
import type { ScoredModel } from '../model';
import { EMPTY_HISTORY, type Scene } from '../navigation';
import type { Trace, TraceEvent } from '../trace';
import { type Gathered, gathered } from './evidence';
import { flashesFor, lossOf, scoreOf } from './points';
import { pointsOf, startPoints } from './startPoints';

/** One criterion of a step, judged. */
export interface CriterionResult extends Criterion {
  readonly must: boolean;
  /** In the criterion's own unit; null when it could not be computed. */
  readonly value: number | null;
  /** 0 … 1; 0 in a step that was not reached. */
  readonly points: number;
  /** What the start would have earned untouched, 0 … 1. */
  readonly startPoints: number;
  /** Neither weight nor must counts: without a value it would say nothing. */
  readonly leftOut?: true;
  /** What to change: a code and its figures. Words are made when it is shown. */
  readonly advice: KeptAdvice;
}

export interface StepResult {
  readonly id: string;
  readonly goal: GoalKindId;
  readonly skill: SkillId;
  readonly brief: string;
  readonly score: number;
  /** Whether all that the step asks in between was answered; left out in earlier cards. */
  readonly finished?: boolean;
  /** Seconds on the step's clock; null when the step was not reached. */
  readonly seconds: number | null;
  /** Largest loss first. */
  readonly criteria: readonly CriterionResult[];
  /** The scene that was judged, without its history. */
  readonly scene: Scene | null;
}

/** The newest form of a score card. */
export const CARD_FORMAT = 2;

export interface ScoreCard {
  readonly format: typeof CARD_FORMAT;
  /** 0 … 100 */
  readonly score: number;
  readonly flashes: number;
  readonly seconds: number;
  readonly gestures: number;
  /** Habits of the scheme that the learner comes from, by gesture; left out when there were none. */
  readonly slips?: readonly { readonly gesture: string; readonly wanted: string; readonly times: number }[];
  readonly steps: readonly StepResult[];
}

const kept = ({ code, figures }: KeptAdvice): KeptAdvice => ({ code, figures }) as KeptAdvice;

function judge(criterion: Criterion, measured: Measured, startPoints: number): CriterionResult {
  const value = measure(criterion.id, measured);
  const points = pointsOf(criterion, value);
  const leftOut = value === null && CRITERIA[criterion.id].mayBeLeftOut === true;
  return {
    ...criterion,
    must: criterion.must ?? false,
    value,
    points,
    startPoints,
    ...(leftOut ? { leftOut } : {}),
    advice: points >= 1 ? { code: 'asAsked', figures: {} } : kept(advise(criterion.id, measured, value)),
  };
}

/** Sorted by what was lost; equal losses keep the author's order. */
const byLoss = (results: readonly CriterionResult[]): CriterionResult[] =>
  results
    .map((r, i) => ({ r, i }))
    .sort((a, b) => lossOf(b.r) - lossOf(a.r) || a.i - b.i)
    .map((e) => e.r);

function unreached(step: Step, startPoints: readonly number[]): StepResult {
  const criteria = step.criteria.map(
    (c, i): CriterionResult => ({
      ...c,
      must: c.must ?? false,
      value: null,
      points: 0,
      startPoints: startPoints[i] ?? 0,
      advice: { code: 'notReached', figures: {} },
    }),
  );
  return { id: step.id, goal: step.goal.kind, skill: step.skill, brief: step.brief, score: 0, seconds: null, criteria: byLoss(criteria), scene: null };
}

/** Events that belong to a step, up to its end. */
const eventsOf = ({ trace, index, span }: Evidence): TraceEvent[] =>
  trace.events.filter((event) => 'step' in event && event.step === index && event.t <= span.to);

/** The slips of an attempt, the most frequent first; they cost no points. */
function slipsIn(trace: Trace): NonNullable<ScoreCard['slips']> {
  const found = new Map<string, { gesture: string; wanted: string; times: number }>();
  for (const event of trace.events) {
    if (event.kind !== 'slip') continue;
    const key = `${event.gesture} ${event.wanted}`;
    const known = found.get(key) ?? { gesture: event.gesture, wanted: event.wanted, times: 0 };
    found.set(key, { ...known, times: known.times + 1 });
  }
  return [...found.values()].sort((a, b) => b.times - a.times);
}

/**
 * The score card of an attempt: the trace is replayed, every step judged where it ended, and what was gained over the start
 * counted. Pure and the same in every engine. The scheme decides nothing: its gestures are named when a card is shown.
 * `own` and `evidence`: its replay, where that is there already.
 */
export function scoreAttempt(
  exercise: Pick<Exercise, 'steps'>,
  model: ScoredModel,
  trace: Trace,
  _scheme: Scheme | null = null,
  { own, evidence }: Gathered = gathered(exercise.steps, model, trace),
): ScoreCard {
  const untouchedPoints = startPoints(exercise.steps, model, trace, own);
  const steps = exercise.steps.map((step, i): StepResult => {
    const found = evidence[i];
    const start = untouchedPoints[i] ?? [];
    if (!found) return unreached(step, start);
    const measured = measuredOf(aimOf(step), model, found.after, found);
    const results = step.criteria.map((criterion, k) => judge(criterion, measured, start[k] ?? 0));
    return {
      id: step.id,
      goal: step.goal.kind,
      skill: step.skill,
      brief: step.brief,
      score: scoreOf(results),
      finished: foldTask(step.goal, trace.seed, { ...found, events: eventsOf(found) }).done,
      seconds: found.span.seconds,
      criteria: byLoss(results),
      scene: { ...found.after, history: EMPTY_HISTORY },
    };
  });
  const score = scoreOf(steps.flatMap((step) => step.criteria.map((result) => ({ ...result, reached: step.scene !== null }))));
  const gestures = evidence.reduce((sum, e) => sum + (e ? gestureCounts(e.moves).gestures : 0), 0);
  const slips = slipsIn(trace);
  return {
    format: CARD_FORMAT,
    score,
    flashes: flashesFor(score),
    seconds: steps.reduce((sum, step) => sum + (step.seconds ?? 0), 0),
    gestures,
    ...(slips.length > 0 ? { slips } : {}),
    steps,
  };
}
