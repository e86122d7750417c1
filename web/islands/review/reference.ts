import type { TraineeExercise } from '@core/exercise';
import { watchOf } from '@core/goals';
import type { Context, Scene } from '@core/navigation';
import type { Replayed } from '@core/review';
import { playing } from '@core/trace';
import type { View } from '@core/view';

/** In step by the time since a step began, or by the share of it that is over. */
export type Pace = 'time' | 'share';

/** Something that an attempt is laid beside. */
export interface Reference {
  readonly name: string;
  /** What it showed at a moment of the attempt, seconds without pauses; null: nothing of this step. */
  readonly sceneAt: (at: number, pace: Pace) => Scene | null;
}

/** Where a moment lies in its step: seconds since it began, and the share of it that is over. */
function within({ player, folding }: Replayed, at: number): { readonly step: number; readonly since: number; readonly share: number } {
  const { step } = player.at(folding.fromFolded(at));
  const span = player.evidence[step]?.span;
  if (!span) return { step, since: 0, share: 0 };
  const [from, to] = [folding.toFolded(span.from), folding.toFolded(span.to)];
  return { step, since: Math.max(0, at - from), share: to > from ? Math.min(1, Math.max(0, (at - from) / (to - from))) : 1 };
}

/** Views that a way is drawn from. */
const ON_THE_WAY = 90;

/** The views of a reference over the step in which a moment lies, evenly by share; empty where it shows nothing of it. */
export function wayOf(reference: Reference, { player, folding }: Replayed, step: number): View[] {
  const span = player.evidence[step]?.span;
  if (!span) return [];
  const [from, to] = [folding.toFolded(span.from), folding.toFolded(span.to)];
  return Array.from({ length: ON_THE_WAY }, (_, i) => reference.sceneAt(from + ((to - from) * (i + 0.5)) / ON_THE_WAY, 'share')?.view).filter(
    (view) => view !== undefined,
  );
}

/** Another attempt, step by step. */
export function attemptAsReference(name: string, main: Replayed, other: Replayed): Reference {
  return {
    name,
    sceneAt(at, pace) {
      const { step, since, share } = within(main, at);
      const span = other.player.evidence[step]?.span;
      if (!span) return null;
      const [from, to] = [other.folding.toFolded(span.from), other.folding.toFolded(span.to)];
      const moment = pace === 'time' ? Math.min(to, from + since) : from + share * (to - from);
      return other.player.at(Math.min(span.to, other.folding.fromFolded(moment))).scene;
    },
  };
}

/** How the author does the steps; null where none is shown. */
export function recordingAsReference(main: Replayed, steps: TraineeExercise['steps'], context: Context): Reference | null {
  const recordings = steps.map((step) => {
    const recording = watchOf(step);
    return recording ? { seconds: recording.seconds, at: playing(recording, context) } : null;
  });
  if (recordings.every((recording) => recording === null)) return null;
  return {
    name: 'How the author does it',
    sceneAt(at, pace) {
      const { step, since, share } = within(main, at);
      const recording = recordings[step];
      return recording ? recording.at(pace === 'time' ? Math.min(recording.seconds, since) : share * recording.seconds).scene : null;
    },
  };
}
