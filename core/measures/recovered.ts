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

/** What keeps a subject from being recovered, as far as the view alone tells; null: nothing does. Soon told of one that lies outside. */
export function lostFor(view: View, points: readonly Vec3[]): 'outside' | 'small' | 'rolled' | null {
  const project = projector(view);
  for (const point of points) {
    const { u, v, depth } = project(point);
    if ((view.projection === 'perspective' && depth <= 0) || Math.abs(u) > FRAME_ASPECT / 2 + EDGE || Math.abs(v) > 0.5 + EDGE) return 'outside';
  }
  const box = framingOf(view, points)?.box;
  if (!box) return 'outside';
  if (Math.max((box.u1 - box.u0) / FRAME_ASPECT, box.v1 - box.v0) < LARGE) return 'small';
  return Math.abs(anglesOf(view.orientation).roll) < UPRIGHT ? null : 'rolled';
}

/** Whether enough of a subject is to be seen between what is in front of it. */
export function isUnhidden(mesh: Mesh, scene: Scene, subject: ReadonlySet<number>): boolean {
  const share = hiddenShare(mesh, scene, subject);
  return share !== null && share <= HIDDEN;
}
