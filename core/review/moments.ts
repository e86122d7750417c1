import { type Aim, AT_STANDARD, CRITERIA, type CriterionId, type Evidence, isJudged, lostSpans, type Measured, measure, measuredOf } from '../criteria';
import type { Step, TraineeExercise } from '../exercise';
import { aimOf } from '../goals';
import { angleBetween, backOf, dot, exact, type Quat, scale, sub, unit } from '../math';
import { directionError, isLost } from '../measures';
import { type ScoredModel, subjectOf } from '../model';
import type { CommandKind, Scene } from '../navigation';
import { gatherEvidence, judgeNow } from '../scoring';
import { pausedBetween, type Trace } from '../trace';
import { anglesOf, wrapAngle } from '../view';
import { type GestureBlock, gesturesOf } from './gestures';

/** A way round and over, radians: to the right and higher are positive; of one who stands, as the gaze goes. */
export interface Turned {
  readonly right: number;
  readonly higher: number;
}

/** What may have happened at a moment, with its figures. Points are of 100; angles radians. */
export interface MomentFigures {
  readonly largestLoss: { readonly points: number; readonly criterion: CriterionId | null; readonly gesture: CommandKind };
  readonly gotLost: { readonly seconds: number };
  readonly wrongWay: { readonly gesture: CommandKind; readonly turned: Turned; readonly target: Turned; readonly larger: number; readonly standing: boolean };
  /** By how much the target was passed: octaves of size, frame heights, or radians. */
  readonly tooFar: { readonly what: 'size' | 'placement' | 'direction'; readonly gesture: CommandKind; readonly by: number };
  readonly wrongAnswer: { readonly what: 'call' | 'way' | 'pick' | 'measurement' | 'gesture'; readonly number: number };
  readonly longStop: { readonly seconds: number };
  readonly oldHabit: { readonly gesture: string; readonly wanted: string };
  readonly hint: { readonly number: number };
  readonly stepEnd: { readonly last: boolean };
}

export type MomentKind = keyof MomentFigures;

/** A moment of an attempt worth looking at. `t`: when it had happened, `from`: when it began, seconds from opening. */
export type Moment = { readonly [K in MomentKind]: { readonly kind: K; readonly figures: MomentFigures[K] } & At }[MomentKind];

interface At {
  readonly t: number;
  readonly from: number;
  readonly step: number;
}

const DEGREE = Math.PI / 180;
/** A loss of fewer points than this is none worth a look. */
const LEAST_LOSS = 10;
const LEAST_LOST = 1;
const LEAST_STOP = 5;
/** A turn went the wrong way when the direction is larger by this, and larger than that. */
const LARGER = 10 * DEGREE;
const FAR = 15 * DEGREE;
/** More gestures than these are judged in so many stretches: each is a picture or two. */
const MOST_JUDGED = 400;

const TURNS: ReadonlySet<CommandKind> = new Set(['orbit', 'turn', 'look']);
const ROUND: ReadonlySet<CommandKind> = new Set(['orbit', 'turn']);
const SIZES: ReadonlySet<CommandKind> = new Set(['zoom', 'dolly', 'zoomRegion']);
const SLIDES: ReadonlySet<CommandKind> = new Set(['pan']);

/** What is known of one step that was reached. */
interface StepDone {
  readonly step: Step | null;
  readonly evidence: Evidence;
  readonly gestures: readonly GestureBlock[];
  readonly aim: Aim | null;
  readonly model: ScoredModel;
}

const sceneBefore = ({ evidence }: StepDone, gesture: GestureBlock): Scene => evidence.sceneAfter(gesture.first - 1);
const sceneAfter = ({ evidence }: StepDone, gesture: GestureBlock): Scene => evidence.sceneAfter(gesture.last);
const atGesture = ({ from, to, step }: GestureBlock): At => ({ from, t: to, step });

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

/** From one orientation to another, as the eye goes round, or as the gaze goes. */
function turnedBy(from: Quat, to: Quat, standing: boolean): Turned {
  const [a, b] = [anglesOf(from), anglesOf(to)];
  const round = wrapAngle(b.azimuth - a.azimuth);
  return standing ? { right: -round, higher: a.elevation - b.elevation } : { right: round, higher: b.elevation - a.elevation };
}

function wrongWays(done: StepDone): Moment[] {
  const target = done.aim?.target?.view.orientation;
  if (!target) return [];
  const standing = done.aim?.standing ?? false;
  return done.gestures.flatMap((gesture): Moment[] => {
    if (!TURNS.has(gesture.kind)) return [];
    const [before, after] = [sceneBefore(done, gesture).view.orientation, sceneAfter(done, gesture).view.orientation];
    const [was, is] = [directionError(before, target), directionError(after, target)];
    if (is - was < LARGER || is <= FAR) return [];
    const figures = {
      gesture: gesture.kind,
      turned: turnedBy(before, after, standing),
      target: turnedBy(before, target, standing),
      larger: is - was,
      standing,
    };
    return [{ kind: 'wrongWay', figures, ...atGesture(gesture) }];
  });
}

