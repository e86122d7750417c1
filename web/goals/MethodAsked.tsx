import type { TraineeStep } from '@core/exercise';
import { methodWords } from './methodWords';

/** How the present step has to be done, in sentences. */
export function MethodAsked({ step }: { readonly step: TraineeStep }) {
  return methodWords(step).map((words) => (
    <p key={words} className="mb-1 text-sm">
      {words}
    </p>
  ));
}
