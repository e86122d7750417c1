import { type CriterionId, type Goal, type GoalOf, isMeasured, type Step } from '../exercise';
import { type Mesh, partsUnder } from '../geometry';
import { initialScene, type Scene } from '../navigation';
import type { View } from '../view';
import { type CallResult, callResults, median } from './calls';
import { detourOf, type Evidence, gestureCounts, lostTime } from './evidence';
import { type Followed, followedPath, pivotDrift, smoothnessLoss } from './followed';
import { type Framing, fillOf, framingOf, marginError, placementOf, sizeRatio } from './framing';
import { type ScoredModel, subjectOf } from './model';
import { directionError, rollError } from './orientation';
import { orbitPath, orbitSweep, orbitWorst } from './paths';
import { clippedShare, hiddenShare, overlapError, pictureOf, unrevealedShare, visibilityError } from './pictures';
import { sectionAngle, sectionOffset, sectionOverlapError, sectionSide } from './section';

/** Everything a step can be measured from; parts that take time are computed when first asked for. */
export interface Measured {
  readonly goal: Goal;
  readonly mesh: Mesh;
  readonly scene: Scene;
  /** Whether the step is about standing and looking rather than going round. */
  readonly standing: boolean;
  /** Left out while practising: then only what the present scene tells can be measured. */
  readonly evidence: Evidence | null;
  readonly subject: ReadonlySet<number>;
  readonly framing: () => Framing | null;
  readonly targetFraming: () => Framing | null;
  readonly calls: () => CallResult[];
  readonly followed: () => Followed | null;
}

function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => {
    made ??= { value: make() };
    return made.value;
  };
}

/** Parts a goal looks at; none: the whole model. */
export const subjectIds = (goal: Goal): readonly string[] => (goal.kind === 'matchView' || goal.kind === 'frameIt' ? goal.subject : []);

export function measuredOf(step: Step, model: ScoredModel, scene: Scene, evidence: Evidence | null): Measured {
  const { goal } = step;
  const points = once(() => subjectOf(model.mesh, subjectIds(goal)));
  return {
    goal,
    mesh: model.mesh,
    scene,
    standing: step.skill === 'stand',
    evidence,
    subject: partsUnder(model.mesh, subjectIds(goal)),
    framing: once(() => framingOf(scene.view, points())),
    targetFraming: once(() => (goal.kind === 'matchView' ? framingOf(goal.target.view, points()) : null)),
    calls: once(() => (goal.kind === 'callView' && evidence ? callResults(goal, evidence) : [])),
    followed: once(() => (goal.kind === 'followOrbit' && evidence ? followedPath(goal, evidence) : null)),
  };
}

const mean = (values: readonly number[]): number | null => (values.length === 0 ? null : values.reduce((sum, v) => sum + v, 0) / values.length);

/** Scene whose section is the goal's target, with the parts shown as in the attempt. */
function sectionTarget(m: Measured): Scene | null {
  if (m.goal.kind === 'matchView') return m.goal.target.section ? m.goal.target : null;
  if (m.goal.kind === 'cutToReveal' && m.goal.plane) return { ...initialScene(m.scene.view), section: m.goal.plane };
  return null;
}

function bySection(id: CriterionId, m: Measured): number | null {
  const target = sectionTarget(m);
  const plane = m.scene.section;
  if (!target?.section || !plane) return null;
  if (id === 'sectionAngle') return sectionAngle(plane, target.section);
  if (id === 'sectionOffset') return sectionOffset(m.mesh, plane, target.section);
  if (id === 'sectionSide') return sectionSide(plane, target.section);
  return sectionOverlapError(m.mesh, m.scene, target);
}

function byTarget(id: CriterionId, m: Measured, goal: GoalOf<'matchView'>): number | null {
  const { view } = m.scene;
  const target = goal.target.view;
  switch (id) {
    case 'direction':
      return directionError(view.orientation, target.orientation);
    case 'roll':
      return rollError(view.orientation, target.orientation);
    case 'projection':
      return view.projection === target.projection ? 0 : 1;
    case 'size': {
      const ratio = sizeRatio(m.framing(), m.targetFraming());
      return ratio === null ? null : Math.abs(ratio);
    }
    case 'placement':
      return placementOf(m.framing(), m.targetFraming());
    case 'overlap':
      return overlapError(pictureOf(m.mesh, m.scene), targetPicture(m.mesh, goal.target), m.subject);
    case 'visibility':
      return visibilityError(m.mesh, m.scene, goal.target);
    default:
      return null;
  }
}

