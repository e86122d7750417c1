import { backOf, unit, type Vec3 } from '../../math';
import { extentAlong } from '../../measures';
import { subjectOf } from '../../model';
import type { Actor } from '../../simulation/actor';
import type { CutToReveal } from './kind';

/** Places a cut, turns it over if it is the wrong way round, and moves it. */
export function simulateCutToReveal(actor: Actor, goal: CutToReveal): void {
  const { hand, learner, random, model, recorder } = actor;
  hand.orbit(0.5, 0.1);
  if (!goal.plane) {
    const wanted = goal.reveal[0] ? subjectOf(model.mesh, [goal.reveal[0]]) : [];
    const back = unit([...backOf(recorder.scene().view.orientation).slice(0, 2), 0] as unknown as Vec3) ?? [0, -1, 0];
    const near = wanted.reduce((most, p) => Math.max(most, p[0] * back[0] + p[1] * back[1]), Number.NEGATIVE_INFINITY);
    hand.press({ kind: 'section', plane: { normal: back, offset: Number.isFinite(near) ? near + learner.noise * random.normal() * 0.1 : 0 } });
    return;
  }
  const { normal, offset } = goal.plane;
  const extent = extentAlong(model.mesh, normal);
  const flipped = random.next() < learner.slips;
  const start = offset + extent * 0.2 * random.normal();
  hand.press({ kind: 'section', plane: flipped ? { normal: [-normal[0], -normal[1], -normal[2]], offset: -start } : { normal, offset: start } });
  if (flipped && random.next() > learner.slips) hand.press({ kind: 'flipSection' });
  for (let i = 0; i < learner.corrections; i++) {
    const plane = recorder.scene().section;
    if (!plane) return;
    const same = plane.normal[0] * normal[0] + plane.normal[1] * normal[1] + plane.normal[2] * normal[2] > 0;
    const left = same ? offset - plane.offset : -offset - plane.offset;
    if (Math.abs(left) < extent * 0.01) return;
    hand.react();
    recorder.grasp();
    recorder.command({ kind: 'shiftSection', metres: hand.missed(left) });
    recorder.release();
  }
}
