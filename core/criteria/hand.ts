import { angleBetween, backOf, distanceBetween, exact, type Vec3 } from '../math';
import { isLost, rollError } from '../measures';
import { type Move, pausedBetween } from '../trace';
import { frameHeightAtTarget, type View } from '../view';
import { advice } from './advice';
import type { CriterionSpec } from './criterion';
import type { Evidence } from './evidence';
import type { Measured } from './measured';

/** Gestures made, and changes from one kind to another. A move without a gesture is one by itself; selecting is none. */
export function gestureCounts(moves: readonly Move[]): { gestures: number; switches: number } {
  let gestures = 0;
  let switches = 0;
  let lastId: number | null = null;
  let lastKind: string | null = null;
  for (const move of moves) {
    if (move.command.kind === 'select' || move.command.kind === 'cancel') continue;
    const id = move.gesture?.id ?? null;
    if (id !== null && id === lastId) continue;
    gestures++;
    if (lastKind !== null && lastKind !== move.command.kind) switches++;
    lastId = id;
    lastKind = move.command.kind;
  }
  return { gestures, switches };
}

/** Way from one view to the next: radians turned and rolled + frame heights panned + octaves zoomed. */
export function wayBetween(a: View, b: View): number {
  const turned = angleBetween(backOf(a.orientation), backOf(b.orientation)) + rollError(b.orientation, a.orientation);
  const panned = distanceBetween(a.target, b.target) / frameHeightAtTarget(a);
  const zoomed = Math.abs(exact.log2(frameHeightAtTarget(a) / frameHeightAtTarget(b)));
  return turned + panned + zoomed;
}

const SHORTEST = 0.1;

/** Way made over the shortest way to `goal`, minus 1, at least 0. */
export function detourOf(evidence: Evidence, goal: View): number {
  let made = 0;
  let at = evidence.before.view;
  for (const view of evidence.views) {
    made += wayBetween(at, view);
    at = view;
  }
  return Math.max(0, made / Math.max(SHORTEST, wayBetween(evidence.before.view, goal)) - 1);
}

const LOOK_HZ = 5;

/** A stretch of time in which the subject could not be found; `seconds`: of it, pauses left out. */
export interface LostSpan {
  readonly from: number;
  readonly seconds: number;
}

/** When the subject could not be found in the frame, looked at five times a second from the first movement. */
export function lostSpans(evidence: Evidence, points: readonly Vec3[]): LostSpan[] {
  const { from, to } = evidence.span;
  const spans: LostSpan[] = [];
  let since: number | null = null;
  const found = (t: number): void => {
    if (since !== null) spans.push({ from: since, seconds: t - since - pausedBetween(evidence.trace, since, t) });
    since = null;
  };
  // A view that is held is looked at once, however long it is held.
  let held: View | null = null;
  for (let t = from; t < to; t += 1 / LOOK_HZ) {
    const view = evidence.viewAt(t);
    if (held === view) continue;
    held = view;
    if (isLost(view, points)) since ??= t;
    else found(t);
  }
  found(to);
  return spans;
}

/** Seconds in which the subject could not be found. */
export const lostSeconds = (evidence: Evidence, points: readonly Vec3[]): number =>
  Math.max(
    0,
    lostSpans(evidence, points).reduce((sum, span) => sum + span.seconds, 0),
  );

/** A criterion that is read off the attempt and tells nothing of the target. */
const ofHand = (spec: Omit<CriterionSpec, 'live' | 'measure'>, read: (evidence: Evidence, m: Measured) => number): CriterionSpec => ({
  ...spec,
  live: false,
  measure: (m) => (m.evidence ? read(m.evidence, m) : null),
});

const time = ofHand(
  {
    label: 'Time',
    unit: 's',
    display: 'seconds',
    how: 'Seconds from the step’s first movement to its end, pauses left out; a step without a movement took no time.',
    tolerance: { full: 20, zero: 120 },
    rank: 61,
    tellsNothing: true,
    advise: (_, value) => advice('time', { seconds: value ?? 0 }),
  },
  (evidence) => evidence.span.seconds,
);

const gestures = ofHand(
  {
    label: 'Gestures',
    unit: 'gestures',
    display: 'count',
    how: 'Gestures made; picking is none.',
    tolerance: { full: 4, zero: 30 },
    rank: 62,
    tellsNothing: true,
    advise: (_, value) => advice('gestures', { count: value ?? 0 }),
  },
  (evidence) => gestureCounts(evidence.moves).gestures,
);

const switches = ofHand(
  {
    label: 'Changes of gesture',
    unit: 'changes',
    display: 'count',
    how: 'Changes from one kind of gesture to another.',
    tolerance: { full: 3, zero: 20 },
    rank: 63,
    tellsNothing: true,
    advise: (_, value) => advice('switches', { count: value ?? 0 }),
  },
  (evidence) => gestureCounts(evidence.moves).switches,
);

const hints = ofHand(
  {
    label: 'Hints',
    unit: 'hints',
    display: 'count',
    how: 'Hints taken in the step.',
    tolerance: { full: 0, zero: 3 },
    rank: 64,
    tellsNothing: true,
    advise: (_, value) => advice('hints', { count: value ?? 0 }),
  },
  (evidence) => evidence.trace.events.filter((event) => event.kind === 'hint' && event.step === evidence.index).length,
);

const detour = ofHand(
  {
    label: 'Detour',
    unit: 'ratio',
    display: 'percent',
    of: 'longer than the shortest way',
    how: 'How much longer your way was than the shortest, which counts at least 0.1: radians turned and rolled + frame heights slid + octaves of size.',
    tolerance: { full: 0.5, zero: 5 },
    rank: 65,
    advise: (_, value) => advice('detour', { share: value ?? 0 }),
  },
  (evidence, m) => detourOf(evidence, m.aim.target?.view ?? m.scene.view),
);

const lostTime = ofHand(
  {
    label: 'Out of frame',
    unit: 's',
    display: 'seconds',
    how: 'Seconds in which nothing of the subject was in the frame, or all of it was under 4 % of the frame high and wide; looked at five times a second, pauses left out.',
    tolerance: { full: 2, zero: 30 },
    rank: 66,
    advise: (_, value) => advice('lostTime', { seconds: value ?? 0 }),
  },
  (evidence, m) => lostSeconds(evidence, m.points()),
);

/** How the hand went about it. */
export const HAND_CRITERIA = { time, gestures, switches, hints, detour, lostTime } as const;
