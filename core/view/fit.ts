import { addScaled, backOf, exact, rightOf, upOf, type Vec3 } from '../math';
import { clampDistance, type View } from './view';

/**
 * The smallest view whose frame, shrunk by `margin`, holds all points; orientation, projection and field of view are
 * kept. Exact and in one pass: in perspective the two side planes through the eye must touch a point each, which gives
 * the eye's depth for width and for height; the farther one wins.
 * `margin`: fraction of the frame's width left and right and of its height above and below, below 0.5.
 */
export function fit(view: View, points: readonly Vec3[], aspect: number, margin: number): View {
  if (points.length === 0) return view;
  const right = rightOf(view.orientation);
  const up = upOf(view.orientation);
  const back = backOf(view.orientation);
  const free = 1 - 2 * Math.min(0.49, Math.max(0, margin));
  const t = exact.tan(view.fovY / 2);
  const perspective = view.projection === 'perspective';
  const tx = perspective ? t * aspect * free : 0;
  const ty = perspective ? t * free : 0;
  // Relative to the first point, so that a model far from the origin loses no digits.
  const o = points[0] as Vec3;
  let a = Number.NEGATIVE_INFINITY;
  let b = Number.NEGATIVE_INFINITY;
  let c = Number.NEGATIVE_INFINITY;
  let d = Number.NEGATIVE_INFINITY;
  let near = Number.NEGATIVE_INFINITY;
  let far = Number.POSITIVE_INFINITY;
  for (const p of points) {
    const dx = p[0] - o[0];
    const dy = p[1] - o[1];
    const dz = p[2] - o[2];
    const x = dx * right[0] + dy * right[1] + dz * right[2];
    const y = dx * up[0] + dy * up[1] + dz * up[2];
    const z = dx * back[0] + dy * back[1] + dz * back[2];
    if (x + z * tx > a) a = x + z * tx;
    if (-x + z * tx > b) b = -x + z * tx;
    if (y + z * ty > c) c = y + z * ty;
    if (-y + z * ty > d) d = -y + z * ty;
    if (z > near) near = z;
    if (z < far) far = z;
  }
  const x = (a - b) / 2;
  const y = (c - d) / 2;
  const middle = (near + far) / 2;
  const distance = perspective ? Math.max((a + b) / (2 * tx), (c + d) / (2 * ty)) - middle : Math.max((a + b) / (2 * aspect * free), (c + d) / (2 * free)) / t;
  const target = addScaled(addScaled(addScaled(o, right, x), up, y), back, middle);
  const extent = Math.max(a + b, c + d, near - far);
  const single = perspective ? distance <= extent * 1e-15 : !(distance > 0);
  return { ...view, target, distance: single ? view.distance : clampDistance(distance) };
}
