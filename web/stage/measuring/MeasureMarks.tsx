import type { Mesh } from '@core/geometry';
import { measuredWords } from '@core/geometry';
import type { Vec3 } from '@core/math';
import { FRAME_ASPECT, project, type View } from '@core/view';
import { FRAME_VIEW_BOX } from '@web/ui/frameUnits';
import { useMemo } from 'react';
import type { Measured, Picked } from './measuring';
import { outlineOf } from './outlines';

/** A line of world points as a path over the stage; what lies behind the eye is left out. */
function pathOf(view: View, line: readonly Vec3[]): string {
  let path = '';
  let on = false;
  for (const point of line) {
    const { u, v, depth } = project(view, point, FRAME_ASPECT);
    const seen = depth > 0 || view.projection === 'orthographic';
    if (seen) path += `${on ? 'L' : 'M'}${u.toFixed(4)} ${(-v).toFixed(4)}`;
    on = seen;
  }
  return path;
}

function FeatureLines({ mesh, view, picked }: { readonly mesh: Mesh; readonly view: View; readonly picked: Picked }) {
  const lines = useMemo(() => outlineOf(mesh, picked.feature), [mesh, picked.feature]);
  const path = lines.map((line) => pathOf(view, line)).join('');
  const at = project(view, picked.pick.point, FRAME_ASPECT);
  return (
    <g fill="none" strokeLinecap="round">
      <path d={path} stroke="var(--color-paper)" strokeWidth="0.011" />
      <path d={path} stroke="var(--color-amber)" strokeWidth="0.005" />
      <circle cx={at.u} cy={-at.v} r="0.007" fill="var(--color-amber)" stroke="var(--color-paper)" strokeWidth="0.003" />
    </g>
  );
}

/** What was picked, lit, and each value beside it. */
export function MeasureMarks({
  mesh,
  view,
  first,
  kept,
}: {
  readonly mesh: Mesh;
  readonly view: View;
  readonly first: Picked | null;
  readonly kept: readonly Measured[];
}) {
  return (
    <>
      <svg className="pointer-events-none absolute inset-0 h-full w-full" viewBox={FRAME_VIEW_BOX} aria-hidden="true">
        {kept.map(({ id, picked }) => {
          const [a, b] = picked;
          const line = a && b ? pathOf(view, [a.pick.point, b.pick.point]) : '';
          return (
            <g key={id}>
              {picked.map((one) => (
                <FeatureLines key={one.pick.t} mesh={mesh} view={view} picked={one} />
              ))}
              <path d={line} stroke="var(--color-ink)" strokeWidth="0.003" strokeDasharray="0.012 0.008" fill="none" />
            </g>
          );
        })}
        {first && <FeatureLines mesh={mesh} view={view} picked={first} />}
      </svg>
      {kept.map(({ id, what, value, picked }) => {
        const points = picked.map(({ pick }) => project(view, pick.point, FRAME_ASPECT));
        const mean = (k: 'u' | 'v'): number => points.reduce((sum, p) => sum + p[k], 0) / points.length;
        if (points.some(({ depth }) => depth <= 0) && view.projection === 'perspective') return null;
        return (
          <span
            key={id}
            className="pointer-events-none absolute -translate-x-1/2 -translate-y-full rounded bg-ink px-1.5 py-0.5 font-mono text-paper text-xs"
            style={{ left: `${(mean('u') / FRAME_ASPECT + 0.5) * 100}%`, top: `${(0.5 - mean('v')) * 100}%` }}
            data-testid="measured"
          >
            {what === 'diameter' ? '⌀ ' : ''}
            {measuredWords(what, value)}
          </span>
        );
      })}
    </>
  );
}
