import { drawIds, type Mesh, partsUnder, shapeNumbers, subjectPoints } from '../geometry';
import { initialScene, type Scene } from '../navigation';
import { FRAME_ASPECT, fit, STANDARD_NAMES, type StandardName, standardOrientation, type View } from '../view';
import { PICTURE, pictureOf } from './pictures';

/** Outlines that overlap by more than this look alike. */
const ALIKE = 0.85;
/** Pictures that differ in fewer of their pixels are the same. */
const SAME = 0.01;
/** Rows that an outline is compared in. */
const ROWS = 100;

/** The filled outline of a subject in a picture, cropped to it; null: it is not in it. */
interface Outline {
  readonly filled: Uint8Array;
  readonly width: number;
  readonly height: number;
}

function outlineOf(ids: Uint16Array): Outline | null {
  const { width } = PICTURE;
  let [left, right, top, bottom]: [number, number, number, number] = [width, -1, PICTURE.height, -1];
  ids.forEach((id, i) => {
    if (id === 0) return;
    const [x, y] = [i % width, Math.floor(i / width)];
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  });
  if (right < left) return null;
  const [w, h] = [right - left + 1, bottom - top + 1];
  const filled = new Uint8Array(w * h);
  for (let y = 0; y < h; y++) for (let x = 0; x < w; x++) filled[y * w + x] = ids[(top + y) * width + left + x] ? 1 : 0;
  return { filled, width: w, height: h };
}

/** Intersection over union of two outlines, unmirrored, centred and scaled to equal height. */
function outlineOverlap(a: Outline, b: Outline): number {
  const [wideA, wideB] = [a.width / a.height, b.width / b.height];
  // Side by side no more than the narrower one can lie on the other.
  if (Math.min(wideA, wideB) / Math.max(wideA, wideB) <= ALIKE) return 0;
  const columns = Math.ceil(Math.max(wideA, wideB) * ROWS);
  const at = ({ filled, width, height }: Outline, wide: number, column: number, row: number): number => {
    const x = Math.floor(((column + 0.5 - columns / 2) / ROWS / wide + 0.5) * width);
    const y = Math.floor(((row + 0.5) / ROWS) * height);
    return x < 0 || x >= width ? 0 : (filled[y * width + x] as number);
  };
  let both = 0;
  let either = 0;
  for (let row = 0; row < ROWS; row++) {
    for (let column = 0; column < columns; column++) {
      const [p, q] = [at(a, wideA, column, row), at(b, wideB, column, row)];
      both += p & q;
      either += p | q;
    }
  }
  return either === 0 ? 0 : both / either;
}

/** Two standard views in which a subject looks alike. */
export interface AlikeViews {
  readonly a: StandardName;
  readonly b: StandardName;
  /** How much of the outlines lie on each other, 0 … 1. */
  readonly overlap: number;
}

/** A standard view that shows all of a subject. */
export const standardViewOf = (mesh: Mesh, home: View, parts: readonly string[], name: StandardName): View =>
  fit({ ...home, orientation: standardOrientation(name) }, subjectPoints(mesh, parts), FRAME_ASPECT, 0.1);

/**
 * Of the 26 standard views the pairs in which the subject's outlines, unmirrored, centred and scaled to equal height,
 * overlap by more than 0.85 (intersection over union); the likest first. `parts`: the subject, none for the whole model.
 */
export function alikeViews(mesh: Mesh, home: View, parts: readonly string[]): AlikeViews[] {
  const subject = partsUnder(mesh, parts);
  const outlines = STANDARD_NAMES.map((name) => {
    const scene = initialScene(standardViewOf(mesh, home, parts, name));
    return outlineOf(drawIds(mesh, scene, PICTURE.width, PICTURE.height, subject));
  });
  const found: AlikeViews[] = [];
  outlines.forEach((a, i) => {
    for (let k = i + 1; k < outlines.length; k++) {
      const b = outlines[k];
      const overlap = a && b ? outlineOverlap(a, b) : 0;
      if (overlap > ALIKE) found.push({ a: STANDARD_NAMES[i] as StandardName, b: STANDARD_NAMES[k] as StandardName, overlap });
    }
  });
  return found.sort((a, b) => b.overlap - a.overlap);
}

/** A scene's picture with parts of one shape under one number. */
export function shapePicture(mesh: Mesh, scene: Scene): Uint16Array {
  const shapes = shapeNumbers(mesh);
  return pictureOf(mesh, scene).map((id) => (id === 0 ? 0 : (shapes[id - 1] as number) + 1));
}

/** Whether two pictures cannot be told apart: equal in 99 % of their pixels. */
export function samePicture(a: Uint16Array, b: Uint16Array): boolean {
  const other = a.reduce((sum, id, i) => sum + (id === b[i] ? 0 : 1), 0);
  return other <= SAME * a.length;
}
