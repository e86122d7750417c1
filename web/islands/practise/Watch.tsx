import type { LabelledScheme } from '@core/input';
import type { Recording } from '@core/trace';
import { WatchBar } from '@web/goals/WatchBar';
import type { Recorder } from '@web/stage/recorder';
import type { SceneSource } from '@web/stage/sceneSource';
import { useEffect } from 'react';

interface Props {
  readonly recording: Recording;
  readonly session: Recorder;
  readonly scheme: LabelledScheme;
  readonly playing: boolean;
  readonly onSource: (source: SceneSource | null) => void;
  readonly onPlay: () => void;
  readonly onClose: () => void;
}

/** Offers to show how a step is done before one begins, and shows it. */
export function Watch({ recording, session, scheme, playing, onSource, onPlay, onClose }: Props) {
  // Whoever begins by themselves does not want to be asked.
  useEffect(() => (playing ? undefined : session.subscribe((now, before) => now.scene !== before.scene && onClose())), [playing, session, onClose]);
  // Who watches in the middle of a step loses no time by it.
  useEffect(() => {
    if (!playing || !session.events.some(({ kind }) => kind === 'begin')) return;
    session.event({ kind: 'pause' });
    return () => session.event({ kind: 'resume' });
  }, [playing, session]);
  return (
    <div className="pointer-events-none absolute inset-x-0 bottom-3 flex justify-center px-3 max-md:bottom-1 max-md:px-1">
      {playing ? (
        <WatchBar recording={recording} session={session} scheme={scheme} onSource={onSource} onClose={onClose} />
      ) : (
        <section
          aria-label="Watch it first"
          className="card pointer-events-auto flex items-center gap-3 px-4 py-2 shadow-lg max-md:gap-1 max-md:px-2 max-md:py-1"
        >
          <span className="text-sm max-md:hidden">See how it is done?</span>
          <button type="button" className="button !py-1 text-sm" onClick={onPlay}>
            Watch it first
          </button>
          <button type="button" className="button-quiet text-sm" onClick={onClose}>
            Try it at once
          </button>
        </section>
      )}
    </div>
  );
}
