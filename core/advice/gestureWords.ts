import { type Action, type Binding, keyWords, type LabelledScheme, wordsOfAction } from '../input';
import type { Command } from '../navigation';

/** What the hand does in a scheme, as the second half of an advice; null where the scheme has no gesture for it. */

export type Way = 'left' | 'right' | 'up' | 'down';
type Does = Extract<Action, { kind: 'move' }>['does'];

const OTHER = { left: 'right', right: 'left', up: 'down', down: 'up' } as const;
const across = (way: Way): boolean => way === 'left' || way === 'right';

/** The way that a hand goes where the binding turns ways about. */
const asBound = ({ invert }: Binding, way: Way): Way => (invert === true || invert === (across(way) ? 'across' : 'upDown') ? OTHER[way] : way);

/** "Shift+", and nothing where no key is held. */
const held = ({ modifiers }: Pick<Binding, 'modifiers'>): string => modifiers.map((m) => `${m[0]?.toUpperCase()}${m.slice(1)}+`).join('');

const FINGERS = { 1: 'one finger', 2: 'two fingers', 3: 'three fingers' } as const;

/** The continuous gesture of a kind that does something, the one without held keys first. */
function moving(scheme: LabelledScheme, kind: Binding['trigger']['kind'], does: Does): Binding | undefined {
  const found = scheme.bindings.filter((b) => b.trigger.kind === kind && b.command.kind === 'move' && b.command.does === does);
  return found.find((b) => b.modifiers.length === 0) ?? found[0];
}

/** A drag with button or barrel, without its way. */
function dragVerb(scheme: LabelledScheme, binding: Binding): string {
  const button = binding.trigger.kind === 'drag' ? binding.trigger.button : 'left';
  if (scheme.device === 'pen') return `${button === 'left' ? 'with the tip' : 'with the barrel button'} ${held(binding)}drag`;
  return `${held(binding)}${button === 'left' ? '' : `${button}-`}drag`;
}

const touchVerb = (binding: Binding): string => `with ${FINGERS[binding.trigger.kind === 'touch' ? binding.trigger.fingers : 1]} drag`;

/** A gesture that goes where the model should go on the screen. */
function draggedHand(scheme: LabelledScheme, does: 'orbit' | 'pan' | 'look', ways: readonly Way[]): string | null {
  const going = (binding: Binding, verb: string): string => `${verb} ${ways.map((way) => asBound(binding, way)).join(' and ')}`;
  const scroll = moving(scheme, 'scroll', does);
  if (scroll) return going(scroll, `${held(scroll)}slide two fingers`);
  const drag = moving(scheme, 'drag', does);
  if (drag) return going(drag, dragVerb(scheme, drag));
  const touch = (does === 'pan' ? moving(scheme, 'touch', 'fingers') : undefined) ?? moving(scheme, 'touch', does);
  return touch ? going(touch, touchVerb(touch)) : null;
}

/** Keys first; where there are none, the near hand's row of words. */
function actionHand(scheme: LabelledScheme, test: (action: Action) => boolean): string | null {
  const found = scheme.bindings.find((b) => b.trigger.kind === 'key' && test(b.command));
  if (found?.trigger.kind === 'key') return `press ${held(found)}${keyWords(found.trigger.code, scheme.labels)}`;
  const button = scheme.bindings.find((b) => b.trigger.kind === 'puckButton' && test(b.command));
  if (button?.trigger.kind === 'puckButton') return `press puck button ${button.trigger.button}`;
  const { nearHand } = scheme.options;
  const word = nearHand?.words.find(test);
  if (!nearHand || !word) return null;
  const opened = scheme.device === 'touch' || scheme.device === 'pen' ? 'press long' : `hold ${keyWords(nearHand.code, scheme.labels)}`;
  return `${opened} and choose "${wordsOfAction(word)}"`;
}
const keyFor = (scheme: LabelledScheme, test: (command: Command) => boolean): string | null =>
  actionHand(scheme, (action) => action.kind === 'command' && test(action.command));
