import { type Mesh, partsUnder } from '../geometry';
import type { Vec3 } from '../math';
import { type Framing, framingOf, framingsOf, isLost, pictureOf, showsAny } from '../measures';
import { type ScoredModel, subjectOf } from '../model';
import type { Scene } from '../navigation';
import type { Aim } from './aim';
import { type CallResult, callResults } from './callResults';
import type { Evidence } from './evidence';
import { type Finds, findResults } from './findResults';
import { type Followed, followedPath } from './followedPath';
import { type Measurements, measureResults } from './measureResults';
import { type QuickResult, quickResults } from './quickResults';
import { type SeenSoFar, seenBy } from './seenSoFar';
import { type WayResult, wayResults } from './wayResults';

/** Everything a step can be measured from; what takes time is computed when it is first asked for. */
export interface Measured {
  readonly aim: Aim;
  readonly model: ScoredModel;
  readonly mesh: Mesh;
  readonly scene: Scene;
  /** Left out while practising: then only what the present scene tells can be measured. */
  readonly evidence: Evidence | null;
  /** Numbers of the subject's parts. */
  readonly subject: ReadonlySet<number>;
  /** Hull points of the subject. */
  readonly points: () => readonly Vec3[];
  /** All of the subject in the frame; null when part of it is behind the eye. */
  readonly framing: () => Framing | null;
  /** What lies in front of the eye in the present view and in the target's. */
  readonly framings: () => ReturnType<typeof framingsOf>;
  /** The present scene as part numbers. */
  readonly picture: () => Uint16Array;
  /** The target as part numbers; null without one. */
  readonly targetPicture: () => Uint16Array | null;
  /** False when the target shows the subject and this scene does not: what cannot be seen is not framed. */
  readonly isSeen: () => boolean;
  /** Whether the subject lies out of the frame or is too small to be found. */
  readonly isLost: () => boolean;
  readonly calls: () => readonly CallResult[];
  readonly followed: () => Followed | null;
  /** What became of gestures that were called. */
  readonly quick: () => readonly QuickResult[];
  /** What the attempt looked at; null without it, or where nothing has to be seen. */
  readonly seen: () => SeenSoFar | null;
  /** What became of the views of which it was asked from where they are seen. */
  readonly ways: () => readonly WayResult[];
  /** What was found; null without an attempt, or where nothing is sought. */
  readonly finds: () => Finds | null;
  /** What was measured; null without an attempt, or where nothing has to be. */
  readonly measurements: () => Measurements | null;
  /** The same aim and model with another scene; nothing of an attempt. */
  readonly inScene: (scene: Scene) => Measured;
}

function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => {
    made ??= { value: make() };
    return made.value;
  };
}

/** Pictures of scenes, drawn once a mesh and scene: a judgement and what is advised of it look at the same one. */
const drawn = new WeakMap<Mesh, WeakMap<Scene, Uint16Array>>();

function pictureKept(mesh: Mesh, scene: Scene): Uint16Array {
  let known = drawn.get(mesh);
  if (!known) drawn.set(mesh, (known = new WeakMap()));
  const found = known.get(scene);
  if (found) return found;
  const made = pictureOf(mesh, scene);
  known.set(scene, made);
  return made;
}

export function measuredOf(aim: Aim, model: ScoredModel, scene: Scene, evidence: Evidence | null): Measured {
  const { mesh } = model;
  const subject = partsUnder(mesh, aim.subject);
  const points = once(() => subjectOf(mesh, aim.subject));
  const picture = once(() => pictureKept(mesh, scene));
  const targetPicture = once(() => (aim.target ? pictureKept(mesh, aim.target) : null));
  /** What the subject would look like with nothing in its way. */
  const asked = once(() => targetPicture() ?? (aim.margins ? pictureOf(mesh, { ...scene, visibility: {}, section: null }) : null));
  return {
    aim,
    model,
    mesh,
    scene,
    evidence,
    subject,
    points,
    picture,
    targetPicture,
    framing: once(() => framingOf(scene.view, points())),
    framings: once(() => (aim.target ? framingsOf(scene.view, aim.target.view, points()) : null)),
    isSeen: once(() => {
      if (showsAny(picture(), subject)) return true;
      const wanted = asked();
      return wanted === null || !showsAny(wanted, subject);
    }),
    isLost: once(() => isLost(scene.view, points())),
    calls: once(() => (evidence && aim.calls ? callResults(aim.calls, evidence) : [])),
    followed: once(() => (evidence && aim.line ? followedPath(aim.line, evidence) : null)),
    quick: once(() => (evidence && aim.quick ? quickResults(aim.quick, evidence) : [])),
    measurements: once(() => (evidence && aim.measure ? measureResults(mesh, aim.measure, evidence) : null)),
    finds: once(() => (evidence && aim.find ? findResults(mesh, aim.find, evidence) : null)),
    ways: once(() => (evidence && aim.ways ? wayResults(aim.ways, evidence) : [])),
    seen: once(() => (evidence && aim.see ? seenBy(model, aim.see, evidence) : null)),
    inScene: (other) => measuredOf(aim, model, other, null),
  };
}
