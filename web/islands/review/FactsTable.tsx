import { CRITERIA } from '@core/criteria';
import type { TraineeExercise } from '@core/exercise';
import type { Replayed } from '@core/review';
import { MOMENT_NAMES, type Moment, momentWords } from '@core/review';
import { shownValue } from '@web/ui/shownValue';
import { useState } from 'react';
import { clockWords } from './clock';
import { gestureWords } from './Lanes';
import type { Samples } from './useLookedThrough';

interface Props {
  readonly steps: TraineeExercise['steps'];
  readonly replayed: Replayed;
  readonly moments: readonly Moment[];
  readonly samples: readonly (readonly Samples[])[];
}

/** So many lines at once: of a very long attempt the rest is asked for. */
const AT_ONCE = 200;

/** What the time line shows, as a table: gestures, what each criterion came to after them, and what happened. */
export function FactsTable({ steps, replayed, moments, samples }: Props) {
  const { gestures, folding } = replayed;
  const [most, setMost] = useState(AT_ONCE);
  const lines = [
    ...gestures.map((gesture) => ({
      t: gesture.to,
      step: gesture.step,
      words: gestureWords(gesture),
      values: samples[gesture.step]?.find((each) => Object.values(each)[0]?.t === gesture.to) ?? null,
    })),
    ...moments.map((moment) => ({ t: moment.t, step: moment.step, words: `${MOMENT_NAMES[moment.kind]}: ${momentWords(moment)}`, values: null })),
  ].sort((a, b) => a.t - b.t);
  return (
    <>
      <table className="mt-2 w-full text-left text-sm">
        <thead>
          <tr className="border-ink border-b text-ink-soft">
            <th className="font-normal">Time</th>
            {steps.length > 1 && <th className="font-normal">Step</th>}
            <th className="font-normal">What</th>
            <th className="font-normal">Where it then stood</th>
          </tr>
        </thead>
        <tbody>
          {lines.slice(0, most).map((line) => (
            <tr key={`${line.t} ${line.words}`} className="border-rule border-b">
              <td className="pr-3 font-mono">{clockWords(folding.toFolded(line.t))}</td>
              {steps.length > 1 && <td className="pr-3">{line.step + 1}</td>}
              <td className="pr-3">{line.words}</td>
              <td>
                {line.values &&
                  steps[line.step]?.criteria
                    .filter(({ weight }) => weight > 0)
                    .map(({ id }) => `${CRITERIA[id].label.toLowerCase()} ${shownValue(id, line.values?.[id]?.value ?? null)}`)
                    .join(', ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {lines.length > most && (
        <button type="button" className="button-quiet" onClick={() => setMost(most + 5 * AT_ONCE)}>
          {lines.length - most} more
        </button>
      )}
    </>
  );
}
