import type { Mesh } from '../geometry';
import type { Vec3 } from '../math';
import type { Scene } from '../navigation';
import { anglesOf, FRAME_ASPECT, projector, type View } from '../view';
import { framingOf } from './framing';
import { hiddenShare } from './pictures';

/** A recovered subject's larger side is at least this share of the frame's. */
const LARGE = 0.25;
/** A recovered view is rolled by less than this, radians. */
const UPRIGHT = Math.PI / 6;
/** At most this share of a recovered subject's pixels is hidden. */
const HIDDEN = 0.75;
/** A point on the frame's edge is inside. */
const EDGE = 1e-9;

/** What keeps a subject from being recovered, as far as the view alone tells; null: nothing does. */
export function lostFor(view: View, points: readonly Vec3[]): 'outside' | 'small' | 'rolled' | null {
  const framing = framingOf(view, points);
  if (!framing) return 'outside';
  const { u0, u1, v0, v1 } = framing.box;
  if (u0 < -FRAME_ASPECT / 2 - EDGE || u1 > FRAME_ASPECT / 2 + EDGE || v0 < -0.5 - EDGE || v1 > 0.5 + EDGE) return 'outside';
  if (Math.max((u1 - u0) / FRAME_ASPECT, v1 - v0) < LARGE) return 'small';
  return Math.abs(anglesOf(view.orientation).roll) < UPRIGHT ? null : 'rolled';
}

/** Whether nothing of the view alone keeps a subject from being recovered: as `lostFor`, and soon told of most lost views. */
export function lies(view: View, points: readonly Vec3[]): boolean {
  if (Math.abs(anglesOf(view.orientation).roll) >= UPRIGHT) return false;
  const project = projector(view);
  for (const point of points) {
    const { u, v, depth } = project(point);
    if ((view.projection === 'perspective' && depth <= 0) || Math.abs(u) > FRAME_ASPECT / 2 + EDGE || Math.abs(v) > 0.5 + EDGE) return false;
  }
  return lostFor(view, points) === null;
}

/** Whether enough of a subject is to be seen between what is in front of it. */
export function isUnhidden(mesh: Mesh, scene: Scene, subject: ReadonlySet<number>): boolean {
  const share = hiddenShare(mesh, scene, subject);
  return share !== null && share <= HIDDEN;
}
