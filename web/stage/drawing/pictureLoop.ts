import type { Frames } from '../frames';

/** Draws pictures when something changed, and does what is to be done just before. */
export interface PictureLoop {
  /** Work done just before a picture: the picture shows what came of it. */
  readonly frames: Frames;
  /** Asks for a picture. */
  request(): void;
  dispose(): void;
}

export function createPictureLoop(draw: () => void): PictureLoop {
  const before = new Set<() => void>();
  let frame = 0;
  /** Whether something changed since the last picture. */
  let wanted = false;
  let inFrame = false;
  const schedule = (): void => {
    if (!frame && !inFrame) frame = requestAnimationFrame(tick);
  };
  function tick(): void {
    frame = 0;
    // What the hand did is done first: what it asks to be drawn is drawn now, not a picture later.
    inFrame = true;
    try {
      for (const work of [...before]) {
        before.delete(work);
        work();
      }
    } finally {
      inFrame = false;
    }
    if (before.size > 0) schedule();
    if (!wanted) return;
    wanted = false;
    draw();
  }
  return {
    frames(work) {
      before.add(work);
      schedule();
      return () => before.delete(work);
    },
    request() {
      wanted = true;
      schedule();
    },
    dispose() {
      before.clear();
      cancelAnimationFrame(frame);
    },
  };
}
