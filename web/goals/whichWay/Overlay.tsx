import type { RedactedOf } from '@core/goals';
import type { OverlayProps } from '../goalParts';

/** Over the stage: nothing while it shows the view itself, the view's picture where that is secret, and a cover before and after. */
export function WhichWayOverlay({ goal, prompt, picture }: OverlayProps<RedactedOf<'whichWay'>>) {
  // In Build the author's own view stands there.
  if (prompt === undefined) return null;
  const asked = prompt?.code === 'way' && prompt.shown ? prompt : null;
  if (!asked) return <div className="absolute inset-0 bg-stage" data-testid="cover" />;
  if (!picture || goal.count === undefined) return null;
  // All views stand in one picture, one below the other.
  return (
    <div className="absolute inset-0 overflow-hidden bg-stage">
      <img
        src={picture}
        alt={`View ${asked.number} of ${asked.count}`}
        className="absolute left-0 w-full"
        style={{ height: `${100 * goal.count}%`, top: `${-100 * (asked.number - 1)}%` }}
      />
    </div>
  );
}
