import type { Command } from '@core/navigation';

/** What the dial asks for, for one who stands: the eye stays where it is and looks about instead of going round. */
export function standingCommand(command: Command): Command {
  if (command.kind !== 'turn') return command;
  const angle = command.axis === 'right' || command.axis === 'down' ? command.angle : -command.angle;
  return command.axis === 'left' || command.axis === 'right' ? { kind: 'look', yaw: angle, pitch: 0 } : { kind: 'look', yaw: 0, pitch: angle };
}
