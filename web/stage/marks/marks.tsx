import type { FramePoint } from '@core/input';
import type { Vec3 } from '@core/math';
import { FRAME_ASPECT, project, type View } from '@core/view';
import type { DrawnRectangle } from '../devices/drags';
import { LOUPE } from '../drawing/paneDrawer';

/** Small marks over the stage that follow the hand. Positions are shares of the pane they stand in. */
export const toPercent = (p: FramePoint): { left: number; top: number } => ({ left: (p.u / FRAME_ASPECT + 0.5) * 100, top: (0.5 - p.v) * 100 });

/** What is being turned about. */
export function PivotMark({ point, view }: { readonly point: Vec3; readonly view: View }) {
  const at = toPercent(project(view, point, FRAME_ASPECT));
  return (
    <svg
      className="pointer-events-none absolute h-10 w-10 -translate-x-1/2 -translate-y-1/2 text-ink"
      style={{ left: `${at.left}%`, top: `${at.top}%` }}
      viewBox="-20 -20 40 40"
      data-mark="pivot"
      aria-hidden="true"
    >
      <circle r="11" fill="none" stroke="var(--color-paper)" strokeWidth="5" />
      <circle r="11" fill="none" stroke="currentColor" strokeWidth="2.5" />
      <path d="M0-19v14M0 19V5M-19 0h14M19 0H5" stroke="currentColor" strokeWidth="2" />
    </svg>
  );
}

/** A rectangle being drawn, with what it will do at its corner. */
export function RectangleMark({ rectangle }: { readonly rectangle: DrawnRectangle }) {
  const from = toPercent(rectangle.from);
  const to = toPercent(rectangle.to);
  return (
    <>
      <div
        className="pointer-events-none absolute border-2 border-ink bg-ink/10"
        style={{
          left: `${Math.min(from.left, to.left)}%`,
          top: `${Math.min(from.top, to.top)}%`,
          width: `${Math.abs(to.left - from.left)}%`,
          height: `${Math.abs(to.top - from.top)}%`,
        }}
      />
      <span
        className="pointer-events-none absolute rounded-md bg-ink px-2 py-0.5 font-semibold text-paper text-xs"
        style={{
          left: `${to.left}%`,
          top: `${to.top}%`,
          transform: `translate(${to.left < from.left ? '-100%' : '0'}, ${to.top < from.top ? '-130%' : '30%'})`,
        }}
        data-mark="rectangle"
      >
        {rectangle.word}
      </span>
    </>
  );
}

/** The rim of the loupe; what is in it is drawn by the stage. */
export function LoupeMark({ at }: { readonly at: FramePoint }) {
  const { left, top } = toPercent(at);
  return (
    <div
      className="pointer-events-none absolute aspect-square -translate-x-1/2 -translate-y-1/2 border-2 border-ink shadow-lg outline-2 outline-paper"
      style={{ left: `${left}%`, top: `${top}%`, height: `${LOUPE.side * 100}%` }}
      data-mark="loupe"
    >
      <span className="absolute right-0 bottom-0 bg-ink px-1.5 font-mono text-[11px] text-paper">× {LOUPE.power}</span>
    </div>
  );
}
