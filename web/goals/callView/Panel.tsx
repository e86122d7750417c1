import type { RedactedOf } from '@core/goals';
import { callWords } from '../callWords';
import type { PanelProps } from '../goalParts';

/** The call that is heard now, and how to answer it. */
export function CallViewPanel({ prompt, onConfirm }: PanelProps<RedactedOf<'callView'>>) {
  const heard = prompt?.code === 'call' ? prompt : null;
  return (
    <section aria-label="The call" className="rounded-xl border-2 border-ink bg-card p-4">
      <p className="text-ink-soft text-sm" aria-live="polite">
        {heard ? `Call ${heard.number} of ${heard.count}: show` : 'All called.'}
      </p>
      {heard && (
        <>
          <p className="mt-1 font-bold font-display text-xl leading-tight" data-testid="call" aria-live="assertive">
            {callWords(heard.call)}
          </p>
          <button type="button" className="button mt-3 w-full" onClick={onConfirm}>
            That is it
          </button>
          <p className="mt-2 text-ink-soft text-xs">Or stand still on it for a moment.</p>
        </>
      )}
    </section>
  );
}
