import type { Command } from '@core/navigation';
import { anglesOf, type StandardName, type View, wrapAngle } from '@core/view';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';

interface Props {
  /** The view as drawn, also on its way to another. */
  readonly view: View;
  /** The view that commands start from; left out: the drawn one. */
  readonly from?: View;
  readonly target?: View | null;
  readonly onCommand: (command: Command) => void;
  /** Commands of the dial that are not allowed here are drawn but cannot be pressed. */
  readonly enabled?: boolean;
}

const C = 120;
const R = 84;
const ARC = 106;
const deg = (a: number): string => `${((a * 180) / Math.PI).toFixed(1).replace('-0.0', '0.0')}°`;

/** Around the ring with the front at the bottom and the right side at the right, as on the model's own chart. */
const ringPoint = (azimuth: number, r: number): { x: number; y: number } => ({ x: C + r * Math.sin(azimuth), y: C + r * Math.cos(azimuth) });
const arcPoint = (elevation: number, r: number): { x: number; y: number } => {
  const a = elevation * 0.62;
  return { x: C + r * Math.cos(a), y: C - r * Math.sin(a) };
};

const MARKS: readonly { name: StandardName; words: string; azimuth: number; label?: string }[] = [
  { name: 'front', words: 'front', azimuth: 0, label: 'Front' },
  { name: 'front-right', words: 'front right', azimuth: Math.PI / 4 },
  { name: 'right', words: 'right', azimuth: Math.PI / 2, label: 'Right' },
  { name: 'rear-right', words: 'rear right', azimuth: (3 * Math.PI) / 4 },
  { name: 'rear', words: 'rear', azimuth: Math.PI, label: 'Rear' },
  { name: 'rear-left', words: 'rear left', azimuth: (-3 * Math.PI) / 4 },
  { name: 'left', words: 'left', azimuth: -Math.PI / 2, label: 'Left' },
  { name: 'front-left', words: 'front left', azimuth: -Math.PI / 4 },
];

const LABEL_PLACES: Record<string, { x: number; y: number }> = {
  Front: { x: C, y: C + 62 },
  Rear: { x: C, y: C - 54 },
  Left: { x: C - 56, y: C + 5 },
  Right: { x: C + 54, y: C + 5 },
};

const pressed =
  (act: () => void) =>
  (event: KeyboardEvent): void => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    act();
  };

