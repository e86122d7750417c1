import { type Binding, keyWords, type LabelledScheme } from '../input';
import type { Command } from '../navigation';

/** What the hand does in a scheme, as the second half of an advice; empty where the scheme has no gesture for it. */

const dragOf = (scheme: LabelledScheme, does: string): Binding | undefined =>
  scheme.bindings.find((b) => b.trigger.kind === 'drag' && b.command.kind === 'move' && b.command.does === does && b.modifiers.length === 0) ??
  scheme.bindings.find((b) => b.trigger.kind === 'drag' && b.command.kind === 'move' && b.command.does === does);

const hasPuck = (scheme: LabelledScheme): boolean => scheme.bindings.some((b) => b.trigger.kind === 'axes');

/** "Shift+", and nothing where no key is held. */
const held = (binding: Binding): string => binding.modifiers.map((m) => `${m[0]?.toUpperCase()}${m.slice(1)}+`).join('');

function dragWords(binding: Binding, way: string): string {
  const button = binding.trigger.kind === 'drag' && binding.trigger.button !== 'left' ? `${binding.trigger.button}-` : '';
  return `${held(binding)}${button}drag ${way}`;
}

/** The key whose command passes the test, with its modifiers. */
function keyFor(scheme: LabelledScheme, test: (command: Command) => boolean): string | null {
  const found = scheme.bindings.find((b) => b.trigger.kind === 'key' && b.command.kind === 'command' && test(b.command.command));
  return found?.trigger.kind === 'key' ? pressed(scheme, found, found.trigger.code) : null;
}

function pressed(scheme: LabelledScheme, binding: Binding, code: string): string {
  return `press ${held(binding)}${keyWords(code, scheme.labels)}`;
}

function keyDoing(scheme: LabelledScheme, kind: Binding['command']['kind'], does: string): string | null {
  const found = scheme.bindings.find((b) => b.trigger.kind === 'key' && b.command.kind === kind && 'does' in b.command && b.command.does === does);
  return found?.trigger.kind === 'key' ? pressed(scheme, found, found.trigger.code) : null;
}

/** The model moves with a puck, the eye the other way. */
const puckMovesCamera = (scheme: LabelledScheme): boolean => scheme.options.puck?.moves === 'camera';

export function roundHand(scheme: LabelledScheme, way: 'left' | 'right'): string | null {
  const drag = dragOf(scheme, 'orbit');
  if (drag) return dragWords(drag, way === 'right' ? 'left' : 'right');
  if (hasPuck(scheme)) return `twist the puck ${(way === 'right') !== puckMovesCamera(scheme) ? 'clockwise' : 'anticlockwise'}`;
  return keyFor(scheme, (c) => c.kind === 'turn' && c.axis === way);
}

export function heightHand(scheme: LabelledScheme, way: 'up' | 'down'): string | null {
  const drag = dragOf(scheme, 'orbit');
  if (drag) return dragWords(drag, way === 'up' ? 'down' : 'up');
  if (hasPuck(scheme)) return `tilt the puck ${(way === 'up') !== puckMovesCamera(scheme) ? 'towards you' : 'away'}`;
  return keyFor(scheme, (c) => c.kind === 'turn' && c.axis === way);
}

/** The key that does something while it is held. */
function heldKey(scheme: LabelledScheme, does: string, way: 1 | -1): string | null {
  const found = scheme.bindings.find(
    (b) => b.context === 'standing' && b.trigger.kind === 'held' && b.command.kind === 'steady' && b.command.does === does && b.command.way === way,
  );
  return found?.trigger.kind === 'held' ? `hold ${keyWords(found.trigger.code, scheme.labels)}` : null;
}

