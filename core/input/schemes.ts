import type { Command } from '../navigation';
import type { StandardName } from '../view/standardNames';
import { USUAL_PUCK } from './axes';
import type { Action, Aid, Binding, Modifier, Scheme, Trigger } from './schemeSchema';

const STEP = Math.PI / 12;

const bind = (trigger: Trigger, command: Action, modifiers: Modifier[] = []): Binding => ({ context: 'stage', trigger, modifiers, command });
const key = (code: string, command: Command, ...modifiers: Modifier[]): Binding => bind({ kind: 'key', code }, { kind: 'command', command }, modifiers);
const keyDoes = (code: string, command: Action, ...modifiers: Modifier[]): Binding => bind({ kind: 'key', code }, command, modifiers);
type Dragged = Exclude<Extract<Action, { kind: 'move' }>['does'], 'sixAxes'>;
const drag = (button: 'left' | 'middle' | 'right', does: Dragged, ...modifiers: Modifier[]): Binding =>
  bind({ kind: 'drag', button }, { kind: 'move', does }, modifiers);
const aid = (code: string, does: Aid, ...modifiers: Modifier[]): Binding => keyDoes(code, { kind: 'aid', does }, ...modifiers);
const hold = (code: string, does: Extract<Action, { kind: 'steady' }>['does'], way: 1 | -1): Binding =>
  bind({ kind: 'held', code }, { kind: 'steady', does, way });
const standing = (binding: Binding): Binding => ({ ...binding, context: 'standing' });
const look = (code: string, name: StandardName, ...modifiers: Modifier[]): Binding => key(code, { kind: 'standard', name }, ...modifiers);

/** Keys that every scheme has: the digits go once round the dial, then over and under it. */
const SHARED_KEYS: readonly Binding[] = [
  // Lengths of dolly, rise, walk and the cut are shares of the frame's height at the target; the field of view is a factor.
  look('Digit1', 'front'),
  look('Digit2', 'right'),
  look('Digit3', 'rear'),
  look('Digit4', 'left'),
  look('Digit5', 'top'),
  look('Digit6', 'bottom'),
  look('Digit7', 'top-front-right'),
  look('Digit8', 'top-front-left'),
  look('Digit9', 'top-rear-right'),
  look('Digit0', 'top-rear-left'),
  key('KeyO', { kind: 'opposite' }),
  key('KeyN', { kind: 'snap' }),
  key('KeyL', { kind: 'level' }),
  key('KeyL', { kind: 'level', verticals: true }, 'shift'),
  key('KeyE', { kind: 'fit', what: 'all' }),
  key('KeyS', { kind: 'fit', what: 'selection' }),
  key('Home', { kind: 'home' }),
  key('Backspace', { kind: 'back' }),
  key('Backspace', { kind: 'forward' }, 'shift'),
  key('ArrowLeft', { kind: 'turn', axis: 'left', angle: STEP }),
  key('ArrowRight', { kind: 'turn', axis: 'right', angle: STEP }),
  key('ArrowUp', { kind: 'turn', axis: 'up', angle: STEP }),
  key('ArrowDown', { kind: 'turn', axis: 'down', angle: STEP }),
  key('Comma', { kind: 'roll', angle: STEP }),
  key('Period', { kind: 'roll', angle: -STEP }),
  key('Equal', { kind: 'zoom', factor: 1.25 }),
  key('Minus', { kind: 'zoom', factor: 0.8 }),
  keyDoes('KeyC', { kind: 'atPointer', does: 'centre' }),
  keyDoes('KeyV', { kind: 'atPointer', does: 'lookAt' }),
  keyDoes('KeyQ', { kind: 'atPointer', does: 'normalTo' }),
  keyDoes('KeyK', { kind: 'atPointer', does: 'section' }),
  key('KeyK', { kind: 'section', plane: null }, 'shift'),
  key('KeyJ', { kind: 'flipSection' }),
  key('BracketLeft', { kind: 'shiftSection', metres: -0.02 }),
  key('BracketRight', { kind: 'shiftSection', metres: 0.02 }),
  keyDoes('KeyH', { kind: 'selection', does: 'hide' }),
  keyDoes('KeyG', { kind: 'selection', does: 'glass' }),
  keyDoes('KeyI', { kind: 'selection', does: 'isolate' }),
  key('KeyU', { kind: 'showAll' }),
  keyDoes('KeyP', { kind: 'toggle', does: 'projection' }),
  keyDoes('KeyW', { kind: 'toggle', does: 'style' }),
  key('KeyR', { kind: 'reset' }),
  key('KeyD', { kind: 'dolly', metres: 0.1 }),
  key('KeyD', { kind: 'dolly', metres: -0.1 }, 'shift'),
  key('KeyF', { kind: 'fieldOfView', angle: 0.8 }),
  key('KeyF', { kind: 'fieldOfView', angle: 1.25 }, 'shift'),
  keyDoes('KeyB', { kind: 'atPointer', does: 'approach' }),
  hold('PageUp', 'zoom', 1),
  hold('PageDown', 'zoom', -1),
  aid('KeyA', 'grid'),
  aid('KeyA', 'names', 'shift'),
  aid('KeyA', 'landmarks', 'alt'),
  aid('KeyX', 'loupe'),
  aid('KeyM', 'fourViews'),
  aid('KeyM', 'measuring', 'shift'),
  aid('KeyZ', 'panels'),
  aid('KeyY', 'standing'),
  keyDoes('KeyY', { kind: 'atPointer', does: 'stand' }, 'shift'),
];

