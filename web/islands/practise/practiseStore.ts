import type { Scheme } from '@core/input';
import { lookedAt } from '@core/trace';
import type { Recorder } from '@web/stage/recorder';
import { createStore, type StoreApi } from 'zustand/vanilla';

/** What the screen shows beside the attempt itself. */
export interface PractiseState {
  /** Number of the step that is practised. */
  readonly step: number;
  /** The step of each hint that was taken, in order. */
  readonly hints: readonly number[];
  /** HTML of hints that were not sent with the exercise, by step and number. */
  readonly hintHtml: Readonly<Record<string, string>>;
  /** Whether looking round before the step has ended. */
  readonly looked: boolean;
  /** How the step is done: offered to be watched, watched just now, or neither. */
  readonly watch: 'offered' | 'playing' | null;
  readonly sheet: 'scheme' | 'restart' | 'far' | null;
  /** A scheme that was asked for in mid attempt. */
  readonly wanted: Scheme | null;
  readonly busy: boolean;
  /** Why a finished attempt could not be sent yet. */
  readonly waiting: string | null;
}

export interface PractiseStore extends StoreApi<PractiseState> {
  /** An attempt begins, or is gone on with: it stands where it was left. */
  opened(session: Recorder): void;
  nextStep(): void;
  hintTaken(step: number, number: number, html: string | null): void;
}

const FRESH = { hints: [], hintHtml: {}, waiting: null, busy: false, watch: 'offered' } as const;

export function createPractiseStore(): PractiseStore {
  const store = createStore<PractiseState>(() => ({ step: 0, sheet: null, wanted: null, looked: false, ...FRESH }));
  return {
    ...store,
    opened(session) {
      const { events } = session;
      const step = events.filter((e) => e.kind === 'stepDone').length;
      store.setState({
        ...FRESH,
        step,
        looked: lookedAt(events, step) !== null,
        hints: events.flatMap((e) => (e.kind === 'hint' ? [e.step] : [])),
      });
    },
    nextStep: () => store.setState(({ step }) => ({ step: step + 1, looked: false, watch: 'offered' })),
    hintTaken(step, number, html) {
      store.setState((s) => ({ hints: [...s.hints, step], hintHtml: html === null ? s.hintHtml : { ...s.hintHtml, [`${step} ${number}`]: html } }));
    },
  };
}
