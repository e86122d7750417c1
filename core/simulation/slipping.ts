import { type Binding, commandKindsOf, exampleGesture, type Scheme } from '../input';
import { randomFrom } from '../math';
import { slipOf } from '../progress';
import type { Trace, TraceEvent } from '../trace/traceSchema';

/** Keys and other devices are not confused as easily as what a mouse does. */
const byMouse = ({ trigger }: Binding): boolean => trigger.kind === 'drag' || trigger.kind === 'wheel';

/** The same attempt by someone who comes from another scheme: with a chance of `rate` a movement is first tried as it was done there. */
export function slipping(trace: Trace, earlier: Scheme, present: Scheme, rate: number, seed: number): Trace {
  const random = randomFrom(seed);
  const slips: TraceEvent[] = [];
  let last: number | undefined;
  for (const { t, command, gesture } of trace.moves) {
    if (gesture?.id === last) continue;
    last = gesture?.id;
    const habit = earlier.bindings.find((binding) => commandKindsOf(binding)[0] === command.kind && byMouse(binding));
    if (!habit || random.next() >= rate) continue;
    const slip = slipOf(earlier, present, exampleGesture(habit), [command.kind]);
    const step = trace.events.filter((event) => event.kind === 'stepDone' && event.t <= t).length;
    if (slip) slips.push({ t, kind: 'slip', step, gesture: slip.gesture, wanted: slip.wanted });
  }
  const begun = trace.events.filter((event) => event.kind === 'begin');
  const rest = trace.events.filter((event) => event.kind !== 'begin');
  return { ...trace, events: [...begun, ...[...rest, ...slips].sort((a, b) => a.t - b.t)] };
}
