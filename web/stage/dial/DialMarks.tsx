import { type Scheme, shortcutFor } from '@core/input';
import type { Command } from '@core/navigation';
import type { StandardName } from '@core/view';
import { useKeyLabels } from '@web/ui/keyLabels';
import { Tip } from '@web/ui/Tip';
import { type KeyboardEvent, memo, type ReactNode } from 'react';
import { ARC, arcPoint, MIDDLE, RING, ringPoint } from './dialPlaces';

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
  Front: { x: MIDDLE, y: MIDDLE + 55 },
  Rear: { x: MIDDLE, y: MIDDLE - 44 },
  Left: { x: MIDDLE - 45, y: MIDDLE + 5 },
  Right: { x: MIDDLE + 43, y: MIDDLE + 5 },
};

/** As on a chart of the sky: the middle is straight above, the ring is the horizon, and what is outside it lies below. */
const ROWS = [
  { prefix: '', words: '', r: RING - 8 },
  { prefix: 'top-', words: 'top ', r: RING - 19 },
  { prefix: 'bottom-', words: 'bottom ', r: RING + 9 },
] as const;

const HEIGHTS: readonly { readonly words: string; readonly elevation: number; readonly standard?: StandardName }[] = [
  { words: 'Look from the top', elevation: Math.PI / 2, standard: 'top' },
  { words: 'Half height above', elevation: Math.PI / 4 },
  { words: 'At eye level', elevation: 0 },
  { words: 'Half height below', elevation: -Math.PI / 4 },
  { words: 'Look from the bottom', elevation: -Math.PI / 2, standard: 'bottom' },
];

interface ButtonProps {
  readonly words: string;
  readonly shortcut: string | null;
  readonly enabled: boolean;
  /** Out of the way of Tab, where there are many. */
  readonly skipped?: boolean;
  readonly onPress: () => void;
  readonly children: ReactNode;
}

/** Something on the dial's chart that can be pressed; it tells its key while it is hovered or has the focus. */
export function DialButton({ words, shortcut, enabled, skipped = false, onPress, children }: ButtonProps) {
  if (!enabled)
    return (
      <g aria-hidden="true" className="dial-mark-off">
        {children}
      </g>
    );
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    onPress();
  };
  return (
    <Tip words={words} shortcut={shortcut}>
      <g role="button" tabIndex={skipped ? -1 : 0} aria-label={words} className="dial-mark" onClick={onPress} onKeyDown={onKeyDown}>
        {children}
      </g>
    </Tip>
  );
}

interface Props {
  readonly large: boolean;
  readonly enabled: boolean;
  readonly scheme: Scheme;
  readonly onCommand: (command: Command) => void;
  readonly onHeight: (elevation: number) => void;
}

/** The 26 standard views as marks on the chart, and five heights on the arc. */
export const DialMarks = memo(function DialMarks({ large, enabled, scheme, onCommand, onHeight }: Props) {
  const labels = useKeyLabels();
  const to = (name: StandardName): { shortcut: string | null; onPress: () => void } => {
    const command: Command = { kind: 'standard', name };
    return { shortcut: shortcutFor(scheme, { kind: 'command', command }, labels), onPress: () => onCommand(command) };
  };
  return (
    <>
      {HEIGHTS.map(({ words, elevation, standard }) => {
        const p = arcPoint(elevation, ARC - 5);
        const q = arcPoint(elevation, ARC + 5);
        const act = standard ? to(standard) : { shortcut: null, onPress: () => onHeight(elevation) };
        return (
          <DialButton key={words} words={words} enabled={enabled} {...act}>
            <circle cx={arcPoint(elevation, ARC).x} cy={arcPoint(elevation, ARC).y} r="9" fill="transparent" />
            <line x1={p.x} y1={p.y} x2={q.x} y2={q.y} stroke="var(--color-ink)" strokeWidth="2" />
          </DialButton>
        );
      })}
      {MARKS.flatMap((mark) =>
        ROWS.slice(mark.label ? 1 : 0).map(({ prefix, words, r }) => {
          const p = ringPoint(mark.azimuth, r);
          const name = `${prefix}${mark.name}` as StandardName;
          return (
            <DialButton key={name} words={`Look from the ${words}${mark.words}`} enabled={enabled} skipped={!large} {...to(name)}>
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
            </DialButton>
          );
        }),
      )}
      {MARKS.filter((mark) => mark.label).map((mark) => {
        const p = LABEL_PLACES[mark.label as string] as { x: number; y: number };
        return (
          <DialButton key={mark.name} words={`Look from the ${mark.words}`} enabled={enabled} {...to(mark.name)}>
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
          </DialButton>
        );
      })}
    </>
  );
});
