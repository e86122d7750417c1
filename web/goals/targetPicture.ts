import { type Goal, picturedBy, shownBy } from '@core/goals';
import type { ScoredModel } from '@core/model';
import type { Scene } from '@core/navigation';
import { FRAME_ASPECT } from '@core/view';
import type { StageHandle } from '@web/stage/useStage';

const WIDTH = 800;
/** Each of several pictures is this wide. */
const SMALLER = 560;

const loaded = (source: string): Promise<HTMLImageElement> =>
  new Promise((resolve, reject) => {
    const image = new Image();
    image.onload = () => resolve(image);
    image.onerror = () => reject(new Error('A picture of the step could not be drawn. Try again.'));
    image.src = source;
  });

/** The picture that is published of a step, a PNG in base 64: of its target, or of all that its stage shows, one below the other; null: none is needed. */
export async function targetPicture(handle: StageHandle, goal: Goal, start: Scene, model: ScoredModel): Promise<string | null> {
  const target = picturedBy(goal, start);
  if (target) return (await handle.pictureOf(target, WIDTH)).split(',')[1] ?? null;
  const shown = shownBy(goal, model);
  if (shown.length === 0) return null;
  const height = SMALLER / FRAME_ASPECT;
  const canvas = document.createElement('canvas');
  canvas.width = SMALLER;
  canvas.height = height * shown.length;
  const drawing = canvas.getContext('2d');
  if (!drawing) throw new Error('This browser cannot draw the pictures of the step.');
  for (const [i, scene] of shown.entries()) drawing.drawImage(await loaded(await handle.pictureOf(scene, SMALLER)), 0, i * height, SMALLER, height);
  return canvas.toDataURL('image/png').split(',')[1] ?? null;
}
