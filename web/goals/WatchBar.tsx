import { commandWords, handFor, type LabelledScheme } from '@core/input';
import type { Recording } from '@core/trace';
import type { Recorder } from '@web/stage/recorder';
import type { SceneSource } from '@web/stage/sceneSource';
import { usePlayback } from '@web/stage/usePlayback';
import { Pause, Play, RotateCcw, X } from 'lucide-react';
import { Slider } from 'radix-ui';
import { useEffect } from 'react';

/** What is done stays to be read for so long after it was, seconds. */
const READ = 1.2;
const SLOW = 0.5;

interface Props {
  readonly recording: Recording;
  readonly session: Recorder;
  /** Whose gestures are named. */
  readonly scheme: LabelledScheme;
  /** What the stage is to show, null: the hand's own again. */
  readonly onSource: (source: SceneSource | null) => void;
  readonly onClose: () => void;
}

/** Plays how something is done on the stage, with what is done in words, by the gestures of one's own scheme. */
export function WatchBar({ recording, session, scheme, onSource, onClose }: Props) {
  const { source, t, running, rate, move, play, stop, seek, setRate } = usePlayback(recording, session.context);
  useEffect(() => {
    onSource(source);
    session.setStill('This is being shown: close it, then the stage is yours.');
    return () => {
      onSource(null);
      session.setStill(null);
    };
  }, [source, session, onSource]);
  const done = recording.moves[move];
  const fresh = done && (running || t < recording.seconds) && t - done.t < READ ? done.command : null;
  const hand = fresh && handFor(scheme, fresh);
  return (
    <section
      aria-label="Watch how it is done"
      className="card pointer-events-auto flex w-full max-w-md flex-col gap-1 px-4 py-2 shadow-lg max-md:flex-row max-md:items-center max-md:px-2 max-md:py-1"
    >
      <p className="min-h-6 font-semibold text-sm max-md:min-w-0 max-md:flex-1 max-md:text-xs" aria-live="polite">
        {fresh ? (
          <>
            {commandWords(fresh)}
            {hand && (
              <>
                : <span className="font-mono">{hand}</span>
              </>
            )}
          </>
        ) : (
          'How it is done'
        )}
      </p>
      <div className="flex items-center gap-2">
        {running ? (
          <button type="button" className="button !px-2 !py-1" aria-label="Stop" title="Stop" onClick={stop}>
            <Pause size={16} aria-hidden="true" />
          </button>
        ) : (
          <button type="button" className="button !px-2 !py-1" aria-label="Play" title="Play" onClick={play}>
            {t >= recording.seconds ? <RotateCcw size={16} aria-hidden="true" /> : <Play size={16} aria-hidden="true" />}
          </button>
        )}
        <Slider.Root
          className="relative flex h-6 flex-1 touch-none items-center max-md:hidden"
          min={0}
          max={recording.seconds}
          step={0.05}
          value={[t]}
          onValueChange={([to = 0]) => {
            stop();
            seek(to);
          }}
        >
          <Slider.Track className="relative h-1.5 flex-1 rounded-full bg-bar">
            <Slider.Range className="absolute h-full rounded-full bg-amber" />
          </Slider.Track>
          <Slider.Thumb aria-label="Moment" className="block h-4 w-4 rounded-full border-2 border-ink bg-card" />
        </Slider.Root>
        <span className="font-mono text-xs max-md:hidden">
          {t.toFixed(1)} of {recording.seconds.toFixed(1)} s
        </span>
        <button
          type="button"
          className={`button !px-2 !py-1 text-xs ${rate < 1 ? '!bg-ink !text-paper' : ''}`}
          aria-pressed={rate < 1}
          onClick={() => setRate(rate < 1 ? 1 : SLOW)}
        >
          Slowly
        </button>
        <button type="button" className="button-quiet !p-1" aria-label="Close" title="Close" onClick={onClose}>
          <X size={16} aria-hidden="true" />
        </button>
      </div>
    </section>
  );
}
