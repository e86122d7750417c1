import type { RedactedOf } from '@core/goals';
import type { PanelProps } from '../goalParts';
import { subjectWords } from '../subjectWords';

/** What has to be seen, and what counts as seen. */
export function SeeAllPanel({ goal, parts }: PanelProps<RedactedOf<'seeAll'>>) {
  return (
    <p className="card p-3 text-sm">
      See all of <strong>{subjectWords(parts, goal.parts)}</strong>: from every side, above and beneath, and rest a moment at each look.
      {goal.near > 0 && ` It counts when it is ${Math.round(goal.near * 100)} % of the frame’s height or larger.`}
    </p>
  );
}
