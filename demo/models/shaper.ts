import type { Mesh, Part, Vec3 } from '@core';

export type Colour = readonly [number, number, number, number];

/** Paints of the light station, sRGB 0 … 1. */
export const PAINT = {
  brass: [0.79, 0.62, 0.31, 1],
  darkBrass: [0.55, 0.43, 0.22, 1],
  iron: [0.46, 0.5, 0.49, 1],
  darkIron: [0.3, 0.34, 0.35, 1],
  stone: [0.62, 0.65, 0.61, 1],
  red: [0.78, 0.25, 0.14, 1],
  white: [0.93, 0.91, 0.85, 1],
  green: [0.12, 0.38, 0.33, 1],
  glass: [0.66, 0.82, 0.78, 1],
  clearGlass: [0.7, 0.83, 0.82, 0.35],
  ink: [0.12, 0.17, 0.26, 1],
  yellow: [0.88, 0.68, 0.2, 1],
  rope: [0.72, 0.6, 0.42, 1],
  steel: [0.7, 0.72, 0.73, 1],
  wood: [0.58, 0.42, 0.27, 1],
  cloth: [0.36, 0.45, 0.56, 1],
} as const satisfies Record<string, Colour>;

export type Profile = readonly (readonly [number, number])[];

/** Builds a mesh part by part out of plain solids; every face is wound outwards. Metres, +Z up. */
export interface Shaper {
  /** Begins a part; solids that follow belong to it. Returns its id. */
  part(name: string, parent: string | null, colour?: Colour): string;
  box(min: Vec3, max: Vec3, place?: Place): void;
  /** A profile of (radius, height) from bottom to top, turned about the vertical through `centre`; closed by discs. */
  turned(centre: Vec3, profile: Profile, segments: number, place?: Place): void;
  /** A ring with a profile of (radius, height), the profile being a closed loop. */
  ring(centre: Vec3, profile: Profile, segments: number, place?: Place): void;
  /** A block bent round the vertical through the origin, from angle `a0` to the larger `a1`, radians. */
  arc(block: Bent, a0: number, a1: number, segments?: number): void;
  /** A flat outline (anticlockwise from above), extruded from z0 to z1. */
  extruded(outline: Profile, z0: number, z1: number, place?: Place): void;
  /** A round bar between two points. */
  bar(from: Vec3, to: Vec3, radius: number, segments?: number): void;
  mesh(): Mesh;
}

/** Radii and heights of a bent block, metres. */
export interface Bent {
  readonly r0: number;
  readonly r1: number;
  readonly z0: number;
  readonly z1: number;
}

/** Moves a point of a solid from where it was drawn to where it belongs. Must not mirror. */
export type Place = (p: Vec3) => Vec3;

/** Lays what was drawn standing (its z) along -Y, so that its top faces the front, and moves it. */
export const facingFront =
  (to: Vec3): Place =>
  ([x, y, z]) => [x + to[0], -z + to[1], y + to[2]];

export const moved =
  (to: Vec3): Place =>
  (p) => [p[0] + to[0], p[1] + to[1], p[2] + to[2]];

