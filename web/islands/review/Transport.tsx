import type { Moment, Replayed } from '@core/review';
import { ChevronFirst, ChevronLast, ChevronLeft, ChevronRight, Pause, Play, RotateCcw, StepBack, StepForward } from 'lucide-react';
import { useStore } from 'zustand';
import { type Clock, clockWords, RATES } from './clock';
import { gestureWords } from './Lanes';

/** Where one goes from a moment, by gestures or by single commands, seconds without pauses. */
export function stepped({ gestures, trace, folding }: Replayed, at: number, by: 'gesture' | 'command', way: 1 | -1): number {
  const stops = by === 'gesture' ? gestures.flatMap(({ from, to }) => [from, to]) : trace.moves.map(({ t }) => t);
  const folded = stops.map(folding.toFolded);
  const found = way > 0 ? folded.find((t) => t > at + 1e-3) : folded.findLast((t) => t < at - 1e-3);
  return found ?? (way > 0 ? folding.seconds : 0);
}

/** The gesture that is going on, or was last, at a moment. */
function GestureNow({ replayed, clock }: { readonly replayed: Replayed; readonly clock: Clock }) {
  const t = useStore(clock, (s) => replayed.folding.fromFolded(s.at));
  const number = replayed.gestures.findLastIndex(({ from }) => from <= t);
  const gesture = replayed.gestures[number];
  return (
    <span className="min-w-0 flex-1 truncate text-ink-soft text-sm" data-testid="gesture-now">
      {gesture ? `${number + 1} of ${replayed.gestures.length}: ${gestureWords(gesture)}` : 'Before the first gesture'}
    </span>
  );
}

/** Plays, steps and slows down. */
export function Transport({ replayed, clock, next }: { readonly replayed: Replayed; readonly clock: Clock; readonly next: (way: 1 | -1) => Moment | null }) {
  const running = useStore(clock, (s) => s.running);
  const rate = useStore(clock, (s) => s.rate);
  const at = useStore(clock, (s) => Math.round(s.at * 10) / 10);
  const go = (to: number): void => {
    clock.stop();
    clock.seek(to);
  };
  const step = (by: 'gesture' | 'command', way: 1 | -1): void => go(stepped(replayed, clock.getState().at, by, way));
  const jump = (way: 1 | -1): void => {
    const moment = next(way);
    if (moment) go(replayed.folding.toFolded(moment.t));
  };
  const button = (words: string, key: string, icon: React.ReactNode, press: () => void) => (
    <button type="button" className="button !px-2 !py-1" aria-label={words} title={`${words}: ${key}`} onClick={press}>
      {icon}
    </button>
  );
  const ended = at >= Math.round(clock.seconds * 10) / 10;
  return (
    <div role="toolbar" aria-label="Play" className="flex shrink-0 flex-wrap items-center gap-1.5 py-2">
      {button(`The moment before`, 'Page Up', <ChevronFirst size={16} aria-hidden="true" />, () => jump(-1))}
      {button('A gesture back', 'left arrow', <StepBack size={16} aria-hidden="true" />, () => step('gesture', -1))}
      {button('A command back', 'Shift + left arrow', <ChevronLeft size={16} aria-hidden="true" />, () => step('command', -1))}
      {running
        ? button('Stop', 'space', <Pause size={16} aria-hidden="true" />, clock.stop)
        : button('Play', 'space', ended ? <RotateCcw size={16} aria-hidden="true" /> : <Play size={16} aria-hidden="true" />, clock.play)}
      {button('A command on', 'Shift + right arrow', <ChevronRight size={16} aria-hidden="true" />, () => step('command', 1))}
      {button('A gesture on', 'right arrow', <StepForward size={16} aria-hidden="true" />, () => step('gesture', 1))}
      {button('The next moment', 'Page Down', <ChevronLast size={16} aria-hidden="true" />, () => jump(1))}
      <select aria-label="Speed" className="field !w-auto !py-1 text-sm" value={rate} onChange={(e) => clock.setRate(Number(e.target.value))}>
        {RATES.map((each) => (
          <option key={each} value={each}>
            {each} ×
          </option>
        ))}
      </select>
      <span className="font-mono text-sm" data-testid="moment">
        {clockWords(at)} of {clockWords(clock.seconds)}
      </span>
      <GestureNow replayed={replayed} clock={clock} />
    </div>
  );
}
