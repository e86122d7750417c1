import { type Action, type FramePoint, type Scheme, shortcutFor, wordsOfAction } from '@core/input';
import { useKeyLabels } from '@web/ui/keyLabels';
import { toPercent } from '../marks/marks';
import type { Controls } from './controls';

/** The first of the words: there is little room on the row. */
export const shortWords = (action: Action): string => wordsOfAction(action).split(/[:;,]| to the | along the /)[0] ?? '';

interface Props {
  readonly at: FramePoint;
  readonly scheme: Scheme;
  readonly controls: Controls;
}

/** One row of words just above the pointer, clear of the finger that opened it: press one and drag, or just press; let go and you are back. */
export function NearHand({ at, scheme, controls }: Props) {
  const labels = useKeyLabels();
  const { left, top } = toPercent(at);
  const words = scheme.options.nearHand?.words ?? [];
  return (
    <div
      role="toolbar"
      aria-label="Near hand"
      className="absolute z-20 flex w-max max-w-[96%] flex-wrap justify-center rounded-xl border-2 border-ink bg-card p-1 shadow-lg"
      style={{ left: `${left}%`, top: `${top}%`, transform: `translate(${-Math.min(96, Math.max(4, left))}%, ${top > 18 ? 'calc(-100% - 20px)' : '24px'})` }}
    >
      {words.map((action) => (
        <button
          key={JSON.stringify(action)}
          type="button"
          aria-label={wordsOfAction(action)}
          className="touch-none rounded-lg px-2 py-1.5 text-left text-sm leading-tight hover:bg-amber/30"
          onPointerDown={(event) => {
            event.preventDefault();
            if (action.kind === 'move') controls.useWord(action, event);
          }}
          onClick={() => action.kind !== 'move' && controls.useWord(action, null)}
        >
          <span className="block font-semibold">{shortWords(action)}</span>
          <span className="block font-mono text-[11px] text-ink-soft">{shortcutFor(scheme, action, labels) ?? ' '}</span>
        </button>
      ))}
    </div>
  );
}
