import { backOf, exact, rightOf, upOf } from '../math';
import { effectiveVisibility, type Scene } from '../navigation/scene';
import { eyeOf } from '../view';
import type { Mesh } from './mesh';

/** Nothing nearer to the eye than this fraction of the focal distance is drawn in perspective. */
const NEAR = 1e-6;
/** Depths within this share of the focal distance are the same: touching parts do not flicker. */
const ALIKE = 1e-9;
/** A triangle clipped by two planes has at most five corners. */
const MAX_CORNERS = 6;

/** Camera-space corners of the triangle being clipped: x, y, depth per corner. */
const clipA = new Float64Array(MAX_CORNERS * 3);
const clipB = new Float64Array(MAX_CORNERS * 3);

/**
 * The id picture: index in `mesh.parts` + 1 of the front-most shown part per pixel, 0 for none; row by row from the top
 * left, pixel centres sampled, aspect = width / height. Hidden and glass parts write nothing, both faces of a triangle
 * count, a section cuts without caps, at equal depth (to 1e-9 of the view's distance) the lower id wins. Perspective is clipped at the eye and its depth
 * is interpolated as 1/depth, which is linear on the screen; an orthographic picture is not clipped at all.
 * `only`: part numbers to draw; left out, all.
 */
export function drawIds(mesh: Mesh, scene: Scene, width: number, height: number, only?: ReadonlySet<number>): Uint16Array {
  return draw(mesh, scene, width, height, only).ids;
}

/** The id picture, and the depth of what it shows at each pixel, metres before the eye along the view axis; Infinity where nothing is. */
export function drawDepths(mesh: Mesh, scene: Scene, width: number, height: number): { readonly ids: Uint16Array; readonly depths: Float64Array } {
  const { ids, nearness } = draw(mesh, scene, width, height);
  const perspective = scene.view.projection === 'perspective';
  return { ids, depths: nearness.map((n) => (perspective ? (n > 0 ? 1 / n : Number.POSITIVE_INFINITY) : -n)) };
}