export function createShaper(): Shaper {
  const positions: number[] = [];
  const indices: number[] = [];
  const parts: Part[] = [];
  const used = new Map<string, number>();
  let open: { id: string; name: string; parent: string | null; colour: Colour | undefined; start: number } | null = null;

  const close = (): void => {
    if (open)
      parts.push({
        id: open.id,
        name: open.name,
        parent: open.parent,
        start: open.start,
        count: indices.length - open.start,
        ...(open.colour ? { colour: open.colour } : {}),
      });
    open = null;
  };
  const corner = (p: Vec3): number => {
    positions.push(p[0], p[1], p[2]);
    return positions.length / 3 - 1;
  };
  const quad = (a: number, b: number, c: number, d: number): void => {
    indices.push(a, b, c, a, c, d);
  };
  const same: Place = (p) => p;

  const lathe = (centre: Vec3, profile: Profile, segments: number, place: Place, loop: boolean): void => {
    const rows = profile.map(([r, z]) =>
      Array.from({ length: segments }, (_, s) => {
        const a = (2 * Math.PI * s) / segments;
        return corner(place([centre[0] + r * Math.cos(a), centre[1] + r * Math.sin(a), centre[2] + z]));
      }),
    );
    const count = loop ? rows.length : rows.length - 1;
    for (let i = 0; i < count; i++) {
      const low = rows[i] as number[];
      const high = rows[(i + 1) % rows.length] as number[];
      for (let s = 0; s < segments; s++) {
        const t = (s + 1) % segments;
        quad(low[s] as number, low[t] as number, high[t] as number, high[s] as number);
      }
    }
    if (loop) return;
    const disc = (row: readonly number[], z: number, up: boolean): void => {
      const middle = corner(place([centre[0], centre[1], centre[2] + z]));
      for (let s = 0; s < segments; s++) {
        const a = row[s] as number;
        const b = row[(s + 1) % segments] as number;
        indices.push(...(up ? [middle, a, b] : [middle, b, a]));
      }
    };
    const [first, last] = [profile[0], profile.at(-1)];
    if (first && first[0] > 0) disc(rows[0] as number[], first[1], false);
    if (last && last[0] > 0) disc(rows.at(-1) as number[], last[1], true);
  };

  return {
    part(name, parent, colour) {
      close();
      const path = parent === null ? name : `${parent}/${name}`;
      const n = (used.get(path) ?? 0) + 1;
      used.set(path, n);
      const id = n === 1 ? path : `${path}#${n}`;
      open = { id, name, parent, colour, start: indices.length };
      return id;
    },
    box(min, max, place = same) {
      const c = [min[2], max[2]].flatMap((z) => [
        corner(place([min[0], min[1], z])),
        corner(place([max[0], min[1], z])),
        corner(place([max[0], max[1], z])),
        corner(place([min[0], max[1], z])),
      ]) as [number, number, number, number, number, number, number, number];
      quad(c[0], c[3], c[2], c[1]);
      quad(c[4], c[5], c[6], c[7]);
      quad(c[0], c[1], c[5], c[4]);
      quad(c[1], c[2], c[6], c[5]);
      quad(c[2], c[3], c[7], c[6]);
      quad(c[3], c[0], c[4], c[7]);
    },
    turned: (centre, profile, segments, place = same) => lathe(centre, profile, segments, place, false),
    ring: (centre, profile, segments, place = same) => lathe(centre, profile, segments, place, true),
    arc({ r0, r1, z0, z1 }, a0, a1, segments = Math.max(1, Math.ceil(((a1 - a0) * 12) / Math.PI))) {
      const rows = Array.from({ length: segments + 1 }, (_, i) => {
        const a = a0 + ((a1 - a0) * i) / segments;
        const at = (r: number, z: number): number => corner([r * Math.cos(a), r * Math.sin(a), z]);
        return [at(r0, z0), at(r1, z0), at(r1, z1), at(r0, z1)] as const;
      });
      for (let i = 0; i < segments; i++) {
        const p = rows[i] as readonly [number, number, number, number];
        const q = rows[i + 1] as readonly [number, number, number, number];
        quad(p[1], q[1], q[2], p[2]);
        quad(q[0], p[0], p[3], q[3]);
        quad(p[3], p[2], q[2], q[3]);
        quad(p[1], p[0], q[0], q[1]);
      }
      const first = rows[0] as readonly [number, number, number, number];
      const last = rows[segments] as readonly [number, number, number, number];
      quad(first[0], first[1], first[2], first[3]);
      quad(last[1], last[0], last[3], last[2]);
    },
    extruded(outline, z0, z1, place = same) {
      const low = outline.map(([x, y]) => corner(place([x, y, z0])));
      const high = outline.map(([x, y]) => corner(place([x, y, z1])));
      // Fans from the middle: every outline used here is star-shaped about it.
      const mx = outline.reduce((s, p) => s + p[0], 0) / outline.length;
      const my = outline.reduce((s, p) => s + p[1], 0) / outline.length;
      const foot = corner(place([mx, my, z0]));
      const head = corner(place([mx, my, z1]));
      for (let i = 0; i < outline.length; i++) {
        const j = (i + 1) % outline.length;
        quad(low[i] as number, low[j] as number, high[j] as number, high[i] as number);
        indices.push(foot, low[j] as number, low[i] as number, head, high[i] as number, high[j] as number);
      }
    },
    bar(from, to, radius, segments = 10) {
      const d: Vec3 = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
      const l = Math.hypot(...d);
      const z: Vec3 = [d[0] / l, d[1] / l, d[2] / l];
      const side: Vec3 = Math.abs(z[2]) < 0.9 ? [-z[1], z[0], 0] : [1, 0, -z[0] / z[2]];
      const sl = Math.hypot(...side);
      const x: Vec3 = [side[0] / sl, side[1] / sl, side[2] / sl];
      const y: Vec3 = [z[1] * x[2] - z[2] * x[1], z[2] * x[0] - z[0] * x[2], z[0] * x[1] - z[1] * x[0]];
      lathe(
        [0, 0, 0],
        [
          [radius, 0],
          [radius, l],
        ],
        segments,
        (p) => [
          from[0] + x[0] * p[0] + y[0] * p[1] + z[0] * p[2],
          from[1] + x[1] * p[0] + y[1] * p[1] + z[1] * p[2],
          from[2] + x[2] * p[0] + y[2] * p[1] + z[2] * p[2],
        ],
        false,
      );
    },
    mesh() {
      close();
      return { positions: new Float32Array(positions), indices: new Uint32Array(indices), parts };
    },
  };
}
