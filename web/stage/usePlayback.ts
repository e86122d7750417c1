import type { Context } from '@core/navigation';
import { playing, type Recording } from '@core/trace';
import { useEffect, useMemo, useRef, useState } from 'react';
import { createScenePlayer, type SceneSource } from './sceneSource';

export interface Playback {
  readonly source: SceneSource;
  /** Seconds from the beginning. */
  readonly t: number;
  readonly running: boolean;
  readonly rate: number;
  /** Number of the last command done, -1 before the first. */
  readonly move: number;
  /** Goes on, from the beginning where it had ended. */
  readonly play: () => void;
  readonly stop: () => void;
  readonly seek: (t: number) => void;
  readonly setRate: (rate: number) => void;
}

/** Plays a recording on a stage; it begins at once. */
export function usePlayback(recording: Recording, context: Context): Playback {
  const at = useMemo(() => playing(recording, context), [recording, context]);
  const source = useMemo(() => createScenePlayer(recording.start), [recording]);
  const [t, setT] = useState(0);
  const [running, setRunning] = useState(true);
  const [rate, setRate] = useState(1);
  const now = useRef(0);
  const seek = (to: number): void => {
    now.current = Math.min(recording.seconds, Math.max(0, to));
    source.show(at(now.current).scene, now.current);
    setT(now.current);
  };
  useEffect(() => {
    if (!running) return;
    let before = performance.now();
    let frame = requestAnimationFrame(function tick(time) {
      now.current = Math.min(recording.seconds, now.current + (Math.max(0, time - before) / 1000) * rate);
      before = time;
      source.show(at(now.current).scene, now.current);
      setT(now.current);
      if (now.current < recording.seconds) frame = requestAnimationFrame(tick);
      else setRunning(false);
    });
    return () => cancelAnimationFrame(frame);
  }, [running, rate, recording, at, source]);
  return {
    source,
    t,
    running,
    rate,
    move: at(t).move,
    play: () => {
      if (now.current >= recording.seconds) seek(0);
      setRunning(true);
    },
    stop: () => setRunning(false),
    seek,
    setRate,
  };
}