/** Standing inside: the arrows walk and look, the page keys rise and sink, for as long as they are held. */
const STANDING: readonly Binding[] = [
  hold('ArrowUp', 'forward', 1),
  hold('ArrowDown', 'forward', -1),
  hold('ArrowRight', 'turn', 1),
  hold('ArrowLeft', 'turn', -1),
  hold('BracketRight', 'slide', 1),
  hold('BracketLeft', 'slide', -1),
  hold('PageUp', 'rise', 1),
  hold('PageDown', 'rise', -1),
  aid('KeyJ', 'floor'),
  aid('KeyK', 'walls'),
].map(standing);

/** With a pointer, standing inside: any drag that orbited looks about, and the wheel sets the speed. */
const STANDING_POINTER: readonly Binding[] = [drag('left', 'look'), bind({ kind: 'wheel' }, { kind: 'aid', does: 'speed' })].map(standing);

/** Finer steps, slides, looking about and standing: with Shift a fifth of the step, with Alt the same keys slide the view. */
const FINE_KEYS: readonly Binding[] = [
  key('ArrowLeft', { kind: 'turn', axis: 'left', angle: STEP / 5 }, 'shift'),
  key('ArrowRight', { kind: 'turn', axis: 'right', angle: STEP / 5 }, 'shift'),
  key('ArrowUp', { kind: 'turn', axis: 'up', angle: STEP / 5 }, 'shift'),
  key('ArrowDown', { kind: 'turn', axis: 'down', angle: STEP / 5 }, 'shift'),
  key('ArrowLeft', { kind: 'pan', dx: 50, dy: 0 }, 'alt'),
  key('ArrowRight', { kind: 'pan', dx: -50, dy: 0 }, 'alt'),
  key('ArrowUp', { kind: 'pan', dx: 0, dy: 50 }, 'alt'),
  key('ArrowDown', { kind: 'pan', dx: 0, dy: -50 }, 'alt'),
  key('Comma', { kind: 'roll', angle: Math.PI / 2 }, 'alt'),
  key('Period', { kind: 'roll', angle: -Math.PI / 2 }, 'alt'),
  key('PageUp', { kind: 'rise', metres: 0.05 }, 'shift'),
  key('PageDown', { kind: 'rise', metres: -0.05 }, 'shift'),
  key('PageUp', { kind: 'walk', forward: 1, right: 0, dt: 0.05, onGround: true }, 'alt'),
  key('PageDown', { kind: 'walk', forward: -1, right: 0, dt: 0.05, onGround: true }, 'alt'),
  key('ArrowLeft', { kind: 'look', yaw: STEP / 3, pitch: 0 }, 'shift', 'alt'),
  key('ArrowRight', { kind: 'look', yaw: -STEP / 3, pitch: 0 }, 'shift', 'alt'),
  key('ArrowUp', { kind: 'look', yaw: 0, pitch: STEP / 3 }, 'shift', 'alt'),
  key('ArrowDown', { kind: 'look', yaw: 0, pitch: -STEP / 3 }, 'shift', 'alt'),
  key('Comma', { kind: 'roll', angle: STEP / 5 }, 'shift'),
  key('Period', { kind: 'roll', angle: -STEP / 5 }, 'shift'),
  key('Equal', { kind: 'zoom', factor: 1.05 }, 'shift'),
  key('Minus', { kind: 'zoom', factor: 1 / 1.05 }, 'shift'),
];

