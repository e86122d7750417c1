import { byInterface } from '@core/trace';
import { Maximize2, Minimize2 } from 'lucide-react';
import { useStore } from 'zustand';
import type { Aids } from '../aids';
import { type PaneName, panesOf } from '../panes';
import type { Recorder } from '../recorder';
import type { SquareViews } from '../squareViews';

const NAMES: Record<PaneName, string> = { top: 'Top', free: 'Free', front: 'Front', right: 'Right' };

interface Props {
  readonly aids: Aids;
  readonly sides: SquareViews;
  readonly session: Recorder;
}

/** Names and rims of a divided stage, with what can be done to each pane. */
export function PaneFrames({ aids, sides, session }: Props) {
  const { fourViews, maximised } = useStore(aids);
  if (!fourViews) return null;
  return (
    <>
      {panesOf(fourViews, maximised).map(({ name, x, y, size }) => (
        <div
          key={name}
          className="pointer-events-none absolute border border-ink"
          style={{ left: `${x * 100}%`, top: `${y * 100}%`, width: `${size * 100}%`, height: `${size * 100}%` }}
        >
          <div className="absolute bottom-1.5 left-2 flex items-center gap-1.5">
            <span className={`rounded px-1.5 py-0.5 font-semibold text-xs ${name === 'free' ? 'bg-ink text-paper' : 'bg-card/90'}`}>{NAMES[name]}</span>
            <button
              type="button"
              className="pointer-events-auto grid h-6 w-6 place-items-center rounded bg-card/90 hover:bg-bar"
              aria-label={maximised ? 'Show all four views' : `Enlarge the view: ${NAMES[name]}`}
              onClick={() => aids.maximise(maximised ? null : name)}
            >
              {maximised ? <Minimize2 size={13} aria-hidden="true" /> : <Maximize2 size={13} aria-hidden="true" />}
            </button>
          </div>
        </div>
      ))}
      {!maximised && (
        <button
          type="button"
          className="button absolute top-1/2 left-1/2 -translate-x-1/2 -translate-y-1/2 !px-3 !py-0.5 text-xs"
          onClick={() => {
            sides.fitAll();
            session.perform([{ kind: 'fit', what: 'all' }], byInterface(session.newGesture(), 'four views'));
          }}
        >
          Fit all four
        </button>
      )}
    </>
  );
}
