import type { Command, CommandKind } from '@core/navigation';
import { FRAME, viewWords } from '@core/view';

/** What a fix of the wake is called, by the command that made it. */
const LABELS = {
  orbit: 'orbit',
  turn: 'turn',
  roll: 'roll',
  pan: 'pan',
  zoom: 'zoom',
  dolly: 'move',
  walk: 'walk',
  rise: 'rise',
  look: 'look',
  standard: 'view',
  opposite: 'opposite',
  home: 'home',
  fit: 'fit',
  zoomRegion: 'rectangle',
  normalTo: 'square on',
  lookAt: 'look at',
  centre: 'middle',
  projection: 'projection',
  fieldOfView: 'perspective',
  level: 'level',
  snap: 'nearest',
  reset: 'start',
  back: 'back',
  forward: 'forward',
  cancel: 'taken back',
  section: 'cut',
  shiftSection: 'cut',
  flipSection: 'cut',
  select: 'pick',
  show: 'show',
  isolate: 'isolate',
  showAll: 'show all',
  style: 'style',
} as const satisfies Record<CommandKind, string>;

export const labelOf = (command: Command): string => (command.kind === 'standard' ? viewWords(command.name) : LABELS[command.kind]);

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
