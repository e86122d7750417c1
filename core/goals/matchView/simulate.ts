import { isAllowed } from '../../exercise/commandGroups';
import type { Vec3 } from '../../math';
import { framingOf, signedRoll, sizeRatio } from '../../measures';
import { subjectOf } from '../../model';
import { type Actor, NEAR_ANGLE, turnTo } from '../../simulation/actor';
import { standAs } from '../../simulation/standAs';
import { anglesOf } from '../../view';
import type { MatchView } from './kind';

const meanOf = (points: readonly Vec3[]): Vec3 =>
  [0, 1, 2].map((axis) => points.reduce((sum, p) => sum + (p[axis] as number), 0) / points.length) as unknown as Vec3;

/** From here on, octaves, one first brings the thing itself to the middle: else the eye would go past it. */
const FAR_ZOOM = 3;

/** Goes where the target was recorded: the direction first, then size and place. */
export function simulateMatchView(actor: Actor, goal: MatchView): void {
  const { recorder, hand, learner, model, random } = actor;
  const target = goal.target.view;
  const points = subjectOf(model.mesh, goal.subject);
  if (actor.step.skill === 'stand' && isAllowed('walk', actor.allowed)) {
    standAs(actor, target);
    return;
  }
  if (!framingOf(recorder.scene().view, points) && isAllowed('home', actor.allowed)) hand.press({ kind: 'home' });
  const wanted = anglesOf(target.orientation);
  if (recorder.scene().view.projection !== target.projection && actor.random.next() > learner.slips)
    hand.press({ kind: 'projection', projection: target.projection });
  for (const state of ['hidden', 'glass'] as const) {
    const parts = Object.keys(goal.target.visibility).filter((id) => goal.target.visibility[id] === state && recorder.scene().visibility[id] !== state);
    if (parts.length > 0 && random.next() > learner.slips) {
      hand.press({ kind: 'select', parts });
      hand.press({ kind: 'show', parts, state });
    }
  }
  turnTo(actor, wanted.azimuth, wanted.elevation, learner.corrections);
  const roll = signedRoll(recorder.scene().view.orientation, target.orientation);
  if (Math.abs(roll) > NEAR_ANGLE) hand.roll(-roll);
  for (let i = 0; i <= learner.corrections; i++) {
    const asked = framingOf(target, points);
    const ratio = sizeRatio(framingOf(recorder.scene().view, points), asked);
    if (ratio !== null && Math.abs(ratio) > FAR_ZOOM) hand.press({ kind: 'centre', point: meanOf(points) });
    if (ratio !== null && Math.abs(ratio) > 0.05) hand.zoom(-ratio);
    const now = framingOf(recorder.scene().view, points);
    if (!now || !asked) return;
    if (Math.abs(asked.u - now.u) + Math.abs(asked.v - now.v) > 0.02) hand.slide(asked.u - now.u, asked.v - now.v);
    else return;
  }
}