const POINTING: readonly Binding[] = [
  bind({ kind: 'click', button: 'left', count: 1 }, { kind: 'atPointer', does: 'select' }),
  bind({ kind: 'click', button: 'left', count: 1 }, { kind: 'atPointer', does: 'selectMore' }, ['shift']),
  bind({ kind: 'click', button: 'left', count: 2 }, { kind: 'atPointer', does: 'centre' }),
  drag('left', 'boxTouching', 'ctrl'),
  drag('left', 'boxInside', 'shift', 'ctrl'),
  bind({ kind: 'wheel' }, { kind: 'move', does: 'zoom' }),
];

/** While the space bar is held in mid-drag, an orbit turns about the middle of what is seen. */
const POINTER_OPTIONS = {
  orbit: 'turntable',
  pivot: 'pointer',
  heldPivot: { code: 'Space', pivot: 'visible' },
  zoomTo: 'pointer',
  notch: 1.15,
} as const;

/** The near hand: what someone with one button or one finger needs most. */
const NEAR_HAND = {
  code: 'Space',
  words: [
    { kind: 'move', does: 'orbit' },
    { kind: 'move', does: 'pan' },
    { kind: 'move', does: 'zoom' },
    { kind: 'command', command: { kind: 'fit', what: 'all' } },
    { kind: 'command', command: { kind: 'home' } },
    { kind: 'atPointer', does: 'normalTo' },
    { kind: 'atPointer', does: 'section' },
    { kind: 'command', command: { kind: 'back' } },
  ],
} satisfies Scheme['options']['nearHand'];

export const THREE_BUTTON_MOUSE: Scheme = {
  id: 'three-button-mouse',
  revision: 5,
  name: 'Three-button mouse',
  family: 'mouse',
  device: 'threeButtonMouse',
  about: 'Left orbits about what it grabs, middle slides, right zooms; the wheel zooms to the pointer.',
  bindings: [
    drag('left', 'orbit'),
    drag('middle', 'pan'),
    drag('right', 'zoom'),
    drag('left', 'zoomRegion', 'shift'),
    drag('middle', 'roll', 'shift'),
    ...POINTING,
    ...SHARED_KEYS,
    ...FINE_KEYS,
    ...STANDING,
    ...STANDING_POINTER,
  ],
  options: POINTER_OPTIONS,
};

export const TWO_BUTTON_MOUSE: Scheme = {
  id: 'two-button-mouse',
  revision: 5,
  name: 'Two-button mouse',
  family: 'mouse',
  device: 'twoButtonMouse',
  about: 'For mice and laptops without a middle button: left orbits about what it grabs, right slides.',
  bindings: [
    drag('left', 'orbit'),
    drag('right', 'pan'),
    drag('left', 'zoomRegion', 'shift'),
    drag('right', 'roll', 'shift'),
    drag('right', 'zoom', 'alt'),
    ...POINTING,
    ...SHARED_KEYS,
    ...FINE_KEYS,
    ...STANDING,
    ...STANDING_POINTER,
  ],
  options: { ...POINTER_OPTIONS, nearHand: NEAR_HAND },
};

export const KEYBOARD_ALONE: Scheme = {
  id: 'keyboard-alone',
  revision: 5,
  name: 'Keyboard alone',
  family: 'keyboard',
  device: 'keyboard',
  about: 'Everything by keys: arrows turn by 15°, with Shift by 3°, with Alt they slide the view. Keys that are held gather speed.',
  bindings: [...SHARED_KEYS, ...FINE_KEYS, ...STANDING],
  options: { orbit: 'turntable', pivot: 'picked', zoomTo: 'target', notch: 1.15, accelerate: true },
};

