/** Work that is asked for any number of times and done once, with the next drawn picture. */
export interface Beat {
  request(): void;
  /** Forgets what was asked for. */
  drop(): void;
}

export function createBeat(work: () => void): Beat {
  let frame = 0;
  return {
    request() {
      if (frame) return;
      frame = requestAnimationFrame(() => {
        frame = 0;
        work();
      });
    },
    drop() {
      cancelAnimationFrame(frame);
      frame = 0;
    },
  };
}
