import { insideLoop, type Mesh, type Plane, type Polygon, partContours, planeAxes, sectionArea, signedArea2 } from '@core/geometry';
import { BufferAttribute, BufferGeometry, ShapeUtils, Vector2 } from 'three';
import { MeshBVH, type SerializedBVH } from 'three-mesh-bvh';

/** The caps of a cut: triangles in world metres with a colour per corner, sRGB 0 … 1. */
export interface Caps {
  readonly positions: Float32Array;
  readonly colours: Float32Array;
  /** Contour lines, two ends each. */
  readonly lines: Float32Array;
  /** Cut material, square metres; where parts overlap it counts once. */
  readonly area: number;
  /** Length of all contours, metres. */
  readonly perimeter: number;
}

const STAGE_COLOUR = [0.72, 0.68, 0.58] as const;

/** Finds the triangles that a plane crosses, through the model's search tree. */
export function createPlaneSearch(mesh: Mesh, serialised: SerializedBVH): (plane: Plane) => Uint32Array {
  const geometry = new BufferGeometry().setAttribute('position', new BufferAttribute(mesh.positions, 3));
  geometry.setIndex(new BufferAttribute(mesh.indices, 1));
  const bvh = MeshBVH.deserialize(serialised, geometry, { setIndex: false });
  return ({ normal: [nx, ny, nz], offset }) => {
    const found: number[] = [];
    bvh.shapecast({
      intersectsBounds: ({ min, max }) => {
        const middle = (nx * (min.x + max.x) + ny * (min.y + max.y) + nz * (min.z + max.z)) / 2 - offset;
        const reach = (Math.abs(nx) * (max.x - min.x) + Math.abs(ny) * (max.y - min.y) + Math.abs(nz) * (max.z - min.z)) / 2;
        // The tree's boxes are single precision: a hair of room keeps a face that lies in the plane.
        return Math.abs(middle) <= reach * (1 + 1e-6) + 1e-9;
      },
      intersectsTriangle: (_triangle, number) => {
        found.push(number);
        return false;
      },
    });
    // In the mesh's own order, so that contours begin where they do without the tree.
    return Uint32Array.from(found).sort();
  };
}

const lengthOf = ({ points, closed }: Polygon): number => {
  let sum = 0;
  for (let i = 0; i < points.length - (closed ? 0 : 1); i++) {
    const a = points[i] as [number, number];
    const b = points[(i + 1) % points.length] as [number, number];
    sum += Math.hypot(b[0] - a[0], b[1] - a[1]);
  }
  return sum;
};

/** The cut faces of the listed parts (numbers): capped outer loops with their holes, in each part's colour. */
export function makeCaps(mesh: Mesh, plane: Plane, shown: readonly number[], candidates?: Uint32Array): Caps {
  const { x, y } = planeAxes(plane);
  const positions: number[] = [];
  const colours: number[] = [];
  const lines: number[] = [];
  const world = (p: readonly [number, number]): [number, number, number] => [
    x[0] * p[0] + y[0] * p[1] + plane.normal[0] * plane.offset,
    x[1] * p[0] + y[1] * p[1] + plane.normal[1] * plane.offset,
    x[2] * p[0] + y[2] * p[1] + plane.normal[2] * plane.offset,
  ];
  const contours = partContours(mesh, plane, candidates, new Set(shown));
  for (const { part, polygons } of contours) {
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
  const loops = contours.flatMap((entry) => entry.polygons);
  return {
    positions: new Float32Array(positions),
    colours: new Float32Array(colours),
    lines: new Float32Array(lines),
    area: sectionArea(loops.filter((loop) => loop.closed)),
    perimeter: loops.reduce((sum, loop) => sum + lengthOf(loop), 0),
  };
}
