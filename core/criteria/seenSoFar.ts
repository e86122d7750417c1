import { createMemory } from '../geometry';
import { angleOfRotation, backOf, distanceBetween, type Vec3 } from '../math';
import { evenDirections, lookFrom, markSeen, sideOf, surfaceOf } from '../measures';
import { type ScoredModel, subjectOf } from '../model';
import { initialScene, type Scene } from '../navigation';
import { lastMoveBy } from '../trace';
import { FRAME_ASPECT, fit, frameHeightAtTarget, type StandardName, type View } from '../view';
import type { Evidence } from './evidence';

/** What has to be looked at. */
export interface ToSee {
  readonly parts: readonly string[];
  /** Whether what is missing is told by its side. */
  readonly sides: boolean;
  /** The subject's diagonal over the frame's height, at least, where a place is looked at. */
  readonly near: number;
  /** Numbers of the places that no view from outside shows; null: not known yet. */
  readonly leftOut: readonly number[] | null;
}

const DEGREE = Math.PI / 180;
/** Views are taken four times a second … */
const EVERY = 0.25;
/** … where the hand is slower than this: radians and frame heights a second. */
const SLOW_TURN = 30 * DEGREE;
const SLOW_SLIDE = 0.5;
/** The speed is that over this long, seconds. */
const OVER = 0.1;
/** Views this near to one that was taken count once: turned by, larger by, slid by frame heights. */
const SAME_TURN = 5 * DEGREE;
const SAME_SIZE = 1.1;
const SAME_SLIDE = 0.1;
/** No more views that differ are looked at than this, and of a large model fewer: all together draw about so many triangles. */
const MOST = 240;
const MOST_TRIANGLES = 60_000_000;

const OUTSIDE_MARGIN = 0.05;

/** What was found of a model, by its subject: it takes many pictures. */
const never = createMemory<readonly number[]>();

/** Numbers of the places that no view from outside shows, with everything shown: of 162 directions, each fitted to the subject. */
export const neverSeen = (model: ScoredModel, parts: readonly string[]): readonly number[] =>
  never(model.mesh, JSON.stringify(parts), () => lookAllRound(model, parts));

function lookAllRound({ mesh, home }: ScoredModel, parts: readonly string[]): number[] {
  const surface = surfaceOf(mesh, parts);
  const seen = new Uint8Array(surface.samples.length);
  const points = subjectOf(mesh, parts);
  for (const direction of evenDirections()) {
    if (!seen.includes(0)) break;
    const view = fit({ ...home, orientation: lookFrom(direction) }, points, FRAME_ASPECT, OUTSIDE_MARGIN);
    markSeen(mesh, surface, initialScene(view), 0, seen);
  }
  return [...seen.keys()].filter((i) => !seen[i]);
}

/** What was seen of a subject, view after view. */
export interface SeenSoFar {
  /** Looks at a scene, unless one like it was looked at. */
  add(scene: Scene): void;
  /** Share of the places that were not seen, of those that can be. */
  unseen(): number;
  /** The side with most that was not seen; null where all was. */
  side(): StandardName | null;
  /** Directions to the eye of the views that were looked at. */
  readonly directions: readonly Vec3[];
  /** 1 where a place was seen. */
  readonly seen: Uint8Array;
  readonly leftOut: ReadonlySet<number>;
}

const turnBetween = (a: View, b: View): number => angleOfRotation(a.orientation, b.orientation);
const slideBetween = (a: View, b: View): number => distanceBetween(a.target, b.target) / frameHeightAtTarget(a);
const sizeBetween = (a: View, b: View): number => {
  const ratio = frameHeightAtTarget(a) / frameHeightAtTarget(b);
  return Math.max(ratio, 1 / ratio);
};

/** A view that was taken, and what was shown in it. */
interface Taken {
  readonly view: View;
  readonly shown: string;
}

const takenOf = ({ view, visibility, section }: Scene): Taken => ({ view, shown: JSON.stringify([visibility, section]) });

const alike = (a: Taken, b: Taken): boolean =>
  a.shown === b.shown && turnBetween(a.view, b.view) <= SAME_TURN && sizeBetween(a.view, b.view) <= SAME_SIZE && slideBetween(a.view, b.view) <= SAME_SLIDE;

export function createSeenSoFar(model: ScoredModel, { parts, near, leftOut }: ToSee): SeenSoFar {
  const { mesh } = model;
  const surface = surfaceOf(mesh, parts);
  const out = new Set(leftOut ?? neverSeen(model, parts));
  const seen = new Uint8Array(surface.samples.length);
  const most = Math.min(MOST, Math.ceil((3 * MOST_TRIANGLES) / Math.max(1, mesh.indices.length)));
  const taken: Taken[] = [];
  const directions: Vec3[] = [];
  const missing = (): number[] => [...seen.keys()].filter((i) => !seen[i] && !out.has(i));
  return {
    seen,
    leftOut: out,
    directions,
    add(scene) {
      const next = takenOf(scene);
      if (taken.length >= most || taken.some((other) => alike(other, next))) return;
      taken.push(next);
      directions.push(backOf(scene.view.orientation));
      markSeen(mesh, surface, scene, near, seen);
    },
    unseen() {
      const all = seen.length - out.size;
      return all > 0 ? missing().length / all : 0;
    },
    side() {
      const counts = new Map<StandardName, number>();
      for (const i of missing()) {
        const side = sideOf(surface.samples[i]?.normal ?? [0, 0, 1]);
        counts.set(side, (counts.get(side) ?? 0) + 1);
      }
      return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
    },
  };
}

/** What an attempt looked at: the scene in which the step begins, then where the view rests or moves slowly, four times a second. */
export function seenBy(model: ScoredModel, toSee: ToSee, evidence: Evidence): SeenSoFar {
  const { span, before, viewAt, sceneAfter } = evidence;
  const found = createSeenSoFar(model, toSee);
  found.add(before);
  let last: Scene | null = null;
  for (let i = 1; span.opened + i * EVERY <= span.to; i++) {
    const t = span.opened + i * EVERY;
    const view = viewAt(t);
    const earlier = viewAt(Math.max(span.opened, t - OVER));
    if (view !== earlier && (turnBetween(view, earlier) > SLOW_TURN * OVER || slideBetween(view, earlier) > SLOW_SLIDE * OVER)) continue;
    const scene = { ...sceneAfter(lastMoveBy(evidence, t)), view };
    // A scene that is held is looked at once, however long it is held.
    if (last && last.view === view && last.visibility === scene.visibility && last.section === scene.section) continue;
    last = scene;
    found.add(scene);
  }
  // What is handed in is looked at, however soon after the last movement.
  found.add(evidence.after);
  return found;
}
