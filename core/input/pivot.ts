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

/** The points that a rule would turn about, the first choice first; each is looked for only when it is asked. */
function candidates(rule: PivotRule, scene: Scene, pick: Pick | null, now: Surroundings): readonly (() => Vec3 | null | undefined)[] {
  const picked = () => scene.selection.point;
  const middle = () => now.selectionCentre?.();
  switch (rule) {
    case 'pointer':
      return [() => pick?.point, picked];
    case 'picked':
      return [picked, middle];
    case 'selection':
      return [middle, picked];
    case 'visible':
      return [() => now.visibleMiddle?.()];
    case 'target':
      return [];
  }
}

/** What an orbit turns about, by the rule of a key that is held, else the scheme's; undefined: the middle of the view. */
export function pivotFor(scheme: Scheme, scene: Scene, pick: Pick | null, now: Surroundings = {}): Vec3 | undefined {
  for (const find of candidates(now.pivot ?? scheme.options.pivot, scene, pick, now)) {
    const point = find();
    if (point && isSteady(scene.view, point)) return point;
  }
  return undefined;
}
