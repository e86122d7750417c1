import { sentenceOf } from '@core/advice';
import { CRITERIA } from '@core/criteria';
import type { LabelledScheme } from '@core/input';
import type { CriterionResult } from '@core/scoring';
import { Bar } from '@web/ui/Bar';
import { shownValue, tooLargeIn } from '@web/ui/shownValue';

/** One decimal, and none where there is nothing behind the point. */
const figure = (x: number): string => String(Math.round(x * 10) / 10);

/** A value as its advice tells it. */
const shownOf = ({ id, value, advice }: CriterionResult): string => shownValue(id, value, tooLargeIn(advice));

/** What a criterion brought: "gained 2.1 of 4", "kept", or what it lost. */
export function gainWords({ weight, points, startPoints, leftOut }: CriterionResult, reached: boolean): string {
  if (leftOut) return 'left out';
  if (!reached) return '–';
  const gained = weight * (points - startPoints);
  if (gained < -1e-9) return `lost ${figure(-gained)}`;
  return startPoints >= 1 ? 'kept' : `gained ${figure(gained)} of ${figure(weight * (1 - startPoints))}`;
}

/** How a criterion is measured, to be opened. */
function How({ id }: { readonly id: CriterionResult['id'] }) {
  return (
    <details className="mt-0.5 text-ink-soft text-sm">
      <summary className="cursor-pointer text-xs underline decoration-dotted underline-offset-2">How it is measured</summary>
      <p className="mt-1 max-w-prose">{CRITERIA[id].how}</p>
    </details>
  );
}

interface Props {
  readonly results: readonly CriterionResult[];
  readonly reached: boolean;
  /** Whose gestures are named. */
  readonly scheme: LabelledScheme | null;
}

/** What was lost, the largest first, with what to change; what was right in one line; what does not count. */
export function CriteriaList({ results, reached, scheme }: Props) {
  const weighed = results.filter((r) => r.weight > 0);
  const right = weighed.filter((r) => r.points >= 1);
  const rest = results.filter((r) => r.weight === 0);
  return (
    <>
      <ol className="divide-y divide-rule">
        {weighed
          .filter((r) => r.points < 1)
          .map((r) => (
            <li key={r.id} className="grid grid-cols-[11rem_1fr_auto] items-start gap-4 max-sm:grid-cols-1 max-sm:gap-1 py-2.5">
              <div>
                <Bar label={CRITERIA[r.id].label} shown={shownOf(r)} of={CRITERIA[r.id].of} points={r.points} />
                {CRITERIA[r.id].of && r.value !== null && <p className="mt-0.5 text-right text-ink-soft text-xs">{CRITERIA[r.id].of}</p>}
              </div>
              <div>
                <p>
                  {r.leftOut ? 'Too little of the way was turned by hand to judge this.' : sentenceOf(r.advice, scheme)}
                  {r.must && r.points === 0 && !r.leftOut && <strong className="ml-1 text-signal">This one must be met.</strong>}
                </p>
                <How id={r.id} />
              </div>
              <p className="whitespace-nowrap text-right font-mono max-sm:text-left text-sm tabular-nums">{gainWords(r, reached)}</p>
            </li>
          ))}
      </ol>
      {right.length > 0 && (
        <details className="border-rule border-t py-2.5" data-testid="as-asked">
          <summary className="cursor-pointer">
            <span className="font-semibold">As asked:</span> {right.map((r) => CRITERIA[r.id].label.toLowerCase()).join(', ')}
          </summary>
          <ul className="mt-2 space-y-2">
            {right.map((r) => (
              <li key={r.id} className="grid grid-cols-[11rem_1fr_auto] items-start gap-4 max-sm:grid-cols-1 max-sm:gap-1">
                <span>
                  {CRITERIA[r.id].label} <span className="font-mono text-ink-soft text-xs">{shownOf(r)}</span>
                </span>
                <span className="max-w-prose text-ink-soft text-sm">{CRITERIA[r.id].how}</span>
                <span className="whitespace-nowrap text-right font-mono max-sm:text-left text-sm tabular-nums">{gainWords(r, reached)}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
      {rest.length > 0 && (
        <p className="mt-2 text-ink-soft text-sm">
          Not counted here:{' '}
          {rest.map((r, i) => (
            <span key={r.id}>
              {i > 0 && ', '}
              {CRITERIA[r.id].label.toLowerCase()} <span className="font-mono">{shownOf(r)}</span>
            </span>
          ))}
        </p>
      )}
    </>
  );
}
