import type { RedactedGoal } from '../goals';
import type { ScoredModel } from '../model';
import type { Trace } from '../trace';
import { type Folding, foldingOf } from './folding';
import { type GestureBlock, gesturesOf } from './gestures';
import { type AttemptPlayer, attemptPlayer } from './player';
import { type PromptFrom, promptsOf } from './prompts';

/** An attempt that can be played: everything that is looked up while it runs. */
export interface Replayed {
  readonly trace: Trace;
  readonly player: AttemptPlayer;
  readonly folding: Folding;
  /** The gestures of all steps, in the order of time. */
  readonly gestures: readonly GestureBlock[];
  /** What each step asked for in its course. */
  readonly prompts: readonly (readonly PromptFrom[])[];
}

/** Replays an attempt once. */
export function replayedOf(steps: readonly { readonly goal: RedactedGoal }[], model: ScoredModel, trace: Trace): Replayed {
  const player = attemptPlayer(steps, model, trace);
  return {
    trace,
    player,
    folding: foldingOf(trace),
    gestures: player.evidence.flatMap((evidence) => (evidence ? gesturesOf(evidence) : [])),
    prompts: player.evidence.map((evidence, step) => {
      const goal = steps[step]?.goal;
      return evidence && goal ? promptsOf(goal, trace.seed, evidence) : [];
    }),
  };
}
