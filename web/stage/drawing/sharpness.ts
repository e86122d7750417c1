const SLOW_FRAME_MS = 45;
const REST_MS = 180;
/** Pictures nearer to each other than this are motion, ms. */
const MOTION_MS = 120;

/** In fast motion a slow machine draws fewer pixels; at rest always all of them. */
export interface Sharpness {
  /** Share of the pixels drawn each way. */
  share(): number;
  /** A picture was drawn. */
  drawn(): void;
  dispose(): void;
}

/** `changed`: the share is another now. */
export function createSharpness(changed: (atRest: boolean) => void): Sharpness {
  let share = 1;
  let last = 0;
  let rest: ReturnType<typeof setTimeout> | undefined;
  return {
    share: () => share,
    drawn() {
      const now = performance.now();
      const since = now - last;
      if (since < MOTION_MS && since > SLOW_FRAME_MS && share > 0.5) {
        share = 0.5;
        changed(false);
      }
      last = now;
      if (share === 1) return;
      clearTimeout(rest);
      rest = setTimeout(() => {
        share = 1;
        changed(true);
      }, REST_MS);
    },
    dispose: () => clearTimeout(rest),
  };
}
