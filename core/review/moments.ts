import { AT_STANDARD, type CriterionId, type Evidence, lostSpans, measuredOf } from '../criteria';
import type { Step, TraineeExercise } from '../exercise';
import { aimOf } from '../goals';
import { isLost } from '../measures';
import { type ScoredModel, subjectOf } from '../model';
import type { Scene } from '../navigation';
import { gatherEvidence, judgeNow } from '../scoring';
import { pausedBetween, type Trace } from '../trace';
import { type GestureBlock, gesturesOf } from './gestures';
import type { Moment, MomentFigures, MomentKind } from './moment';
import { atGesture, type StepDone, sceneAfter } from './stepDone';
import { tooFars } from './tooFar';
import { wrongWays } from './wrongWays';

/** A loss of fewer points than this is none worth a look. */
const LEAST_LOSS = 10;
const LEAST_LOST = 1;
const LEAST_STOP = 5;
/** More gestures than these are judged in so many stretches: each is a picture or two. */
const MOST_JUDGED = 400;

/** The gesture after which the live criteria earned fewest of what they had: the one that cost most. */
function largestLoss(done: StepDone): Moment[] {
  const { step, evidence, gestures, model } = done;
  if (!step || gestures.length === 0) return [];
  const judged = (scene: Scene) => {
    const results = judgeNow(step, model, scene);
    const weights = results.reduce((sum, { weight }) => sum + weight, 0);
    return { results, points: weights > 0 ? (100 * results.reduce((sum, r) => sum + r.weight * r.points, 0)) / weights : 0 };
  };
  const stride = Math.ceil(gestures.length / MOST_JUDGED);
  let before = judged(evidence.before);
  let worst: { readonly lost: number; readonly gesture: GestureBlock; readonly criterion: CriterionId | null } | null = null;
  for (let i = stride - 1; i < gestures.length; i += stride) {
    const gesture = gestures[i] as GestureBlock;
    const after = judged(sceneAfter(done, gesture));
    const lost = before.points - after.points;
    if (lost >= LEAST_LOSS && lost > (worst?.lost ?? 0)) {
      const falls = after.results.map((r, k) => ({ id: r.id, fall: r.weight * ((before.results[k]?.points ?? 0) - r.points) }));
      worst = { lost, gesture, criterion: falls.sort((a, b) => b.fall - a.fall)[0]?.id ?? null };
    }
    before = after;
  }
  if (!worst) return [];
  const { lost, gesture, criterion } = worst;
  return [{ kind: 'largestLoss', figures: { points: lost, criterion, gesture: gesture.kind }, ...atGesture(gesture) }];
}

/** Each time the subject was lost for long; that a step begins with it lost is not the learner's doing. */
function lostTimes({ evidence, aim, model }: StepDone): Moment[] {
  const points = subjectOf(model.mesh, aim?.subject ?? []);
  const lostBefore = isLost(evidence.before.view, points);
  return lostSpans(evidence, points).flatMap(({ from, seconds }): Moment[] =>
    seconds >= LEAST_LOST && !(lostBefore && from === evidence.span.from)
      ? [{ kind: 'gotLost', figures: { seconds }, t: from, from, step: evidence.index }]
      : [],
  );
}

/** Answers that were not right, by whatever the step asks. */
function wrongAnswers({ evidence, aim, model }: StepDone): Moment[] {
  if (!aim) return [];
  const { trace, index, span } = evidence;
  const m = measuredOf(aim, model, evidence.after, evidence);
  const wrong = (what: MomentFigures['wrongAnswer']['what'], number: number, t: number): Moment => ({
    kind: 'wrongAnswer',
    figures: { what, number },
    t,
    from: t,
    step: index,
  });
  const answers = trace.events.filter((event) => event.kind === 'answer' && event.step === index && event.t <= span.to);
  const shown = (call: number): number | undefined => trace.events.find((event) => event.kind === 'shown' && event.step === index && event.call === call)?.t;
  return [
    ...m.calls().flatMap(({ error }, place): Moment[] => {
      const answer = answers[place];
      return answer && error > 2 * AT_STANDARD ? [wrong('call', place, answer.t)] : [];
    }),
    ...m.ways().flatMap(({ answered, right, number }): Moment[] => {
      const answer = answers.find((event) => event.kind === 'answer' && event.call === number);
      return answered && answer && !right ? [wrong('way', number, answer.t)] : [];
    }),
    ...m.quick().flatMap(({ made, right, seconds }, place): Moment[] => {
      const from = shown(place);
      return made && !right && from !== undefined ? [wrong('gesture', place, from + (seconds ?? 0))] : [];
    }),
    ...(m.finds()?.wrong ?? []).map((t, number) => wrong('pick', number, t)),
    ...(m.measurements()?.wrong ?? []).map((t, number) => wrong('measurement', number, t)),
  ];
}