function draw(
  mesh: Mesh,
  scene: Scene,
  width: number,
  height: number,
  only?: ReadonlySet<number>,
): { readonly ids: Uint16Array; readonly nearness: Float64Array } {
  const ids = new Uint16Array(width * height);
  // Larger is nearer: 1/depth in perspective, -depth in an orthographic picture.
  const nearness = new Float64Array(width * height).fill(scene.view.projection === 'perspective' ? 0 : Number.NEGATIVE_INFINITY);
  const { view, section } = scene;
  const eye = eyeOf(view);
  const right = rightOf(view.orientation);
  const up = upOf(view.orientation);
  const back = backOf(view.orientation);
  const perspective = view.projection === 'perspective';
  const t = exact.tan(view.fovY / 2);
  const scale = perspective ? height / (2 * t) : height / (2 * t * view.distance);
  const near = view.distance * NEAR;
  const alike = view.distance * ALIKE;
  const states = effectiveVisibility(mesh.parts, scene.visibility);
  const { positions, indices } = mesh;

  const halfW = width / 2;
  const halfH = height / 2;
  const corners = positions.length / 3;
  // Per corner: camera-space x, y and depth, then screen x and y in pixels and the nearness; screen only in front of the eye.
  const cam = new Float64Array(corners * 3);
  const screen = new Float64Array(corners * 3);
  const heights = section ? new Float64Array(corners) : null;
  for (let at = 0; at < corners * 3; at += 3) {
    const px = positions[at] as number;
    const py = positions[at + 1] as number;
    const pz = positions[at + 2] as number;
    const x = px - eye[0];
    const y = py - eye[1];
    const z = pz - eye[2];
    const cx = x * right[0] + y * right[1] + z * right[2];
    const cy = x * up[0] + y * up[1] + z * up[2];
    const depth = -(x * back[0] + y * back[1] + z * back[2]);
    cam[at] = cx;
    cam[at + 1] = cy;
    cam[at + 2] = depth;
    const inverse = perspective ? 1 / depth : 1;
    screen[at] = cx * scale * inverse + halfW;
    screen[at + 1] = halfH - cy * scale * inverse;
    screen[at + 2] = perspective ? inverse : -depth;
    if (heights && section) heights[at / 3] = px * section.normal[0] + py * section.normal[1] + pz * section.normal[2] - section.offset;
  }

  /** Keeps the side of the polygon in `from` where `side` is not above zero; returns the corners written to `to`. */
  const clip = (from: Float64Array, fromSide: Float64Array, count: number, to: Float64Array): number => {
    let written = 0;
    for (let i = 0; i < count; i++) {
      const j = (i + 1) % count;
      const a = fromSide[i] as number;
      const b = fromSide[j] as number;
      if (a <= 0) {
        to[written * 3] = from[i * 3] as number;
        to[written * 3 + 1] = from[i * 3 + 1] as number;
        to[written * 3 + 2] = from[i * 3 + 2] as number;
        written++;
      }
      if (a <= 0 !== b <= 0) {
        const k = a / (a - b);
        for (let axis = 0; axis < 3; axis++) {
          const p = from[i * 3 + axis] as number;
          to[written * 3 + axis] = p + ((from[j * 3 + axis] as number) - p) * k;
        }
        written++;
      }
    }
    return written;
  };

  const sides = new Float64Array(MAX_CORNERS);
  const depths = new Float64Array(MAX_CORNERS);
  const clipped = new Float64Array(MAX_CORNERS * 3);

  /** Fills one triangle; `c` holds screen x, y and nearness at i0, i1, i2. */
  const fill = (c: Float64Array, i0: number, i1: number, i2: number, id: number): void => {
    const y0 = c[i0 + 1] as number;
    const y1 = c[i1 + 1] as number;
    const y2 = c[i2 + 1] as number;
    const top = y0 < y1 ? (y0 < y2 ? y0 : y2) : y1 < y2 ? y1 : y2;
    const bottom = y0 > y1 ? (y0 > y2 ? y0 : y2) : y1 > y2 ? y1 : y2;
    let row = Math.ceil(top - 0.5);
    let last = Math.floor(bottom - 0.5);
    if (row < 0) row = 0;
    if (last >= height) last = height - 1;
    if (row > last) return;
    const x0 = c[i0] as number;
    const x1 = c[i1] as number;
    const x2 = c[i2] as number;
    const least = x0 < x1 ? (x0 < x2 ? x0 : x2) : x1 < x2 ? x1 : x2;
    const most = x0 > x1 ? (x0 > x2 ? x0 : x2) : x1 > x2 ? x1 : x2;
    // Most triangles of a fine model lie between pixel centres.
    if (most < 0.5 || least > width - 0.5 || Math.ceil(least - 0.5) > Math.floor(most - 0.5)) return;
    const n0 = c[i0 + 2] as number;
    const n1 = c[i1 + 2] as number;
    const n2 = c[i2 + 2] as number;
    const area = (x1 - x0) * (y2 - y0) - (x2 - x0) * (y1 - y0);
    if (area === 0 || area !== area) return;
    const gx = ((n1 - n0) * (y2 - y0) - (n2 - n0) * (y1 - y0)) / area;
    const gy = ((n2 - n0) * (x1 - x0) - (n1 - n0) * (x2 - x0)) / area;
    for (; row <= last; row++) {
      const y = row + 0.5;
      // An edge is read from its upper end, whichever triangle it is of: two that share it leave no gap.
      let from = Number.POSITIVE_INFINITY;
      let to = Number.NEGATIVE_INFINITY;
      if (y0 <= y !== y1 <= y) {
        const x = y0 < y1 ? x0 + ((y - y0) / (y1 - y0)) * (x1 - x0) : x1 + ((y - y1) / (y0 - y1)) * (x0 - x1);
        if (x < from) from = x;
        if (x > to) to = x;
      }
      if (y1 <= y !== y2 <= y) {
        const x = y1 < y2 ? x1 + ((y - y1) / (y2 - y1)) * (x2 - x1) : x2 + ((y - y2) / (y1 - y2)) * (x1 - x2);
        if (x < from) from = x;
        if (x > to) to = x;
      }
      if (y2 <= y !== y0 <= y) {
        const x = y2 < y0 ? x2 + ((y - y2) / (y0 - y2)) * (x0 - x2) : x0 + ((y - y0) / (y2 - y0)) * (x2 - x0);
        if (x < from) from = x;
        if (x > to) to = x;
      }
      let column = Math.ceil(from - 0.5);
      let end = Math.ceil(to - 0.5) - 1;
      if (column < 0) column = 0;
      if (end >= width) end = width - 1;
      if (column > end) continue;
      let n = n0 + (column + 0.5 - x0) * gx + (y - y0) * gy;
      let pixel = row * width + column;
      for (; column <= end; column++, pixel++, n += gx) {
        const held = nearness[pixel] as number;
        const apart = n - held;
        // In perspective nearness is 1/depth: its differences are larger by its square.
        const same = perspective ? alike * held * held : alike;
        if (apart > same) {
          nearness[pixel] = n;
          ids[pixel] = id;
        } else if (apart >= -same) {
          if (apart > 0) nearness[pixel] = n;
          if (id < (ids[pixel] as number)) ids[pixel] = id;
        }
      }
    }
  };

  mesh.parts.forEach((part, number) => {
    if (states[number] !== 'shown' || (only && !only.has(number))) return;
    const end = part.start + part.count;
    for (let i = part.start; i < end; i += 3) {
      const a = indices[i] as number;
      const b = indices[i + 1] as number;
      const c = indices[i + 2] as number;
      const da = cam[a * 3 + 2] as number;
      const db = cam[b * 3 + 2] as number;
      const dc = cam[c * 3 + 2] as number;
      const cutNear = perspective && (da < near || db < near || dc < near);
      if (cutNear && da < near && db < near && dc < near) continue;
      let cutPlane = false;
      if (heights) {
        const ha = heights[a] as number;
        const hb = heights[b] as number;
        const hc = heights[c] as number;
        if (ha > 0 && hb > 0 && hc > 0) continue;
        cutPlane = ha > 0 || hb > 0 || hc > 0;
      }
      if (!cutNear && !cutPlane) {
        fill(screen, a * 3, b * 3, c * 3, number + 1);
        continue;
      }
      let polygon = clipA;
      let count = 3;
      [a, b, c].forEach((corner, k) => {
        polygon[k * 3] = cam[corner * 3] as number;
        polygon[k * 3 + 1] = cam[corner * 3 + 1] as number;
        polygon[k * 3 + 2] = cam[corner * 3 + 2] as number;
      });
      if (cutPlane && heights) {
        sides[0] = heights[a] as number;
        sides[1] = heights[b] as number;
        sides[2] = heights[c] as number;
        count = clip(polygon, sides, count, clipB);
        polygon = clipB;
      }
      if (cutNear) {
        for (let k = 0; k < count; k++) depths[k] = near - (polygon[k * 3 + 2] as number);
        const to = polygon === clipA ? clipB : clipA;
        count = clip(polygon, depths, count, to);
        polygon = to;
      }
      for (let k = 0; k < count * 3; k += 3) {
        const depth = polygon[k + 2] as number;
        const inverse = perspective ? 1 / depth : 1;
        clipped[k] = (polygon[k] as number) * scale * inverse + halfW;
        clipped[k + 1] = halfH - (polygon[k + 1] as number) * scale * inverse;
        clipped[k + 2] = perspective ? inverse : -depth;
      }
      for (let k = 1; k + 1 < count; k++) fill(clipped, 0, k * 3, k * 3 + 3, number + 1);
    }
  });
  return { ids, nearness };
}
