import type { Command } from '@core/navigation';
import { anglesOf, type StandardName, type View, wrapAngle } from '@core/view';
import { Maximize2, Minimize2, PanelBottomClose, PanelBottomOpen } from 'lucide-react';
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';

interface Props {
  /** The view as drawn, also on its way to another. */
  readonly view: View;
  /** The view that commands start from; left out: the drawn one. */
  readonly from?: View;
  readonly target?: View | null;
  /** `during`: the same for all commands of one movement of the hand. */
  readonly onCommand: (command: Command, during?: object) => void;
  /** Commands of the dial that are not allowed here are drawn but cannot be pressed. */
  readonly enabled?: boolean;
}

const C = 120;
const R = 84;
const ARC = 106;
/** The arc of heights takes this share of a quarter turn each way. */
const ARC_SHARE = 0.62;
const BOX = { x: 20, y: 18, width: 216, height: 204 };
const deg = (a: number): string => `${((a * 180) / Math.PI).toFixed(1).replace('-0.0', '0.0')}°`;

/** Around the ring with the front at the bottom and the right side at the right, as on the model's own chart. */
const ringPoint = (azimuth: number, r: number): { x: number; y: number } => ({ x: C + r * Math.sin(azimuth), y: C + r * Math.cos(azimuth) });
const arcPoint = (elevation: number, r: number): { x: number; y: number } => {
  const a = elevation * ARC_SHARE;
  return { x: C + r * Math.cos(a), y: C - r * Math.sin(a) };
};

/** As on a chart of the sky: the middle is straight above, the ring is the horizon, and what is outside it lies below. */
const HEIGHTS = [
  { prefix: '', words: '', r: R - 8 },
  { prefix: 'top-', words: 'top ', r: R - 19 },
  { prefix: 'bottom-', words: 'bottom ', r: R + 9 },
] as const;

const STEP = Math.PI / 12;
const KEPT = 'dial-home-dial';
type Size = 'usual' | 'large' | 'away';

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
  Front: { x: C, y: C + 55 },
  Rear: { x: C, y: C - 44 },
  Left: { x: C - 45, y: C + 5 },
  Right: { x: C + 43, y: C + 5 },
};

const pressed =
  (act: () => void) =>
  (event: KeyboardEvent): void => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    act();
  };

/** Degrees written by a person; null when it is no angle. */
export function degreesWritten(text: string): number | null {
  const degrees = Number(text.replace('°', '').trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(degrees) && Math.abs(degrees) <= 360 ? degrees : null;
}

/** One figure of the dial: tells an angle, and takes one that is typed. */
function Figure({ name, value, onSet }: { readonly name: string; readonly value: number; readonly onSet: ((angle: number) => void) | null }) {
  const [text, setText] = useState<string | null>(null);
  const shown = deg(value);
  const wanted = text === null ? null : degreesWritten(text);
  const bad = text !== null && wanted === null;
  const apply = (): void => {
    if (wanted !== null) onSet?.((wanted * Math.PI) / 180);
    setText(null);
  };
  return (
    <label className="flex flex-col-reverse text-center">
      <span className="text-ink-soft text-xs">{name}</span>
      <input
        className={`w-full rounded bg-transparent text-center font-mono text-sm tabular-nums outline-none focus:bg-card ${bad ? 'text-signal' : ''}`}
        value={text ?? shown}
        readOnly={!onSet}
        aria-invalid={bad}
        inputMode="decimal"
        data-figure={name}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => setText(null)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && !bad) apply();
          if (event.key === 'Escape') setText(null);
        }}
      />
    </label>
  );
}

