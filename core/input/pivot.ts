import type { Vec3 } from '../math';
import type { Scene } from '../navigation';
import { FRAME_ASPECT, project, type View } from '../view';
import type { Pick, Surroundings } from './gesture';
import type { PivotRule, Scheme } from './schemeSchema';

/** A pivot farther out of the frame than this, in frame heights from its middle, would throw the view about. */
const OUTSIDE = 2;
/** A pivot this many times as far as the target would do so as well. */
const BEYOND = 30;

/** Whether the view can be turned about a point without being thrown about: it lies before the eye, and not far out of sight. */
export function isSteady(view: View, point: Vec3): boolean {
  const { u, v, depth } = project(view, point, FRAME_ASPECT);
  if (view.projection === 'perspective' && (depth <= view.distance * 1e-4 || depth > view.distance * BEYOND)) return false;
  return Math.abs(u) <= OUTSIDE && Math.abs(v) <= OUTSIDE;
}

/** The rule in force: that of a key held, else the scheme's. */
export const pivotRule = (scheme: Scheme, now: Surroundings): PivotRule => now.pivot ?? scheme.options.pivot;

/** What an orbit turns about; undefined: the middle of the view. */
export function pivotFor(scheme: Scheme, scene: Scene, pick: Pick | null, now: Surroundings = {}): Vec3 | undefined {
  const candidates: (Vec3 | null | undefined)[] = {
    pointer: [pick?.point, scene.selection.point],
    picked: [scene.selection.point, now.selectionCentre],
    selection: [now.selectionCentre, scene.selection.point],
    visible: [now.visibleMiddle],
    target: [],
  }[pivotRule(scheme, now)];
  return candidates.find((point): point is Vec3 => Boolean(point) && isSteady(scene.view, point as Vec3));
}
