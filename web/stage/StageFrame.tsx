import type { FramePoint, Pick } from '@core/input';
import { FRAME_ASPECT, project, type View } from '@core/view';
import { type ReactNode, type RefObject, useEffect, useRef, useState } from 'react';

interface Props {
  readonly canvas: RefObject<HTMLCanvasElement | null>;
  readonly label: string;
  readonly rectangle: { from: FramePoint; to: FramePoint } | null;
  readonly grab: Pick | null;
  readonly view: View | null;
  /** Drawn over the model, inside the frame. */
  readonly children?: ReactNode;
}

const BORDER = 10;

/** The frame: the largest 16:10 rectangle its place allows, with a chart's graduated border. Scores refer to its inside. */
export function StageFrame({ canvas, label, rectangle, grab, view, children }: Props) {
  const place = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const element = place.current;
    if (!element) return;
    const measure = (): void => {
      const w = element.clientWidth - 2 * BORDER;
      const h = element.clientHeight - 2 * BORDER;
      const width = Math.max(160, Math.floor(Math.min(w, h * FRAME_ASPECT)));
      setSize({ width, height: Math.floor(width / FRAME_ASPECT) });
    };
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    measure();
    return () => observer.disconnect();
  }, []);

  const toPercent = (p: FramePoint): { left: number; top: number } => ({ left: (p.u / FRAME_ASPECT + 0.5) * 100, top: (0.5 - p.v) * 100 });
  const box = rectangle && { from: toPercent(rectangle.from), to: toPercent(rectangle.to) };
  const pivot = grab && view ? toPercent(project(view, grab.point, FRAME_ASPECT)) : null;

  return (
    <div ref={place} className="grid min-h-0 min-w-0 flex-1 place-items-center">
      <div className="graduated" style={{ width: size.width + 2 * BORDER, height: size.height + 2 * BORDER }}>
        <div className="relative h-full w-full overflow-hidden bg-stage">
          <canvas
            ref={canvas}
            aria-label={label}
            role="application"
            tabIndex={0}
            className="block h-full w-full touch-none outline-none focus-visible:ring-2 focus-visible:ring-sea focus-visible:ring-inset"
          />
          {children}
          {box && (
            <div
              className="pointer-events-none absolute border-2 border-ink bg-ink/10"
              style={{
                left: `${Math.min(box.from.left, box.to.left)}%`,
                top: `${Math.min(box.from.top, box.to.top)}%`,
                width: `${Math.abs(box.to.left - box.from.left)}%`,
                height: `${Math.abs(box.to.top - box.from.top)}%`,
              }}
            />
          )}
          {pivot && (
            <svg
              className="pointer-events-none absolute h-10 w-10 -translate-x-1/2 -translate-y-1/2 text-ink"
              style={{ left: `${pivot.left}%`, top: `${pivot.top}%` }}
              viewBox="-20 -20 40 40"
              aria-hidden="true"
            >
              <circle r="11" fill="none" stroke="var(--color-paper)" strokeWidth="5" />
              <circle r="11" fill="none" stroke="currentColor" strokeWidth="2.5" />
              <path d="M0-19v14M0 19V5M-19 0h14M19 0H5" stroke="currentColor" strokeWidth="2" />
            </svg>
          )}
        </div>
      </div>
    </div>
  );
}