/** The view dial: tells and sets where you look from. The filled dot is you, the hollow one the target. */
export function ViewDial({ view, from = view, target, onCommand, enabled = true }: Props) {
  const now = anglesOf(view.orientation);
  const goal = target ? anglesOf(target.orientation) : null;
  const you = ringPoint(now.azimuth, R);
  const far = ringPoint(now.azimuth + Math.PI, R);
  const youHeight = arcPoint(now.elevation, ARC);
  const button = (words: string, act: () => void) =>
    enabled
      ? { role: 'button', tabIndex: 0, 'aria-label': words, onClick: act, onKeyDown: pressed(act), className: 'dial-mark' }
      : { 'aria-hidden': true as const, className: 'dial-mark-off' };
  const [size, setSize] = useState<Size>('usual');
  useEffect(() => setSize((window.localStorage.getItem(KEPT) as Size | null) ?? 'usual'), []);
  const sized = (next: Size): void => {
    window.localStorage.setItem(KEPT, next);
    setSize(next);
  };
  const held = useRef<object | null>(null);
  /** Where the pointer is from the dial's middle, in the dial's own units. */
  const fromMiddle = (event: PointerEvent<SVGElement>): { x: number; y: number } => {
    const area = (event.currentTarget.ownerSVGElement ?? event.currentTarget).getBoundingClientRect();
    const unit = area.width / BOX.width;
    return { x: (event.clientX - area.left) / unit + BOX.x - C, y: (event.clientY - area.top) / unit + BOX.y - C };
  };
  const azimuthAt = (event: PointerEvent<SVGElement>): number => {
    const { x, y } = fromMiddle(event);
    return Math.atan2(x, y);
  };
  const elevationAt = (event: PointerEvent<SVGElement>): number => {
    const { x, y } = fromMiddle(event);
    return Math.min(Math.PI / 2, Math.max(-Math.PI / 2, Math.atan2(-y, x) / ARC_SHARE));
  };
  const rollAt = (event: PointerEvent<SVGElement>): number => {
    const { x, y } = fromMiddle(event);
    return -Math.atan2(y, x);
  };
  /** Follows a drag from where it began to its end; a press without a movement stays a press. */
  const dragged = (move: (event: PointerEvent<SVGElement>, during: object) => void) => ({
    onPointerDown: (event: PointerEvent<SVGElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      held.current = {};
    },
    onPointerMove: (event: PointerEvent<SVGElement>) => {
      if (held.current) move(event, held.current);
    },
    onPointerUp: () => {
      held.current = null;
    },
  });
  const toAzimuth = (azimuth: number, during?: object): void => {
    const difference = wrapAngle(azimuth - anglesOf(from.orientation).azimuth);
    if (Math.abs(difference) > 1e-3) onCommand({ kind: 'turn', axis: difference > 0 ? 'right' : 'left', angle: Math.abs(difference) }, during);
  };
  const toHeight = (elevation: number, during?: object): void => {
    const difference = elevation - anglesOf(from.orientation).elevation;
    if (Math.abs(difference) > 1e-9) onCommand({ kind: 'turn', axis: difference > 0 ? 'up' : 'down', angle: Math.abs(difference) }, during);
  };
  const stepped = (event: KeyboardEvent): void => {
    const by = event.shiftKey ? STEP / 5 : STEP;
    const axis = ({ ArrowLeft: 'left', ArrowRight: 'right', ArrowUp: 'up', ArrowDown: 'down' } as const)[event.key];
    if (!axis) return;
    event.preventDefault();
    onCommand({ kind: 'turn', axis, angle: by });
  };
  const heights: readonly { words: string; elevation: number; act: () => void }[] = [
    { words: 'Look from the top', elevation: Math.PI / 2, act: () => onCommand({ kind: 'standard', name: 'top' }) },
    { words: 'Half height above', elevation: Math.PI / 4, act: () => toHeight(Math.PI / 4) },
    { words: 'At eye level', elevation: 0, act: () => toHeight(0) },
    { words: 'Half height below', elevation: -Math.PI / 4, act: () => toHeight(-Math.PI / 4) },
    { words: 'Look from the bottom', elevation: -Math.PI / 2, act: () => onCommand({ kind: 'standard', name: 'bottom' }) },
  ];
  return (
    <section
      aria-label="View dial"
      className={`select-none ${size === 'large' ? 'fixed bottom-4 left-4 z-30 w-[26rem] rounded-2xl border-2 border-ink bg-paper p-4 shadow-2xl' : 'relative'}`}
    >
      <div className={`flex gap-1 ${size === 'away' ? 'justify-end' : 'absolute top-0 left-0 z-10'}`}>
        {size !== 'away' && (
          <button
            type="button"
            className="dial-size"
            aria-label={size === 'large' ? 'Make the dial smaller' : 'Make the dial larger'}
            onClick={() => sized(size === 'large' ? 'usual' : 'large')}
          >
            {size === 'large' ? <Minimize2 size={13} aria-hidden="true" /> : <Maximize2 size={13} aria-hidden="true" />}
          </button>
        )}
        <button
          type="button"
          className="dial-size"
          aria-label={size === 'away' ? 'Show the dial' : 'Put the dial away'}
          onClick={() => sized(size === 'away' ? 'usual' : 'away')}
        >
          {size === 'away' ? <PanelBottomOpen size={13} aria-hidden="true" /> : <PanelBottomClose size={13} aria-hidden="true" />}
        </button>
      </div>
      {size !== 'away' && (
        <svg
          viewBox={`${BOX.x} ${BOX.y} ${BOX.width} ${BOX.height}`}
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
              role="slider"
              tabIndex={0}
              aria-label="Round"
              aria-valuemin={-180}
              aria-valuemax={180}
              aria-valuenow={Math.round((now.azimuth * 180) / Math.PI)}
              aria-valuetext={`${deg(now.azimuth)} round, ${deg(now.elevation)} height`}
              onKeyDown={stepped}
              {...dragged((event, during) => toAzimuth(azimuthAt(event), during))}
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
          {enabled && (
            <path
              d={`M ${arcPoint(Math.PI / 2, ARC).x} ${arcPoint(Math.PI / 2, ARC).y} A ${ARC} ${ARC} 0 0 1 ${arcPoint(-Math.PI / 2, ARC).x} ${arcPoint(-Math.PI / 2, ARC).y}`}
              fill="none"
              stroke="transparent"
              strokeWidth="20"
              className="cursor-grab touch-none"
              data-dial="arc"
              {...dragged((event, during) => toHeight(elevationAt(event), during))}
            />
          )}
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
          {MARKS.flatMap((mark) =>
            HEIGHTS.slice(mark.label ? 1 : 0).map(({ prefix, words, r }) => {
              const p = ringPoint(mark.azimuth, r);
              const name = `${prefix}${mark.name}` as StandardName;
              return (
                <g
                  key={name}
                  {...button(`Look from the ${words}${mark.words}`, () => onCommand({ kind: 'standard', name }))}
                  {...(size === 'large' ? {} : { tabIndex: -1 })}
                >
                  <circle cx={p.x} cy={p.y} r="6.5" fill="transparent" />
                  <circle
                    cx={p.x}
                    cy={p.y}
                    r={mark.label ? 2.4 : 1.9}
                    fill={prefix === 'bottom-' ? 'var(--color-paper)' : 'var(--color-ink)'}
                    stroke="var(--color-ink)"
                    strokeWidth="1"
                    pointerEvents="none"
                  />
                </g>
              );
            }),
          )}
          <path d={`M ${C - 7} ${C + R + 1} h 14 l -7 -11 z`} fill="var(--color-signal)" pointerEvents="none" />
          {enabled && (
            <g {...button('The opposite of this', () => onCommand({ kind: 'opposite' }))}>
              <circle cx={far.x} cy={far.y} r="8" fill="transparent" />
              <rect
                x={far.x - 3.5}
                y={far.y - 3.5}
                width="7"
                height="7"
                fill="var(--color-paper)"
                stroke="var(--color-ink)"
                strokeWidth="1.6"
                pointerEvents="none"
              />
            </g>
          )}
          {MARKS.filter((mark) => mark.label).map((mark) => {
            const p = LABEL_PLACES[mark.label as string] as { x: number; y: number };
            return (
              <g key={mark.name} {...button(`Look from the ${mark.words}`, () => onCommand({ kind: 'standard', name: mark.name }))}>
                <circle cx={p.x} cy={p.y - 4} r="15" fill="transparent" />
                <text
                  x={p.x}
                  y={p.y}
                  textAnchor="middle"
                  fontSize="13.5"
                  fontWeight={mark.name === 'front' ? 800 : 600}
                  fill={mark.name === 'front' ? 'var(--color-signal)' : 'var(--color-ink)'}
                >
                  {mark.label}
                </text>
              </g>
            );
          })}
          {enabled && (
            <circle
              cx={C}
              cy={C}
              r="24"
              fill="transparent"
              className="cursor-grab touch-none"
              data-dial="roll"
              {...dragged((event, during) => onCommand({ kind: 'roll', angle: wrapAngle(rollAt(event) - anglesOf(from.orientation).roll) }, during))}
            />
          )}
          <g {...button('Level: no roll', () => onCommand({ kind: 'level' }))} transform={`rotate(${(-now.roll * 180) / Math.PI} ${C} ${C})`}>
            <circle cx={C} cy={C + 2} r="8" fill="transparent" />
            <path d={`M ${C - 22} ${C} h 15 l 7 7 l 7 -7 h 15`} fill="none" stroke="var(--color-ink)" strokeWidth="3" pointerEvents="none" />
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
      )}
      <div className="mt-1 grid grid-cols-3">
        <Figure name="round" value={now.azimuth} onSet={enabled ? (angle) => toAzimuth(angle) : null} />
        <Figure name="height" value={now.elevation} onSet={enabled ? (angle) => toHeight(Math.min(Math.PI / 2, Math.max(-Math.PI / 2, angle))) : null} />
        <Figure
          name="roll"
          value={now.roll}
          onSet={enabled ? (angle) => onCommand({ kind: 'roll', angle: wrapAngle(angle - anglesOf(from.orientation).roll) }) : null}
        />
      </div>
    </section>
  );
}
