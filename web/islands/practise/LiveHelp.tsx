import { say, sentenceOf, standHand } from '@core/advice';
import type { Prompt } from '@core/goals';
import type { LabelledScheme } from '@core/input';
import { promptWords } from '@web/goals/promptWords';
import { Bar } from '@web/ui/Bar';
import { Html } from '@web/ui/Html';
import type { Closeness } from '@web/workers/closeness.worker';

const MOST = 5;

interface AdviceProps {
  readonly closeness: Closeness | null;
  /** A hint that was taken stands in place of the advice: HTML. */
  readonly hint: string | null;
  /** What the step asks in between, and whether all of it was tried. */
  readonly asked: { readonly prompt: Prompt | null; readonly done: boolean };
  /** Whether one stands inside the model: what is told of standing is told to one who stands. */
  readonly standing: boolean;
  /** What to press when nothing is left to change. */
  readonly end: string;
  /** Whose gestures are named. */
  readonly scheme: LabelledScheme;
}

/** What a coach says: what the step asks next, else what to change first; "as asked" only of what was tried. */
function coachWords({ closeness, asked: { prompt, done }, standing, end, scheme }: Omit<AdviceProps, 'hint'>): string | null {
  if (prompt && !done) return promptWords(prompt, end);
  const first = closeness?.first?.code;
  if (!standing && (first === 'lookAbout' || first === 'moveEye')) return say('stand inside first', standHand(scheme));
  if (closeness?.first) return sentenceOf(closeness.first, scheme);
  if (closeness && closeness.results.length > 0 && done) return `All as asked: press ${end}.`;
  return prompt && promptWords(prompt, end);
}

/** One sentence: what to do first, or the hint that was taken. Where nothing can be told, nothing is said. */
export function LiveAdvice({ hint, ...told }: AdviceProps) {
  return (
    <div
      className="min-h-7 stacked:max-md:min-h-14 font-bold font-display text-lg stacked:text-base leading-7 low:text-sm low:leading-5 stacked:order-3 stacked:col-span-2 low:order-2 low:my-2"
      aria-live="polite"
    >
      {hint === null ? coachWords(told) : <Html html={hint} />}
    </div>
  );
}

/** A bar for each criterion that one view can tell. */
export function LiveBars({ closeness }: { readonly closeness: Closeness | null }) {
  const results = closeness?.results.slice(0, MOST) ?? [];
  return (
    <div className="min-w-0 flex-1 stacked:order-3 stacked:col-span-2 low:order-4 low:mb-3">
      {results.length > 0 && (
        <div
          className={`grid gap-x-4 gap-y-2 ${results.length <= 2 ? 'max-w-sm grid-cols-2' : 'grid-cols-[repeat(auto-fit,minmax(6.5rem,1fr))]'}`}
          data-testid="closeness"
        >
          {results.map((result) => (
            <Bar key={result.id} label={result.label} shown={result.shown} of={result.of} points={result.points} />
          ))}
        </div>
      )}
    </div>
  );
}
