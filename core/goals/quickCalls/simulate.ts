import { BEAT, type QuickCall } from '../../criteria';
import { isAllowed } from '../../exercise/commandGroups';
import type { Command } from '../../navigation';
import type { Actor } from '../../simulation/actor';
import type { QuickCalls } from './kind';
import { quickCallsTask } from './task';

const sign = (value: string | number | undefined): number => (typeof value === 'number' ? Math.sign(value) : 0);

/** Makes a called gesture with the device of the scheme. */
function make({ hand, recorder, allowed }: Actor, call: QuickCall): void {
  if (!isAllowed(call.kind, allowed)) return;
  if (call.kind === 'orbit' || call.kind === 'turn') hand.orbit(-0.4 * sign(call.dx), 0.4 * sign(call.dy));
  else if (call.kind === 'pan') hand.slide(0.15 * sign(call.dx), -0.15 * sign(call.dy));
  else if (call.kind === 'zoom') hand.zoom(Number(call.factor) > 1 ? 0.5 : -0.5);
  else if (call.kind === 'roll') hand.roll(0.3 * sign(call.angle));
  else {
    const { projection } = recorder.scene().view;
    hand.react();
    hand.press((call.kind === 'projection' ? { ...call, projection: projection === 'perspective' ? 'orthographic' : 'perspective' } : call) as Command);
  }
}

/** Answers the calls as the task shows them; a clumsy hand now and then makes another gesture. */
export function simulateQuickCalls(actor: Actor, goal: QuickCalls): void {
  const { recorder, random, learner, step } = actor;
  const now = () => ({ t: recorder.time(), scene: recorder.scene() });
  const written = (made: ReturnType<typeof quickCallsTask.next>): typeof made => {
    for (const event of made.events) recorder.event({ ...event, step: step.index });
    return made;
  };
  let asked = quickCallsTask.next(goal, quickCallsTask.begin(goal, step.seed), now());
  const forget = recorder.onCommand((command, gesture) => {
    asked = written(quickCallsTask.next(goal, asked.state, { ...now(), command, gesture }));
  });
  asked = written(quickCallsTask.next(goal, asked.state, { ...now(), confirm: true }));
  // Each call is answered once, or its time runs out: so often, and no more.
  for (let left = 2 * goal.calls.length * goal.rounds; !asked.done && left > 0; left--) {
    const call = goal.calls[asked.state.order[asked.state.place] ?? 0];
    const other = goal.calls[random.below(goal.calls.length)];
    if (!call || !other) break;
    make(actor, random.next() < learner.slips ? other : call);
    recorder.wait(Math.max(BEAT * 1.01, (asked.again ?? 0) - recorder.time() + 0.001));
    asked = written(quickCallsTask.next(goal, asked.state, now()));
  }
  forget();
}
