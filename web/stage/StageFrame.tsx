import { FRAME_ASPECT } from '@core/view';
import { type ReactNode, type RefObject, useEffect, useRef, useState } from 'react';

interface Props {
  readonly canvas: RefObject<HTMLCanvasElement | null>;
  readonly label: string;
  /** Where it stands in the page. */
  readonly className?: string;
  /** Drawn over the model, inside the frame. */
  readonly children?: ReactNode;
}

const BORDER = 10;

/** The frame: the largest 16:10 rectangle its place allows, with a chart's graduated border. Scores refer to its inside. */
export function StageFrame({ canvas, label, className = '', children }: Props) {
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

  return (
    <div ref={place} className={`grid min-h-0 min-w-0 flex-1 place-items-center stacked:aspect-[16/10] stacked:flex-none ${className}`}>
      <div className="graduated" style={{ width: size.width + 2 * BORDER, height: size.height + 2 * BORDER }}>
        <div className="@container relative h-full w-full overflow-hidden bg-stage">
          <canvas
            ref={canvas}
            aria-label={label}
            role="application"
            tabIndex={0}
            className="block h-full w-full touch-none outline-none focus-visible:ring-2 focus-visible:ring-sea focus-visible:ring-inset"
          />
          {children}
          <span data-note="stage" className="pointer-events-none absolute bottom-0 left-2" />
        </div>
      </div>
    </div>
  );
}
