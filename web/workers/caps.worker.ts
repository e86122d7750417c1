import { insideLoop, type Mesh, type Plane, partContours, planeAxes, signedArea2 } from '@core/geometry';
import { expose, transfer } from 'comlink';
import { ShapeUtils, Vector2 } from 'three';

let mesh: Mesh | null = null;

/** The caps of a cut: triangles in world metres with a colour per corner, sRGB 0 … 1. */
export interface Caps {
  readonly positions: Float32Array;
  readonly colours: Float32Array;
  /** Contour lines, two ends each. */
  readonly lines: Float32Array;
}

const STAGE_COLOUR = [0.72, 0.68, 0.58] as const;

const api = {
  open(opened: Mesh): void {
    mesh = opened;
  },
  /** Caps of the listed parts (numbers) where the plane cuts them. */
  caps(plane: Plane, shown: readonly number[]): Caps | null {
    if (!mesh) return null;
    const { x, y } = planeAxes(plane);
    const positions: number[] = [];
    const colours: number[] = [];
    const lines: number[] = [];
    const world = (p: readonly [number, number]): [number, number, number] => [
      x[0] * p[0] + y[0] * p[1] + plane.normal[0] * plane.offset,
      x[1] * p[0] + y[1] * p[1] + plane.normal[1] * plane.offset,
      x[2] * p[0] + y[2] * p[1] + plane.normal[2] * plane.offset,
    ];
    for (const { part, polygons } of partContours(mesh, plane, undefined, new Set(shown))) {
      const colour = mesh.parts[part]?.colour ?? STAGE_COLOUR;
      for (const loop of polygons) {
        const count = loop.closed ? loop.points.length : loop.points.length - 1;
        for (let i = 0; i < count; i++)
          lines.push(...world(loop.points[i] as [number, number]), ...world(loop.points[(i + 1) % loop.points.length] as [number, number]));
      }
      const closed = polygons.filter((loop) => loop.closed);
      const holes = closed.filter((loop) => signedArea2(loop.points) < 0);
      for (const outer of closed.filter((loop) => signedArea2(loop.points) > 0)) {
        const mine = holes.filter((hole) => insideLoop(hole.points[0] as [number, number], outer.points));
        const rings = [outer, ...mine].map((loop) => loop.points.map(([u, v]) => new Vector2(u, v)));
        const corners = rings.flat();
        for (const face of ShapeUtils.triangulateShape(rings[0] ?? [], rings.slice(1))) {
          for (const i of face) {
            const corner = corners[i] as Vector2;
            positions.push(...world([corner.x, corner.y]));
            colours.push(colour[0], colour[1], colour[2]);
          }
        }
      }
    }
    const made: Caps = { positions: new Float32Array(positions), colours: new Float32Array(colours), lines: new Float32Array(lines) };
    return transfer(made, [made.positions.buffer, made.colours.buffer, made.lines.buffer]);
  },
};
export type CapsWorker = typeof api;
expose(api);