/** The view dial: tells and sets where you look from. The filled dot is you, the hollow one the target. */
export function ViewDial({ view, from = view, target, onCommand, enabled = true }: Props) {
  const now = anglesOf(view.orientation);
  const goal = target ? anglesOf(target.orientation) : null;
  const you = ringPoint(now.azimuth, R);
  const youHeight = arcPoint(now.elevation, ARC);
  const button = (words: string, act: () => void) =>
    enabled
      ? { role: 'button', tabIndex: 0, 'aria-label': words, onClick: act, onKeyDown: pressed(act), className: 'dial-mark' }
      : { 'aria-hidden': true as const, className: 'dial-mark-off' };
  const held = useRef(false);
  const azimuthAt = (event: PointerEvent<SVGElement>): number => {
    const area = event.currentTarget.getBoundingClientRect();
    return Math.atan2(event.clientX - (area.left + area.width / 2), event.clientY - (area.top + area.height / 2));
  };
  const toAzimuth = (azimuth: number): void => {
    const difference = wrapAngle(azimuth - anglesOf(from.orientation).azimuth);
    if (Math.abs(difference) > 1e-3) onCommand({ kind: 'turn', axis: difference > 0 ? 'right' : 'left', angle: Math.abs(difference) });
  };
  const toHeight = (elevation: number): void => {
    const difference = elevation - anglesOf(from.orientation).elevation;
    if (Math.abs(difference) > 1e-9) onCommand({ kind: 'turn', axis: difference > 0 ? 'up' : 'down', angle: Math.abs(difference) });
  };
  const heights: readonly { words: string; elevation: number; act: () => void }[] = [
    { words: 'Look from the top', elevation: Math.PI / 2, act: () => onCommand({ kind: 'standard', name: 'top' }) },
    { words: 'Half height above', elevation: Math.PI / 4, act: () => toHeight(Math.PI / 4) },
    { words: 'At eye level', elevation: 0, act: () => toHeight(0) },
    { words: 'Half height below', elevation: -Math.PI / 4, act: () => toHeight(-Math.PI / 4) },
    { words: 'Look from the bottom', elevation: -Math.PI / 2, act: () => onCommand({ kind: 'standard', name: 'bottom' }) },
  ];
  return (
    <section aria-label="View dial" className="select-none">
      <svg
        viewBox="20 18 216 204"
        className="w-full"
        role="group"
        aria-label={`Looking from ${deg(now.azimuth)} round, ${deg(now.elevation)} height, ${deg(now.roll)} roll`}
      >
        <circle cx={C} cy={C} r={R} fill="var(--color-card)" stroke="var(--color-ink)" strokeWidth="2" />
        {enabled && (
          <circle
            cx={C}
            cy={C}
            r={R}
            fill="none"
            stroke="transparent"
            strokeWidth="22"
            className="cursor-grab touch-none"
            data-dial="ring"
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              held.current = true;
            }}
            onPointerMove={(event) => held.current && toAzimuth(azimuthAt(event))}
            onPointerUp={() => {
              held.current = false;
            }}
          />
        )}
        {Array.from({ length: 24 }, (_, i) => {
          const a = (i * Math.PI) / 12;
          const p = ringPoint(a, R);
          const q = ringPoint(a, R - (i % 6 === 0 ? 11 : i % 3 === 0 ? 8 : 5));
          return <line key={i} x1={p.x} y1={p.y} x2={q.x} y2={q.y} stroke="var(--color-ink)" strokeWidth={i % 6 === 0 ? 2.5 : 1.2} />;
        })}
        <path
          d={`M ${arcPoint(Math.PI / 2, ARC).x} ${arcPoint(Math.PI / 2, ARC).y} A ${ARC} ${ARC} 0 0 1 ${arcPoint(-Math.PI / 2, ARC).x} ${arcPoint(-Math.PI / 2, ARC).y}`}
          fill="none"
          stroke="var(--color-ink)"
          strokeWidth="2"
        />
        {heights.map(({ words, elevation, act }) => {
          const p = arcPoint(elevation, ARC - 5);
          const q = arcPoint(elevation, ARC + 5);
          return (
            <g key={words} {...button(words, act)}>
              <circle cx={arcPoint(elevation, ARC).x} cy={arcPoint(elevation, ARC).y} r="9" fill="transparent" />
              <line x1={p.x} y1={p.y} x2={q.x} y2={q.y} stroke="var(--color-ink)" strokeWidth="2" />
            </g>
          );
        })}
        {MARKS.map((mark) => {
          const p = mark.label ? (LABEL_PLACES[mark.label] as { x: number; y: number }) : ringPoint(mark.azimuth, R - 9);
          return (
            <g key={mark.name} {...button(`Look from the ${mark.words}`, () => onCommand({ kind: 'standard', name: mark.name }))}>
              <circle cx={mark.label ? p.x : p.x} cy={mark.label ? p.y - 4 : p.y} r={mark.label ? 17 : 9} fill="transparent" />
              {mark.label && (
                <text x={p.x} y={p.y} textAnchor="middle" fontSize="14" fontWeight="600" fill="var(--color-ink)">
                  {mark.label}
                </text>
              )}
            </g>
          );
        })}
        <g {...button('Level: no roll', () => onCommand({ kind: 'level' }))} transform={`rotate(${(-now.roll * 180) / Math.PI} ${C} ${C})`}>
          <circle cx={C} cy={C} r="15" fill="transparent" />
          <path d={`M ${C - 26} ${C} h 18 l 8 7 l 8 -7 h 18`} fill="none" stroke="var(--color-ink)" strokeWidth="3" />
        </g>
        {goal && (
          <g fill="none" stroke="var(--color-amber)" strokeWidth="3.5" aria-hidden="true" pointerEvents="none">
            <circle cx={ringPoint(goal.azimuth, R).x} cy={ringPoint(goal.azimuth, R).y} r="8" />
            <circle cx={arcPoint(goal.elevation, ARC).x} cy={arcPoint(goal.elevation, ARC).y} r="7" />
          </g>
        )}
        <circle cx={you.x} cy={you.y} r="7" fill="var(--color-ink)" pointerEvents="none" />
        <circle cx={youHeight.x} cy={youHeight.y} r="6" fill="var(--color-ink)" pointerEvents="none" />
      </svg>
      <dl className="mt-1 grid grid-cols-3 text-center">
        {(
          [
            ['round', now.azimuth],
            ['height', now.elevation],
            ['roll', now.roll],
          ] as const
        ).map(([name, value]) => (
          <div key={name} className="flex flex-col-reverse">
            <dt className="text-xs text-ink-soft">{name}</dt>
            <dd className="font-mono text-sm tabular-nums">{deg(value)}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
