import { CRITERIA, type CriterionId } from '@core/criteria';
import type { TraineeExercise } from '@core/exercise';
import type { Moment, Replayed } from '@core/review';
import { ChevronLeft, ChevronRight, Minus, Plus } from 'lucide-react';
import { type PointerEvent, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { CurveChart, INSET, LineSample, lookOf } from './CurveChart';
import { type Clock, clockWords } from './clock';
import { LANE_LEGEND, Lanes } from './Lanes';
import type { Samples } from './useLookedThrough';

interface Props {
  readonly steps: TraineeExercise['steps'];
  readonly replayed: Replayed;
  readonly clock: Clock;
  readonly moments: readonly Moment[];
  readonly samples: readonly (readonly Samples[])[];
  /** Whether there are curves at all. */
  readonly known: boolean;
  readonly comments: readonly { readonly number: number; readonly t: number }[];
}

type Range = readonly [number, number];

/** The least that is shown, seconds. */
const CLOSEST = 2;
/** What a press goes earlier or later, of what is shown. */
const HALF = 0.5;

/** A range about a moment, that much larger, within the whole. */
export function zoomed([low, high]: Range, about: number, by: number, seconds: number): Range {
  const width = Math.min(seconds, Math.max(Math.min(CLOSEST, seconds), (high - low) * by));
  const from = Math.min(seconds - width, Math.max(0, about - ((about - low) / (high - low || 1)) * width));
  return [from, from + width];
}

/** A range that much later, in shares of its width, within the whole. */
export function slid([low, high]: Range, by: number, seconds: number): Range {
  const width = high - low;
  const from = Math.min(seconds - width, Math.max(0, low + by * width));
  return [from, from + width];
}

/** The moment that is shown, as a line through all that stands under each other. */
function PlayHead({ clock, range: [low, high] }: { readonly clock: Clock; readonly range: Range }) {
  const at = useStore(clock, (s) => s.at);
  const share = (at - low) / (high - low);
  return (
    <span
      role="slider"
      tabIndex={0}
      aria-label="Moment"
      aria-valuemin={0}
      aria-valuemax={Math.round(clock.seconds * 10) / 10}
      aria-valuenow={Math.round(at * 10) / 10}
      aria-valuetext={clockWords(at)}
      className={`absolute inset-y-0 z-10 w-0.5 bg-signal outline-offset-4 ${share < 0 || share > 1 ? 'opacity-0' : ''}`}
      style={{ left: `${100 * Math.min(1, Math.max(0, share))}%` }}
    />
  );
}

/** How close an attempt was, what was done and what happened, over time; a press or drag shows that moment. */
export function TimeLine({ steps, replayed, clock, moments, samples, known, comments }: Props) {
  const { folding, gestures } = replayed;
  const whole = useMemo<Range>(() => [0, Math.max(0.1, folding.seconds)], [folding]);
  const [range, setRange] = useState<Range>(whole);
  const [only, setOnly] = useState<CriterionId | ''>('');
  useEffect(() => setRange(whole), [whole]);
  const ids = useMemo(() => [...new Set(steps.flatMap((step) => step.criteria.filter(({ weight }) => weight > 0).map(({ id }) => id)))], [steps]);
  const place = useRef<HTMLDivElement>(null);
  const all = useRef<HTMLDivElement>(null);
  // What is played is not left behind.
  const running = useStore(clock, (s) => s.running);
  useEffect(() => {
    if (!running) return;
    return clock.subscribe(({ at }) =>
      setRange((now) =>
        at <= now[1] || now[1] >= whole[1] ? now : ([Math.min(at, whole[1] - (now[1] - now[0])), Math.min(whole[1], at + now[1] - now[0])] as const),
      ),
    );
  }, [running, clock, whole]);
  const momentAt = useCallback(
    (clientX: number): number => {
      const area = place.current?.getBoundingClientRect();
      if (!area) return 0;
      return range[0] + ((clientX - area.left) / area.width) * (range[1] - range[0]);
    },
    [range],
  );
  const seek = (event: PointerEvent): void => {
    if (event.buttons !== 1) return;
    clock.stop();
    clock.seek(momentAt(event.clientX));
  };
  const zoom = (by: number, about = clock.getState().at): void => setRange((now) => zoomed(now, about, by, whole[1]));
  // A wheel over it brings nearer and pans; React listens to wheels passively, which could not keep the page still.
  useEffect(() => {
    const element = all.current;
    if (!element) return;
    const turned = (event: WheelEvent): void => {
      event.preventDefault();
      if (Math.abs(event.deltaX) > Math.abs(event.deltaY) || event.shiftKey) {
        const by = (event.deltaX || event.deltaY) / element.clientWidth;
        setRange((now) => slid(now, by, whole[1]));
      } else setRange((now) => zoomed(now, momentAt(event.clientX), 1.002 ** event.deltaY, whole[1]));
    };
    element.addEventListener('wheel', turned, { passive: false });
    return () => element.removeEventListener('wheel', turned);
  }, [whole, momentAt]);
  return (
    <section aria-label="Time line" className="card shrink-0 px-3 py-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-xs">
        {known && (
          <span role="group" aria-label="Curves" className="flex flex-wrap gap-1">
            {ids.map((id, i) => (
              <button
                key={id}
                type="button"
                aria-pressed={only === id}
                title={only === id ? 'Show all' : 'Show this one alone'}
                className={`flex items-center gap-1 rounded border px-1.5 py-0.5 ${only === id ? 'border-ink bg-bar' : only ? 'border-transparent opacity-60' : 'border-transparent hover:border-rule'}`}
                onClick={() => setOnly(only === id ? '' : id)}
              >
                <LineSample look={lookOf(i)} />
                {CRITERIA[id].label}
              </button>
            ))}
          </span>
        )}
        <span className="ml-auto flex items-center gap-1">
          <button
            type="button"
            className="button !px-1.5 !py-0.5"
            aria-label="Earlier"
            disabled={range[0] <= 0}
            onClick={() => setRange(slid(range, -HALF, whole[1]))}
          >
            <ChevronLeft size={13} aria-hidden="true" />
          </button>
          <button
            type="button"
            className="button !px-1.5 !py-0.5"
            aria-label="Later"
            disabled={range[1] >= whole[1]}
            onClick={() => setRange(slid(range, HALF, whole[1]))}
          >
            <ChevronRight size={13} aria-hidden="true" />
          </button>
          <button type="button" className="button !px-1.5 !py-0.5" aria-label="Show more time" onClick={() => zoom(2)}>
            <Minus size={13} aria-hidden="true" />
          </button>
          <button type="button" className="button !px-1.5 !py-0.5" aria-label="Show less time" onClick={() => zoom(0.5)}>
            <Plus size={13} aria-hidden="true" />
          </button>
          <span className="w-32 text-right font-mono">
            {clockWords(range[0])} – {clockWords(range[1])}
          </span>
        </span>
      </div>
      <div ref={all} className="relative touch-none" onPointerDown={seek} onPointerMove={seek}>
        {known && (
          <div className="h-28">
            <CurveChart steps={steps} samples={samples} folding={folding} ids={ids} only={only} range={range} />
          </div>
        )}
        <div style={{ paddingLeft: INSET.left, paddingRight: INSET.right }}>
          <Lanes events={replayed.trace.events} gestures={gestures} moments={moments} folding={folding} range={range} comments={comments} />
        </div>
        <div ref={place} className="pointer-events-none absolute inset-y-0" style={{ left: INSET.left, right: INSET.right }} data-time-line>
          <PlayHead clock={clock} range={range} />
        </div>
      </div>
      <p className="text-ink-soft text-xs" style={{ paddingLeft: INSET.left }}>
        <span className="flex flex-wrap gap-x-3">
          {LANE_LEGEND.map(({ word, className }) => (
            <span key={word} className="flex items-center gap-1">
              <span className={`inline-block h-2.5 w-2.5 rounded-sm ${className}`} aria-hidden="true" />
              {word}
            </span>
          ))}
        </span>
      </p>
    </section>
  );
}
