import type { Way } from '@core/goals';
import { wrapAngle } from '@core/view';
import { DialFigure } from '@web/stage/dial/DialFigure';
import { ARC, ARC_PATH, arcPoint, CHART, degreeWords, MIDDLE, RING, ringPoint } from '@web/stage/dial/dialPlaces';
import { azimuthAt, elevationAt } from '@web/stage/dial/useDialDrag';
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';

const STEP = Math.PI / 12;
/** A held Shift takes a fifth of a step. */
const FINE = 5;

/** A dial without words and needle: it is pointed at, stepped or typed into, and tells from where a view is seen. `height`: also from how high. */
export function AnswerDial({ height, onAnswer }: { readonly height: boolean; readonly onAnswer: (way: Way) => void }) {
  const [azimuth, setAzimuth] = useState<number | null>(null);
  const [elevation, setElevation] = useState<number | null>(height ? null : 0);
  const ring = useRef<SVGCircleElement>(null);
  useEffect(() => ring.current?.focus({ preventScroll: true }), []);
  const whole = azimuth !== null && elevation !== null;
  const answer = (): void => {
    if (azimuth !== null && elevation !== null) onAnswer({ azimuth, elevation });
  };
  const stepped = (event: KeyboardEvent): void => {
    const by = event.shiftKey ? STEP / FINE : STEP;
    const side = ({ ArrowLeft: -1, ArrowRight: 1 } as const)[event.key];
    const up = height ? ({ ArrowUp: 1, ArrowDown: -1 } as const)[event.key] : undefined;
    if (event.key === 'Enter') answer();
    else if (side) setAzimuth((now) => wrapAngle((now ?? 0) + side * by));
    else if (up) setElevation((now) => Math.min(Math.PI / 2, Math.max(-Math.PI / 2, (now ?? 0) + up * by)));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const pointed = (set: (event: PointerEvent<SVGElement>) => void) => ({
    onPointerDown: (event: PointerEvent<SVGElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      set(event);
    },
    onPointerMove: (event: PointerEvent<SVGElement>) => {
      if (event.currentTarget.hasPointerCapture(event.pointerId)) set(event);
    },
  });
  const at = azimuth === null ? null : ringPoint(azimuth, RING);
  const high = elevation === null ? null : arcPoint(elevation, ARC);
  return (
    <div className="mt-2">
      <svg
        viewBox={`${CHART.x} ${CHART.y} ${CHART.width} ${CHART.height}`}
        className="mx-auto w-full touch-none select-none max-md:w-52"
        role="group"
        aria-label="Your answer"
      >
        <circle
          ref={ring}
          cx={MIDDLE}
          cy={MIDDLE}
          r={RING}
          fill="var(--color-paper)"
          stroke="transparent"
          strokeWidth="36"
          className="cursor-crosshair touch-none outline-none focus-visible:[stroke:var(--color-bar)]"
          role="slider"
          tabIndex={0}
          aria-label="Seen from: round"
          aria-valuemin={-180}
          aria-valuemax={180}
          aria-valuenow={Math.round(((azimuth ?? 0) * 180) / Math.PI)}
          aria-valuetext={azimuth === null ? 'not set' : degreeWords(azimuth)}
          data-dial="answer"
          onKeyDown={stepped}
          {...pointed((event) => setAzimuth(azimuthAt(event)))}
        />
        <circle cx={MIDDLE} cy={MIDDLE} r={RING} fill="none" stroke="var(--color-ink)" strokeWidth="2" pointerEvents="none" />
        <g pointerEvents="none">
          {Array.from({ length: 8 }, (_, i) => {
            const [p, q] = [ringPoint((i * Math.PI) / 4, RING), ringPoint((i * Math.PI) / 4, RING - (i % 2 ? 6 : 11))];
            return <line key={i} x1={p.x} y1={p.y} x2={q.x} y2={q.y} stroke="var(--color-ink)" strokeWidth={i % 2 ? 1.2 : 2.5} />;
          })}
          <path d={`M ${MIDDLE - 7} ${MIDDLE + RING + 1} h 14 l -7 -11 z`} fill="var(--color-signal)" />
          <path d={`M ${MIDDLE - 13} ${MIDDLE - 11} h 26 v 22 l -13 8 l -13 -8 z`} fill="var(--color-bar)" stroke="var(--color-ink)" strokeWidth="1.5" />
          {at && <line x1={at.x} y1={at.y} x2={MIDDLE} y2={MIDDLE} stroke="var(--color-ink)" strokeWidth="1.2" strokeDasharray="3 4" />}
        </g>
        {height && (
          <>
            <path d={ARC_PATH} fill="none" stroke="var(--color-ink)" strokeWidth="2" />
            <path
              d={ARC_PATH}
              fill="none"
              stroke="transparent"
              strokeWidth="24"
              className="cursor-crosshair touch-none"
              data-dial="answer height"
              {...pointed((event) => setElevation(elevationAt(event)))}
            />
            {high && <circle cx={high.x} cy={high.y} r="6" fill="var(--color-ink)" pointerEvents="none" />}
          </>
        )}
        {at && <circle cx={at.x} cy={at.y} r="7" fill="var(--color-ink)" pointerEvents="none" />}
      </svg>
      <div className={`grid ${height ? 'grid-cols-2' : ''}`}>
        <DialFigure name="round" value={azimuth} onSet={setAzimuth} />
        {height && <DialFigure name="height" value={elevation} onSet={(angle) => setElevation(Math.min(Math.PI / 2, Math.max(-Math.PI / 2, angle)))} />}
      </div>
      <button type="button" className="button mt-2 w-full" disabled={!whole} onClick={answer}>
        From here
      </button>
      <p className="mt-2 text-ink-soft text-xs">The red notch is the model’s front. Point at the ring, or use the arrow keys and Enter.</p>
    </div>
  );
}
