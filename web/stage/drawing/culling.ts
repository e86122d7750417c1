import type { Matrix4 } from 'three';

/** Entries of an index that are drawn together. */
export interface Run {
  readonly start: number;
  readonly count: number;
}

/** Pieces of a drawn index, one a part: where they lie in it, and a sphere that holds each, world metres. */
export interface Pieces {
  readonly starts: readonly number[];
  readonly counts: readonly number[];
  /** x, y, z, radius per piece. */
  readonly bounds: Float32Array;
}

/** The six planes of a camera's frustum as nx, ny, nz, d with n·p + d >= 0 inside (Gribb & Hartmann 2001). */
export function frustumPlanes({ elements: m }: Matrix4, out = new Float64Array(24)): Float64Array {
  const row = (r: number, c: number): number => m[c * 4 + r] as number;
  let at = 0;
  for (let axis = 0; axis < 3; axis++)
    for (const sign of [1, -1]) {
      const [a, b, c, d] = [0, 1, 2, 3].map((k) => row(3, k) + sign * row(axis, k)) as [number, number, number, number];
      const length = Math.sqrt(a * a + b * b + c * c) || 1;
      out.set([a / length, b / length, c / length, d / length], at);
      at += 4;
    }
  return out;
}

/** The runs of the pieces that a frustum may show; neighbours are drawn as one. */
export function visibleRuns(pieces: Pieces, planes: Float64Array): Run[] {
  const { starts, counts, bounds } = pieces;
  const runs: { start: number; count: number }[] = [];
  let last: { start: number; count: number } | null = null;
  for (let i = 0; i < starts.length; i++) {
    const x = bounds[i * 4] as number;
    const y = bounds[i * 4 + 1] as number;
    const z = bounds[i * 4 + 2] as number;
    const r = bounds[i * 4 + 3] as number;
    let seen = true;
    for (let p = 0; seen && p < 24; p += 4)
      seen = (planes[p] as number) * x + (planes[p + 1] as number) * y + (planes[p + 2] as number) * z + (planes[p + 3] as number) >= -r;
    if (!seen) continue;
    const start = starts[i] as number;
    const count = counts[i] as number;
    if (last && last.start + last.count === start) last.count += count;
    else {
      last = { start, count };
      runs.push(last);
    }
  }
  return runs;
}
