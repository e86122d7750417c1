import { dot, sub, type Vec3 } from '../math';
import { cornersAt, type Mesh } from './mesh';

/** Rays go this way, which no edge of a model made by hand follows. */
const RAY: Vec3 = [0.8314592, 0.3718263, 0.4129571];

/** Whether a ray from a point meets the triangle (Möller & Trumbore 1997). */
function meets(from: Vec3, a: Vec3, b: Vec3, c: Vec3): boolean {
  const [e1, e2] = [sub(b, a), sub(c, a)];
  const p: Vec3 = [RAY[1] * e2[2] - RAY[2] * e2[1], RAY[2] * e2[0] - RAY[0] * e2[2], RAY[0] * e2[1] - RAY[1] * e2[0]];
  const det = dot(e1, p);
  if (det === 0) return false;
  const s = sub(from, a);
  const u = dot(s, p) / det;
  if (u < 0 || u > 1) return false;
  const q: Vec3 = [s[1] * e1[2] - s[2] * e1[1], s[2] * e1[0] - s[0] * e1[2], s[0] * e1[1] - s[1] * e1[0]];
  const v = dot(RAY, q) / det;
  return v >= 0 && u + v <= 1 && dot(e2, q) / det > 0;
}

/** Number of a part in whose closed surface a point lies, by the parity of what a ray from it meets; -1: in none. */
export function partRound(mesh: Mesh, point: Vec3): number {
  return mesh.parts.findIndex(({ start, count }) => {
    let odd = false;
    for (let i = start; i < start + count; i += 3) if (meets(point, ...cornersAt(mesh, i / 3))) odd = !odd;
    return odd;
  });
}
