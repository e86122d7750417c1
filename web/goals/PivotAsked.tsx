import { FRAME_ASPECT, project, type View } from '@core/view';
import { FRAME_VIEW_BOX } from '@web/ui/frameUnits';
import { type Judged, pivotAsked } from './methodWords';

/** Behind the eye nothing is marked. */
const NEAR = 1e-6;

/** The point about which it has to be turned, where that is judged and may be known. */
export function PivotAsked({ step, view }: { readonly step: Judged; readonly view: View | null }) {
  const point = pivotAsked(step);
  if (!point || !view) return null;
  const { u, v, depth } = project(view, point, FRAME_ASPECT);
  if (depth < NEAR && view.projection === 'perspective') return null;
  return (
    <svg
      className="pointer-events-none absolute inset-0 h-full w-full"
      viewBox={FRAME_VIEW_BOX}
      role="img"
      aria-label="The point to turn about"
      data-mark="pivot asked"
    >
      <g transform={`translate(${u} ${-v})`} fill="none">
        <path d="M-0.03 0H-0.008M0.03 0H0.008M0-0.03V-0.008M0 0.03V0.008" stroke="var(--color-paper)" strokeWidth="0.012" />
        <path d="M-0.03 0H-0.008M0.03 0H0.008M0-0.03V-0.008M0 0.03V0.008" stroke="var(--color-amber)" strokeWidth="0.006" />
        <circle r="0.02" stroke="var(--color-paper)" strokeWidth="0.01" />
        <circle r="0.02" stroke="var(--color-amber)" strokeWidth="0.005" />
      </g>
    </svg>
  );
}
