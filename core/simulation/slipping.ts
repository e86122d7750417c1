import { type Binding, type Gesture, kindsGiven, type Scheme } from '../input';
import { randomFrom } from '../math';
import { slipOf } from '../progress';
import type { Trace, TraceEvent } from '../trace/traceSchema';

const HERE = { u: 0, v: 0 };

/** The gesture of a pointer that a binding waits for; null for keys and other devices, which are not confused as easily. */
function gestureOf({ trigger, modifiers }: Binding): Gesture | null {
  if (trigger.kind === 'drag') return { kind: 'drag', button: trigger.button, modifiers, from: HERE, last: HERE, to: HERE, done: true };
  return trigger.kind === 'wheel' ? { kind: 'wheel', modifiers, notches: 1, at: HERE } : null;
}

/** The same attempt by someone who comes from another scheme: with a chance of `rate` a movement is first tried as it was done there. */
export function slipping(trace: Trace, earlier: Scheme, present: Scheme, rate: number, seed: number): Trace {
  const random = randomFrom(seed);
  const slips: TraceEvent[] = [];
  let last: number | undefined;
  for (const { t, command, gesture } of trace.moves) {
    if (gesture?.id === last) continue;
    last = gesture?.id;
    const habit = earlier.bindings.find((binding) => kindsGiven(binding)[0] === command.kind && gestureOf(binding));
    const made = habit && gestureOf(habit);
    if (!made || random.next() >= rate) continue;
    const slip = slipOf(earlier, present, made, [command.kind]);
    const step = trace.events.filter((event) => event.kind === 'stepDone' && event.t <= t).length;
    if (slip) slips.push({ t, kind: 'slip', step, gesture: slip.gesture, wanted: slip.wanted });
  }
  const begun = trace.events.filter((event) => event.kind === 'begin');
  const rest = trace.events.filter((event) => event.kind !== 'begin');
  return { ...trace, events: [...begun, ...[...rest, ...slips].sort((a, b) => a.t - b.t)] };
}
