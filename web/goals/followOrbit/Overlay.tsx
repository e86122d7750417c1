import { referenceAt } from '@core/criteria';
import type { GoalOf, RedactedOf } from '@core/goals';
import { addScaled, backOf, dot, type Vec3 } from '@core/math';
import { FRAME_ASPECT, frameHeightAt, project, type View } from '@core/view';
import { FRAME_VIEW_BOX } from '@web/ui/frameUnits';
import type { OverlayProps } from '../goalParts';

/** The sphere that a path is drawn on, as a share of the frame's height at the pivot. */
const SPHERE = 0.34;
const POINTS = 90;

/** A line of directions on the sphere round the pivot: its points, and its pieces in front and behind. */
function onSphere(view: View, pivot: Vec3, radius: number, orientations: readonly View['orientation'][]) {
  const back = backOf(view.orientation);
  const points = orientations.map((orientation) => {
    const d = backOf(orientation);
    const p = project(view, addScaled(pivot, d, radius), FRAME_ASPECT);
    return { u: p.u, v: -p.v, front: dot(d, back) > 0 };
  });
  const pieces: [front: string, behind: string] = ['', ''];
  points.forEach((p, i) => {
    const last = points[i - 1];
    if (last) pieces[p.front ? 0 : 1] += `M${last.u.toFixed(4)} ${last.v.toFixed(4)}L${p.u.toFixed(4)} ${p.v.toFixed(4)}`;
  });
  return { points, pieces };
}

const radiusIn = (view: View, pivot: Vec3): number => SPHERE * frameHeightAt(view, Math.max(1e-6, project(view, pivot, FRAME_ASPECT).depth));

/** The way that another attempt took, on the same sphere. */
function LineBeside({ pivot, view, beside }: { readonly pivot: Vec3; readonly view: View; readonly beside: readonly View[] }) {
  const { pieces } = onSphere(
    view,
    pivot,
    radiusIn(view, pivot),
    beside.map(({ orientation }) => orientation),
  );
  return (
    <svg
      className="pointer-events-none absolute inset-0 h-full w-full"
      viewBox={FRAME_VIEW_BOX}
      role="img"
      aria-label="The way of the reference, on the same sphere"
    >
      <path d={pieces[1]} stroke="var(--color-sea)" strokeWidth="0.004" strokeDasharray="0.006 0.01" fill="none" opacity="0.7" />
      <path d={pieces[0]} stroke="var(--color-paper)" strokeWidth="0.012" fill="none" />
      <path d={pieces[0]} stroke="var(--color-sea)" strokeWidth="0.006" strokeDasharray="0.02 0.01" fill="none" />
    </svg>
  );
}

/** The line to follow, on a sphere round the pivot. Where you look from is the sphere's middle: bring the line there. */
export function OrbitLine({ goal, view }: { readonly goal: GoalOf<'followOrbit'>; readonly view: View }) {
  const radius = radiusIn(view, goal.pivot);
  const back = backOf(view.orientation);
  const end = goal.path.at(-1)?.t ?? 0;
  const { points, pieces } = onSphere(
    view,
    goal.pivot,
    radius,
    Array.from({ length: POINTS }, (_, i) => referenceAt(goal, (end * i) / (POINTS - 1)).orientation),
  );
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

/** The line, where it may be known, and beside it that of a reference. */
export function FollowOrbitOverlay({ goal, view, beside }: OverlayProps<RedactedOf<'followOrbit'>>) {
  if (!('path' in goal)) return null;
  const whole = goal as GoalOf<'followOrbit'>;
  return (
    <>
      <OrbitLine goal={whole} view={view} />
      {beside && <LineBeside pivot={whole.pivot} view={view} beside={beside} />}
    </>
  );
}
