import type { Step } from '@core/exercise';
import { BUILT_IN_SCHEMES, type Scheme } from '@core/input';
import type { Scene } from '@core/navigation';
import { type Recording, recordingOf, trimmedRecording } from '@core/trace';
import { LONGEST, MOST_MOVES } from '@core/trace/recordingSchema';
import { WatchBar } from '@web/goals/WatchBar';
import type { Recorder } from '@web/stage/recorder';
import type { SceneSource } from '@web/stage/sceneSource';
import { Part } from '@web/ui/fields';
import { TrimSlider } from '@web/ui/TrimSlider';
import { useState } from 'react';

interface Props {
  readonly step: Step;
  readonly session: Recorder;
  readonly scheme: Scheme | undefined;
  /** Whether a trainee may see it: it gives a hidden target away. */
  readonly shown: boolean;
  readonly onChange: (watch: Recording | undefined) => void;
  readonly onSource: (source: SceneSource | null) => void;
}

/** The author's own way of doing a step, recorded on the stage. */
export function WatchPart({ step: { watch }, session, scheme = BUILT_IN_SCHEMES[0] as Scheme, shown, onChange, onSource }: Props) {
  const [begun, setBegun] = useState<{ readonly start: Scene; readonly moves: number } | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [playing, setPlaying] = useState(false);
  const end = (): void => {
    if (!begun) return;
    setBegun(null);
    const made = recordingOf(begun.start, session.moves.slice(begun.moves));
    if (!made) setSaid('Nothing moved while recording.');
    else if (made.seconds > LONGEST || made.moves.length > MOST_MOVES)
      setSaid(`That took ${made.seconds.toFixed(0)} s: record at most ${LONGEST} s, or fewer movements.`);
    else onChange(made);
  };
  return (
    <Part title="Watch it first">
      <p className="mb-2 text-ink-soft text-sm">
        {shown
          ? 'Do it once yourself: it can be watched before the step begins, and as its last hint.'
          : 'Trainees do not get to see it while the browser may not know the target.'}
      </p>
      <div className="mb-2 flex flex-wrap gap-2">
        <button
          type="button"
          className={begun ? 'button-main !py-1.5 text-sm' : 'button !py-1.5 text-sm'}
          disabled={playing}
          onClick={() => {
            setSaid(null);
            if (begun) end();
            else setBegun({ start: session.getState().scene, moves: session.moves.length });
          }}
        >
          {begun ? 'Stop recording' : watch ? 'Record it anew' : 'Record how it is done'}
        </button>
        {watch && !begun && (
          <>
            <button type="button" className="button !py-1.5 text-sm" aria-pressed={playing} onClick={() => setPlaying(!playing)}>
              Show it
            </button>
            <button type="button" className="button-quiet text-sm" disabled={playing} onClick={() => onChange(undefined)}>
              Remove it
            </button>
          </>
        )}
      </div>
      <p className="text-ink-soft text-sm empty:hidden" aria-live="polite">
        {begun ? 'Recording, from the view that the stage shows: do it as you would teach it.' : (said ?? '')}
      </p>
      {watch && !begun && playing && <WatchBar recording={watch} session={session} scheme={scheme} onSource={onSource} onClose={() => setPlaying(false)} />}
      {watch && !begun && !playing && watch.seconds > 0.2 && (
        <TrimSlider
          seconds={watch.seconds}
          what="recording"
          onTrim={(from, to) => {
            const made = trimmedRecording(watch, session.context, from, to);
            if (made) onChange(made);
            else setSaid('Nothing moves between these two moments.');
          }}
        />
      )}
    </Part>
  );
}
