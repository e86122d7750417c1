import type { RedactedOf } from '@core/goals';
import type { PanelProps } from '../goalParts';
import { partsWords } from '../subjectWords';

/** The parts that must be seen after the cut. */
export function CutToRevealPanel({ goal, parts }: PanelProps<RedactedOf<'cutToReveal'>>) {
  if (goal.reveal.length === 0) return null;
  return (
    <p className="card p-3 text-sm">
      To be seen after the cut: <strong>{partsWords(parts, goal.reveal)}</strong>
    </p>
  );
}
