// The engine alone: the package's entry brings offsets and triangulation along, which every page that practises would load.
import { ClipType, FillRule, type Path64, type Paths64, PathType } from 'clipper2-ts/dist/Core.js';
import { Clipper64 } from 'clipper2-ts/dist/Engine.js';
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

/** Area of what two sets of loops are together, or have in common, in cells of the grid. */
function areaOf(type: ClipType.Union | ClipType.Intersection, subject: Paths64, clip: Paths64): number {
  const clipper = new Clipper64();
  clipper.addPaths(subject, PathType.Subject);
  clipper.addPaths(clip, PathType.Clip);
  const found: Paths64 = [];
  clipper.execute(type, FillRule.NonZero, found);
  let twice = 0;
  for (const path of found) {
    path.forEach((p, i) => {
      const before = path.at(i - 1) as (typeof path)[number];
      twice += (before.y + p.y) * (before.x - p.x);
    });
  }
  return Math.abs(twice) / 2;
}

/** Area of the material, square metres: where parts overlap it counts once; open chains count nothing. */
export function sectionArea(contours: readonly Polygon[]): number {
  const grid = gridFor(contours);
  if (!grid) return 0;
  return areaOf(ClipType.Union, toGrid(contours, grid), []) / (grid.scale * grid.scale);
}

/** Area of the intersection over area of the union, 0 … 1; 1 for two empty cuts. Both in the same plane coordinates. */
export function sectionOverlap(a: readonly Polygon[], b: readonly Polygon[]): number {
  const grid = gridFor([...a, ...b]);
  if (!grid) return 1;
  const pa = toGrid(a, grid);
  const pb = toGrid(b, grid);
  const union = areaOf(ClipType.Union, pa, pb);
  if (!(union > 0)) return 1;
  return Math.min(1, areaOf(ClipType.Intersection, pa, pb) / union);
}
