import type { RedactedOf } from '@core/goals';
import { innerBox, type Margins } from '@core/measures';
import { FRAME_ASPECT } from '@core/view';
import { FRAME_VIEW_BOX, rectangleOf } from '@web/ui/frameUnits';
import { type PointerEvent, useRef } from 'react';
import type { OverlayProps } from '../goalParts';

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
    <svg className="pointer-events-none absolute inset-0 h-full w-full" viewBox={FRAME_VIEW_BOX} role="img" aria-label="Inner lines of the frame">
      <rect {...rectangleOf(box)} fill="none" stroke="var(--color-paper)" strokeWidth="0.012" />
      <rect {...rectangleOf(box)} fill="none" stroke="var(--color-signal)" strokeWidth="0.005" strokeDasharray="0.03 0.012" />
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

/** The inner lines of this goal. */
export function FrameItOverlay({ goal, onChange }: OverlayProps<RedactedOf<'frameIt'>>) {
  return <InnerLines margins={goal.margins} {...(onChange ? { onChange: (margins: Margins) => onChange({ ...goal, margins }) } : {})} />;
}
