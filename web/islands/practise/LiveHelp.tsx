import { criterionInfo } from '@core/exercise';
import { Bar } from '@web/ui/Bar';
import { shownValue } from '@web/ui/shownValue';
import type { Closeness } from '@web/workers/closeness.worker';

const MOST = 5;

/** One sentence in words and a bar for each criterion that one view can tell. */
export function LiveHelp({ closeness, words }: { readonly closeness: Closeness | null; readonly words: string | null }) {
  const results = closeness?.results.slice(0, MOST) ?? [];
  const advice = words ?? (closeness ? (closeness.worst?.advice ?? 'All as asked: you can hand it in.') : null);
  return (
    <div className="min-w-0 flex-1">
      <p className="min-h-7 truncate font-bold font-display text-lg" aria-live="polite" title={advice ?? undefined}>
        {advice}
      </p>
      {results.length > 0 && (
        <div className="mt-1 grid grid-cols-5 gap-4" data-testid="closeness">
          {results.map((result) => (
            <Bar key={result.id} label={criterionInfo(result.id).label} shown={shownValue(result.id, result.value)} points={result.points} />
          ))}
        </div>
      )}
    </div>
  );
}
