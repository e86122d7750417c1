import { type Mesh, type Plane, type Polygon, partContours, planeAxes, sectionOverlap } from '../geometry';
import { addScaled, angleBetween, dot, scale, type Vec3 } from '../math';
import { effectiveVisibility, type Scene } from '../navigation';
import { centreOf, subjectOf } from './model';

/** Angle between the planes, 0 … pi/2; which side is cut away is `sectionSide`'s business. */
export function sectionAngle(actual: Plane, target: Plane): number {
  const angle = angleBetween(actual.normal, target.normal);
  return Math.min(angle, Math.PI - angle);
}

/** 0 when both cut away the same side, else 1. */
export const sectionSide = (actual: Plane, target: Plane): number => (dot(actual.normal, target.normal) >= 0 ? 0 : 1);

/** How far the attempt's plane lies beyond the target's, metres along the target's normal at the model's centre; null when parallel to it. */
export function sectionShift(mesh: Mesh, actual: Plane, target: Plane): number | null {
  const centre = centreOf(mesh);
  const along = dot(actual.normal, target.normal);
  if (Math.abs(along) < 1e-9) return null;
  return (actual.offset - dot(actual.normal, centre)) / along - (target.offset - dot(target.normal, centre));
}

/** Length of the model along a direction, metres. */
export function extentAlong(mesh: Mesh, direction: Vec3): number {
  let low = Number.POSITIVE_INFINITY;
  let high = Number.NEGATIVE_INFINITY;
  for (const p of subjectOf(mesh, [])) {
    const h = dot(p, direction);
    low = Math.min(low, h);
    high = Math.max(high, h);
  }
  return Math.max(0, high - low);
}

export function sectionOffset(mesh: Mesh, actual: Plane, target: Plane): number | null {
  const shift = sectionShift(mesh, actual, target);
  const extent = extentAlong(mesh, target.normal);
  return shift === null || !(extent > 0) ? null : Math.abs(shift) / extent;
}

/** Contours of the shown parts that a scene's section makes, in the axes of its own plane. */
export function contoursOf(mesh: Mesh, scene: Scene): Polygon[] {
  if (!scene.section) return [];
  const states = effectiveVisibility(mesh.parts, scene.visibility);
  const shown = new Set([...mesh.parts.keys()].filter((i) => states[i] === 'shown'));
  return partContours(mesh, scene.section, undefined, shown).flatMap((entry) => entry.polygons);
}

/** Contours carried along the target's normal into the target plane's axes. */
export function projectContours(contours: readonly Polygon[], from: Plane, to: Plane): Polygon[] {
  const a = planeAxes(from);
  const b = planeAxes(to);
  const o = scale(from.normal, from.offset);
  return contours.map((loop) => ({
    closed: loop.closed,
    points: loop.points.map(([x, y]) => {
      const p = addScaled(addScaled(o, a.x, x), a.y, y);
      return [dot(p, b.x), dot(p, b.y)] as [number, number];
    }),
  }));
}

/** 1 - intersection over union of the two cuts, seen along the target's normal. */
export function sectionOverlapError(mesh: Mesh, actual: Scene, target: Scene): number | null {
  if (!actual.section || !target.section) return null;
  const mine = projectContours(contoursOf(mesh, actual), actual.section, target.section);

  return 1 - sectionOverlap(mine, contoursOf(mesh, target));
}
