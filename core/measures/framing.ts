import { exact, type Vec3 } from '../math';
import { FRAME_ASPECT, projector, type View } from '../view';

/** Free space asked for on each side: of the frame's width left and right, of its height above and below. */
export interface Margins {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** How a set of points lies in the frame; u, v in frame heights. Null where a point is not in front of the eye. */
export interface Framing {
  readonly u: number;
  readonly v: number;
  /** Root-mean-square distance from the mean, frame heights. */
  readonly radius: number;
  readonly box: { readonly u0: number; readonly v0: number; readonly u1: number; readonly v1: number };
}

export function framingOf(view: View, points: readonly Vec3[]): Framing | null {
  if (points.length === 0) return null;
  const project = projector(view);
  const seen: { u: number; v: number }[] = [];
  let su = 0;
  let sv = 0;
  let [u0, v0, u1, v1] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const point of points) {
    const p = project(point);
    if (view.projection === 'perspective' && p.depth <= 0) return null;
    seen.push(p);
    su += p.u;
    sv += p.v;
    u0 = Math.min(u0, p.u);
    u1 = Math.max(u1, p.u);
    v0 = Math.min(v0, p.v);
    v1 = Math.max(v1, p.v);
  }
  const u = su / seen.length;
  const v = sv / seen.length;
  let squares = 0;
  for (const p of seen) squares += (p.u - u) * (p.u - u) + (p.v - v) * (p.v - v);
  return { u, v, radius: Math.sqrt(squares / seen.length), box: { u0, v0, u1, v1 } };
}

/** In front of the eye is what lies farther before it than this share of the view's distance. */
const IN_FRONT = 0.05;

/** Numbers of the points in front of the eye: without perspective all are. */
export function inFront(view: View, points: readonly Vec3[]): number[] {
  const least = view.projection === 'orthographic' ? Number.NEGATIVE_INFINITY : IN_FRONT * view.distance;
  const project = projector(view);
  const found: number[] = [];
  for (const [i, point] of points.entries()) if (project(point).depth > least) found.push(i);
  return found;
}

/**
 * How the same points lie in two views: those that are in front in both, so that an eye among the parts measures too. Null
 * where fewer than half of those in front in the target are in front in the other, or none is.
 */
export function framingsOf(
  view: View,
  target: View,
  points: readonly Vec3[],
): { readonly actual: Framing; readonly asked: Framing; readonly points: readonly Vec3[] } | null {
  const wanted = inFront(target, points);
  const here = new Set(inFront(view, points));
  const both = wanted.filter((i) => here.has(i)).map((i) => points[i] as Vec3);
  if (both.length === 0 || both.length * 2 < wanted.length) return null;
  const actual = framingOf(view, both);
  const asked = framingOf(target, both);
  return actual && asked ? { actual, asked, points: both } : null;
}

/** log2 of how much larger the subject appears than in the target; positive: too large. */
export function sizeRatio(actual: Framing | null, target: Framing | null): number | null {
  if (!actual || !target) return null;
  if (!(actual.radius > 0) || !(target.radius > 0)) return actual.radius === target.radius ? 0 : null;
  return exact.log2(actual.radius / target.radius);
}

export function placementOf(actual: Framing | null, target: Framing | null): number | null {
  if (!actual || !target) return null;
  const du = actual.u - target.u;
  const dv = actual.v - target.v;
  return Math.sqrt(du * du + dv * dv);
}

/** The inner rectangle that margins leave, frame heights. */
export function innerBox(margins: Margins): Framing['box'] {
  return {
    u0: FRAME_ASPECT * (margins.left - 0.5),
    u1: FRAME_ASPECT * (0.5 - margins.right),
    v0: margins.bottom - 0.5,
    v1: 0.5 - margins.top,
  };
}

/**
 * The box asked for: a subject can seldom touch all four inner lines, so it is the largest box of the subject's own
 * proportions between them, in their middle.
 */
export function askedBox(framing: Framing, margins: Margins): Framing['box'] {
  const inner = innerBox(margins);
  const w = framing.box.u1 - framing.box.u0;
  const h = framing.box.v1 - framing.box.v0;
  const k = Math.min(w > 0 ? (inner.u1 - inner.u0) / w : Number.POSITIVE_INFINITY, h > 0 ? (inner.v1 - inner.v0) / h : Number.POSITIVE_INFINITY);
  const cu = (inner.u0 + inner.u1) / 2;
  const cv = (inner.v0 + inner.v1) / 2;
  const half = Number.isFinite(k) ? { u: (w * k) / 2, v: (h * k) / 2 } : { u: 0, v: 0 };
  return { u0: cu - half.u, u1: cu + half.u, v0: cv - half.v, v1: cv + half.v };
}

/** Largest distance of a side of the subject's box from where it is asked, frame heights. */
export function marginError(framing: Framing, margins: Margins): number {
  const asked = askedBox(framing, margins);
  const { box } = framing;
  return Math.max(Math.abs(box.u0 - asked.u0), Math.abs(box.u1 - asked.u1), Math.abs(box.v0 - asked.v0), Math.abs(box.v1 - asked.v1));
}

/** How many times the room between the inner lines the subject takes up, in its tighter direction. 1 is as asked. */
export function fillOf(framing: Framing, margins: Margins): number {
  const inner = innerBox(margins);
  const { box } = framing;
  return Math.max((box.u1 - box.u0) / (inner.u1 - inner.u0), (box.v1 - box.v0) / (inner.v1 - inner.v0));
}
