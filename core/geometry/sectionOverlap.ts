import { areaPaths, booleanOp, ClipType, FillRule, type Path64, type Paths64 } from 'clipper2-ts';
import type { Polygon } from './sectionContours';

/** Half width of the whole-number grid that polygons are compared on. */
const GRID = 2e7;

interface Grid {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

function gridFor(loops: readonly Polygon[]): Grid | null {
  let [x0, y0, x1, y1] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const loop of loops) {
    if (!loop.closed) continue;
    for (const [x, y] of loop.points) {
      x0 = Math.min(x0, x);
      x1 = Math.max(x1, x);
      y0 = Math.min(y0, y);
      y1 = Math.max(y1, y);
    }
  }
  const extent = Math.max(x1 - x0, y1 - y0);
  return extent > 0 && Number.isFinite(extent) ? { scale: (2 * GRID) / extent, x: (x0 + x1) / 2, y: (y0 + y1) / 2 } : null;
}

const toGrid = (loops: readonly Polygon[], grid: Grid): Paths64 =>
  loops
    .filter((loop) => loop.closed)
    .map((loop): Path64 => loop.points.map(([x, y]) => ({ x: Math.round((x - grid.x) * grid.scale), y: Math.round((y - grid.y) * grid.scale) })));

/** Area of the material, square metres: where parts overlap it counts once; open chains count nothing. */
export function sectionArea(contours: readonly Polygon[]): number {
  const grid = gridFor(contours);
  if (!grid) return 0;
  return Math.abs(areaPaths(booleanOp(ClipType.Union, toGrid(contours, grid), null, FillRule.NonZero))) / (grid.scale * grid.scale);
}

/** Area of the intersection over area of the union, 0 … 1; 1 for two empty cuts. Both in the same plane coordinates. */
export function sectionOverlap(a: readonly Polygon[], b: readonly Polygon[]): number {
  const grid = gridFor([...a, ...b]);
  if (!grid) return 1;
  const pa = toGrid(a, grid);
  const pb = toGrid(b, grid);
  const union = Math.abs(areaPaths(booleanOp(ClipType.Union, pa, pb, FillRule.NonZero)));
  if (!(union > 0)) return 1;
  return Math.min(1, Math.abs(areaPaths(booleanOp(ClipType.Intersection, pa, pb, FillRule.NonZero))) / union);
}
