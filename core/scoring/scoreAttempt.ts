import { adviceFor } from '../advice';
import type { Criterion, CriterionId, Exercise, GoalKind, SkillId, Step } from '../exercise';
import type { LabelledScheme, Scheme } from '../input';
import type { Scene } from '../navigation';
import type { Trace } from '../trace';
import { gatherEvidence, gestureCounts } from './evidence';
import { type Measured, measure, measuredOf } from './measure';
import type { ScoredModel } from './model';
import { flashesFor, pointsFor, scoreOf } from './points';

/** One criterion of a step, judged. */
export interface CriterionResult extends Criterion {
  readonly must: boolean;
  /** In the criterion's own unit; null when it could not be computed. */
  readonly value: number | null;
  /** 0 … 1 */
  readonly points: number;
  readonly advice: string;
}

export interface StepResult {
  readonly id: string;
  readonly goal: GoalKind;
  readonly skill: SkillId;
  readonly brief: string;
  readonly score: number;
  /** Seconds on the step's clock; null when the step was not reached. */
  readonly seconds: number | null;
  /** Largest loss first. */
  readonly criteria: readonly CriterionResult[];
  /** The scene that was judged, without its history. */
  readonly scene: Scene | null;
}

export interface ScoreCard {
  readonly version: 1;
  /** 0 … 100 */
  readonly score: number;
  readonly flashes: number;
  readonly seconds: number;
  readonly gestures: number;
  /** Habits of the scheme that the learner comes from, by gesture; left out when there were none. */
  readonly slips?: readonly { readonly gesture: string; readonly wanted: string; readonly times: number }[];
  readonly steps: readonly StepResult[];
}

export function judge(criterion: Criterion, measured: Measured, scheme: LabelledScheme | null): CriterionResult {
  const value = measure(criterion.id, measured);
  const points = value === null ? 0 : pointsFor(value, criterion);
  return { ...criterion, must: criterion.must ?? false, value, points, advice: adviceFor(criterion.id, value, points, measured, scheme) };
}

const lossOf = (result: CriterionResult): number => result.weight * (1 - result.points);

/** Sorted by what was lost; equal losses keep the author's order. */
const byLoss = (results: CriterionResult[]): CriterionResult[] =>
  results
    .map((r, i) => ({ r, i }))
    .sort((a, b) => lossOf(b.r) - lossOf(a.r) || a.i - b.i)
    .map((e) => e.r);

const withoutHistory = (scene: Scene): Scene => ({ ...scene, history: { past: [], future: [], gesture: null, stash: [] } });

function unreached(step: Step): StepResult {
  const criteria = step.criteria.map((c) => ({
    ...c,
    must: c.must ?? false,
    value: null,
    points: 0,
    advice: 'This step was not reached: finish the one before it first.',
  }));
  return { id: step.id, goal: step.goal.kind, skill: step.skill, brief: step.brief, score: 0, seconds: null, criteria, scene: null };
}

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
 * The score card of an attempt: the trace is replayed and every step judged where it ended. Pure and the same in every
 * engine. `scheme`: the one the attempt was made with, so that advice can name its gestures.
 */
export function scoreAttempt(exercise: Pick<Exercise, 'steps'>, model: ScoredModel, trace: Trace, scheme: Scheme | null = null): ScoreCard {
  const evidence = gatherEvidence(exercise.steps, model, trace);
  const steps = exercise.steps.map((step, i): StepResult => {
    const found = evidence[i];
    if (!found) return unreached(step);
    const measured = measuredOf(step, model, found.after, found);
    const results = step.criteria.map((criterion) => judge(criterion, measured, scheme));
    return {
      id: step.id,
      goal: step.goal.kind,
      skill: step.skill,
      brief: step.brief,
      score: scoreOf(results),
      seconds: found.span.seconds,
      criteria: byLoss(results),
      scene: withoutHistory(found.after),
    };
  });
  const score = scoreOf(steps.flatMap((step) => step.criteria));
  const gestures = evidence.reduce((sum, e) => sum + (e ? gestureCounts(e.moves).gestures : 0), 0);
  const slips = slipsIn(trace);
  return {
    version: 1,
    score,
    flashes: flashesFor(score),
    seconds: steps.reduce((sum, step) => sum + (step.seconds ?? 0), 0),
    gestures,
    ...(slips.length > 0 ? { slips } : {}),
    steps,
  };
}

/** Criteria that the present scene alone tells, cheapest to read first; what live help shows. */
export const LIVE: readonly CriterionId[] = [
  'direction',
  'roll',
  'size',
  'placement',
  'projection',
  'overlap',
  'visibility',
  'margin',
  'fill',
  'clipped',
  'hiddenShare',
  'sectionAngle',
  'sectionOffset',
  'sectionSide',
  'sectionOverlap',
  'revealed',
];

/** How close the present scene comes, while practising: the step's own criteria, as far as one scene tells. Advice names the keys by the scheme's labels. */
export function judgeNow(step: Step, model: ScoredModel, scene: Scene, scheme: LabelledScheme | null): CriterionResult[] {
  const measured = measuredOf(step, model, scene, null);
  return step.criteria.filter((criterion) => criterion.weight > 0 && LIVE.includes(criterion.id)).map((criterion) => judge(criterion, measured, scheme));
}

/** The one most worth saying: the largest loss; null when nothing is lost. */
export function worstOf(results: readonly CriterionResult[]): CriterionResult | null {
  const sorted = byLoss([...results]);
  const worst = sorted[0];
  return worst && lossOf(worst) > 0 ? worst : null;
}
