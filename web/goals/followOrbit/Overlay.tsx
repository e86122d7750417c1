import { referenceAt } from '@core/criteria';
import type { GoalOf, RedactedOf } from '@core/goals';
import { addScaled, backOf, dot } from '@core/math';
import { FRAME_ASPECT, frameHeightAt, project, type View } from '@core/view';
import { FRAME_VIEW_BOX } from '@web/ui/frameUnits';
import type { OverlayProps } from '../goalParts';

/** The sphere that a path is drawn on, as a share of the frame's height at the pivot. */
const SPHERE = 0.34;
const POINTS = 90;

/** The line to follow, on a sphere round the pivot. Where you look from is the sphere's middle: bring the line there. */
export function OrbitLine({ goal, view }: { readonly goal: GoalOf<'followOrbit'>; readonly view: View }) {
  const depth = Math.max(1e-6, project(view, goal.pivot, FRAME_ASPECT).depth);
  const radius = SPHERE * frameHeightAt(view, depth);
  const back = backOf(view.orientation);
  const end = goal.path.at(-1)?.t ?? 0;
  const points = Array.from({ length: POINTS }, (_, i) => {
    const d = backOf(referenceAt(goal, (end * i) / (POINTS - 1)).orientation);
    const p = project(view, addScaled(goal.pivot, d, radius), FRAME_ASPECT);
    return { u: p.u, v: -p.v, front: dot(d, back) > 0 };
  });
  const pieces: string[] = ['', ''];
  points.forEach((p, i) => {
    const last = points[i - 1];
    if (last) pieces[p.front ? 0 : 1] += `M${last.u.toFixed(4)} ${last.v.toFixed(4)}L${p.u.toFixed(4)} ${p.v.toFixed(4)}`;
  });
  const [first, final] = [points[0], points.at(-1)];
  const middle = project(view, addScaled(goal.pivot, back, radius), FRAME_ASPECT);
  const corners = [0.25, 0.5, 0.75].map((k) => points[Math.round(k * (POINTS - 1))]);
  return (
    <svg
      className="pointer-events-none absolute inset-0 h-full w-full"
      viewBox={FRAME_VIEW_BOX}
      role="img"
      aria-label="The line to follow, on a sphere round the pivot"
    >
      <path d={pieces[1]} stroke="var(--color-amber)" strokeWidth="0.005" strokeDasharray="0.012 0.01" fill="none" opacity="0.7" />
      <path d={pieces[0]} stroke="var(--color-paper)" strokeWidth="0.016" fill="none" />
      <path d={pieces[0]} stroke="var(--color-amber)" strokeWidth="0.008" fill="none" />
      {corners.map(
        (p, i) =>
          p && (
            <circle key={i} cx={p.u} cy={p.v} r="0.009" fill="var(--color-paper)" stroke="var(--color-amber)" strokeWidth="0.005" opacity={p.front ? 1 : 0.5} />
          ),
      )}
      {final && (
        <rect
          x={final.u - 0.013}
          y={final.v - 0.013}
          width="0.026"
          height="0.026"
          fill="var(--color-amber)"
          stroke="var(--color-paper)"
          strokeWidth="0.005"
          opacity={final.front ? 1 : 0.5}
        />
      )}
      {first && (
        <g opacity={first.front ? 1 : 0.5}>
          <circle cx={first.u} cy={first.v} r="0.02" fill="var(--color-paper)" stroke="var(--color-amber)" strokeWidth="0.008" />
          <text
            x={first.u}
            y={first.v + 0.055}
            textAnchor="middle"
            fontSize="0.03"
            fontWeight="700"
            fill="var(--color-ink)"
            stroke="var(--color-paper)"
            strokeWidth="0.008"
            paintOrder="stroke"
          >
            start
          </text>
        </g>
      )}
      <circle cx={middle.u} cy={-middle.v} r="0.014" fill="var(--color-ink)" stroke="var(--color-paper)" strokeWidth="0.005" />
    </svg>
  );
}

/** The line, where it may be known. */
export function FollowOrbitOverlay({ goal, view }: OverlayProps<RedactedOf<'followOrbit'>>) {
  return 'path' in goal ? <OrbitLine goal={goal as GoalOf<'followOrbit'>} view={view} /> : null;
}