/** How far a gesture went past the target's direction, radians; 0: it did not. */
function pastDirection(before: Quat, after: Quat, target: Quat): number {
  const [a, b, c] = [backOf(before), backOf(after), backOf(target)];
  // The target's foot on the way that was gone, measured along it.
  const ahead = unit(sub(b, scale(a, dot(a, b))));
  if (!ahead) return 0;
  const foot = exact.atan2(dot(c, ahead), dot(c, a));
  return foot > 0 ? Math.max(0, angleBetween(a, b) - foot) : 0;
}

/** What was passed and taken back: by how much, and whether the next gesture brought it nearer. */
interface Passed {
  readonly by: number;
  readonly takenBack: boolean;
}

function passedSize(id: CriterionId, before: Measured, after: Measured, next: Measured): Passed | null {
  const large = (m: Measured): number | null => CRITERIA[id].tooLarge?.(m) ?? null;
  const [was, is] = [large(before), large(after)];
  const [by, then] = [measure(id, after), measure(id, next)];
  if (was === null || is === null || by === null || then === null || was > 1 === is > 1) return null;
  return { by, takenBack: then < by };
}

function passedPlace(before: Measured, after: Measured, next: Measured): Passed | null {
  const way = (m: Measured): readonly [number, number] | null => {
    const found = m.framings();
    return found && [found.actual.u - found.asked.u, found.actual.v - found.asked.v];
  };
  const [was, is, then] = [way(before), way(after), way(next)];
  if (!was || !is || !then) return null;
  const size = ([u, v]: readonly [number, number]): number => Math.sqrt(u * u + v * v);
  const by = -(was[0] * is[0] + was[1] * is[1]) / Math.max(size(was), 1e-9);
  return { by, takenBack: size(then) < size(is) };
}

function passedDirection(before: Measured, after: Measured, next: Measured): Passed | null {
  const target = after.aim.target?.view.orientation;
  if (!target) return null;
  const [a, b, c] = [before, after, next].map(({ scene }) => scene.view.orientation) as [Quat, Quat, Quat];
  return { by: pastDirection(a, b, target), takenBack: directionError(c, target) < directionError(b, target) };
}

/** Gestures that went past what was asked by more than earns anything, and were taken back by the next. */
function tooFars(done: StepDone): Moment[] {
  const { step, gestures, aim, model } = done;
  if (!step || !aim) return [];
  const zeroOf = (id: CriterionId): number => step.criteria.find((c) => c.id === id)?.zero ?? Number.POSITIVE_INFINITY;
  const known = new Map<Scene, Measured>();
  const measured = (scene: Scene): Measured => {
    const found = known.get(scene) ?? measuredOf(aim, model, scene, null);
    known.set(scene, found);
    return found;
  };
  return gestures.slice(0, -1).flatMap((gesture, i): Moment[] => {
    const next = gestures[i + 1] as GestureBlock;
    const scenes = (): [Measured, Measured, Measured] => [
      measured(sceneBefore(done, gesture)),
      measured(sceneAfter(done, gesture)),
      measured(sceneAfter(done, next)),
    ];
    const told = (what: MomentFigures['tooFar']['what'], id: CriterionId, passed: Passed | null): Moment[] =>
      passed?.takenBack && passed.by > zeroOf(id) ? [{ kind: 'tooFar', figures: { what, gesture: gesture.kind, by: passed.by }, ...atGesture(gesture) }] : [];
    if (SIZES.has(gesture.kind) && SIZES.has(next.kind)) {
      const id = (['size', 'fill'] as const).find((each) => isJudged(step.criteria, each));
      return id ? told('size', id, passedSize(id, ...scenes())) : [];
    }
    if (SLIDES.has(gesture.kind) && SLIDES.has(next.kind) && isJudged(step.criteria, 'placement'))
      return told('placement', 'placement', passedPlace(...scenes()));
    if (ROUND.has(gesture.kind) && ROUND.has(next.kind) && isJudged(step.criteria, 'direction'))
      return told('direction', 'direction', passedDirection(...scenes()));
    return [];
  });
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
export function momentsOf(told: TraineeExercise['steps'], model: ScoredModel, trace: Trace, known: boolean): Moment[] {
  const evidence = gatherEvidence(told, model, trace);
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
