import { type CommandGroupId, type Exercise, type GoalOf, isAllowed, type SkillId, type Step } from '../exercise';
import type { Scheme } from '../input';
import { backOf, dot, exact, type Random, randomFrom, sub, unit, type Vec3 } from '../math';
import { headingOf } from '../navigation';
import { callOrder } from '../scoring/calls';
import { askedBox, fillOf, framingOf, sizeRatio } from '../scoring/framing';
import { contextFor, type ScoredModel, subjectOf } from '../scoring/model';
import { signedRoll } from '../scoring/orientation';
import { extentAlong } from '../scoring/section';
import type { Trace } from '../trace';
import { anglesOf, eyeOf, STANDARD_NAMES, standardAngles, type View, wrapAngle } from '../view';
import { createHand, type Hand, type SimulatedLearner } from './hand';
import { createRecorder, type Recorder } from './recorder';

export type { SimulatedLearner } from './hand';

interface Actor {
  readonly recorder: Recorder;
  readonly hand: Hand;
  readonly random: Random;
  readonly learner: SimulatedLearner;
  readonly model: ScoredModel;
  readonly allowed: readonly CommandGroupId[];
}

/** What is content: angles to 2 degrees, sizes to a twentieth of an octave, places to a hundredth of the frame. */
const NEAR_ANGLE = Math.PI / 90;

const meanOf = (points: readonly Vec3[]): Vec3 =>
  [0, 1, 2].map((axis) => points.reduce((sum, p) => sum + (p[axis] as number), 0) / points.length) as unknown as Vec3;

function turnTo(actor: Actor, azimuth: number, elevation: number, tries: number): void {
  for (let i = 0; i <= tries; i++) {
    const now = anglesOf(actor.recorder.scene().view.orientation);
    const round = Math.abs(elevation) > 1.5 ? 0 : wrapAngle(azimuth - now.azimuth);
    const up = elevation - now.elevation;
    if (Math.abs(round) + Math.abs(up) < NEAR_ANGLE) return;
    // Now and then the first movement goes the wrong way and is taken back.
    if (i === 0 && actor.random.next() < actor.learner.slips) actor.hand.orbit(-round / 3, up / 3);
    else actor.hand.orbit(round, up);
  }
}

/** From here on, octaves, one first brings the thing itself to the middle: else the eye would go past it. */
const FAR_ZOOM = 3;

/** Walks, rises and looks until the eye is where it should be. */
function standAs(actor: Actor, target: View): void {
  const { recorder, hand, learner } = actor;
  for (let i = 0; i <= learner.corrections; i++) {
    const { view } = recorder.scene();
    const way = sub(eyeOf(target), eyeOf(view));
    const { ahead, right } = headingOf(view);
    const [forward, aside] = [dot(way, ahead), dot(way, right)];
    if (Math.abs(forward) + Math.abs(aside) > 0.05) hand.walk(forward, aside);
    if (Math.abs(way[2]) > 0.02) hand.rise(way[2]);
    const [now, wanted] = [anglesOf(recorder.scene().view.orientation), anglesOf(target.orientation)];
    const yaw = wrapAngle(wanted.azimuth - now.azimuth);
    const pitch = now.elevation - wanted.elevation;
    if (Math.abs(yaw) + Math.abs(pitch) > NEAR_ANGLE) hand.look(yaw, pitch);
  }
}

function matchView(actor: Actor, goal: GoalOf<'matchView'>, skill: SkillId): void {
  const { recorder, hand, learner, model, random } = actor;
  const target = goal.target.view;
  const points = subjectOf(model.mesh, goal.subject);
  if (skill === 'stand' && isAllowed('walk', actor.allowed)) {
    standAs(actor, target);
    return;
  }
  if (!framingOf(recorder.scene().view, points) && isAllowed('home', actor.allowed)) hand.press({ kind: 'home' });
  const wanted = anglesOf(target.orientation);
  if (recorder.scene().view.projection !== target.projection && actor.random.next() > learner.slips)
    hand.press({ kind: 'projection', projection: target.projection });
  for (const state of ['hidden', 'glass'] as const) {
    const parts = Object.keys(goal.target.visibility).filter((id) => goal.target.visibility[id] === state && recorder.scene().visibility[id] !== state);
    if (parts.length > 0 && random.next() > learner.slips) {
      hand.press({ kind: 'select', parts });
      hand.press({ kind: 'show', parts, state });
    }
  }
  turnTo(actor, wanted.azimuth, wanted.elevation, learner.corrections);
  const roll = signedRoll(recorder.scene().view.orientation, target.orientation);
  if (Math.abs(roll) > NEAR_ANGLE) hand.roll(-roll);
  for (let i = 0; i <= learner.corrections; i++) {
    const asked = framingOf(target, points);
    const ratio = sizeRatio(framingOf(recorder.scene().view, points), asked);
    if (ratio !== null && Math.abs(ratio) > FAR_ZOOM) hand.press({ kind: 'centre', point: meanOf(points) });
    if (ratio !== null && Math.abs(ratio) > 0.05) hand.zoom(-ratio);
    const now = framingOf(recorder.scene().view, points);
    if (!now || !asked) return;
    if (Math.abs(asked.u - now.u) + Math.abs(asked.v - now.v) > 0.02) hand.slide(asked.u - now.u, asked.v - now.v);
    else return;
  }
}

