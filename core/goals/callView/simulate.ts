import type { Call } from '../../criteria';
import { isAllowed } from '../../exercise/commandGroups';
import { exact, unit, type Vec3 } from '../../math';
import { type Actor, turnTo } from '../../simulation/actor';
import { anglesOf, STANDARD_NAMES, standardAngles } from '../../view';
import type { CallView } from './kind';
import { callViewTask } from './task';

/** Goes to a called view by its key where there is one, else round by hand. */
function goTo(actor: Actor, call: Call): void {
  const { recorder, hand, learner, random } = actor;
  const byKey = isAllowed('standard', actor.allowed);
  if (call.kind === 'standard') {
    if (random.next() < learner.slips) {
      const wrong = STANDARD_NAMES[random.below(6)] ?? 'front';
      if (byKey) hand.press({ kind: 'standard', name: wrong });
      else turnTo(actor, standardAngles(wrong).azimuth, standardAngles(wrong).elevation, 0);
      recorder.wait(0.8);
    }
    if (byKey) hand.press({ kind: 'standard', name: call.name });
    else turnTo(actor, standardAngles(call.name).azimuth, standardAngles(call.name).elevation, learner.corrections);
  } else if (call.kind === 'opposite') {
    const now = anglesOf(recorder.scene().view.orientation);
    if (byKey) hand.press({ kind: 'opposite' });
    else turnTo(actor, now.azimuth + Math.PI, now.elevation, learner.corrections);
  } else {
    const n = unit(call.normal) as Vec3;
    turnTo(actor, exact.atan2(n[0], -n[1]), exact.asin(n[2]), learner.corrections);
    if (isAllowed('normalTo', actor.allowed) && random.next() > learner.slips) hand.press({ kind: 'normalTo', point: call.point, normal: n });
  }
}

/** Answers the calls as the task asks them. */
export function simulateCallView(actor: Actor, goal: CallView): void {
  const { recorder, hand, random, step } = actor;
  const now = () => ({ t: recorder.time(), scene: recorder.scene() });
  const written = (made: ReturnType<typeof callViewTask.next>): typeof made => {
    for (const event of made.events) recorder.event({ ...event, step: step.index });
    return made;
  };
  let asked = written(callViewTask.next(goal, callViewTask.begin(goal, step.seed), now()));
  const forget = recorder.onCommand((command) => {
    asked = written(callViewTask.next(goal, asked.state, { ...now(), command }));
  });
  while (!asked.done) {
    const call = goal.calls[asked.state.order[asked.state.place] ?? 0];
    if (!call) break;
    hand.react();
    goTo(actor, call);
    recorder.wait(0.7 + 0.3 * random.next());
    asked = written(callViewTask.next(goal, asked.state, { ...now(), confirm: true }));
  }
  forget();
}
