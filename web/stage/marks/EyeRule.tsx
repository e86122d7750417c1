import { EYE_HEIGHT, eyeHeightOver, type Scene } from '@core/navigation';
import { byInterface } from '@core/trace';
import { eyeOf } from '@core/view';
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';
import { untilCancelled } from '../devices/cancelWatch';
import type { Probes } from '../probing/probes';
import { floorUnder } from '../probing/walking';
import type { Recorder } from '../recorder';

/** The rule shows at least this much, metres. */
const LEAST = 2.4;
const FINE = 0.01;
const COARSE = 0.1;

interface Props {
  readonly session: Recorder;
  readonly scene: Scene;
  readonly probes: Probes;
}

/** Metres written by a person, with a comma or a point; null when it is no height. */
export function heightWritten(text: string): number | null {
  const metres = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(metres) && metres >= 0.1 && metres <= 1000 ? metres : null;
}

/** The eye's height over the floor as a rule on the frame's edge: it tells it, and sets it by drag, key and typing. */
export function EyeRule({ session, scene, probes }: Props) {
  const floor = floorUnder(probes.cast, scene, eyeOf(scene.view), probes.ground);
  const height = eyeHeightOver(scene.view, floor);
  const most = Math.max(LEAST, Math.ceil(height * 1.1 * 5) / 5);
  const [text, setText] = useState<string | null>(null);
  const held = useRef<{ readonly id: number; readonly end: () => void } | null>(null);
  const shown = height.toFixed(2);
  useEffect(() => setText(null), [shown]);
  const bad = text !== null && heightWritten(text) === null;
  const to = (wanted: number, gesture = session.newGesture()): void => {
    const metres = Math.max(0.1, wanted) - height;
    if (Math.abs(metres) > 1e-9) session.perform([{ kind: 'rise', metres }], byInterface(gesture, 'eye rule'));
  };
  const heightAt = (event: PointerEvent<HTMLElement>): number => {
    const area = event.currentTarget.getBoundingClientRect();
    return Math.round((1 - (event.clientY - area.top) / area.height) * most * 100) / 100;
  };
  const key = (event: KeyboardEvent): void => {
    const way = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    if (event.key === 'Home') to(EYE_HEIGHT);
    else if (way !== 0) to(height + way * (event.shiftKey ? COARSE : FINE));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const write = (): void => {
    const wanted = text === null ? null : heightWritten(text);
    if (wanted !== null) to(wanted);
  };
  const y = (metres: number): number => 100 - (metres / most) * 100;
  return (
    <div className="absolute inset-y-0 right-0 flex w-24 flex-col justify-end" data-testid="eye-rule">
      <div
        className="absolute inset-y-0 right-0 h-full w-9 cursor-ns-resize touch-none bg-card/80 focus-visible:outline-2 focus-visible:outline-sea"
        role="slider"
        tabIndex={0}
        aria-label="Eye height over the floor, metres"
        aria-valuemin={0.1}
        aria-valuemax={most}
        aria-valuenow={Number(shown)}
        aria-valuetext={`${shown} m`}
        aria-orientation="vertical"
        onKeyDown={key}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          const id = session.newGesture();
          const end = untilCancelled(() => {
            held.current = null;
            session.perform([{ kind: 'cancel' }], byInterface(id, 'eye rule'));
          });
          held.current = { id, end };
          to(heightAt(event), id);
        }}
        onPointerMove={(event) => held.current && to(heightAt(event), held.current.id)}
        onPointerUp={() => {
          held.current?.end();
          held.current = null;
        }}
      >
        <svg viewBox="0 0 30 100" preserveAspectRatio="none" className="h-full w-full" aria-hidden="true">
          {Array.from({ length: Math.round(most * 10) + 1 }, (_, i) => {
            const whole = i % 10 === 0;
            return (
              <line
                key={i}
                x1={whole ? 8 : i % 5 === 0 ? 14 : 20}
                x2="30"
                y1={y(i / 10)}
                y2={y(i / 10)}
                stroke="var(--color-ink)"
                strokeWidth={whole ? 2 : 1}
                vectorEffect="non-scaling-stroke"
              />
            );
          })}
          <line x1="0" x2="30" y1={y(height)} y2={y(height)} stroke="var(--color-signal)" strokeWidth="4" vectorEffect="non-scaling-stroke" />
        </svg>
      </div>
      {Array.from({ length: Math.floor(most) + 1 }, (_, m) => m)
        .filter((m) => Math.abs(y(m) - y(height)) > 5)
        .map((m) => (
          <span
            key={m}
            className="pointer-events-none absolute right-10 -translate-y-1/2 rounded bg-card/85 px-1 font-mono text-xs"
            style={{ top: `${Math.min(98, Math.max(2, y(m)))}%` }}
          >
            {m} m
          </span>
        ))}
      <label
        className="absolute right-10 flex -translate-y-1/2 items-center gap-1 rounded-md border border-ink bg-card px-1.5 py-0.5 text-xs"
        style={{ top: `${Math.min(95, Math.max(5, y(height)))}%` }}
      >
        <input
          className={`w-11 rounded bg-transparent text-right font-mono outline-none focus-visible:ring-2 focus-visible:ring-sea ${bad ? 'text-signal' : ''}`}
          aria-label="Eye height, metres"
          inputMode="decimal"
          aria-invalid={bad}
          value={text ?? shown}
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => setText(event.target.value)}
          onBlur={() => (bad ? setText(null) : write())}
          onKeyDown={(event) => event.key === 'Enter' && write()}
        />
        m
        {bad && (
          <span role="alert" className="sr-only">
            Write a height of 0.1 to 1000 metres.
          </span>
        )}
      </label>
    </div>
  );
}
