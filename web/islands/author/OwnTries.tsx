import type { CriterionId } from '@core/criteria';
import { CRITERIA, type Criterion } from '@core/criteria';
import { type Step, sameData } from '@core/exercise';
import { calibrated, type ScoreCard, TRIES } from '@core/scoring';
import { shownValue } from '@web/ui/shownValue';

/** What an author reached in a step, trying it. */
export interface OwnTry {
  readonly step: string;
  readonly goal: Step['goal'];
  readonly values: Readonly<Partial<Record<CriterionId, number>>>;
}

/** What a card of one's own tells of each step that was tried. */
export const triesOf = (card: ScoreCard, steps: readonly Step[]): OwnTry[] =>
  card.steps.flatMap(({ criteria }, i) => {
    const step = steps[i];
    if (!step) return [];
    const values = Object.fromEntries(criteria.flatMap(({ id, value }) => (value === null ? [] : [[id, value]])));
    return [{ step: step.id, goal: step.goal, values }];
  });

interface Props {
  readonly step: Step;
  readonly tries: readonly OwnTry[];
  readonly onChange: (criteria: Criterion[]) => void;
}

/** What is close enough, from the author's own hand: the values of the tries, and the tolerances that they come to. */
export function OwnTries({ step, tries, onChange }: Props) {
  const mine = tries.filter((one) => one.step === step.id && sameData(one.goal, step.goal));
  if (mine.length === 0)
    return <p className="mt-2 text-ink-soft text-sm">Try the step three times yourself: then what is close enough can be set from your own hand.</p>;
  const valuesOf = (id: CriterionId): number[] => mine.flatMap(({ values }) => values[id] ?? []);
  const strict = step.criteria.filter(({ id, full, weight }) => weight > 0 && valuesOf(id).length > 0 && full < Math.min(...valuesOf(id)) - 1e-12);
  const found = step.criteria.map((criterion) => ({ criterion, made: calibrated(criterion.id, valuesOf(criterion.id)) }));
  const enough = mine.length >= TRIES;
  return (
    <details className="mt-2 text-sm" open>
      <summary className="cursor-pointer font-semibold">
        Your own tries: {mine.length}
        {enough ? '' : ` of ${TRIES}`}
      </summary>
      <div className="overflow-x-auto">
        <table className="mt-1 w-full text-left">
          <thead>
            <tr className="text-ink-soft text-xs">
              <th className="font-normal">Reached</th>
              {mine.map((_, i) => (
                <th key={i} className="px-1 text-right font-normal">
                  {i + 1}
                </th>
              ))}
              {enough && <th className="pl-2 text-right font-normal">full, none</th>}
            </tr>
          </thead>
          <tbody>
            {found.map(({ criterion: { id }, made }) => (
              <tr key={id} className="border-rule border-t">
                <td className="py-0.5">{CRITERIA[id].label}</td>
                {mine.map(({ values }, i) => (
                  <td key={i} className="px-1 text-right font-mono text-xs">
                    {values[id] === undefined ? '–' : shownValue(id, values[id], null)}
                  </td>
                ))}
                {enough && (
                  <td className="pl-2 text-right font-mono text-xs">{made ? `${shownValue(id, made.full, null)}, ${shownValue(id, made.zero, null)}` : '–'}</td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {enough && (
        <button
          type="button"
          className="button mt-2 !py-1 text-sm"
          onClick={() => onChange(found.map(({ criterion, made }) => (made ? { ...criterion, ...made } : criterion)))}
        >
          Take what my hand came to
        </button>
      )}
      {strict.length > 0 && (
        <p role="status" className="mt-2 font-semibold">
          Stricter than your own best: {strict.map(({ id }) => CRITERIA[id].label.toLowerCase()).join(', ')}.
        </p>
      )}
    </details>
  );
}
