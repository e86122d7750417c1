/** Does work just before the next picture is drawn, so that the picture already shows it; returns what forgets it. */
export type Frames = (work: () => void) => () => void;

/** Pictures as the browser asks for them, where nothing is drawn. */
export const browserFrames: Frames = (work) => {
  const id = requestAnimationFrame(work);
  return () => cancelAnimationFrame(id);
};
