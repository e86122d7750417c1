import type { GoalOf, Margins } from '@core/exercise';
import { boxOf, type Mesh, middleOf } from '@core/geometry';
import { addScaled, backOf, dot } from '@core/math';
import { innerBox, referenceAt } from '@core/scoring';
import { byInterface } from '@core/trace';
import { FRAME_ASPECT, frameHeightAt, project, type View } from '@core/view';
import { type PointerEvent, useMemo, useRef } from 'react';
import { useStore } from 'zustand';
import { untilTakenBack } from '../hand/takeBack';
import type { Session } from '../session';

/** Overlays are drawn in frame units: u across, -v down. */
const VIEW_BOX = `${-FRAME_ASPECT / 2} -0.5 ${FRAME_ASPECT} 1`;

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
      viewBox={VIEW_BOX}
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

/** The inner lines of a frame to fill; in Build they can be dragged. */
export function InnerLines({ margins, onChange }: { readonly margins: Margins; readonly onChange?: (margins: Margins) => void }) {
  const held = useRef<keyof Margins | null>(null);
  const box = innerBox(margins);
  const move = (event: PointerEvent<SVGElement>): void => {
    const side = held.current;
    const svg = event.currentTarget.ownerSVGElement;
    if (!side || !svg || !onChange) return;
    const area = svg.getBoundingClientRect();
    const x = (event.clientX - area.left) / area.width;
    const y = (event.clientY - area.top) / area.height;
    const wanted = side === 'left' ? x : side === 'right' ? 1 - x : side === 'top' ? y : 1 - y;
    const opposite = { left: margins.right, right: margins.left, top: margins.bottom, bottom: margins.top }[side];
    onChange({ ...margins, [side]: Math.round(Math.min(0.9 - opposite, Math.max(0, wanted)) * 100) / 100 });
  };
  const lines: readonly { side: keyof Margins; x1: number; y1: number; x2: number; y2: number }[] = [
    { side: 'left', x1: box.u0, y1: -0.5, x2: box.u0, y2: 0.5 },
    { side: 'right', x1: box.u1, y1: -0.5, x2: box.u1, y2: 0.5 },
    { side: 'top', x1: -FRAME_ASPECT / 2, y1: -box.v1, x2: FRAME_ASPECT / 2, y2: -box.v1 },
    { side: 'bottom', x1: -FRAME_ASPECT / 2, y1: -box.v0, x2: FRAME_ASPECT / 2, y2: -box.v0 },
  ];
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" viewBox={VIEW_BOX} role="img" aria-label="Inner lines of the frame">
      <rect x={box.u0} y={-box.v1} width={box.u1 - box.u0} height={box.v1 - box.v0} fill="none" stroke="var(--color-paper)" strokeWidth="0.012" />
      <rect
        x={box.u0}
        y={-box.v1}
        width={box.u1 - box.u0}
        height={box.v1 - box.v0}
        fill="none"
        stroke="var(--color-signal)"
        strokeWidth="0.005"
        strokeDasharray="0.03 0.012"
      />
      {onChange &&
        lines.map(({ side, ...line }) => (
          <line
            key={side}
            {...line}
            data-side={side}
            stroke="transparent"
            strokeWidth="0.04"
            className={side === 'left' || side === 'right' ? 'pointer-events-auto cursor-ew-resize' : 'pointer-events-auto cursor-ns-resize'}
            onPointerDown={(event) => {
              held.current = side;
              event.currentTarget.setPointerCapture(event.pointerId);
            }}
            onPointerMove={move}
            onPointerUp={() => {
              held.current = null;
            }}
          />
        ))}
    </svg>
  );
}

/** The arrow of a cut: drag it to move the plane along its normal. */
export function SectionArrow({ session, view, mesh }: { readonly session: Session; readonly view: View; readonly mesh: Mesh }) {
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
    <svg className="pointer-events-none absolute inset-0 h-full w-full" viewBox={VIEW_BOX} role="img" aria-label="Arrow of the cut">
      <g
        className="pointer-events-auto cursor-grab"
        data-arrow="section"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          const id = session.newGesture();
          const end = untilTakenBack(() => {
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
