import type { Goal } from '@core/goals';
import type { View } from '@core/view';
import { Suspense } from 'react';
import { overlayOf } from './overlays';

/** Over a picture of a step, what its goal draws over the stage: the line to follow, the lines to fill. */
export function MarksOver({ goal, view }: { readonly goal: Goal; readonly view: View }) {
  const Overlay = overlayOf(goal);
  return (
    <span aria-hidden="true" className="pointer-events-none absolute inset-0">
      <Suspense>{Overlay && <Overlay goal={goal} view={view} />}</Suspense>
    </span>
  );
}
