import { CRITERIA, type CriterionId } from '@core/criteria';

/** Share of all that was lost, by criterion, as bars. */
export function LossList({ losses }: { readonly losses: readonly { readonly criterion: string; readonly share: number }[] }) {
  return (
    <ul className="mt-1 text-sm">
      {losses.map(({ criterion, share }) => (
        <li key={criterion} className="flex items-center gap-3 py-0.5">
          <span className="w-40 truncate">{CRITERIA[criterion as CriterionId]?.label ?? criterion}</span>
          <span className="h-2.5 flex-1 overflow-hidden rounded-full bg-bar">
            <span className="block h-full bg-signal" style={{ width: `${100 * share}%` }} />
          </span>
          <span className="w-12 text-right font-mono">{Math.round(100 * share)} %</span>
        </li>
      ))}
    </ul>
  );
}
