import { backOf, rightOf, upOf } from '../math';
import { effectiveVisibility, type Scene } from '../navigation/scene';
import { eyeOf, frameHeightAt } from '../view';
import type { Mesh } from './mesh';

/** Nearer than this share of the focal distance, a triangle counts as behind the eye. */
const NEAR = 1e-6;

/** A rectangle in frame heights from the frame's centre. */
interface Rectangle {
  readonly u0: number;
  readonly v0: number;
  readonly u1: number;
  readonly v1: number;
}

/** Whether a convex polygon in the plane meets a rectangle: no edge direction of either parts them. */
function meets(polygon: readonly (readonly [number, number])[], r: Rectangle): boolean {
  const us = polygon.map((p) => p[0]);
  const vs = polygon.map((p) => p[1]);
  if (Math.max(...us) < r.u0 || Math.min(...us) > r.u1 || Math.max(...vs) < r.v0 || Math.min(...vs) > r.v1) return false;
  const corners = [
    [r.u0, r.v0],
    [r.u1, r.v0],
    [r.u1, r.v1],
    [r.u0, r.v1],
  ] as const;
  for (let i = 0; i < polygon.length; i++) {
    const a = polygon[i] as readonly [number, number];
    const b = polygon[(i + 1) % polygon.length] as readonly [number, number];
    const [nu, nv] = [b[1] - a[1], a[0] - b[0]];
    const mine = polygon.map((p) => p[0] * nu + p[1] * nv);
    const theirs = corners.map((p) => p[0] * nu + p[1] * nv);
    if (Math.max(...mine) < Math.min(...theirs) || Math.min(...mine) > Math.max(...theirs)) return false;
  }
  return true;
}

/**
 * Ids of the parts with triangles of their own that a rectangle in the frame touches, or with `whole` that lie inside it
 * with all they have, also behind others. Hidden parts are left out; a triangle that a cut takes away does not count.
 */
export function partsInBox(mesh: Mesh, scene: Pick<Scene, 'view' | 'visibility' | 'section'>, r: Rectangle, whole: boolean): string[] {
  const { view, section } = scene;
  const states = effectiveVisibility(mesh.parts, scene.visibility);
  const [right, up, back] = [rightOf(view.orientation), upOf(view.orientation), backOf(view.orientation)];
  const eye = eyeOf(view);
  const perspective = view.projection === 'perspective';
  const near = perspective ? view.distance * NEAR : Number.NEGATIVE_INFINITY;
  const perUnit = frameHeightAt(view, 1);
  const count = mesh.positions.length / 3;
  // Camera axes of every corner, and where it appears if it lies before the eye.
  const x = new Float64Array(count);
  const y = new Float64Array(count);
  const depth = new Float64Array(count);
  const u = new Float64Array(count);
  const v = new Float64Array(count);
  const gone = new Uint8Array(count);
  for (let i = 0; i < count; i++) {
    const px = mesh.positions[i * 3] as number;
    const py = mesh.positions[i * 3 + 1] as number;
    const pz = mesh.positions[i * 3 + 2] as number;
    const dx = px - eye[0];
    const dy = py - eye[1];
    const dz = pz - eye[2];
    x[i] = dx * right[0] + dy * right[1] + dz * right[2];
    y[i] = dx * up[0] + dy * up[1] + dz * up[2];
    depth[i] = -(dx * back[0] + dy * back[1] + dz * back[2]);
    const height = perspective ? perUnit * (depth[i] as number) : perUnit;
    u[i] = (x[i] as number) / height;
    v[i] = (y[i] as number) / height;
    if (section && px * section.normal[0] + py * section.normal[1] + pz * section.normal[2] > section.offset) gone[i] = 1;
  }
  const ahead = (i: number): boolean => (depth[i] as number) > near;
  const within = (i: number): boolean => (u[i] as number) >= r.u0 && (u[i] as number) <= r.u1 && (v[i] as number) >= r.v0 && (v[i] as number) <= r.v1;
  const beside = (a: number, b: number, c: number): boolean => {
    const [ua, ub, uc] = [u[a] as number, u[b] as number, u[c] as number];
    const [va, vb, vc] = [v[a] as number, v[b] as number, v[c] as number];
    return (
      (ua < r.u0 && ub < r.u0 && uc < r.u0) ||
      (ua > r.u1 && ub > r.u1 && uc > r.u1) ||
      (va < r.v0 && vb < r.v0 && vc < r.v0) ||
      (va > r.v1 && vb > r.v1 && vc > r.v1)
    );
  };
  /** The part of a triangle before the eye, as it appears. */
  const outline = (corners: readonly [number, number, number]): [number, number][] => {
    const found: [number, number][] = [];
    for (let k = 0; k < 3; k++) {
      const i = corners[k] as number;
      const j = corners[(k + 1) % 3] as number;
      if (ahead(i)) found.push([u[i] as number, v[i] as number]);
      if (ahead(i) === ahead(j)) continue;
      const s = (near - (depth[i] as number)) / ((depth[j] as number) - (depth[i] as number));
      const height = perUnit * near;
      found.push([
        ((x[i] as number) + ((x[j] as number) - (x[i] as number)) * s) / height,
        ((y[i] as number) + ((y[j] as number) - (y[i] as number)) * s) / height,
      ]);
    }
    return found;
  };
  const touches = (a: number, b: number, c: number): boolean => {
    const inFront = ahead(a) && ahead(b) && ahead(c);
    if (inFront && (within(a) || within(b) || within(c))) return true;
    if (inFront && beside(a, b, c)) return false;
    const polygon = outline([a, b, c]);
    return polygon.length > 0 && meets(polygon, r);
  };

  return mesh.parts
    .filter((part, n) => {
      if (part.count === 0 || states[n] === 'hidden') return false;
      let any = false;
      for (let i = part.start; i < part.start + part.count; i += 3) {
        const a = mesh.indices[i] as number;
        const b = mesh.indices[i + 1] as number;
        const c = mesh.indices[i + 2] as number;
        if (gone[a] && gone[b] && gone[c]) continue;
        if (!whole && touches(a, b, c)) return true;
        if (!whole) continue;
        for (const corner of [a, b, c]) if (!ahead(corner) || !within(corner)) return false;
        any = true;
      }
      return any;
    })
    .map((part) => part.id);
}
