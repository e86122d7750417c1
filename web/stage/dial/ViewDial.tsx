import { type Scheme, shortcutFor } from '@core/input';
import type { Command } from '@core/navigation';
import { anglesOf, type View, wrapAngle } from '@core/view';
import { useKeyLabels } from '@web/ui/keyLabels';
import { hasRoomForDial } from '@web/ui/room';
import { useLatest } from '@web/ui/useLatest';
import { Maximize2, Minimize2, PanelBottomClose, PanelBottomOpen } from 'lucide-react';
import { type KeyboardEvent, useCallback, useEffect, useState } from 'react';
import { DialFigure } from './DialFigure';
import { DialButton, DialMarks } from './DialMarks';
import { ARC, ARC_PATH, arcPoint, CHART, degreeWords, MIDDLE, RING, ringPoint } from './dialPlaces';
import { azimuthAt, elevationAt, rollAt, useDialDrag } from './useDialDrag';

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
  /** Its keys are told at the marks. */
  readonly scheme: Scheme;
  /** Whether something large stands beside it, as the puck's panel. */
  readonly crowded?: boolean;
}

const STEP = Math.PI / 12;
/** A window lower than this has no room for the dial and something large beside it, px. */
const CROWDED = 900;
/** Where its size is kept: in a narrow window it is chosen for itself, and a strip of figures until then. */
const keptAs = (roomy: boolean): string => (roomy ? 'dial-home-dial' : 'dial-home-dial narrow');
type Size = 'usual' | 'large' | 'away';

/** Larger, smaller, or put away. */
function DialSize({ size, onSize: sized }: { readonly size: Size; readonly onSize: (size: Size) => void }) {
  return (
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
  );
}

/** The ring with its marks every 15°, and the arc of heights. */
function DialFace() {
  return (
    <>
      <circle cx={MIDDLE} cy={MIDDLE} r={RING} fill="var(--color-card)" stroke="var(--color-ink)" strokeWidth="2" />
      {Array.from({ length: 24 }, (_, i) => {
        const a = (i * Math.PI) / 12;
        const p = ringPoint(a, RING);
        const q = ringPoint(a, RING - (i % 6 === 0 ? 11 : i % 3 === 0 ? 8 : 5));
        return <line key={i} x1={p.x} y1={p.y} x2={q.x} y2={q.y} stroke="var(--color-ink)" strokeWidth={i % 6 === 0 ? 2.5 : 1.2} />;
      })}
      <path d={ARC_PATH} fill="none" stroke="var(--color-ink)" strokeWidth="2" />
    </>
  );
}