/** Looking about while one stands: the picture follows the hand, so a drag to the right looks to the left, and one down looks up. */
export function lookHand(scheme: LabelledScheme, way: 'left' | 'right' | 'up' | 'down'): string | null {
  const drag = dragOf(scheme, 'look');
  if (drag) return dragWords(drag, flip(way));
  return way === 'left' || way === 'right' ? heldKey(scheme, 'turn', way === 'right' ? 1 : -1) : null;
}
export const walkHand = (scheme: LabelledScheme, forward: boolean): string | null => heldKey(scheme, 'forward', forward ? 1 : -1);
export const sideHand = (scheme: LabelledScheme, right: boolean): string | null => heldKey(scheme, 'slide', right ? 1 : -1);
export const riseHand = (scheme: LabelledScheme, up: boolean): string | null => heldKey(scheme, 'rise', up ? 1 : -1);

export function sizeHand(scheme: LabelledScheme, larger: boolean): string | null {
  if (scheme.bindings.some((b) => b.trigger.kind === 'wheel')) return `turn the wheel ${larger ? 'forward' : 'back'}`;
  if (hasPuck(scheme)) return `${larger !== puckMovesCamera(scheme) ? 'pull the puck towards you' : 'push the puck away'}`;
  return keyFor(scheme, (c) => c.kind === 'zoom' && c.factor > 1 === larger);
}

/** `right`, `up`: how far the model has to go on the screen, frame heights; only the larger way is named when the other is slight. */
export function slideHand(scheme: LabelledScheme, right: number, up: number): string | null {
  const ways: (keyof typeof OTHER)[] = [];
  if (Math.abs(right) > Math.abs(up) / 3) ways.push(right > 0 ? 'right' : 'left');
  if (Math.abs(up) > Math.abs(right) / 3) ways.push(up > 0 ? 'up' : 'down');
  const drag = dragOf(scheme, 'pan');
  if (drag) return dragWords(drag, ways.join(' and '));
  if (hasPuck(scheme))
    return `${ways.map((way) => (way === 'left' || way === 'right' ? `slide the puck ${puckMovesCamera(scheme) ? flip(way) : way}` : (way === 'up') !== puckMovesCamera(scheme) ? 'lift it' : 'press it down')).join(', ')}`;
  return keyFor(scheme, (c) => c.kind === 'pan' && (Math.abs(right) >= Math.abs(up) ? c.dx * right > 0 : c.dy * up < 0));
}

const OTHER = { left: 'right', right: 'left', up: 'down', down: 'up' } as const;
const flip = (way: keyof typeof OTHER): string => OTHER[way];

export const rollHand = (scheme: LabelledScheme, anticlockwise: boolean): string | null =>
  keyFor(scheme, (c) => c.kind === 'roll' && c.angle > 0 === anticlockwise);
export const projectionHand = (scheme: LabelledScheme): string | null => keyDoing(scheme, 'toggle', 'projection');
export const fitHand = (scheme: LabelledScheme): string | null => keyFor(scheme, (c) => c.kind === 'fit' && c.what === 'all');
export const showAllHand = (scheme: LabelledScheme): string | null => keyFor(scheme, (c) => c.kind === 'showAll');
export const homeHand = (scheme: LabelledScheme): string | null => keyFor(scheme, (c) => c.kind === 'home');
export const squareHand = (scheme: LabelledScheme): string | null => keyDoing(scheme, 'atPointer', 'normalTo');
export const cutHand = (scheme: LabelledScheme): string | null => keyDoing(scheme, 'atPointer', 'section');
export const flipHand = (scheme: LabelledScheme): string | null => keyFor(scheme, (c) => c.kind === 'flipSection');
export const shiftHand = (scheme: LabelledScheme, outwards: boolean): string | null =>
  keyFor(scheme, (c) => c.kind === 'shiftSection' && c.metres > 0 === outwards);
export const standardHand = (scheme: LabelledScheme, name: string): string | null => keyFor(scheme, (c) => c.kind === 'standard' && c.name === name);
export const oppositeHand = (scheme: LabelledScheme): string | null => keyFor(scheme, (c) => c.kind === 'opposite');
