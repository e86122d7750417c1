import type { GoalOf } from '../exercise';
import { angleBetween, backOf, type Vec3 } from '../math';
import { mixViews } from '../trace';
import { FRAME_ASPECT, project, type View } from '../view';
import type { Evidence } from './evidence';
import { sparc } from './sparc';

const HZ = 60;
/** The path is judged from where one first comes this near to the line's start, radians. */
const NEAR_START = (5 * Math.PI) / 180;

/** The way that was gone, as it is compared with the line. */
export interface Followed {
  readonly directions: readonly Vec3[];
  readonly reference: readonly Vec3[];
  readonly views: readonly View[];
}

export const directionOf = (view: View): Vec3 => backOf(view.orientation);

export function followedPath(goal: GoalOf<'followOrbit'>, evidence: Evidence): Followed {
  const reference = goal.path.map((entry) => directionOf(entry.view));
  const all = [evidence.before.view, ...evidence.views];
  const start = reference[0] as Vec3;
  const first = all.findIndex((view) => angleBetween(directionOf(view), start) <= NEAR_START);
  const views = first < 0 ? all : all.slice(first);
  return { directions: views.map(directionOf), reference, views };
}

/** How far the pivot strays on the screen from where it stood at the start of the path, frame heights. */
export function pivotDrift(pivot: Vec3, views: readonly View[]): number | null {
  const first = views[0];
  if (!first) return null;
  const at = project(first, pivot, FRAME_ASPECT);
  let most = 0;
  for (const view of views) {
    const p = project(view, pivot, FRAME_ASPECT);
    if (view.projection === 'perspective' && p.depth <= 0) return null;
    most = Math.max(most, Math.sqrt((p.u - at.u) ** 2 + (p.v - at.v) ** 2));
  }
  return most;
}

/** Angular speed sampled at `HZ` between two moments, rad/s. */
function speeds(viewAt: (t: number) => View, from: number, to: number): number[] {
  const found: number[] = [];
  const count = Math.floor((to - from) * HZ + 1e-9);
  let last = directionOf(viewAt(from));
  for (let i = 1; i <= count; i++) {
    const next = directionOf(viewAt(from + i / HZ));
    found.push(angleBetween(last, next) * HZ);
    last = next;
  }
  return found;
}

/** The recorded path at a time, seconds from its start. */
export function referenceAt(goal: GoalOf<'followOrbit'>, t: number): View {
  const { path } = goal;
  let i = 0;
  while (i < path.length - 1 && (path[i + 1]?.t ?? 0) <= t) i++;
  const a = path[i] as (typeof path)[number];
  const b = path[i + 1];
  return b && b.t > a.t ? mixViews(a.view, b.view, (t - a.t) / (b.t - a.t)) : a.view;
}

/** A rest between two movements that is longer than this counts as this long, seconds: a break is no unsteadiness. */
const LONGEST_REST = 5;
/** So much of an attempt is looked at, seconds of movement: the first ten minutes. */
const LONGEST_LOOK = 600;

/**
 * A clock that runs through the movements alone: seconds of it, and the moment of the attempt that each stands for. What
 * rests for long is shortened, so that idle time does not feed the transform.
 */
export function workingTime(times: readonly number[]): { readonly length: number; readonly momentAt: (s: number) => number } {
  const marks = [{ s: 0, t: times[0] ?? 0 }];
  let s = 0;
  for (let i = 1; i < times.length; i++) {
    const [before, now] = [times[i - 1] as number, times[i] as number];
    s += Math.min(LONGEST_REST, now - before);
    if (s > LONGEST_LOOK) break;
    marks.push({ s, t: now });
  }
  let at = 0;
  return {
    length: marks.at(-1)?.s ?? 0,
    // Asked for in order: the place is kept from one to the next.
    momentAt(wanted) {
      if ((marks[at]?.s ?? 0) > wanted) at = 0;
      while (at < marks.length - 1 && (marks[at + 1]?.s ?? 0) <= wanted) at++;
      const here = marks[at] as (typeof marks)[number];
      const next = marks[at + 1];
      if (!next) return here.t;
      const gone = Math.max(0, wanted - here.s);
      // In a shortened rest its middle is left out.
      return gone * 2 > next.s - here.s ? next.t - (next.s - wanted) : here.t + gone;
    },
  };
}

/** How much less smooth the attempt's turning was than the reference's; steps without a gesture are left out. */
export function smoothnessLoss(goal: GoalOf<'followOrbit'>, evidence: Evidence): number {
  const work = workingTime(evidence.moves.filter((move) => move.gesture).map((move) => move.t));
  const mine = sparc(
    speeds((s) => evidence.viewAt(work.momentAt(s)), 0, work.length),
    HZ,
  );
  const end = goal.path.at(-1)?.t ?? 0;
  const theirs = sparc(
    speeds((t) => referenceAt(goal, t), goal.path[0]?.t ?? 0, end),
    HZ,
  );
  return mine === 0 ? 0 : Math.max(0, theirs - mine);
}
