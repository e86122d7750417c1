import { quickWords } from '@core/advice/quickWords';
import type { RedactedOf } from '@core/goals';
import type { PanelProps } from '../goalParts';
import { Ready } from '../Ready';

const BEFORE = { right: 'Right.', wrong: 'That was another gesture.', late: 'Too late.' } as const;

/** The gesture that is called now, large, and what became of the one before. */
export function QuickCallsPanel({ prompt, onConfirm }: PanelProps<RedactedOf<'quickCalls'>>) {
  const asked = prompt?.code === 'quick' ? prompt : null;
  const start = (): void => {
    onConfirm();
    // The hand is on the stage from here on.
    document.querySelector<HTMLElement>('canvas[role=application]')?.focus();
  };
  if (asked && asked.call === null)
    return (
      <Ready label="The call" onReady={start}>
        {asked.count} gestures will be called, one after the other. Make each at once: the first gesture counts.
      </Ready>
    );
  return (
    <section aria-label="The call" className="rounded-xl border-2 border-ink bg-card p-4">
      <p className="text-ink-soft text-sm">{asked ? `Call ${asked.number} of ${asked.count}` : 'All called.'}</p>
      {asked?.call && (
        <p className="mt-1 font-bold font-display text-2xl leading-tight" data-testid="call" aria-live="assertive">
          {quickWords(asked.call)}
        </p>
      )}
      <p className="mt-2 min-h-5 text-sm" aria-live="polite">
        {asked?.before && BEFORE[asked.before]}
      </p>
    </section>
  );
}
