import type { Command, CommandKind } from '../navigation';
import { type LabelledScheme, triggerWords } from './bindings';
import { commandKindsOf } from './commandKindsOf';

/** Where a scheme has no gesture for a kind of command, one for its like will do. */
const LIKE: Partial<Record<CommandKind, readonly CommandKind[]>> = { turn: ['orbit'], orbit: ['turn'], zoom: ['dolly'], dolly: ['zoom'] };

/** Which way a command goes: keys are bound to one way each. */
function wayOf(command: Command): string {
  switch (command.kind) {
    case 'orbit':
      // The hand drags the model: to the right, and the eye goes left; down, and it goes higher.
      if (Math.abs(command.dx) >= Math.abs(command.dy)) return command.dx > 0 ? 'left' : 'right';
      return command.dy > 0 ? 'up' : 'down';
    case 'turn':
      return command.axis;
    case 'zoom':
      return command.factor > 1 ? 'closer' : 'farther';
    case 'dolly':
      return command.metres > 0 ? 'closer' : 'farther';
    case 'pan':
      if (Math.abs(command.dx) >= Math.abs(command.dy)) return command.dx > 0 ? 'right' : 'left';
      return command.dy > 0 ? 'down' : 'up';
    case 'roll':
      return command.angle > 0 ? 'anticlockwise' : 'clockwise';
    case 'standard':
      return command.name;
    case 'fit':
      return command.what;
    default:
      return '';
  }
}

/** The gesture with which a scheme does just this, or the like of it, in words: "left drag", "1". Null: it has none. */
export function handFor(scheme: LabelledScheme, command: Command): string | null {
  const stage = scheme.bindings.filter(({ context }) => context === 'stage');
  const kinds = [command.kind, ...(LIKE[command.kind] ?? [])];
  const way = wayOf(command);
  const byKey = (kind: CommandKind) => stage.find(({ command: made }) => made.kind === 'command' && made.command.kind === kind && wayOf(made.command) === way);
  const byMoving = (kind: CommandKind) => stage.find((b) => b.command.kind !== 'command' && commandKindsOf(b).includes(kind));
  // What a hand does by moving is told so where it can be; a view, a fit or a turn by its own key.
  for (const find of command.kind === 'standard' || command.kind === 'fit' || command.kind === 'turn' ? [byKey, byMoving] : [byMoving, byKey])
    for (const kind of kinds) {
      const found = find(kind);
      if (found) return triggerWords(found, scheme.labels);
    }
  return null;
}
