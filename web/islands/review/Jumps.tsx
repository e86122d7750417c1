import { type Folding, MOMENT_NAMES, type Moment, momentWords, mostTelling } from '@core/review';
import { Play } from 'lucide-react';
import { clockWords } from './clock';

interface Props {
  readonly moments: readonly Moment[] | null;
  readonly folding: Folding;
  readonly many: boolean;
  /** Shows a moment. */
  readonly onGo: (moment: Moment) => void;
  /** Plays it from its beginning. */
  readonly onPlay: (moment: Moment) => void;
}

/** What happened, in the order of time, what tells most marked: a press goes there. */
export function Jumps({ moments, folding, many, onGo, onPlay }: Props) {
  const telling = moments && mostTelling(moments);
  return (
    <section aria-labelledby="jumps">
      <h2 id="jumps" className="text-lg">
        What happened
      </h2>
      {!moments && <p className="text-ink-soft text-sm">Looking it through …</p>}
      <ol className="mt-1 max-h-64 overflow-y-auto" data-testid="jumps">
        {moments?.map((moment) => (
          <li key={`${moment.kind} ${moment.t} ${JSON.stringify(moment.figures)}`} className="flex items-start gap-1 border-rule border-b">
            <button
              type="button"
              className={`flex min-w-0 flex-1 gap-2 py-1 text-left text-sm hover:bg-bar ${moment === telling ? 'font-semibold' : ''}`}
              onClick={() => onGo(moment)}
            >
              <span className="w-12 shrink-0 text-right font-mono text-xs leading-5">{clockWords(folding.toFolded(moment.t))}</span>
              <span className="min-w-0">
                <span className={`block font-semibold text-xs uppercase tracking-wide ${moment === telling ? 'text-signal' : 'text-ink-soft'}`}>
                  {MOMENT_NAMES[moment.kind]}
                  {many && ` · step ${moment.step + 1}`}
                  {moment === telling && moment.kind !== 'stepEnd' && ' · look here first'}
                </span>
                {momentWords(moment)}
              </span>
            </button>
            {moment.from < moment.t && (
              <button
                type="button"
                className="button-quiet !p-1 mt-1"
                aria-label={`Play ${MOMENT_NAMES[moment.kind].toLowerCase()} at ${clockWords(folding.toFolded(moment.from))}`}
                title="Play it"
                onClick={() => onPlay(moment)}
              >
                <Play size={14} aria-hidden="true" />
              </button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
