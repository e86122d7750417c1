import { boxOf, type Mesh, middleOf } from '@core/geometry';
import { addScaled, dot } from '@core/math';
import { byInterface } from '@core/trace';
import { FRAME_ASPECT, frameHeightAt, project, type View } from '@core/view';
import { FRAME_VIEW_BOX } from '@web/ui/frameUnits';
import { useMemo, useRef } from 'react';
import { useStore } from 'zustand';
import { untilCancelled } from '../devices/cancelWatch';
import type { Recorder } from '../recorder';

/** The arrow of a cut: drag it to move the plane along its normal. */
export function SectionArrow({ session, view, mesh }: { readonly session: Recorder; readonly view: View; readonly mesh: Mesh }) {
  const last = useRef<{ readonly x: number; readonly y: number; readonly id: number; readonly end: () => void } | null>(null);
  const section = useStore(session, (s) => s.scene.section);
  const box = useMemo(() => boxOf(mesh), [mesh]);
  if (!section || !box) return null;
  const centre = middleOf(box);
  const foot = addScaled(centre, section.normal, section.offset - dot(section.normal, centre));
  const at = project(view, foot, FRAME_ASPECT);
  const length = 0.13 * frameHeightAt(view, Math.max(at.depth, 1e-6));
  const tip = project(view, addScaled(foot, section.normal, length), FRAME_ASPECT);
  // Seen from straight ahead the arrow would shrink to a point: then it stands upright and up means out.
  const seen = Math.hypot(tip.u - at.u, tip.v - at.v);
  const way = seen > 0.03 ? { u: (tip.u - at.u) / seen, v: (tip.v - at.v) / seen, metres: length / seen } : { u: 0, v: 1, metres: length / 0.13 };
  const end = { u: at.u + way.u * 0.13, v: at.v + way.v * 0.13 };
  const turn = (Math.atan2(-way.v, way.u) * 180) / Math.PI;
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" viewBox={FRAME_VIEW_BOX} role="img" aria-label="Arrow of the cut">
      <g
        className="pointer-events-auto cursor-grab"
        data-arrow="section"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          const id = session.newGesture();
          const end = untilCancelled(() => {
            last.current = null;
            if (session.getState().scene.section !== section) session.perform([{ kind: 'section', plane: section }], byInterface(id, 'cut arrow'));
          });
          last.current = { x: event.clientX, y: event.clientY, id, end };
          event.stopPropagation();
        }}
        onPointerMove={(event) => {
          const area = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
          if (!last.current || !area) return;
          const du = (event.clientX - last.current.x) / area.height;
          const dv = -(event.clientY - last.current.y) / area.height;
          const metres = (du * way.u + dv * way.v) * way.metres;
          if (metres !== 0) session.perform([{ kind: 'shiftSection', metres }], byInterface(last.current.id, 'cut arrow'));
          last.current = { ...last.current, x: event.clientX, y: event.clientY };
        }}
        onPointerUp={() => {
          last.current?.end();
          last.current = null;
        }}
      >
        <line x1={at.u} y1={-at.v} x2={end.u} y2={-end.v} stroke="transparent" strokeWidth="0.07" />
        <line x1={at.u} y1={-at.v} x2={end.u} y2={-end.v} stroke="var(--color-paper)" strokeWidth="0.02" strokeLinecap="round" />
        <line x1={at.u} y1={-at.v} x2={end.u} y2={-end.v} stroke="var(--color-signal)" strokeWidth="0.01" strokeLinecap="round" />
        <path
          d="M0 0l-0.035-0.02v0.04z"
          transform={`translate(${end.u + way.u * 0.02} ${-end.v - way.v * 0.02}) rotate(${turn})`}
          fill="var(--color-signal)"
          stroke="var(--color-paper)"
          strokeWidth="0.005"
        />
        <circle cx={at.u} cy={-at.v} r="0.014" fill="var(--color-signal)" stroke="var(--color-paper)" strokeWidth="0.005" />
      </g>
    </svg>
  );
}
