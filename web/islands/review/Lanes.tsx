import { KIND_WORDS } from '@core/input';
import type { CommandKind } from '@core/navigation';
import { type Folding, type GestureBlock, MOMENT_NAMES, type Moment, momentWords } from '@core/review';
import type { TraceEvent } from '@core/trace';
import { memo } from 'react';
import { clockWords } from './clock';

/** What kinds of gestures look like; where there is room the block says what it was. */
const LOOKS: readonly { readonly kinds: readonly CommandKind[]; readonly className: string; readonly word: string }[] = [
  { kinds: ['orbit', 'turn', 'look', 'roll'], className: 'bg-sea text-paper', word: 'turning' },
  { kinds: ['pan', 'walk', 'rise', 'dolly'], className: 'bg-amber text-paper', word: 'sliding and walking' },
  { kinds: ['zoom', 'zoomRegion', 'fit', 'home', 'centre'], className: 'bg-ink text-paper', word: 'size' },
  {
    kinds: ['standard', 'opposite', 'snap', 'level', 'normalTo', 'lookAt', 'reset', 'back', 'forward'],
    className: 'bg-signal text-on-signal',
    word: 'views',
  },
];
const REST = { className: 'bg-ink-soft text-paper', word: 'other' };
const lookOf = (kind: CommandKind) => LOOKS.find(({ kinds }) => kinds.includes(kind)) ?? REST;
export const LANE_LEGEND = [...LOOKS, REST].map(({ className, word }) => ({ className, word }));

/** Blocks that are narrower than this share of what is shown are drawn as wide, so that they can be seen. */
const LEAST = 0.006;
/** From this share on there is room for a word. */
const WORDY = 0.06;
/** No more blocks than these are drawn at once: of more, those that stand too close are left out. */
const MOST = 500;

export const gestureWords = ({ kind, device, binding }: GestureBlock): string =>
  `${KIND_WORDS[kind]}${binding ? ` by ${binding}` : ''}${device && device !== 'interface' ? `, ${device}` : ''}`;

const MARKS: { readonly [K in Moment['kind']]: string } = {
  largestLoss: '▼',
  gotLost: '?',
  wrongWay: '↔',
  tooFar: '»',
  wrongAnswer: '×',
  longStop: '…',
  oldHabit: '↺',
  hint: 'i',
  stepEnd: '|',
};

/** What was answered, picked or measured, in words; null: nothing of that. */
function answerWords(event: TraceEvent): string | null {
  if (event.kind === 'answer') return `Answered ${event.call + 1}`;
  return event.kind === 'pick' ? 'Picked' : event.kind === 'measure' ? 'Measured' : null;
}

interface Props {
  readonly events: readonly TraceEvent[];
  readonly gestures: readonly GestureBlock[];
  readonly moments: readonly Moment[];
  readonly folding: Folding;
  readonly range: readonly [number, number];
  /** Comments by their numbers, seconds from opening. */
  readonly comments: readonly { readonly number: number; readonly t: number }[];
}

/** Under the curves: comments, gestures by kind, what happened, and where pauses were. */
export const Lanes = memo(function Lanes({ events, gestures, moments, folding, range, comments }: Props) {
  const [low, high] = range;
  const share = (t: number): number => (folding.toFolded(t) - low) / (high - low);
  const left = (t: number): string => `${100 * share(t)}%`;
  const isIn = (t: number): boolean => share(t) >= 0 && share(t) <= 1;
  let drawnTo = Number.NEGATIVE_INFINITY;
  const crowded = gestures.length > MOST;
  const blocks = gestures.filter(({ from, to }) => {
    if (share(to) < 0 || share(from) > 1) return false;
    if (crowded && share(to) < drawnTo + LEAST / 2) return false;
    drawnTo = share(to);
    return true;
  });
  return (
    <>
      <div className="relative h-4">
        {comments
          .filter(({ t }) => isIn(t))
          .map(({ number, t }) => (
            <span
              key={number}
              className="-translate-x-1/2 absolute grid h-4 w-4 place-items-center rounded-full bg-signal font-bold text-[10px] text-on-signal"
              style={{ left: left(t) }}
              title={`Comment ${number}, ${clockWords(folding.toFolded(t))}`}
            >
              {number}
            </span>
          ))}
      </div>
      <div className="relative h-5 overflow-hidden rounded bg-bar/60">
        {blocks.map((block) => {
          const [a, b] = [Math.max(0, share(block.from)), Math.min(1, share(block.to))];
          return (
            <span
              key={`${block.step} ${block.first}`}
              className={`absolute inset-y-0 overflow-hidden border-paper border-r text-[10px] leading-5 ${lookOf(block.kind).className}`}
              style={{ left: `${100 * a}%`, width: `${100 * Math.max(LEAST, b - a)}%` }}
              title={`${clockWords(folding.toFolded(block.from))}: ${gestureWords(block)}`}
            >
              {b - a > WORDY && <span className="pl-1">{KIND_WORDS[block.kind]}</span>}
            </span>
          );
        })}
        {moments.map((moment) =>
          moment.kind === 'gotLost' ? (
            <span
              key={`lost ${moment.t}`}
              className="absolute inset-y-0 bg-signal/25"
              style={{ left: left(moment.t), width: `${100 * (share(moment.t + moment.figures.seconds) - share(moment.t))}%` }}
            />
          ) : null,
        )}
        {folding.folds.map(({ at, seconds }) => (
          <span
            key={at}
            className="absolute inset-y-0 w-1 bg-paper"
            style={{ left: `${(100 * (at - low)) / (high - low)}%` }}
            title={`A pause of ${clockWords(seconds)}`}
          />
        ))}
      </div>
      <div className="relative h-5 text-xs">
        {events.map((event) => {
          const words = answerWords(event);
          return words && isIn(event.t) ? (
            <span
              key={`${event.kind} ${event.t}`}
              className="-translate-x-1/2 absolute text-ink"
              style={{ left: left(event.t) }}
              title={`${clockWords(folding.toFolded(event.t))} ${words}`}
            >
              •
            </span>
          ) : null;
        })}
        {moments
          .filter(({ t }) => isIn(t))
          .map((moment, i) => (
            <span
              key={`${moment.kind} ${moment.t} ${i}`}
              className={`-translate-x-1/2 absolute font-bold ${moment.kind === 'stepEnd' ? 'text-ink-soft' : 'text-signal'}`}
              style={{ left: left(moment.t) }}
              title={`${clockWords(folding.toFolded(moment.t))} ${MOMENT_NAMES[moment.kind]}: ${momentWords(moment)}`}
            >
              {MARKS[moment.kind]}
            </span>
          ))}
      </div>
    </>
  );
});