/** The view dial: tells and sets where you look from. The filled dot is you, the hollow one the target. */
export function ViewDial({ view, from = view, target, onCommand, enabled = true, scheme, crowded = false }: Props) {
  const labels = useKeyLabels();
  const keyOf = (command: Command): string | null => shortcutFor(scheme, { kind: 'command', command }, labels);
  const now = anglesOf(view.orientation);
  const goal = target ? anglesOf(target.orientation) : null;
  const you = ringPoint(now.azimuth, RING);
  const far = ringPoint(now.azimuth + Math.PI, RING);
  const youHeight = arcPoint(now.elevation, ARC);
  const [size, setSize] = useState<Size>('usual');
  const isRoomy = useCallback(() => hasRoomForDial() && !(crowded && window.innerHeight < CROWDED), [crowded]);
  useEffect(() => setSize((window.localStorage.getItem(keptAs(isRoomy())) as Size | null) ?? (isRoomy() ? 'usual' : 'away')), [isRoomy]);
  const sized = (next: Size): void => {
    window.localStorage.setItem(keptAs(isRoomy()), next);
    setSize(next);
  };
  const dragged = useDialDrag(onCommand);
  const toAzimuth = (azimuth: number, during?: object): void => {
    const difference = wrapAngle(azimuth - anglesOf(from.orientation).azimuth);
    if (Math.abs(difference) > 1e-3) onCommand({ kind: 'turn', axis: difference > 0 ? 'right' : 'left', angle: Math.abs(difference) }, during);
  };
  const toHeight = (elevation: number, during?: object): void => {
    const difference = elevation - anglesOf(from.orientation).elevation;
    if (Math.abs(difference) > 1e-9) onCommand({ kind: 'turn', axis: difference > 0 ? 'up' : 'down', angle: Math.abs(difference) }, during);
  };
  // The marks are drawn once, not with every picture: what they call looks up the view of that moment.
  const height = useLatest(toHeight);
  const onHeight = useCallback((elevation: number) => height.current(elevation), [height]);
  /** How far up or down a step goes: over a pole only where the scheme orbits freely. */
  const upToPole = (axis: 'up' | 'down', by: number): number => {
    if (scheme.options.orbit === 'trackball') return by;
    const { elevation } = anglesOf(from.orientation);
    const rest = Math.PI / 2 - (axis === 'up' ? elevation : -elevation);
    return rest < 1e-6 ? 0 : Math.min(by, rest);
  };
  const stepped = (event: KeyboardEvent): void => {
    const by = event.shiftKey ? STEP / 5 : STEP;
    const axis = ({ ArrowLeft: 'left', ArrowRight: 'right', ArrowUp: 'up', ArrowDown: 'down' } as const)[event.key];
    if (!axis) return;
    event.preventDefault();
    const angle = axis === 'up' || axis === 'down' ? upToPole(axis, by) : by;
    if (angle > 0) onCommand({ kind: 'turn', axis, angle });
  };
  return (
    <section
      aria-label="View dial"
      data-note="dial"
      className={`select-none ${size === 'large' ? 'fixed bottom-4 left-4 z-30 w-[min(26rem,92vw)] rounded-2xl border-2 border-ink bg-paper p-4 shadow-2xl' : 'relative'}`}
    >
      <DialSize size={size} onSize={sized} />
      {size !== 'away' && (
        <svg
          viewBox={`${CHART.x} ${CHART.y} ${CHART.width} ${CHART.height}`}
          className="w-full"
          role="group"
          aria-label={`Looking from ${degreeWords(now.azimuth)} round, ${degreeWords(now.elevation)} height, ${degreeWords(now.roll)} roll`}
        >
          <DialFace />
          {enabled && (
            <circle
              cx={MIDDLE}
              cy={MIDDLE}
              r={RING}
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
              aria-valuetext={`${degreeWords(now.azimuth)} round, ${degreeWords(now.elevation)} height`}
              onKeyDown={stepped}
              {...dragged((event, during) => toAzimuth(azimuthAt(event), during))}
            />
          )}
          {enabled && (
            <path
              d={ARC_PATH}
              fill="none"
              stroke="transparent"
              strokeWidth="20"
              className="cursor-grab touch-none"
              data-dial="arc"
              {...dragged((event, during) => toHeight(elevationAt(event), during))}
            />
          )}
          <DialMarks large={size === 'large'} enabled={enabled} scheme={scheme} onCommand={onCommand} onHeight={onHeight} />
          <path d={`M ${MIDDLE - 7} ${MIDDLE + RING + 1} h 14 l -7 -11 z`} fill="var(--color-signal)" pointerEvents="none" />
          {enabled && (
            <DialButton words="The opposite of this" shortcut={keyOf({ kind: 'opposite' })} enabled onPress={() => onCommand({ kind: 'opposite' })}>
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
            </DialButton>
          )}
          {enabled && (
            <circle
              cx={MIDDLE}
              cy={MIDDLE}
              r="24"
              fill="transparent"
              className="cursor-grab touch-none"
              data-dial="roll"
              {...dragged((event, during) => onCommand({ kind: 'roll', angle: wrapAngle(rollAt(event) - anglesOf(from.orientation).roll) }, during))}
            />
          )}
          <DialButton words="Level: no roll" shortcut={keyOf({ kind: 'level' })} enabled={enabled} onPress={() => onCommand({ kind: 'level' })}>
            <g transform={`rotate(${(-now.roll * 180) / Math.PI} ${MIDDLE} ${MIDDLE})`}>
              <circle cx={MIDDLE} cy={MIDDLE + 2} r="8" fill="transparent" />
              <path d={`M ${MIDDLE - 22} ${MIDDLE} h 15 l 7 7 l 7 -7 h 15`} fill="none" stroke="var(--color-ink)" strokeWidth="3" pointerEvents="none" />
            </g>
          </DialButton>
          {goal && (
            <g fill="none" stroke="var(--color-amber)" strokeWidth="3.5" aria-hidden="true" pointerEvents="none">
              <circle cx={ringPoint(goal.azimuth, RING).x} cy={ringPoint(goal.azimuth, RING).y} r="8" />
              <circle cx={arcPoint(goal.elevation, ARC).x} cy={arcPoint(goal.elevation, ARC).y} r="7" />
            </g>
          )}
          <circle cx={you.x} cy={you.y} r="7" fill="var(--color-ink)" pointerEvents="none" />
          <circle cx={youHeight.x} cy={youHeight.y} r="6" fill="var(--color-ink)" pointerEvents="none" />
        </svg>
      )}
      <div className="mt-1 grid grid-cols-3">
        <DialFigure name="round" value={now.azimuth} onSet={enabled ? (angle) => toAzimuth(angle) : null} />
        <DialFigure name="height" value={now.elevation} onSet={enabled ? (angle) => toHeight(Math.min(Math.PI / 2, Math.max(-Math.PI / 2, angle))) : null} />
        <DialFigure
          name="roll"
          value={now.roll}
          onSet={enabled ? (angle) => onCommand({ kind: 'roll', angle: wrapAngle(angle - anglesOf(from.orientation).roll) }) : null}
        />
      </div>
    </section>
  );
}
