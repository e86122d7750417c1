import { angleBetween, backOf, type Vec3 } from '../math';
import { sparc } from '../measures';
import { type Move, mixViews } from '../trace';
import { FRAME_ASPECT, project, type View } from '../view';
import type { Line } from './aim';
import type { Evidence } from './evidence';

const HZ = 60;
/** Moments this near to the nearest to the line's start are one stay at it, radians. */
const SAME_STAY = Math.PI / 180;
/** Directions this near to each other are equally near, radians. */
const EQUAL = 1e-9;

/** The way that was gone, as it is compared with the line. */
export interface Followed {
  readonly directions: readonly Vec3[];
  readonly reference: readonly Vec3[];
  readonly views: readonly View[];
  /** Number of the move after which it begins; -1: with the step itself. */
  readonly first: number;
}

export const directionOf = (view: View): Vec3 => backOf(view.orientation);

/**
 * Where the followed part begins, as a place in a list of directions. Of the moments up to the one nearest to the line's
 * end: the first stay within a degree of the least angle to the line's start, and in it the nearest, the last of equal ones.
 * A tail of the approach does not count, nor does a try that was broken off at the start.
 */
export function beginOf(directions: readonly Vec3[], reference: readonly Vec3[]): number {
  const start = reference[0];
  const end = reference.at(-1);
  if (!start || !end) return 0;
  let ended = 0;
  let toEnd = Number.POSITIVE_INFINITY;
  directions.forEach((d, i) => {
    const angle = angleBetween(d, end);
    if (angle < toEnd - EQUAL) {
      toEnd = angle;
      ended = i;
    }
  });
  const toStart = directions.slice(0, ended + 1).map((d) => angleBetween(d, start));
  const least = Math.min(...toStart);
  let at = toStart.findIndex((angle) => angle <= least + SAME_STAY);
  let best = at;
  for (; at < toStart.length && (toStart[at] as number) <= least + SAME_STAY; at++) {
    if ((toStart[at] as number) <= (toStart[best] as number) + EQUAL) best = at;
  }
  return Math.max(0, best);
}

export function followedPath(line: Line, evidence: Evidence): Followed {
  const reference = line.path.map((entry) => directionOf(entry.view));
  const all = [evidence.before.view, ...evidence.views];
  const directions = all.map(directionOf);
  const begin = beginOf(directions, reference);
  return { directions: directions.slice(begin), reference, views: all.slice(begin), first: begin - 1 };
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

/** Angular speed of a recorded line sampled at `HZ` between two moments, rad/s. */
function lineSpeeds(line: Line, from: number, to: number): number[] {
  const found: number[] = [];
  const count = Math.floor((to - from) * HZ + 1e-9);
  let last = directionOf(referenceAt(line, from));
  for (let i = 1; i <= count; i++) {
    const next = directionOf(referenceAt(line, from + i / HZ));
    found.push(angleBetween(last, next) * HZ);
    last = next;
  }
  return found;
}

/** The recorded path at a time, seconds from its start. */
export function referenceAt({ path }: Line, t: number): View {
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

/** What turns the view as one movement of a hand; all else that turns it is a step. */
const isMovement = ({ command, gesture }: Move): boolean => gesture !== undefined && (command.kind === 'orbit' || command.kind === 'look');

/** A piece of the followed part between two steps: the moments of its moves and the directions they led to. */
interface Piece {
  readonly from: number;
  /** Moments and directions; the first is where the piece begins. */
  readonly at: { readonly t: number; readonly direction: Vec3; readonly gesture: number | null; readonly view: View }[];
  to: number;
}

/** The followed part, cut where a step turned the view: within each piece the view moves only by hand. */
function piecesOf(evidence: Evidence, followed: Followed): { pieces: Piece[]; byHand: number; swept: number; movements: number[] } {
  const moves = evidence.moves.slice(followed.first + 1);
  const begun = followed.first < 0 ? Number.NEGATIVE_INFINITY : (evidence.moves[followed.first]?.t ?? Number.NEGATIVE_INFINITY);
  const firstView = followed.views[0] as View;
  const startGesture = followed.first < 0 ? null : (evidence.moves[followed.first]?.gesture?.id ?? null);
  const pieces: Piece[] = [
    { from: begun, at: [{ t: begun, direction: directionOf(firstView), gesture: startGesture, view: firstView }], to: Number.POSITIVE_INFINITY },
  ];
  let byHand = 0;
  let swept = 0;
  const movements: number[] = [];
  moves.forEach((move, i) => {
    const view = followed.views[i + 1] as View;
    const before = followed.directions[i] as Vec3;
    const direction = followed.directions[i + 1] as Vec3;
    const angle = angleBetween(before, direction);
    swept += angle;
    const hand = isMovement(move);
    if (hand) {
      byHand += angle;
      movements.push(move.t);
    }
    const entry = { t: move.t, direction, gesture: move.gesture?.id ?? null, view };
    if (hand || angle === 0) pieces.at(-1)?.at.push(entry);
    else {
      (pieces.at(-1) as Piece).to = move.t;
      pieces.push({ from: move.t, at: [entry], to: Number.POSITIVE_INFINITY });
    }
  });
  return { pieces, byHand, swept, movements };
}

/** The direction of a piece at a moment in it: inside one gesture interpolated between its moves, otherwise held. */
function directionAt({ at }: Piece, t: number): Vec3 {
  let low = 0;
  let high = at.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((at[middle]?.t ?? 0) <= t) low = middle;
    else high = middle - 1;
  }
  const here = at[low] as Piece['at'][number];
  const next = at[low + 1];
  if (!next || next.gesture === null || next.gesture !== here.gesture || next.t <= here.t || t <= here.t) return here.direction;
  return directionOf(mixViews(here.view, next.view, (t - here.t) / (next.t - here.t)));
}

/** What the hand turned between two moments, radians: chords within each piece, nothing of the steps between them. */
function turnedByHand(pieces: readonly Piece[], from: number, to: number): number {
  let turned = 0;
  for (const piece of pieces) {
    const a = Math.max(from, piece.from);
    const b = Math.min(to, piece.to);
    if (b <= a) continue;
    // A step's own moment belongs to what follows it.
    const last = b === piece.to && piece.to < Number.POSITIVE_INFINITY ? (piece.at.at(-1) as Piece['at'][number]).direction : directionAt(piece, b);
    turned += angleBetween(directionAt(piece, a), last);
  }
  return turned;
}

/**
 * How much less smooth the attempt's turning was than the reference's, by drags, touches, held keys and the 3D mouse; what
 * steps turned is taken out. Null where less than half of what was swept came from movements; 0 where nothing was swept.
 */
export function smoothnessLoss(line: Line, evidence: Evidence, followed: Followed): number | null {
  const { pieces, byHand, swept, movements } = piecesOf(evidence, followed);
  if (swept === 0) return 0;
  if (byHand < swept / 2) return null;
  const work = workingTime(movements);
  const speed: number[] = [];
  const count = Math.floor(work.length * HZ + 1e-9);
  let last = work.momentAt(0);
  for (let i = 1; i <= count; i++) {
    const next = work.momentAt(i / HZ);
    speed.push(turnedByHand(pieces, last, next) * HZ);
    last = next;
  }
  const theirs = sparc(lineSpeeds(line, line.path[0]?.t ?? 0, line.path.at(-1)?.t ?? 0), HZ);
  const mine = sparc(speed, HZ);
  return mine === 0 ? 0 : Math.max(0, theirs - mine);
}