function callView(actor: Actor, goal: GoalOf<'callView'>, step: number, seed: number): void {
  const { recorder, hand, learner, random } = actor;
  callOrder(goal, seed).forEach((number, place) => {
    const call = goal.calls[number];
    if (!call) return;
    hand.react();
    const byKey = isAllowed('standard', actor.allowed);
    if (call.kind === 'standard') {
      if (random.next() < learner.slips) {
        const wrong = STANDARD_NAMES[random.below(6)] ?? 'front';
        if (byKey) hand.press({ kind: 'standard', name: wrong });
        else turnTo(actor, standardAngles(wrong).azimuth, standardAngles(wrong).elevation, 0);
        recorder.wait(0.8);
      }
      if (byKey) hand.press({ kind: 'standard', name: call.name });
      else turnTo(actor, standardAngles(call.name).azimuth, standardAngles(call.name).elevation, learner.corrections);
    } else if (call.kind === 'opposite') {
      if (byKey) hand.press({ kind: 'opposite' });
      else
        turnTo(
          actor,
          anglesOf(recorder.scene().view.orientation).azimuth + Math.PI,
          anglesOf(recorder.scene().view.orientation).elevation,
          learner.corrections,
        );
    } else {
      const n = unit(call.normal) as Vec3;
      turnTo(actor, exact.atan2(n[0], -n[1]), exact.asin(n[2]), learner.corrections);
      if (isAllowed('normalTo', actor.allowed) && random.next() > learner.slips) hand.press({ kind: 'normalTo', point: call.point, normal: n });
    }
    recorder.wait(0.7 + 0.3 * random.next());
    recorder.event({ kind: 'answer', step, call: place });
  });
}

function followOrbit(actor: Actor, goal: GoalOf<'followOrbit'>): void {
  const { recorder, learner, random } = actor;
  const first = (goal.path[0] as (typeof goal.path)[number]).view;
  const begin = anglesOf(first.orientation);
  turnTo(actor, begin.azimuth, begin.elevation, learner.corrections);
  actor.hand.react();
  recorder.grasp();
  const last = goal.path.at(-1)?.t ?? 1;
  const count = Math.min(400, Math.max(20, Math.round(last * 30)));
  // A slowly wandering miss: two slow waves, as large as the hand is unsteady.
  const wave = (): ((t: number) => number) => {
    const phase = [random.next(), random.next()].map((p) => p * 2 * Math.PI) as [number, number];
    const size = learner.noise * 0.35 * (1 + 0.3 * random.normal());
    return (t) => size * (exact.sin(1.1 * t + phase[0]) + 0.5 * exact.sin(2.7 * t + phase[1]));
  };
  const offRound = wave();
  const offUp = wave();
  let at = 0;
  for (let i = 1; i <= count; i++) {
    recorder.wait(last / count);
    const t = (last * i) / count;
    while (at < goal.path.length - 1 && (goal.path[at + 1]?.t ?? 0) <= t) at++;
    const wanted = anglesOf((goal.path[at] as (typeof goal.path)[number]).view.orientation);
    const now = anglesOf(recorder.scene().view.orientation);
    const dx = (-wrapAngle(wanted.azimuth + offRound(t) - now.azimuth) / Math.PI) * 1000;
    const dy = ((wanted.elevation + offUp(t) - now.elevation) / Math.PI) * 1000;
    recorder.command({ kind: 'orbit', dx, dy, mode: 'turntable', pivot: goal.pivot });
  }
  recorder.release();
}