const targetPictures = new WeakMap<Scene, Uint16Array>();

function targetPicture(mesh: Mesh, target: Scene): Uint16Array {
  const known = targetPictures.get(target);
  if (known) return known;
  const made = pictureOf(mesh, target);
  targetPictures.set(target, made);
  return made;
}

function byCalls(id: CriterionId, m: Measured): number | null {
  const calls = m.calls();
  switch (id) {
    case 'standardAngle':
      return mean(calls.filter((c) => c.call.kind !== 'face').map((c) => c.error));
    case 'normalAngle':
      return mean(calls.filter((c) => c.call.kind === 'face').map((c) => c.error));
    case 'callTime':
      return median(calls.flatMap((c) => (c.seconds === null ? [] : [c.seconds])));
    case 'wrongTurns':
      return calls.reduce((sum, c) => sum + c.wrongTurns, 0);
    default:
      return null;
  }
}

function byPath(id: CriterionId, m: Measured, goal: GoalOf<'followOrbit'>): number | null {
  const followed = m.followed();
  if (!followed || !m.evidence) return null;
  switch (id) {
    case 'orbitPath':
      return orbitPath(followed.directions, followed.reference);
    case 'orbitWorst':
      return orbitWorst(followed.directions, followed.reference);
    case 'orbitSweep':
      return orbitSweep(followed.directions, followed.reference);
    case 'pivotDrift':
      return pivotDrift(goal.pivot, followed.views);
    case 'smoothness':
      return smoothnessLoss(goal, m.evidence);
    default:
      return null;
  }
}

function byFrame(id: CriterionId, m: Measured, goal: GoalOf<'frameIt'>): number | null {
  const framing = m.framing();
  if (!framing) return null;
  if (id === 'margin') return marginError(framing, goal.margins);
  if (id === 'fill') return Math.abs(fillOf(framing, goal.margins) - 1);
  return null;
}

function goalView(m: Measured): View {
  return m.goal.kind === 'matchView' ? m.goal.target.view : m.scene.view;
}

function byHistory(id: CriterionId, evidence: Evidence, m: Measured): number | null {
  switch (id) {
    case 'time':
      return evidence.span.seconds;
    case 'gestures':
      return gestureCounts(evidence.moves).gestures;
    case 'switches':
      return gestureCounts(evidence.moves).switches;
    case 'hints':
      return evidence.trace.events.filter((event) => event.kind === 'hint' && event.step === evidence.index).length;
    case 'detour':
      return detourOf(evidence, goalView(m));
    case 'lostTime':
      return lostTime(evidence, subjectOf(m.mesh, subjectIds(m.goal)));
    default:
      return null;
  }
}

/** Value of a criterion in its own unit; null when it cannot be computed, which earns nothing. */
export function measure(id: CriterionId, m: Measured): number | null {
  const { goal } = m;
  if (!isMeasured(goal, id)) return null;
  if (id === 'clipped') return clippedShare(m.mesh, m.scene, m.subject);
  if (id === 'hiddenShare') return hiddenShare(m.mesh, m.scene, m.subject);
  if (id === 'revealed') return goal.kind === 'cutToReveal' ? unrevealedShare(m.mesh, m.scene, goal.reveal).share : null;
  if (id.startsWith('section')) return bySection(id, m);
  const past = m.evidence ? byHistory(id, m.evidence, m) : null;
  if (past !== null) return past;
  if (goal.kind === 'matchView') return byTarget(id, m, goal);
  if (goal.kind === 'callView') return byCalls(id, m);
  if (goal.kind === 'followOrbit') return byPath(id, m, goal);
  if (goal.kind === 'frameIt') return byFrame(id, m, goal);
  return null;
}
