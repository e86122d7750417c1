import type { GoalOf, RedactedOf } from '@core/goals';
import { backOf } from '@core/math';
import { FRAME_ASPECT, project } from '@core/view';
import { FRAME_VIEW_BOX } from '@web/ui/frameUnits';
import type { OverlayProps } from '../goalParts';

/** The mark is a ring this wide on the floor, metres. */
const RING = 0.3;
const POINTS = 32;
/** Where the floor is not known the eye is taken to be this high over it, metres. */
const EYE = 1.6;
/** Points nearer to the eye than this are not drawn, metres. */
const NEAR = 0.05;

/** Where to stand: a ring on the floor, with the way to look; drawn where it may be known. */
export function StandHereOverlay({ goal, view, floorAt }: OverlayProps<RedactedOf<'standHere'>>) {
  if (!('eye' in goal)) return null;
  const { eye, orientation } = goal as GoalOf<'standHere'>;
  const floor = floorAt?.(eye) ?? eye[2] - EYE;
  const back = backOf(orientation);
  const flat = Math.hypot(back[0], back[1]) || 1;
  const place = (x: number, y: number) => project(view, [eye[0] + x, eye[1] + y, floor], FRAME_ASPECT);
  const ring = Array.from({ length: POINTS + 1 }, (_, i) => place(RING * Math.cos((2 * Math.PI * i) / POINTS), RING * Math.sin((2 * Math.PI * i) / POINTS)));
  const tip = place((-back[0] / flat) * RING * 2, (-back[1] / flat) * RING * 2);
  const all = [...ring, place(0, 0), tip];
  // Whoever stands on the mark, or has it behind them, does not see it.
  if (all.some(({ depth }) => depth < NEAR && view.projection === 'perspective')) return null;
  const path = (points: readonly { u: number; v: number }[]): string =>
    points.map(({ u, v }, i) => `${i ? 'L' : 'M'}${u.toFixed(4)} ${(-v).toFixed(4)}`).join('');
  const marks = `${path(ring)}${path([place(0, 0), tip])}`;
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" viewBox={FRAME_VIEW_BOX} role="img" aria-label="Where to stand: a mark on the floor">
      <path d={marks} fill="none" stroke="var(--color-paper)" strokeWidth="0.014" />
      <path d={marks} fill="none" stroke="var(--color-amber)" strokeWidth="0.007" />
    </svg>
  );
}
