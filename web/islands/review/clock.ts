import { createStore, type StoreApi } from 'zustand/vanilla';

export interface ClockState {
  /** Seconds of the attempt without its pauses. */
  readonly at: number;
  readonly running: boolean;
  readonly rate: number;
}

/** What runs through an attempt: the moment that is shown. */
export interface Clock extends StoreApi<ClockState> {
  readonly seconds: number;
  /** Goes on, from the beginning where it had ended. */
  play(): void;
  stop(): void;
  /** Shows another moment; it runs on from there, or stands. */
  seek(at: number): void;
  setRate(rate: number): void;
}

export const RATES = [0.25, 0.5, 1, 2, 4, 8] as const;

export function createClock(seconds: number): Clock {
  const store = createStore<ClockState>(() => ({ at: 0, running: false, rate: 1 }));
  let frame = 0;
  const within = (at: number): number => Math.min(seconds, Math.max(0, at));
  const stop = (): void => {
    cancelAnimationFrame(frame);
    store.setState({ running: false });
  };
  const run = (): void => {
    let before = performance.now();
    const tick = (now: number): void => {
      const { at, rate } = store.getState();
      const next = within(at + (Math.max(0, now - before) / 1000) * rate);
      before = now;
      store.setState({ at: next });
      if (next >= seconds) stop();
      else frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
  };
  return {
    ...store,
    seconds,
    stop,
    play() {
      cancelAnimationFrame(frame);
      store.setState(({ at }) => ({ running: true, at: at >= seconds ? 0 : at }));
      run();
    },
    seek: (at) => store.setState({ at: within(at) }),
    setRate: (rate) => store.setState({ rate }),
  };
}

/** "1:04.2" */
export function clockWords(seconds: number): string {
  const tenths = Math.round(seconds * 10);
  const rest = (tenths % 600) / 10;
  return `${Math.floor(tenths / 600)}:${rest < 10 ? '0' : ''}${rest.toFixed(1)}`;
}
