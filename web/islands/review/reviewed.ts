import type { TraineeExercise } from '@core/exercise';
import type { SentScheme } from '@core/input';
import type { View } from '@core/view';
import type { ExerciseWords } from '@web/ui/markdown';
import type { Comment } from './useComments';
import type { VerdictShown } from './Verdict';

/** Another attempt at the same version. */
export interface Other {
  readonly id: string;
  readonly score: number;
  /** When it was handed in. */
  readonly at: string;
}

/** An attempt as the page has it; its record is fetched. */
export interface Reviewed {
  readonly attemptId: string;
  readonly exercise: TraineeExercise;
  /** Its words, as HTML. */
  readonly words: ExerciseWords;
  /** Whether the goals may be known: else there are no curves, and of what happened only what tells nothing of them. */
  readonly known: boolean;
  readonly meshHash: string;
  readonly home: View;
  /** Published pictures of what is hidden, per step. */
  readonly pictures: readonly (string | null)[];
  /** The scheme that it was made with. */
  readonly scheme: SentScheme | null;
  readonly score: number;
  readonly flashes: number;
  /** Whether the card was made by earlier rules. */
  readonly earlier: boolean;
  /** Whose attempt it is, when it is another's. */
  readonly learner: { readonly id: string; readonly name: string } | null;
  readonly staff: boolean;
  readonly comments: readonly Comment[];
  readonly verdict: VerdictShown;
  /** The learner's own, oldest first, this one among them. */
  readonly own: readonly Other[];
  /** For those who teach: the best of the class. */
  readonly best: Other | null;
}
