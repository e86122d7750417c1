import type { Frames } from '../frames';

/** Work that is asked for any number of times and done once, before the next picture is drawn. */
export interface FrameScheduler {
  request(): void;
  /** Forgets what was asked for. */
  drop(): void;
}

export function createFrameScheduler(frames: Frames, work: () => void): FrameScheduler {
  let forget: (() => void) | null = null;
  return {
    request() {
      forget ??= frames(() => {
        forget = null;
        work();
      });
    },
    drop() {
      forget?.();
      forget = null;
    },
  };
}
