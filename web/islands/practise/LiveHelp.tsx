import { criterionInfo } from '@core/exercise';
import { Bar } from '@web/ui/Bar';
import { shownValue } from '@web/ui/shownValue';
import type { Closeness } from '@web/workers/closeness.worker';

const MOST = 5;

interface AdviceProps {
  readonly closeness: Closeness | null;
  /** A hint that was taken stands in place of the advice. */
  readonly words: string | null;
  /** What to press when nothing is left to change. */
  readonly end: string;
}

/** One sentence: what most is to be changed, or the hint that was taken. */
export function LiveAdvice({ closeness, words, end }: AdviceProps) {
  const advice = words ?? (closeness ? (closeness.worst?.advice ?? `All as asked: press ${end}.`) : null);
  return (
    <p className="min-h-7 font-bold font-display text-lg leading-7" aria-live="polite">
      {advice}
    </p>
  );
}

/** A bar for each criterion that one view can tell. */
export function LiveBars({ closeness }: { readonly closeness: Closeness | null }) {
  const results = closeness?.results.slice(0, MOST) ?? [];
  return (
    <div className="min-w-0 flex-1">
      {results.length > 0 && (
        <div className="grid grid-cols-5 gap-4" data-testid="closeness">
          {results.map((result) => (
            <Bar key={result.id} label={criterionInfo(result.id).label} shown={shownValue(result.id, result.value)} points={result.points} />
          ))}
        </div>
      )}
    </div>
  );
}
