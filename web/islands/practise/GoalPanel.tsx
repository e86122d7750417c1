import type { Step } from '@core/exercise';
import { type Calls, callWords } from './useCalls';

/** What a step asks beside its brief: the call, or what the marks on the stage mean. */
export function GoalPanel({ step, calls }: { readonly step: Step; readonly calls: Calls }) {
  const { goal } = step;
  if (goal.kind === 'callView') {
    return (
      <section aria-label="The call" className="rounded-xl border-2 border-ink bg-card p-4">
        <p className="text-ink-soft text-sm" aria-live="polite">
          {calls.call ? `Call ${calls.number} of ${calls.count}: show` : 'All called.'}
        </p>
        {calls.call && (
          <>
            <p className="mt-1 font-bold font-display text-xl leading-tight" data-testid="call" aria-live="assertive">
              {callWords(calls.call)}
            </p>
            <button type="button" className="button mt-3 w-full" onClick={calls.confirm}>
              That is it
            </button>
            <p className="mt-2 text-ink-soft text-xs">Or stand still on it for a moment.</p>
          </>
        )}
      </section>
    );
  }
  if (goal.kind === 'followOrbit')
    return (
      <p className="card p-3 text-sm">The dot in the middle is where you look from. Bring the ring “start” under it, then go along the line to the square.</p>
    );
  if (goal.kind === 'frameIt') return <p className="card p-3 text-sm">Make the subject as large as the dashed inner lines allow, in their middle.</p>;
  if (goal.kind === 'cutToReveal' && goal.reveal.length > 0) {
    return (
      <p className="card p-3 text-sm">
        To be seen after the cut: <strong>{goal.reveal.map((id) => id.split('/').at(-1)).join(', ')}</strong>
      </p>
    );
  }
  return null;
}