/** The keys of some commands, one after the other; null where one of them has none. */
export function keysHand(scheme: LabelledScheme, kinds: readonly Command['kind'][]): string | null {
  const keys = kinds.filter((kind) => kind !== 'select').map((kind) => keyFor(scheme, (command) => command.kind === kind));
  return keys.length === 0 || keys.includes(null) ? null : keys.map((key, i) => (i === 0 ? key : key?.replace(/^press /, ''))).join(', then ');
}
const doing = (scheme: LabelledScheme, kind: Action['kind'], does: string): string | null =>
  actionHand(scheme, (action) => action.kind === kind && 'does' in action && action.does === does);

/** Places of the strokes in a puck's gains. */
const AXIS = { slide: 0, push: 1, lift: 2, tilt: 3, lean: 4, twist: 5 } as const;

/**
 * What the cap does for a stroke that takes the model one way: `forward` its words where the stroke counts as it is, `back`
 * the other way. The puck may move the camera instead, and each axis may be turned about; null without a puck or with an
 * axis that counts nothing.
 */
function puckHand(scheme: LabelledScheme, axis: keyof typeof AXIS, forward: string, back: string): string | null {
  if (!scheme.bindings.some((b) => b.trigger.kind === 'axes')) return null;
  const { puck } = scheme.options;
  const gain = (puck?.gains[AXIS[axis]] ?? 1) * (puck?.moves === 'camera' ? -1 : 1);
  return gain === 0 ? null : gain > 0 ? forward : back;
}

export function roundHand(scheme: LabelledScheme, way: 'left' | 'right'): string | null {
  const twist = (clockwise: boolean): string => `twist the puck ${clockwise ? 'clockwise' : 'anticlockwise'}`;
  return (
    draggedHand(scheme, 'orbit', [OTHER[way]]) ??
    puckHand(scheme, 'twist', twist(way === 'right'), twist(way === 'left')) ??
    keyFor(scheme, (c) => c.kind === 'turn' && c.axis === way)
  );
}

export function heightHand(scheme: LabelledScheme, way: 'up' | 'down'): string | null {
  const tilt = (nearer: boolean): string => `tilt the puck ${nearer ? 'towards you' : 'away'}`;
  return (
    draggedHand(scheme, 'orbit', [OTHER[way]]) ??
    puckHand(scheme, 'tilt', tilt(way === 'up'), tilt(way === 'down')) ??
    keyFor(scheme, (c) => c.kind === 'turn' && c.axis === way)
  );
}

/** The key that does something while it is held. */
function heldKey(scheme: LabelledScheme, does: string, way: 1 | -1): string | null {
  const found = scheme.bindings.find(
    (b) => b.context === 'standing' && b.trigger.kind === 'held' && b.command.kind === 'steady' && b.command.does === does && b.command.way === way,
  );
  return found?.trigger.kind === 'held' ? `hold ${keyWords(found.trigger.code, scheme.labels)}` : null;
}

/** Looking about while one stands: the picture follows the hand, so a drag to the right looks to the left, and one down looks up. */
export const lookHand = (scheme: LabelledScheme, way: Way): string | null =>
  draggedHand(scheme, 'look', [OTHER[way]]) ?? (across(way) ? heldKey(scheme, 'turn', way === 'right' ? 1 : -1) : null);
export const walkHand = (scheme: LabelledScheme, forward: boolean): string | null => heldKey(scheme, 'forward', forward ? 1 : -1);
export const sideHand = (scheme: LabelledScheme, right: boolean): string | null => heldKey(scheme, 'slide', right ? 1 : -1);
export const riseHand = (scheme: LabelledScheme, up: boolean): string | null => heldKey(scheme, 'rise', up ? 1 : -1);
/** Stepping inside to stand there. */
export const standHand = (scheme: LabelledScheme): string | null => doing(scheme, 'aid', 'standing');

export function sizeHand(scheme: LabelledScheme, larger: boolean): string | null {
  const wheel = moving(scheme, 'wheel', 'zoom');
  if (wheel) return `${held(wheel)}turn the wheel ${larger !== Boolean(wheel.invert) ? 'forward' : 'back'}`;
  const spread = larger ? 'spread two fingers' : 'bring two fingers together';
  if (moving(scheme, 'pinch', 'zoom')) return spread;
  const drag = moving(scheme, 'drag', 'zoom');
  if (drag) {
    const [more, less] = scheme.options.zoomAxis === 'horizontal' ? (['right', 'left'] as const) : (['up', 'down'] as const);
    return `${dragVerb(scheme, drag)} ${asBound(drag, larger ? more : less)}`;
  }
  if (moving(scheme, 'touch', 'fingers')) return spread;
  const [nearer, away] = ['pull the puck towards you', 'push the puck away'];
  return puckHand(scheme, 'push', larger ? nearer : away, larger ? away : nearer) ?? keyFor(scheme, (c) => c.kind === 'zoom' && c.factor > 1 === larger);
}

