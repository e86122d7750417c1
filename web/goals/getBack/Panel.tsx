import { partName } from '@core/geometry';
import type { RedactedOf } from '@core/goals';
import type { PanelProps } from '../goalParts';

/** What has to come back, and when it is back. */
export function GetBackPanel({ goal, parts }: PanelProps<RedactedOf<'getBack'>>) {
  const what = goal.subject.length === 0 ? 'the model' : goal.subject.map((id) => partName(parts, id)).join(', ');
  return (
    <p className="card p-3 text-sm">
      You are lost. Bring <strong>{what}</strong> back: all of it in the frame, upright, not hidden. Hold it for a second.
    </p>
  );
}
