import { isAllowed } from '../../exercise/commandGroups';
import { exact } from '../../math';
import { askedBox, fillOf, framingOf } from '../../measures';
import { subjectOf } from '../../model';
import type { Actor } from '../../simulation/actor';
import type { FrameIt } from './kind';

/** Fits the subject where that is allowed, then sizes and slides it. */
export function simulateFrameIt(actor: Actor, goal: FrameIt): void {
  const { recorder, hand, learner, model } = actor;
  const points = subjectOf(model.mesh, goal.subject);
  if (goal.subject.length > 0 && isAllowed('fit', actor.allowed) && actor.random.next() > learner.slips) {
    hand.press({ kind: 'select', parts: [...goal.subject] });
    hand.press({ kind: 'fit', what: 'selection' });
  }
  for (let i = 0; i <= learner.corrections; i++) {
    const now = framingOf(recorder.scene().view, points);
    if (!now) {
      hand.press({ kind: 'home' });
      continue;
    }
    const fill = fillOf(now, goal.margins);
    if (Math.abs(fill - 1) > 0.03) hand.zoom(-exact.log2(fill));
    const then = framingOf(recorder.scene().view, points);
    if (!then) continue;
    const asked = askedBox(then, goal.margins);
    const right = (asked.u0 + asked.u1 - then.box.u0 - then.box.u1) / 2;
    const up = (asked.v0 + asked.v1 - then.box.v0 - then.box.v1) / 2;
    if (Math.abs(right) + Math.abs(up) < 0.02) return;
    hand.slide(right, up);
  }
}
