import { sentenceOf } from '@core/advice';
import type { LabelledScheme } from '@core/input';
import { Bar } from '@web/ui/Bar';
import type { Closeness } from '@web/workers/closeness.worker';

const MOST = 5;

interface AdviceProps {
  readonly closeness: Closeness | null;
  /** A hint that was taken stands in place of the advice. */
  readonly words: string | null;
  /** What to press when nothing is left to change. */
  readonly end: string;
  /** Whose gestures are named. */
  readonly scheme: LabelledScheme;
}

/** One sentence: what to do first, or the hint that was taken. Where one view tells nothing, nothing is said. */
export function LiveAdvice({ closeness, words, end, scheme }: AdviceProps) {
  const first = closeness?.first;
  const told = closeness && closeness.results.length > 0 ? (first ? sentenceOf(first, scheme) : `All as asked: press ${end}.`) : null;
  return (
    <p className="min-h-7 font-bold font-display text-lg leading-7" aria-live="polite">
      {words ?? told}
    </p>
  );
}

/** A bar for each criterion that one view can tell. */
export function LiveBars({ closeness }: { readonly closeness: Closeness | null }) {
  const results = closeness?.results.slice(0, MOST) ?? [];
  return (
    <div className="min-w-0 flex-1">
      {results.length > 0 && (
        <div className="grid grid-cols-5 gap-4 max-md:grid-cols-3" data-testid="closeness">
          {results.map((result) => (
            <Bar key={result.id} label={result.label} shown={result.shown} points={result.points} />
          ))}
        </div>
      )}
    </div>
  );
}
