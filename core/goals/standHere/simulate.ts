import type { Actor } from '../../simulation/actor';
import { standAs } from '../../simulation/standAs';
import { viewFrom } from './aim';
import type { StandHere } from './kind';

/** Levels the head, walks to the place, rises or sinks, and looks about. */
export function simulateStandHere(actor: Actor, goal: StandHere): void {
  actor.hand.press({ kind: 'level' });
  standAs(actor, viewFrom(goal));
}
