import { PUCK_DESCRIPTOR, puckReports, type SixAxes } from '@core/input';
import { type PuckStroke, simulatePuck } from '@core/simulation/simulatePuck';
import { useLatest } from '@web/ui/useLatest';
import { useEffect, useState } from 'react';
import type { Frames } from '../frames';
import { createReportReader, listenForMultiAxis } from './multiAxisDevice';
import { createPuckFeed, type PuckFeed, type PuckListener } from './puckFeed';
import { type PuckPlayer, playReports } from './puckPlayer';

/** A device sends its strokes again and again while the cap is held, ms. */
const AGAIN_MS = 80;
/** Reports a second of the simulated device. */
const RATE = 125;

interface Parts {
  readonly feed: PuckFeed;
  readonly reader: ReturnType<typeof createReportReader>;
  readonly scripted: ReturnType<typeof createReportReader>;
  end: (() => void) | null;
  again: number;
  player: PuckPlayer | null;
}

export interface Puck {
  /** What is known of a real device: its name, or why there is none. */
  readonly device: string | null;
  /** Seconds of the script that is playing; null: none is. */
  readonly playing: number | null;
  /** Moves the simulated cap and presses its buttons. */
  send(axes: SixAxes, buttons: readonly number[]): void;
  /** Plays motions by a hand that trembles by a share of the full stroke; the same seed trembles the same. */
  play(script: readonly PuckStroke[], seed: number, tremor: number): void;
  stop(): void;
  connect(): Promise<void>;
}

/** The simulated device and a real one, through the same reader and the same feed. */
export function usePuck(listener: PuckListener, frames?: Frames): Puck {
  const heard = useLatest(listener);
  const [device, setDevice] = useState<string | null>(null);
  const [playing, setPlaying] = useState<number | null>(null);
  const [parts] = useState((): Parts => {
    const feed = createPuckFeed(() => heard.current, frames);
    const heardBy = { onAxes: feed.axes, onButton: feed.button, onIgnored: () => {} };
    return {
      feed,
      reader: createReportReader(PUCK_DESCRIPTOR, heardBy),
      scripted: createReportReader(PUCK_DESCRIPTOR, heardBy, { scripted: true }),
      end: null,
      again: 0,
      player: null,
    };
  });
  useEffect(
    () => () => {
      window.clearInterval(parts.again);
      parts.player?.stop();
      parts.end?.();
      parts.reader.stop();
      parts.scripted.stop();
      parts.feed.dispose();
    },
    [parts],
  );
  return {
    device,
    playing,
    send(axes, buttons) {
      const report = (): void => {
        for (const { id, data } of puckReports(axes, buttons)) parts.reader.report(id, data);
      };
      window.clearInterval(parts.again);
      parts.player?.stop();
      report();
      if (axes.some((a) => a !== 0)) parts.again = window.setInterval(report, AGAIN_MS);
    },
    play(script, seed, tremor) {
      window.clearInterval(parts.again);
      parts.player?.stop();
      setPlaying(0);
      let sent = performance.now();
      parts.feed.follow(() => sent);
      parts.player = playReports(simulatePuck(script, RATE, seed, tremor), parts.scripted.report, {
        onTime: setPlaying,
        onSent: (at) => {
          sent = at;
        },
        onEnd: () => {
          parts.player = null;
          parts.scripted.stop();
          parts.feed.follow(null);
          setPlaying(null);
        },
      });
    },
    stop: () => parts.player?.stop(),
    async connect() {
      parts.end?.();
      parts.end = await listenForMultiAxis({
        onConnected: setDevice,
        onAxes: parts.feed.axes,
        onButton: parts.feed.button,
        onIgnored: () => {},
        onEnd: () => setDevice(null),
        onRefused: setDevice,
      });
    },
  };
}
