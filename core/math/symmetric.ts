import type { Vec3 } from './vec3';

/** A symmetric 3 x 3 matrix, row by row from the diagonal on. */
export type Symmetric = readonly [xx: number, xy: number, xz: number, yy: number, yz: number, zz: number];

/** Eigenvalues of a symmetric matrix, the least first, and their unit vectors: by rotations that each remove one entry (Jacobi 1846). */
export function eigen([xx, xy, xz, yy, yz, zz]: Symmetric): { readonly values: Vec3; readonly vectors: readonly [Vec3, Vec3, Vec3] } {
  const a = [
    [xx, xy, xz],
    [xy, yy, yz],
    [xz, yz, zz],
  ] as [number[], number[], number[]];
  const v = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ] as [number[], number[], number[]];
  const get = (m: number[][], i: number, k: number): number => (m[i] as number[])[k] as number;
  const set = (m: number[][], i: number, k: number, x: number): void => {
    (m[i] as number[])[k] = x;
  };
  for (let sweep = 0; sweep < 12; sweep++) {
    for (const [p, q] of [
      [0, 1],
      [0, 2],
      [1, 2],
    ] as const) {
      const off = get(a, p, q);
      if (off === 0) continue;
      const theta = (get(a, q, q) - get(a, p, p)) / (2 * off);
      const t = (theta < 0 ? -1 : 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
      const c = 1 / Math.sqrt(t * t + 1);
      const s = t * c;
      for (let k = 0; k < 3; k++) {
        const [kp, kq] = [get(a, k, p), get(a, k, q)];
        set(a, k, p, c * kp - s * kq);
        set(a, k, q, s * kp + c * kq);
      }
      for (let k = 0; k < 3; k++) {
        const [pk, qk] = [get(a, p, k), get(a, q, k)];
        set(a, p, k, c * pk - s * qk);
        set(a, q, k, s * pk + c * qk);
        const [vp, vq] = [get(v, k, p), get(v, k, q)];
        set(v, k, p, c * vp - s * vq);
        set(v, k, q, s * vp + c * vq);
      }
    }
  }
  const order = [0, 1, 2].sort((i, k) => get(a, i, i) - get(a, k, k)) as [number, number, number];
  const column = (i: number): Vec3 => [get(v, 0, i), get(v, 1, i), get(v, 2, i)];
  return {
    values: [get(a, order[0], order[0]), get(a, order[1], order[1]), get(a, order[2], order[2])],
    vectors: [column(order[0]), column(order[1]), column(order[2])],
  };
}
