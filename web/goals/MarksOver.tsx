import type { Goal } from '@core/goals';
import type { View } from '@core/view';
import { memo, Suspense } from 'react';
import { overlayOf } from './overlays';

interface Props {
  readonly goal: Goal;
  /** From where the picture is drawn. */
  readonly view: View;
  /** On a picture as small as a card lines are as wide as they must be to be seen. */
  readonly small?: boolean;
}

/** Over a picture of a step, what its goal draws over the stage: the line to follow, the lines to fill. Drawn anew only for another goal or view. */
export const MarksOver = memo(function MarksOver({ goal, view, small = false }: Props) {
  const Overlay = overlayOf(goal);
  return (
    <span
      aria-hidden="true"
      className={`pointer-events-none absolute inset-0 ${small ? '[&_path]:[stroke-width:2px] [&_path]:[vector-effect:non-scaling-stroke]' : ''}`}
    >
      <Suspense>{Overlay && <Overlay goal={goal} view={view} />}</Suspense>
    </span>
  );
});
