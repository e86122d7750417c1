import type { RedactedOf } from '@core/goals';
import type { PanelProps } from '../goalParts';

/** The parts that must be seen after the cut. */
export function CutToRevealPanel({ goal }: PanelProps<RedactedOf<'cutToReveal'>>) {
  if (goal.reveal.length === 0) return null;
  return (
    <p className="card p-3 text-sm">
      To be seen after the cut: <strong>{goal.reveal.map((id) => id.split('/').at(-1)).join(', ')}</strong>
    </p>
  );
}