/** `right`, `up`: how far the model has to go on the screen, frame heights; only the larger way is named when the other is slight. */
export function slideHand(scheme: LabelledScheme, right: number, up: number): string | null {
  const ways: Way[] = [];
  if (Math.abs(right) > Math.abs(up) / 3) ways.push(right > 0 ? 'right' : 'left');
  if (Math.abs(up) > Math.abs(right) / 3) ways.push(up > 0 ? 'up' : 'down');
  const dragged = draggedHand(scheme, 'pan', ways);
  if (dragged) return dragged;
  const stroke = (way: Way): string => (across(way) ? `slide the puck ${way}` : way === 'up' ? 'lift the puck' : 'press the puck down');
  const strokes = ways.flatMap((way) => puckHand(scheme, across(way) ? 'slide' : 'lift', stroke(way), stroke(OTHER[way])) ?? []);
  if (strokes.length > 0) return strokes.join(', ');
  const key = (way: Way): string | null =>
    keyFor(scheme, (c) => c.kind === 'pan' && (across(way) ? c.dx * (way === 'right' ? 1 : -1) > 0 : c.dy * (way === 'up' ? -1 : 1) > 0));
  return key(ways.length > 1 && Math.abs(up) > Math.abs(right) ? (ways[1] as Way) : (ways[0] as Way));
}

/** The camera rolled: the picture turns the other way, and fingers and drags go with the picture. */
export function rollHand(scheme: LabelledScheme, anticlockwise: boolean): string | null {
  const key = keyFor(scheme, (c) => c.kind === 'roll' && c.angle > 0 === anticlockwise);
  if (key) return key;
  const turn = (clockwise: boolean): string => (clockwise ? 'clockwise' : 'anticlockwise');
  const drag = moving(scheme, 'drag', 'roll');
  if (drag) return `${dragVerb(scheme, drag)} ${turn(anticlockwise !== Boolean(drag.invert))} round the middle`;
  if (moving(scheme, 'touch', 'fingers')) return `turn two fingers ${turn(anticlockwise)}`;
  const lean = (right: boolean): string => `lean the puck ${right ? 'right' : 'left'}`;
  return puckHand(scheme, 'lean', lean(anticlockwise), lean(!anticlockwise));
}

export const projectionHand = (scheme: LabelledScheme): string | null => doing(scheme, 'toggle', 'projection');
/** Keys keep the field of view as a factor: above 1 it gets wider. */
export const lensHand = (scheme: LabelledScheme, stronger: boolean): string | null =>
  keyFor(scheme, (c) => c.kind === 'fieldOfView' && c.angle > 1 === stronger);
export const fitHand = (scheme: LabelledScheme): string | null => keyFor(scheme, (c) => c.kind === 'fit' && c.what === 'all');
export const showAllHand = (scheme: LabelledScheme): string | null => keyFor(scheme, (c) => c.kind === 'showAll');
export const homeHand = (scheme: LabelledScheme): string | null => keyFor(scheme, (c) => c.kind === 'home');
export const squareHand = (scheme: LabelledScheme): string | null => doing(scheme, 'atPointer', 'normalTo');
export const cutHand = (scheme: LabelledScheme): string | null => doing(scheme, 'atPointer', 'section');
export const flipHand = (scheme: LabelledScheme): string | null => keyFor(scheme, (c) => c.kind === 'flipSection');
export const shiftHand = (scheme: LabelledScheme, outwards: boolean): string | null =>
  keyFor(scheme, (c) => c.kind === 'shiftSection' && c.metres > 0 === outwards);
export const standardHand = (scheme: LabelledScheme, name: string): string | null => keyFor(scheme, (c) => c.kind === 'standard' && c.name === name);
export const oppositeHand = (scheme: LabelledScheme): string | null => keyFor(scheme, (c) => c.kind === 'opposite');
