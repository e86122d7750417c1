import type { Mesh } from '@core/geometry';
import { SEEN_PIXEL, type SeenPlace } from '@core/measures';
import { subjectOf } from '@core/model';
import { apply, initialScene, type Scene } from '@core/navigation';
import { FRAME, FRAME_ASPECT, fit, type StandardName, standardOrientation, type View } from '@core/view';
import type { StageHandle } from '@web/stage/useStage';
import type { SeenWorker } from '@web/workers/seen.worker';
import { releaseProxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';

/** Size of the picture that is painted, and of the one that tells what is seen: half as fine. */
const WIDTH = 560;
const HEIGHT = WIDTH / FRAME_ASPECT;
const MARGIN = 0.05;
/** Strokes over what was never seen: every so many pixels, so many wide. */
const STRIPE = 9;
const STROKE = 4;
/** Luminance of a colour (ITU-R BT.709), and how much of it is kept beneath the paint. */
const GREY = [0.2126, 0.7152, 0.0722] as const;
const SHADE = 0.75;

/** The subject alone, squarely from one side. */
function sideScene(mesh: Mesh, parts: readonly string[], view: View, side: StandardName): Scene {
  const points = subjectOf(mesh, parts);
  const scene = initialScene(fit({ ...view, projection: 'orthographic', orientation: standardOrientation(side) }, points, FRAME_ASPECT, MARGIN));
  return parts.length === 0 ? scene : apply(scene, { kind: 'isolate', parts: [...parts] }, { frame: FRAME, parts: mesh.parts });
}

type Paint = readonly [red: number, green: number, blue: number, alpha: number];

/** A colour of the theme, by name. */
function themeColour(context: CanvasRenderingContext2D, name: string, alpha: number): Paint {
  context.fillStyle = getComputedStyle(document.documentElement).getPropertyValue(name);
  context.fillRect(0, 0, 1, 1);
  const [r, g, b] = context.getImageData(0, 0, 1, 1).data;
  return [r ?? 0, g ?? 0, b ?? 0, alpha];
}

async function painted(picture: string, told: Uint8Array): Promise<string> {
  const canvas = document.createElement('canvas');
  canvas.width = WIDTH;
  canvas.height = HEIGHT;
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return picture;
  const seen = themeColour(context, '--color-sea', 0.6);
  const unseen = themeColour(context, '--color-signal', 0.85);
  const image = new Image();
  image.src = picture;
  await image.decode();
  context.drawImage(image, 0, 0, WIDTH, HEIGHT);
  const pixels = context.getImageData(0, 0, WIDTH, HEIGHT);
  for (let y = 0; y < HEIGHT; y++) {
    for (let x = 0; x < WIDTH; x++) {
      const what = told[(y >> 1) * (WIDTH / 2) + (x >> 1)];
      if (what !== SEEN_PIXEL.seen && what !== SEEN_PIXEL.unseen) continue;
      const stroke = (x + y) % STRIPE < STROKE;
      const paint = what === SEEN_PIXEL.seen ? seen : unseen;
      const alpha = what === SEEN_PIXEL.unseen && !stroke ? 0.2 : paint[3];
      const at = 4 * (y * WIDTH + x);
      // The model's own colours would mix with the paint: what is left of it is its light and shade.
      const grey = GREY.reduce((sum, share, k) => sum + share * (pixels.data[at + k] as number), 0) * SHADE + 255 * (1 - SHADE);
      for (let k = 0; k < 3; k++) pixels.data[at + k] = grey * (1 - alpha) + (paint[k] as number) * alpha;
    }
  }
  context.putImageData(pixels, 0, 0);
  return canvas.toDataURL('image/png');
}

/** Pictures of the subject from some sides, what was seen painted over it; they come one after the other. */
export function useSeenPictures(
  handle: StageHandle | null,
  mesh: Mesh | null,
  sides: readonly StandardName[],
  subject: { readonly parts: readonly string[]; readonly view: View; readonly places: readonly SeenPlace[] } | null,
): readonly string[] {
  const [pictures, setPictures] = useState<readonly string[]>([]);
  useEffect(() => {
    if (!handle || !mesh || !subject) return;
    const worker = new Worker(new URL('../../workers/seen.worker.ts', import.meta.url), { type: 'module' });
    const api = wrap<SeenWorker>(worker);
    let wanted = true;
    void (async () => {
      await api.open(mesh);
      // All of the model stands there as it was looked at: what a picture shows can be seen from outside.
      const places = subject.parts.length > 0 ? subject.places : subject.places.filter(({ seen }) => seen !== null);
      const made: string[] = [];
      for (const side of sides) {
        const scene = sideScene(mesh, subject.parts, subject.view, side);
        const [picture, told] = await Promise.all([
          handle.pictureOf(scene, WIDTH),
          api.picture(subject.parts, places, scene, WIDTH / 2, HEIGHT / 2) as Promise<Uint8Array>,
        ]);
        made.push(await painted(picture, told));
        if (!wanted) return;
        setPictures([...made]);
      }
    })();
    return () => {
      wanted = false;
      api[releaseProxy]();
      worker.terminate();
    };
  }, [handle, mesh, sides, subject]);
  return pictures;
}