export const SIX_AXIS_PUCK: Scheme = {
  id: 'six-axis-puck',
  revision: 5,
  name: '3D mouse',
  family: 'puck',
  device: 'puck',
  about: 'Push, lift, slide, tilt and twist the puck; the model goes with it. A mouse may still click parts.',
  bindings: [
    bind({ kind: 'axes' }, { kind: 'move', does: 'sixAxes' }),
    bind({ kind: 'puckButton', button: 1 }, { kind: 'command', command: { kind: 'fit', what: 'all' } }),
    bind({ kind: 'puckButton', button: 2 }, { kind: 'command', command: { kind: 'home' } }),
    bind({ kind: 'click', button: 'left', count: 1 }, { kind: 'atPointer', does: 'select' }),
    ...SHARED_KEYS,
    ...FINE_KEYS,
    ...STANDING,
  ],
  options: { orbit: 'turntable', pivot: 'picked', zoomTo: 'target', notch: 1.15, puck: USUAL_PUCK },
};

/** What a pointer without a wheel gives besides its drags. */
const WITHOUT_WHEEL: readonly Binding[] = [
  drag('left', 'zoomRegion', 'shift'),
  ...POINTING.filter((b) => b.trigger.kind !== 'wheel'),
  ...SHARED_KEYS,
  ...FINE_KEYS,
  ...STANDING,
  standing(drag('left', 'look')),
];

export const TOUCHPAD: Scheme = {
  id: 'touchpad',
  revision: 3,
  name: 'Touchpad',
  family: 'touch',
  device: 'touchpad',
  about: 'Two fingers slide to orbit and spread to zoom; with Shift two fingers slide the view. A press and drag orbits as well.',
  bindings: [
    bind({ kind: 'scroll' }, { kind: 'move', does: 'orbit' }),
    bind({ kind: 'scroll' }, { kind: 'move', does: 'pan' }, ['shift']),
    bind({ kind: 'pinch' }, { kind: 'move', does: 'zoom' }),
    drag('left', 'orbit'),
    drag('right', 'pan'),
    ...WITHOUT_WHEEL,
  ],
  options: { ...POINTER_OPTIONS, nearHand: NEAR_HAND },
};

export const TOUCH_SCREEN: Scheme = {
  id: 'touch-screen',
  revision: 2,
  name: 'Touch screen',
  family: 'touch',
  device: 'touch',
  about: 'One finger orbits, two slide, zoom and roll, three slide alone. A long press shows the near hand: one row of words.',
  bindings: [
    bind({ kind: 'touch', fingers: 1 }, { kind: 'move', does: 'orbit' }),
    bind({ kind: 'touch', fingers: 2 }, { kind: 'move', does: 'fingers' }),
    bind({ kind: 'touch', fingers: 3 }, { kind: 'move', does: 'pan' }),
    bind({ kind: 'click', button: 'left', count: 1 }, { kind: 'atPointer', does: 'select' }),
    bind({ kind: 'click', button: 'left', count: 2 }, { kind: 'atPointer', does: 'centre' }),
    standing(bind({ kind: 'touch', fingers: 1 }, { kind: 'move', does: 'look' })),
  ],
  options: { ...POINTER_OPTIONS, nearHand: NEAR_HAND },
};

export const PEN: Scheme = {
  id: 'pen',
  revision: 3,
  name: 'Pen',
  family: 'touch',
  device: 'pen',
  about: 'The tip orbits about what it touches, with the barrel button it slides; with Alt it zooms. A long press shows the near hand.',
  bindings: [
    drag('left', 'orbit'),
    drag('right', 'pan'),
    drag('left', 'zoom', 'alt'),
    bind({ kind: 'touch', fingers: 2 }, { kind: 'move', does: 'fingers' }),
    ...WITHOUT_WHEEL,
  ],
  options: { ...POINTER_OPTIONS, nearHand: NEAR_HAND },
};

/** The schemes that ship with the application. A change of bindings or options is a new revision. */
export const BUILT_IN_SCHEMES: readonly Scheme[] = [THREE_BUTTON_MOUSE, TWO_BUTTON_MOUSE, TOUCHPAD, TOUCH_SCREEN, PEN, KEYBOARD_ALONE, SIX_AXIS_PUCK];

export const schemeById = (id: string): Scheme | null => BUILT_IN_SCHEMES.find((scheme) => scheme.id === id) ?? null;

/** The schemes of these ids, all for none; null in place of one that does not ship. */
export const schemesMeant = (ids: readonly string[]): readonly (Scheme | null)[] => (ids.length === 0 ? BUILT_IN_SCHEMES : ids.map(schemeById));
