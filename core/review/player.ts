import type { Evidence } from '../criteria';
import type { RedactedGoal } from '../goals';
import { ownStarts } from '../goals/ownStarts';
import { contextFor, type ScoredModel } from '../model';
import type { Scene } from '../navigation';
import { gatherEvidence } from '../scoring/evidence';
import { lastMoveBy, movedScenes, type StepSpan, type Trace, viewAt } from '../trace';

/** What an attempt shows at a moment. */
export interface ShownMoment {
  readonly scene: Scene;
  /** Number of the last move done, -1 before the first. */
  readonly move: number;
  /** Number of the step, from 0. */
  readonly step: number;
}

/** An attempt that can be looked at at any moment. */
export interface AttemptPlayer {
  /** Seconds from opening to its end. */
  readonly seconds: number;
  /** What each step left behind; null where it was not reached. */
  readonly evidence: readonly (Evidence | null)[];
  /** What was on the screen at `t` seconds from opening, as it is scored: inside a gesture between its moves. */
  readonly at: (t: number) => ShownMoment;
}

/**
 * Replays an attempt once, and then shows any moment of it at once: every view is kept. `steps`: their goals, or what may be told of them; a
 * still step whose scenes are secret shows the start.
 */
export function attemptPlayer(steps: readonly { readonly goal: RedactedGoal }[], model: ScoredModel, trace: Trace): AttemptPlayer {
  const own = ownStarts(steps, model, trace.start, trace.seed);
  const scenes = movedScenes(trace, contextFor(model, trace.start), own);
  const { views, sceneAfter } = scenes;
  const evidence = gatherEvidence(steps, model, trace, own, scenes);
  const reached = evidence.flatMap((each) => (each ? [{ span: each.span, step: each.index }] : []));
  const shown = trace.events.flatMap((event) => (event.kind === 'shown' && event.call > 0 ? [event] : []));

  const sceneAt = (t: number, step: number, span: StepSpan): Scene => {
    const move = lastMoveBy(trace, t);
    const call = shown.findLast((event) => event.step === step && event.t <= t);
    const question = call && lastMoveBy(trace, call.t) === move ? own(step, call.call) : null;
    if (question) return question;
    // Looking round comes before; then the step begins again as it had begun.
    const { begun, opened } = span;
    const looking = begun !== undefined && t < opened;
    const first = step === 0 && (looking || begun === undefined) ? 0 : lastMoveBy(trace, looking ? begun : opened) + 1;
    if (move >= first) return { ...sceneAfter(move), view: viewAt(trace, views, t) };
    return own(step) ?? sceneAfter(step === 0 ? -1 : lastMoveBy(trace, begun ?? opened));
  };
  return {
    seconds: trace.end,
    evidence,
    at(t) {
      const { span, step } = reached.find((each) => t <= each.span.to) ?? (reached.at(-1) as (typeof reached)[number]);
      return { scene: sceneAt(t, step, span), move: lastMoveBy(trace, t), step };
    },
  };
}
