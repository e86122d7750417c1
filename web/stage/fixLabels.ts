import { KIND_WORDS } from '@core/input';
import type { Command } from '@core/navigation';
import { FRAME, viewWords } from '@core/view';

/** What a fix of the wake is called, by the command that made it. */
export const labelOf = (command: Command): string => (command.kind === 'standard' ? viewWords(command.name) : KIND_WORDS[command.kind]);

/** How much of a change to the eye a small movement is, so that those of one gesture can be weighed against each other. */
function sizeOf(command: Command): number {
  switch (command.kind) {
    case 'pan':
    case 'orbit':
      return Math.hypot(command.dx, command.dy) / FRAME.height;
    case 'zoom':
      return Math.abs(Math.log2(command.factor)) / 2;
    case 'roll':
      return Math.abs(command.angle) / Math.PI;
    default:
      return Number.POSITIVE_INFINITY;
  }
}

/** Names gestures by what they did most: two fingers that slide also spread a little. */
export function createGestureNames(): (gesture: number | undefined, command: Command) => string {
  let present: number | undefined;
  const done = new Map<string, number>();
  return (gesture, command) => {
    if (gesture === undefined || gesture !== present) done.clear();
    present = gesture;
    const label = labelOf(command);
    done.set(label, (done.get(label) ?? 0) + sizeOf(command));
    // Of equal ones the last.
    let most = label;
    for (const [each, size] of done) if (size > (done.get(most) ?? 0)) most = each;
    return most;
  };
}
