import { drawDepths, type Mesh, partsUnder } from '../geometry';
import { dot, type Vec3 } from '../math';
import type { Scene } from '../navigation';
import { FRAME_ASPECT, pointAt } from '../view';
import { towardsEye } from './seen';

/** A place on a subject, metres, the way that it looks to, and whether it was seen; null: no view from outside shows it. */
export interface SeenPlace {
  readonly at: Vec3;
  readonly to: Vec3;
  readonly seen: boolean | null;
}

/** What a pixel of the picture shows. */
export const SEEN_PIXEL = { nothing: 0, seen: 1, unseen: 2, leftOut: 3 } as const;

/** A place speaks for what looks the same way as it does. */
const FACES = 0.05;

/**
 * The subject as a scene shows it, told apart by what was seen of it: each pixel is as the nearest place that faces the eye. Row by row
 * from the top left.
 */
export function seenPicture(mesh: Mesh, parts: readonly string[], places: readonly SeenPlace[], scene: Scene, width: number, height: number): Uint8Array {
  const { view } = scene;
  const { ids, depths } = drawDepths(mesh, scene, width, height);
  const subject = partsUnder(mesh, parts);
  const towards = towardsEye(view);
  const facing = places.filter(({ at, to }) => dot(to, towards(at)) > FACES);
  const picture = new Uint8Array(width * height);
  if (facing.length === 0) return picture;
  for (let pixel = 0; pixel < picture.length; pixel++) {
    const id = ids[pixel] as number;
    if (id === 0 || !subject.has(id - 1)) continue;
    const u = ((pixel % width) + 0.5) / width - 0.5;
    const v = 0.5 - (Math.floor(pixel / width) + 0.5) / height;
    const point = pointAt(view, u * FRAME_ASPECT, v, depths[pixel] as number);
    let nearest = Number.POSITIVE_INFINITY;
    let seen: boolean | null = null;
    for (const place of facing) {
      const [x, y, z] = [place.at[0] - point[0], place.at[1] - point[1], place.at[2] - point[2]];
      const apart = x * x + y * y + z * z;
      if (apart >= nearest) continue;
      nearest = apart;
      seen = place.seen;
    }
    picture[pixel] = seen === null ? SEEN_PIXEL.leftOut : seen ? SEEN_PIXEL.seen : SEEN_PIXEL.unseen;
  }
  return picture;
}
