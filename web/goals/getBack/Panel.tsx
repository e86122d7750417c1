import type { RedactedOf } from '@core/goals';
import type { PanelProps } from '../goalParts';
import { subjectWords } from '../subjectWords';

/** What has to come back, and when it is back. */
export function GetBackPanel({ goal, parts }: PanelProps<RedactedOf<'getBack'>>) {
  return (
    <p className="card p-3 text-sm">
      You are lost. Bring <strong>{subjectWords(parts, goal.subject)}</strong> back: all of it in the frame, upright, not hidden. Hold it for a second.
    </p>
  );
}
