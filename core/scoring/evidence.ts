import type { Step } from '../exercise';
import { angleBetween, backOf, distanceBetween, exact, type Vec3 } from '../math';
import type { Scene } from '../navigation';
import { createReplay, lastMoveBy, type Move, pausedBetween, type StepSpan, stepSpans, type Trace, viewAt } from '../trace';
import { FRAME_ASPECT, frameHeightAtTarget, project, type View } from '../view';
import { contextFor, type ScoredModel } from './model';

/** What one step left behind to be judged. */
export interface Evidence {
  readonly step: Step;
  readonly index: number;
  readonly span: StepSpan;
  readonly before: Scene;
  readonly after: Scene;
  readonly moves: readonly Move[];
  /** View after each of `moves`. */
  readonly views: readonly View[];
  readonly trace: Trace;
  /** View at a time, seconds from opening. */
  readonly viewAt: (t: number) => View;
}

/** Evidence of every step that was reached; null for the others. */
export function gatherEvidence(steps: readonly Step[], model: ScoredModel, trace: Trace): (Evidence | null)[] {
  const spans = stepSpans(trace, steps.length);
  const ends = new Set(spans.flatMap((span) => (span ? [lastMoveBy(trace, span.opened), lastMoveBy(trace, span.to)] : [])));
  // Whole scenes are kept only where a step begins or ends; of all others the view is enough.
  const kept = new Map<number, Scene>();
  const run = createReplay(trace.start, contextFor(model, trace.start));
  const views = trace.moves.map((move, i) => {
    run.perform(move.command, move.gesture?.id);
    if (ends.has(i)) kept.set(i, run.scene());
    return run.scene().view;
  });
  return steps.map((step, index) => {
    const span = spans[index];
    if (!span) return null;
    // The first step owns also what was done before its clock started.
    const first = index === 0 ? 0 : lastMoveBy(trace, span.opened) + 1;
    const last = lastMoveBy(trace, span.to);
    const sceneAfter = (move: number): Scene => (move < 0 ? trace.start : (kept.get(move) as Scene));
    return {
      step,
      index,
      span,
      before: sceneAfter(first - 1),
      after: sceneAfter(last),
      moves: trace.moves.slice(first, last + 1),
      views: views.slice(first, last + 1),
      trace,
      viewAt: (t) => viewAt(trace, views, t),
    };
  });
}

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

/** Way from one view to the next: radians turned + frame heights panned + octaves zoomed. */
export function wayBetween(a: View, b: View): number {
  const turned = angleBetween(backOf(a.orientation), backOf(b.orientation));
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

/** Seconds in which no point of the subject was in the frame, looked at five times a second from the first movement, pauses left out. */
export function lostTime(evidence: Evidence, points: readonly Vec3[]): number {
  const { from, to } = evidence.span;
  const isLost = (view: View): boolean =>
    !points.some((point) => {
      const p = project(view, point, FRAME_ASPECT);
      return (p.depth > 0 || view.projection === 'orthographic') && Math.abs(p.u) <= FRAME_ASPECT / 2 && Math.abs(p.v) <= 0.5;
    });
  let lost = 0;
  let since: number | null = null;
  const found = (t: number): void => {
    if (since !== null) lost += t - since - pausedBetween(evidence.trace, since, t);
    since = null;
  };
  // A view that is held is looked at once, however long it is held.
  let held: View | null = null;
  for (let t = from; t < to; t += 1 / LOOK_HZ) {
    const view = evidence.viewAt(t);
    if (held === view) continue;
    held = view;
    if (isLost(view)) since ??= t;
    else found(t);
  }
  found(to);
  return Math.max(0, lost);
}
