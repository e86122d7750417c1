import { type Action, type FramePoint, type Scheme, triggerWords, wordsOfAction } from '@core/input';
import type { Controls } from './controls';
import { toPercent } from './marks';

/** The gesture of a scheme that does the same as a word of the near hand. */
export function shortcutFor(scheme: Scheme, action: Action): string | null {
  const wanted = JSON.stringify(action);
  const found = scheme.bindings.find((b) => b.context === 'stage' && JSON.stringify(b.command) === wanted);
  return found ? triggerWords(found) : null;
}

interface Props {
  readonly at: FramePoint;
  readonly scheme: Scheme;
  readonly controls: Controls;
}

/** One row of words at the pointer: press one and drag, or just press; let go and you are back. */
export function NearHand({ at, scheme, controls }: Props) {
  const { left, top } = toPercent(at);
  const words = scheme.options.nearHand?.words ?? [];
  return (
    <div
      role="toolbar"
      aria-label="Near hand"
      className="absolute z-20 flex max-w-[92%] flex-wrap justify-center gap-1 rounded-xl border-2 border-ink bg-card p-1.5 shadow-lg"
      style={{ left: `${Math.min(70, Math.max(30, left))}%`, top: `${Math.min(88, Math.max(10, top))}%`, transform: 'translate(-50%, -50%)' }}
    >
      {words.map((action) => (
        <button
          key={JSON.stringify(action)}
          type="button"
          className="touch-none rounded-lg px-2.5 py-1.5 text-left text-sm leading-tight hover:bg-amber/30"
          onPointerDown={(event) => {
            event.preventDefault();
            if (action.kind === 'move') controls.useWord(action, event);
          }}
          onClick={() => action.kind !== 'move' && controls.useWord(action, null)}
        >
          <span className="block font-semibold">{wordsOfAction(action)}</span>
          <span className="block font-mono text-[11px] text-ink-soft">{shortcutFor(scheme, action) ?? ' '}</span>
        </button>
      ))}
    </div>
  );
}
