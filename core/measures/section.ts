import { type Mesh, type Plane, type Polygon, partContours, planeAxes, sectionOverlap } from '../geometry';
import { addScaled, angleBetween, dot, scale, type Vec3 } from '../math';
import { centreOf, subjectOf } from '../model';
import { effectiveVisibility, type Scene } from '../navigation';

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

/** How far a plane has to move along its own normal to pass through the target at the model's centre, metres. */
export function shiftToTarget(mesh: Mesh, actual: Plane, target: Plane): number {
  const centre = centreOf(mesh);
  const along = dot(actual.normal, target.normal);
  return (target.offset - dot(target.normal, centre)) * along - (actual.offset - dot(actual.normal, centre));
}

/** Whether a plane cuts any part that a scene shows. */
const cutsSomething = (mesh: Mesh, scene: Scene): boolean => contoursOf(mesh, scene).length > 0;

/**
 * 1 - intersection over union of the two cuts, seen along the target's normal. The target is taken with the parts shown as
 * the attempt has them; where its plane cuts none of those, both are taken with the parts as the target has them, so that
 * hiding everything is no match.
 */
export function sectionOverlapError(mesh: Mesh, actual: Scene, plane: Plane, targetParts: Scene['visibility']): number | null {
  if (!actual.section) return null;
  const asked: Scene = { ...actual, section: plane };
  const same = cutsSomething(mesh, asked);
  const mine = same ? actual : { ...actual, visibility: targetParts };
  const theirs = same ? asked : { ...asked, visibility: targetParts };
  return 1 - sectionOverlap(projectContours(contoursOf(mesh, mine), actual.section, plane), contoursOf(mesh, theirs));
}
