import { cross, dot, exact, length, sub, type Vec3 } from '../math';
import type { Scene } from '../navigation/scene';
import { drawDepths } from './drawIds';
import type { Mesh } from './mesh';

/** Each pixel is the mean of so many in either direction. */
const FINER = 2;
/** Colour of a part that has none, and of the strokes along edges, sRGB 0 … 255. */
const PLAIN: Vec3 = [214, 203, 180];
const INK: Vec3 = [27, 39, 64];
/** Light from over the left shoulder, in the eye's own axes: right, up, towards the eye. */
const LIGHT: Vec3 = [-0.4, 0.6, 0.69];
const SHADE = 0.45;
/** Two neighbours whose depths differ by more than this share are of different surfaces. */
const STEP = 0.02;
const FULL = 255;

/** A small picture of a scene as an object on a table: RGBA, row by row from the top left; where nothing is, all is clear. */
export function drawPicture(mesh: Mesh, scene: Scene, width: number, height: number): Uint8ClampedArray {
  const w = width * FINER;
  const h = height * FINER;
  const { ids, depths } = drawDepths(mesh, scene, w, h);
  const { view } = scene;
  const perspective = view.projection === 'perspective';
  const metres = (2 * exact.tan(view.fovY / 2)) / h;
  const depthAt = (x: number, y: number): number => depths[y * w + x] ?? Number.POSITIVE_INFINITY;
  /** The place of a pixel's surface in the eye's axes. */
  const placeOf = (x: number, y: number): Vec3 => {
    const depth = depthAt(x, y);
    const scale = metres * (perspective ? depth : view.distance);
    return [(x + 0.5 - w / 2) * scale, (h / 2 - y - 0.5) * scale, -depth];
  };
  /** The way along the surface to the neighbour on that axis, of the two the one that lies nearer in depth. */
  const along = (x: number, y: number, dx: number, dy: number): Vec3 => {
    const here = depthAt(x, y);
    const ahead = Math.abs(depthAt(Math.min(w - 1, x + dx), Math.min(h - 1, y + dy)) - here);
    const behind = Math.abs(depthAt(Math.max(0, x - dx), Math.max(0, y - dy)) - here);
    const forward = behind < ahead ? false : x + dx < w && y + dy < h;
    const a = forward ? placeOf(x, y) : placeOf(x - dx, y - dy);
    const b = forward ? placeOf(x + dx, y + dy) : placeOf(x, y);
    return sub(b, a);
  };
  const lit = (x: number, y: number): number => {
    if (x === 0 || y === 0 || x === w - 1 || y === h - 1) return 1;
    // Rows go down: upwards is against them.
    const normal = cross(along(x, y, 0, 1), along(x, y, 1, 0));
    const size = length(normal);
    if (!(size > 0) || !Number.isFinite(size)) return 1;
    return 1 - SHADE + SHADE * Math.max(0, dot(normal, LIGHT) / size);
  };
  const isEdge = (x: number, y: number): boolean => {
    const here = y * w + x;
    for (const there of [here + 1, here + w]) {
      if (there >= ids.length) continue;
      if (ids[there] !== ids[here]) return true;
      const [a, b] = [depths[here] as number, depths[there] as number];
      if (ids[here] !== 0 && Math.abs(a - b) > STEP * Math.min(a, b)) return true;
    }
    return false;
  };

  const sums = new Float64Array(width * height * 4);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const id = ids[y * w + x] as number;
      const edge = isEdge(x, y);
      if (id === 0 && !edge) continue;
      const colour = mesh.parts[id - 1]?.colour;
      const light = edge ? 1 : lit(x, y);
      const at = (Math.floor(y / FINER) * width + Math.floor(x / FINER)) * 4;
      for (let k = 0; k < 3; k++)
        sums[at + k] = (sums[at + k] as number) + (edge ? (INK[k] as number) : light * (colour ? (colour[k] as number) * FULL : (PLAIN[k] as number)));
      sums[at + 3] = (sums[at + 3] as number) + 1;
    }
  const picture = new Uint8ClampedArray(sums.length);
  for (let at = 0; at < sums.length; at += 4) {
    const count = sums[at + 3] as number;
    if (count === 0) continue;
    for (let k = 0; k < 3; k++) picture[at + k] = (sums[at + k] as number) / count;
    picture[at + 3] = (FULL * count) / (FINER * FINER);
  }
  return picture;
}