/** The longest time in which nothing was done, of all steps. */
function longStop(steps: readonly StepDone[], trace: Trace): Moment[] {
  let longest: Moment | null = null;
  for (const { evidence } of steps) {
    evidence.moves.forEach(({ t }, i) => {
      const next = evidence.moves[i + 1]?.t;
      if (next === undefined) return;
      const seconds = next - t - pausedBetween(trace, t, next);
      if (seconds < LEAST_STOP || (longest?.kind === 'longStop' && seconds <= longest.figures.seconds)) return;
      longest = { kind: 'longStop', figures: { seconds }, from: t, t: next, step: evidence.index };
    });
  }
  return longest ? [longest] : [];
}

function eventMoments(steps: readonly StepDone[], trace: Trace, count: number): Moment[] {
  const told = trace.events.flatMap((event): Moment[] => {
    if (event.kind === 'slip')
      return [{ kind: 'oldHabit', figures: { gesture: event.gesture, wanted: event.wanted }, t: event.t, from: event.t, step: event.step }];
    return event.kind === 'hint' ? [{ kind: 'hint', figures: { number: event.number }, t: event.t, from: event.t, step: event.step }] : [];
  });
  const ends = steps.map(
    ({ evidence: { span, index } }): Moment => ({ kind: 'stepEnd', figures: { last: index === count - 1 }, t: span.to, from: span.to, step: index }),
  );
  return [...told, ...ends];
}

/**
 * What is worth a look in an attempt, in the order of time. `known`: whether the goals may be; else only what tells nothing of them. The figures are
 * those of the table "Moments of an attempt" in docs/scoring.md.
 */
export function momentsOf(
  told: TraineeExercise['steps'],
  model: ScoredModel,
  trace: Trace,
  known: boolean,
  evidence: readonly (Evidence | null)[] = gatherEvidence(told, model, trace),
): Moment[] {
  const steps = told.flatMap((each, i): StepDone[] => {
    const found = evidence[i];
    if (!found) return [];
    const step = known ? (each as Step) : null;
    return [{ step, evidence: found, gestures: gesturesOf(found), aim: step && aimOf(step), model }];
  });
  const losses = steps.flatMap(largestLoss);
  const worst = losses.reduce<Moment | null>((most, loss) => (pointsLost(loss) > (most ? pointsLost(most) : 0) ? loss : most), null);
  return [
    ...(worst ? [worst] : []),
    ...steps.flatMap((done) => [...lostTimes(done), ...wrongWays(done), ...tooFars(done), ...wrongAnswers(done)]),
    ...longStop(steps, trace),
    ...eventMoments(steps, trace, told.length),
  ].sort((a, b) => a.t - b.t || a.from - b.from);
}

const pointsLost = (moment: Moment): number => (moment.kind === 'largestLoss' ? moment.figures.points : 0);

/** What tells most about an attempt comes first. */
const TELLING: readonly MomentKind[] = ['largestLoss', 'wrongWay', 'gotLost', 'wrongAnswer', 'tooFar', 'oldHabit', 'longStop', 'hint', 'stepEnd'];

/** How much a moment is, beside others of its kind: of several that are alike, the first. */
function sizeOf(moment: Moment): number {
  switch (moment.kind) {
    case 'wrongWay':
      return moment.figures.larger;
    case 'gotLost':
    case 'longStop':
      return moment.figures.seconds;
    case 'tooFar':
      return moment.figures.by;
    // The last end is that of all.
    case 'stepEnd':
      return moment.t;
    default:
      return 0;
  }
}

/** Where to look first: the most telling kind, and of several the largest. Null: nothing was done at all. */
export function mostTelling(moments: readonly Moment[]): Moment | null {
  for (const kind of TELLING) {
    const alike = moments.filter((moment) => moment.kind === kind);
    const most = alike.reduce<Moment | null>((best, moment) => (best === null || sizeOf(moment) > sizeOf(best) + 1e-9 ? moment : best), null);
    if (most) return most;
  }
  return null;
}