function frameIt(actor: Actor, goal: GoalOf<'frameIt'>): void {
  const { recorder, hand, learner, model } = actor;
  const points = subjectOf(model.mesh, goal.subject);
  if (goal.subject.length > 0 && isAllowed('fit', actor.allowed) && actor.random.next() > learner.slips) {
    hand.press({ kind: 'select', parts: [...goal.subject] });
    hand.press({ kind: 'fit', what: 'selection' });
  }
  for (let i = 0; i <= learner.corrections; i++) {
    const now = framingOf(recorder.scene().view, points);
    if (!now) {
      hand.press({ kind: 'home' });
      continue;
    }
    const fill = fillOf(now, goal.margins);
    if (Math.abs(fill - 1) > 0.03) hand.zoom(-exact.log2(fill));
    const then = framingOf(recorder.scene().view, points);
    if (!then) continue;
    const asked = askedBox(then, goal.margins);
    const right = (asked.u0 + asked.u1 - then.box.u0 - then.box.u1) / 2;
    const up = (asked.v0 + asked.v1 - then.box.v0 - then.box.v1) / 2;
    if (Math.abs(right) + Math.abs(up) < 0.02) return;
    hand.slide(right, up);
  }
}

function cutToReveal(actor: Actor, goal: GoalOf<'cutToReveal'>): void {
  const { hand, learner, random, model, recorder } = actor;
  hand.orbit(0.5, 0.1);
  if (!goal.plane) {
    const wanted = goal.reveal[0] ? subjectOf(model.mesh, [goal.reveal[0]]) : [];
    const back = unit([...backOf(recorder.scene().view.orientation).slice(0, 2), 0] as unknown as Vec3) ?? [0, -1, 0];
    const near = wanted.reduce((most, p) => Math.max(most, p[0] * back[0] + p[1] * back[1]), Number.NEGATIVE_INFINITY);
    hand.press({ kind: 'section', plane: { normal: back, offset: Number.isFinite(near) ? near + learner.noise * random.normal() * 0.1 : 0 } });
    return;
  }
  const { normal, offset } = goal.plane;
  const extent = extentAlong(model.mesh, normal);
  const flipped = random.next() < learner.slips;
  const start = offset + extent * 0.2 * random.normal();
  hand.press({ kind: 'section', plane: flipped ? { normal: [-normal[0], -normal[1], -normal[2]], offset: -start } : { normal, offset: start } });
  if (flipped && random.next() > learner.slips) hand.press({ kind: 'flipSection' });
  for (let i = 0; i < learner.corrections; i++) {
    const plane = recorder.scene().section;
    if (!plane) return;
    const same = plane.normal[0] * normal[0] + plane.normal[1] * normal[1] + plane.normal[2] * normal[2] > 0;
    const left = same ? offset - plane.offset : -offset - plane.offset;
    if (Math.abs(left) < extent * 0.01) return;
    hand.react();
    recorder.grasp();
    recorder.command({ kind: 'shiftSection', metres: hand.missed(left) });
    recorder.release();
  }
}

function act(actor: Actor, step: Step, index: number, seed: number): void {
  const { goal } = step;
  if (goal.kind === 'matchView') matchView(actor, goal, step.skill);
  else if (goal.kind === 'callView') callView(actor, goal, index, seed);
  else if (goal.kind === 'followOrbit') followOrbit(actor, goal);
  else if (goal.kind === 'frameIt') frameIt(actor, goal);
  else cutToReveal(actor, goal);
}

/**
 * An attempt as a learner might make it: minimum-jerk movements (Flash & Hogan 1985) whose ends miss by a share of
 * their length, followed by corrective ones (Meyer et al. 1988), with lognormal reaction times. The same seed gives the
 * same trace.
 */
export function simulateAttempt(
  exercise: Pick<Exercise, 'start' | 'steps' | 'allowed' | 'model'> & { id: string; version: number },
  model: ScoredModel,
  scheme: Scheme,
  learner: SimulatedLearner,
  seed: number,
): Trace {
  const random = randomFrom(seed);
  const recorder = createRecorder(exercise.start, contextFor(model, exercise.start), scheme);
  const hand = createHand(recorder, scheme, learner, random);
  const actor: Actor = { recorder, hand, random, learner, model, allowed: exercise.allowed };
  recorder.wait(1.5 + 2 * random.next());
  recorder.event({ kind: 'begin' });
  exercise.steps.forEach((step, index) => {
    hand.react();
    act(actor, step, index, seed);
    recorder.wait(0.8);
    if (index < exercise.steps.length - 1) recorder.event({ kind: 'stepDone', step: index });
  });
  recorder.event({ kind: 'handIn' });
  return {
    version: 1,
    exercise: { id: exercise.id, version: exercise.version },
    model: exercise.model,
    scheme: { id: scheme.id, revision: scheme.revision },
    start: exercise.start,
    seed: seed >>> 0,
    moves: recorder.moves,
    events: recorder.events,
    end: recorder.time(),
  };
}
