import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addScaled, backOf } from '../math';
import { commandTable, EYE_HEIGHT, initialScene, navigate } from '../navigation';
import { Command } from '../navigation/command';
import { view as anyView, vec3 } from '../tests/arbitraries';
import { start } from '../tests/practice';
import { anglesOf, eyeOf, FRAME, FRAME_ASPECT, pointAt, project, wrapAngle } from '../view';
import { shapeAxes, USUAL_PUCK } from './axes';
import { bindingFor, triggerWords } from './bindings';
import { CAPABILITIES, conflictOf, findConflicts, takenAway, unreachable, waitingClicks } from './conflicts';
import { addBinding, changeBinding, choicesFor, clearBinding, leftWithout, mirrored, mismatch, setTrigger, swapBack } from './editing';
import { exampleGesture } from './exampleGesture';
import type { Gesture, Pick } from './gesture';
import { PUCK_DESCRIPTOR, puckReports, readMultiAxisReport } from './multiAxis';
import { isSteady, pivotFor } from './pivot';
import { resolve, whyNothing } from './resolve';
import { type Binding, type PivotRule, schemeSchema } from './schemeSchema';
import { BUILT_IN_SCHEMES, KEYBOARD_ALONE, SIX_AXIS_PUCK, THREE_BUTTON_MOUSE, TOUCH_SCREEN, TOUCHPAD, TWO_BUTTON_MOUSE } from './schemes';
import { actionWords } from './words';

const drag = (button: 'left' | 'middle' | 'right', du: number, dv: number, modifiers: ('shift' | 'ctrl' | 'alt')[] = [], done = false): Gesture => ({
  kind: 'drag',
  button,
  modifiers,
  from: { u: 0, v: 0 },
  last: { u: 0, v: 0 },
  to: { u: du, v: dv },
  done,
});
const pick: Pick = { point: [0.1, 0.2, 0.3], normal: [0, -1, 0], part: 'crate', depth: 4 };
const key = (code: string, ...modifiers: ('shift' | 'ctrl' | 'alt')[]): Gesture => ({ kind: 'key', code, modifiers, at: null });

const standardScene = initialScene(navigate(start.view, { kind: 'standard', name: 'front' }, { frame: FRAME }));

describe('the built-in schemes', () => {
  it.each(BUILT_IN_SCHEMES.map((s) => [s.name, s] as const))('%s is valid data without conflicts, and every binding has words', (_name, scheme) => {
    expect(schemeSchema.parse(JSON.parse(JSON.stringify(scheme)))).toEqual(scheme);
    expect(findConflicts(scheme)).toEqual([]);
    for (const binding of scheme.bindings) {
      expect(actionWords(binding)).not.toMatch(/^[a-z]/);
      expect(triggerWords(binding).length).toBeGreaterThan(0);
    }
  });

  it('each family can do everything that the exercises ask', () => {
    for (const scheme of [TWO_BUTTON_MOUSE, THREE_BUTTON_MOUSE, KEYBOARD_ALONE, SIX_AXIS_PUCK]) {
      const done = new Set(scheme.bindings.map((b) => (b.command.kind === 'command' ? b.command.command.kind : 'does' in b.command ? b.command.does : '')));
      for (const need of [
        'standard',
        'opposite',
        'fit',
        'home',
        'back',
        'forward',
        'level',
        'snap',
        'roll',
        'section',
        'flipSection',
        'shiftSection',
        'hide',
        'glass',
        'isolate',
        'showAll',
        'projection',
        'style',
        'normalTo',
        'centre',
        'lookAt',
      ])
        expect(done, `${scheme.name}: ${need}`).toContain(need);
    }
  });

  it('a two-button mouse reaches all of its scheme and not all of the other', () => {
    const mouse = { buttons: ['left', 'right'] as const, wheel: true, keyboard: true, puck: false };
    expect(unreachable(TWO_BUTTON_MOUSE, mouse)).toEqual([]);
    expect(unreachable(THREE_BUTTON_MOUSE, mouse).map((b) => triggerWords(b))).toEqual(['middle drag', 'Shift + middle drag']);
    expect(unreachable(KEYBOARD_ALONE, { ...mouse, keyboard: false })).toHaveLength(KEYBOARD_ALONE.bindings.length);
  });

  it('a gesture set twice is a conflict', () => {
    const scheme = { ...KEYBOARD_ALONE, bindings: [...KEYBOARD_ALONE.bindings, ...KEYBOARD_ALONE.bindings.slice(0, 1)] };
    expect(findConflicts(scheme)).toEqual([{ first: 0, second: KEYBOARD_ALONE.bindings.length, kind: 'same', words: '1 is set twice' }]);
  });
});

describe('resolve', () => {
  it('gives only commands that the schema takes, for any drag, wheel or key', () => {
    const gesture = fc.oneof(
      fc
        .tuple(
          fc.constantFrom('left' as const, 'middle' as const, 'right' as const),
          fc.double({ min: -1, max: 1, noNaN: true }),
          fc.double({ min: -1, max: 1, noNaN: true }),
          fc.boolean(),
        )
        .map(([b, u, v, done]) => drag(b, u, v, done ? ['shift'] : [], done)),
      fc.double({ min: -20, max: 20, noNaN: true }).map((notches): Gesture => ({ kind: 'wheel', modifiers: [], notches, at: { u: 0.2, v: -0.1 } })),
      fc.constantFrom(...KEYBOARD_ALONE.bindings.flatMap((b) => (b.trigger.kind === 'key' ? [key(b.trigger.code, ...b.modifiers)] : []))),
    );
    fc.assert(
      fc.property(fc.constantFrom(...BUILT_IN_SCHEMES), gesture, fc.constantFrom(pick, null), (scheme, g, p) =>
        resolve(scheme, g, start, p).every((c) => Command.safeParse(c).success),
      ),
      { numRuns: 400 },
    );
  });

  it('a drag turns about what it grabs, a slide keeps its depth, a wheel goes to the pointer', () => {
    expect(resolve(TWO_BUTTON_MOUSE, drag('left', 0.1, 0.05), start, pick)).toEqual([
      { kind: 'orbit', dx: 100, dy: -50, mode: 'turntable', pivot: pick.point },
    ]);
    expect(resolve(TWO_BUTTON_MOUSE, drag('left', 0.1, 0), start, null)).toEqual([{ kind: 'orbit', dx: 100, dy: -0, mode: 'turntable' }]);
    expect(resolve(TWO_BUTTON_MOUSE, drag('right', 0.1, 0), start, pick)).toEqual([{ kind: 'pan', dx: 100, dy: -0, depth: 4 }]);
    const [zoom] = resolve(TWO_BUTTON_MOUSE, { kind: 'wheel', modifiers: [], notches: 2, at: { u: 0.2, v: 0.1 } }, start, pick);
    expect(zoom).toEqual({ kind: 'zoom', factor: expect.closeTo(1.15 ** 2, 9), at: { u: 0.2, v: 0.1, depth: 4 } });
  });

  it('a rectangle is zoomed to when it is let go, and not when it is a slip', () => {
    expect(resolve(TWO_BUTTON_MOUSE, drag('left', 0.3, 0.2, ['shift']), start, pick)).toEqual([]);
    expect(resolve(TWO_BUTTON_MOUSE, drag('left', 0.3, 0.2, ['shift'], true), start, pick)).toEqual([
      { kind: 'zoomRegion', u0: 0, u1: 0.3, v0: 0, v1: 0.2, depth: 4 },
    ]);
    expect(resolve(TWO_BUTTON_MOUSE, drag('left', 0.003, 0.2, ['shift'], true), start, pick)).toEqual([]);
  });

  it('drawn to the left, a rectangle takes in what fills the frame', () => {
    const before = start.view;
    const [out] = resolve(TWO_BUTTON_MOUSE, drag('left', -0.48, 0.3, ['shift'], true), start, null);
    const after = navigate(before, out as Command, { frame: FRAME });
    // The frame is now 0.3 frame heights high, about the middle of the rectangle.
    for (const [u, v] of [
      [-0.8, -0.5],
      [0.8, 0.5],
      [0.2, -0.1],
    ] as const) {
      const seen = project(after, pointAt(before, u, v, before.distance), FRAME_ASPECT);
      expect(seen.u).toBeCloseTo(u * 0.3 - 0.24, 9);
      expect(seen.v).toBeCloseTo(v * 0.3 + 0.15, 9);
    }
  });

  it('a box picks what the stage finds in it, when it is let go', () => {
    const asked: unknown[] = [];
    const now = {
      partsInBox: (r: unknown, whole: boolean) => {
        asked.push(r, whole);
        return ['lid', 'knob'];
      },
    };
    expect(resolve(TWO_BUTTON_MOUSE, drag('left', 0.3, -0.2, ['ctrl']), start, null, now)).toEqual([]);
    expect(resolve(TWO_BUTTON_MOUSE, drag('left', 0.3, -0.2, ['ctrl'], true), start, null, now)).toEqual([{ kind: 'select', parts: ['lid', 'knob'] }]);
    resolve(TWO_BUTTON_MOUSE, drag('left', 0.3, -0.2, ['shift', 'ctrl'], true), start, null, now);
    const r = { u0: 0, u1: 0.3, v0: -0.2, v1: 0 };
    expect(asked).toEqual([r, false, r, true]);
  });

  it('a click with Shift adds a part to what is picked, or drops it', () => {
    const click: Gesture = { kind: 'click', button: 'left', count: 1, modifiers: ['shift'], at: { u: 0, v: 0 } };
    const one = { ...start, selection: { parts: ['lid'] } };
    expect(resolve(TWO_BUTTON_MOUSE, click, one, pick)).toMatchObject([{ kind: 'select', parts: ['lid', 'crate'] }]);
    expect(resolve(TWO_BUTTON_MOUSE, click, { ...start, selection: { parts: ['crate', 'lid'] } }, pick)).toMatchObject([{ kind: 'select', parts: ['lid'] }]);
    expect(resolve(TWO_BUTTON_MOUSE, click, one, null)).toEqual([{ kind: 'select', parts: ['lid'] }]);
  });

  it('an approach goes half the way to the point, which stays where it is seen', () => {
    const [c] = resolve(TWO_BUTTON_MOUSE, key('KeyB'), start, pick);
    const before = project(start.view, pick.point, FRAME_ASPECT);
    const after = project(navigate(start.view, c as Command, { frame: FRAME }), pick.point, FRAME_ASPECT);
    expect(after.depth).toBeCloseTo(before.depth / 2, 9);
    expect([after.u, after.v]).toEqual([expect.closeTo(before.u, 9), expect.closeTo(before.v, 9)]);
  });

  it('a key that is held zooms at a steady rate, however often it is asked', () => {
    const held = (dt: number): Gesture => ({ kind: 'held', code: 'PageUp', modifiers: [], dt, at: null });
    const factor = (g: Gesture): number => (resolve(TWO_BUTTON_MOUSE, g, start, null)[0] as { factor: number }).factor;
    expect(factor(held(0.02)) ** 50).toBeCloseTo(factor(held(1)), 9);
    expect(resolve(TWO_BUTTON_MOUSE, held(0), start, null)).toEqual([]);
  });

  it('steps are as large as the scheme says, and a slide by key keeps the point under the pointer', () => {
    const fine = { ...TWO_BUTTON_MOUSE, options: { ...TWO_BUTTON_MOUSE.options, step: Math.PI / 6 } };
    expect(resolve(fine, key('ArrowLeft'), start, null)).toEqual([{ kind: 'turn', axis: 'left', angle: expect.closeTo(Math.PI / 6, 12) }]);
    expect(resolve(fine, key('ArrowLeft', 'alt'), start, pick)).toEqual([{ kind: 'pan', dx: 50, dy: 0, depth: pick.depth }]);
    // Moving forward goes through things: it must not become the shorter the nearer they are.
    expect(resolve(fine, key('KeyD'), start, pick)).toEqual(resolve(fine, key('KeyD'), start, null));
  });
});

describe('conflicts', () => {
  const modifiers = fc.uniqueArray(fc.constantFrom('shift' as const, 'ctrl' as const, 'alt' as const), { maxLength: 3 });
  const code = fc.constantFrom('KeyA', 'KeyB', 'ShiftLeft', 'AltRight');
  const trigger = fc.oneof(
    fc.record({ kind: fc.constant('key' as const), code }),
    fc.record({ kind: fc.constant('held' as const), code }),
    fc.record({ kind: fc.constant('drag' as const), button: fc.constantFrom('left' as const, 'right' as const) }),
    fc.record({
      kind: fc.constant('click' as const),
      button: fc.constantFrom('left' as const, 'right' as const),
      count: fc.constantFrom(1 as const, 2 as const),
    }),
    fc.constant({ kind: 'wheel' as const }),
  );
  const binding = fc.record({
    context: fc.constantFrom('stage' as const, 'standing' as const),
    trigger,
    modifiers,
    command: fc.constantFrom({ kind: 'move' as const, does: 'orbit' as const }, { kind: 'atPointer' as const, does: 'select' as const }),
  });

  it('are all found, and nothing else: as by comparing every pair', () => {
    fc.assert(
      fc.property(fc.array(binding, { maxLength: 25 }), (bindings) => {
        const every = bindings.flatMap((a, i) =>
          bindings.slice(i + 1).flatMap((b, k) => {
            const why = conflictOf(a, b);
            return why ? [{ first: i, second: i + 1 + k, ...why }] : [];
          }),
        );
        expect(findConflicts({ bindings })).toEqual(every);
      }),
      { numRuns: 300 },
    );
  });

  it('a double click is in the way of a single one, unless that only picks', () => {
    const click = (count: 1 | 2, does: 'select' | 'centre' | 'normalTo'): Binding => ({
      context: 'stage',
      trigger: { kind: 'click', button: 'left', count },
      modifiers: [],
      command: { kind: 'atPointer', does },
    });
    expect(conflictOf(click(2, 'centre'), click(1, 'normalTo'))).toEqual({
      kind: 'first',
      words: 'left click is done first, each time that double left click is given',
    });
    expect(conflictOf(click(1, 'select'), click(2, 'centre'))).toBeNull();
    expect(conflictOf(click(1, 'normalTo'), { ...click(2, 'centre'), modifiers: ['shift'] })).toBeNull();
  });

  it('clicks that wait for a drag are those with the same button, chord and place', () => {
    fc.assert(
      fc.property(fc.array(binding, { maxLength: 20 }), (bindings) => {
        const every = bindings.flatMap((a, i) => {
          if (a.trigger.kind !== 'click') return [];
          const { button } = a.trigger;
          const drags = bindings.filter(
            (b) =>
              b.trigger.kind === 'drag' &&
              b.trigger.button === button &&
              b.context === a.context &&
              [...b.modifiers].sort().join() === [...a.modifiers].sort().join(),
          );
          return drags.length > 0 ? [i] : [];
        });
        expect([...waitingClicks({ bindings }).keys()]).toEqual(every);
      }),
    );
    expect(waitingClicks(TWO_BUTTON_MOUSE).size).toBeGreaterThan(0);
  });

  it('are a gesture with two meanings, a key pressed and held, and a chord behind a key that is its own', () => {
    const bound = (t: (typeof KEYBOARD_ALONE)['bindings'][number]['trigger'], ...m: ('shift' | 'alt')[]) =>
      ({ context: 'stage', trigger: t, modifiers: m, command: { kind: 'move', does: 'orbit' } }) as const;
    expect(conflictOf(bound({ kind: 'key', code: 'KeyA' }), bound({ kind: 'held', code: 'KeyA' }))?.kind).toBe('held');
    expect(conflictOf(bound({ kind: 'key', code: 'ShiftLeft' }), bound({ kind: 'key', code: 'KeyA' }, 'shift'))?.kind).toBe('hidden');
    expect(conflictOf(bound({ kind: 'key', code: 'KeyA' }), bound({ kind: 'key', code: 'KeyA' }, 'shift'))).toBeNull();
    expect(conflictOf(bound({ kind: 'drag', button: 'left' }, 'alt', 'shift'), bound({ kind: 'drag', button: 'left' }, 'shift', 'alt'))?.kind).toBe('same');
  });

  it('with the browser are said with another way', () => {
    expect(takenAway({ trigger: { kind: 'key', code: 'F5' }, modifiers: [] })).toMatch(/take a letter/);
    expect(takenAway({ trigger: { kind: 'key', code: 'KeyW' }, modifiers: ['ctrl'] })).toMatch(/leave Ctrl out/);
    expect(takenAway({ trigger: { kind: 'key', code: 'KeyW' }, modifiers: [] })).toBeNull();
    for (const scheme of BUILT_IN_SCHEMES) for (const b of scheme.bindings) expect(takenAway(b), triggerWords(b)).toBeNull();
  });

  it('laptops and tablets have no numeric keypad', () => {
    const keypad = { bindings: [{ ...(TOUCHPAD.bindings[0] as Binding), trigger: { kind: 'key' as const, code: 'Numpad5' }, modifiers: [] }] };
    expect(unreachable(keypad, CAPABILITIES.touchpad)).toHaveLength(1);
    expect(unreachable(keypad, CAPABILITIES.threeButtonMouse)).toEqual([]);
  });

  it('what can be chosen for an action, its device can make and the scheme hears', () => {
    for (const scheme of BUILT_IN_SCHEMES)
      for (const binding of scheme.bindings) {
        for (const trigger of choicesFor(binding.command, scheme.device)) {
          expect(mismatch(trigger, binding.command)).toBeNull();
          const set = { ...scheme, bindings: [{ ...binding, context: 'stage' as const, trigger, modifiers: [] }] };
          expect(unreachable(set, CAPABILITIES[scheme.device])).toEqual([]);
          expect(bindingFor(set, exampleGesture({ trigger, modifiers: [] }))).toBe(set.bindings[0]);
        }
        const standing = binding.context === 'standing';
        expect(bindingFor({ ...scheme, bindings: [binding] }, exampleGesture(binding), standing)).toBe(binding);
      }
    expect(choicesFor({ kind: 'move', does: 'orbit' }, 'twoButtonMouse').map((t) => triggerWords({ trigger: t, modifiers: [] }))).toEqual([
      'left drag',
      'right drag',
    ]);
    expect(choicesFor({ kind: 'command', command: { kind: 'home' } }, 'puck').filter((t) => t.kind === 'puckButton')).toHaveLength(8);
  });

  it('every shipped scheme can be given by the device it is for', () => {
    for (const scheme of BUILT_IN_SCHEMES)
      expect(
        unreachable(scheme, CAPABILITIES[scheme.device]).map((b) => triggerWords(b)),
        scheme.name,
      ).toEqual([]);
  });
});

it('a drag can go the other way both ways, or only one', () => {
  const pans = (invert: Binding['invert']) => {
    const bindings = TWO_BUTTON_MOUSE.bindings.map((b) => (b.command.kind === 'move' && b.command.does === 'pan' ? { ...b, invert } : b));
    const [command] = resolve({ ...TWO_BUTTON_MOUSE, bindings: bindings as Binding[] }, drag('right', 0.1, 0.2), start, null);
    return command?.kind === 'pan' ? [Math.sign(command.dx), Math.sign(command.dy)] : [];
  };
  expect([false, true, 'across', 'upDown'].map((way) => pans(way as Binding['invert']))).toEqual([
    [1, -1],
    [-1, 1],
    [-1, -1],
    [1, 1],
  ]);
});

describe('changing a scheme', () => {
  const scheme = TWO_BUTTON_MOUSE;
  const orbit = scheme.bindings.findIndex((b) => b.command.kind === 'move' && b.command.does === 'orbit');
  const pan = scheme.bindings.findIndex((b) => b.command.kind === 'move' && b.command.does === 'pan');

  it('what is set is what is heard; one is cleared', () => {
    expect(bindingFor(clearBinding(scheme, orbit), drag('left', 0.1, 0))).toBeNull();
    const set = setTrigger(scheme, pan, { kind: 'drag', button: 'left' }, []);
    expect(findConflicts(set)).toMatchObject([{ first: orbit, second: pan, kind: 'same' }]);
  });

  it('a gesture taken from another row is given back the row’s own former one: the two have changed hands', () => {
    const scheme = THREE_BUTTON_MOUSE;
    const [orbit, pan] = ['left', 'middle'].map((button) =>
      scheme.bindings.findIndex((b) => b.trigger.kind === 'drag' && b.trigger.button === button && b.modifiers.length === 0),
    ) as [number, number];
    const before = scheme.bindings[orbit] as Binding;
    const taken = setTrigger(scheme, orbit, { kind: 'drag', button: 'middle' }, []);
    expect(findConflicts(taken).some((c) => c.kind === 'same')).toBe(true);
    const swapped = swapBack(taken, pan, before);
    expect(swapped.bindings[orbit]?.trigger).toEqual({ kind: 'drag', button: 'middle' });
    expect(swapped.bindings[pan]?.trigger).toEqual({ kind: 'drag', button: 'left' });
    expect(findConflicts(swapped).filter((c) => c.kind === 'same')).toEqual([]);
  });

  it('what is cleared tells whether its action has no gesture left', () => {
    const scheme = THREE_BUTTON_MOUSE;
    const roll = scheme.bindings.findIndex((b) => b.command.kind === 'move' && b.command.does === 'roll');
    const gone = scheme.bindings[roll] as Binding;
    expect(leftWithout(clearBinding(scheme, roll), gone)).toBe(true);
    const twice = addBinding(scheme, gone.command, { kind: 'drag', button: 'right' }, ['alt']);
    expect(leftWithout(clearBinding(twice, roll), gone)).toBe(false);
  });

  it('a key that walks is held, one that fits is pressed, whatever was pressed to set it', () => {
    const zoom = scheme.bindings.findIndex((b) => b.command.kind === 'steady');
    expect(setTrigger(scheme, zoom, { kind: 'key', code: 'F13' }, []).bindings[zoom]?.trigger).toEqual({ kind: 'held', code: 'F13' });
    expect(mismatch({ kind: 'wheel' }, { kind: 'move', does: 'pan' })).toMatch(/wheel/);
    for (const each of BUILT_IN_SCHEMES) for (const b of each.bindings) expect(mismatch(b.trigger, b.command), triggerWords(b)).toBeNull();
  });

  it('mirroring twice is as before, and leaves keys alone', () => {
    for (const each of BUILT_IN_SCHEMES) expect(mirrored(mirrored(each))).toEqual(each);
    expect(resolve(mirrored(scheme), drag('right', 0.1, 0), start, null).map((c) => c.kind)).toEqual(['orbit']);
    expect(resolve(mirrored(scheme), key('Home'), start, null)).toEqual([{ kind: 'home' }]);
  });

  it('a slower and a turned-round hand move less and the other way', () => {
    const slow = changeBinding(scheme, pan, { gain: 0.5, invert: true });
    expect(resolve(slow, drag('right', 0.1, 0), start, null)).toMatchObject([{ kind: 'pan', dx: expect.closeTo(-50, 9) }]);
  });
});

describe('fingers', () => {
  const touch = (fingers: 1 | 2 | 3, spread = 1, twist = 0): Gesture => ({
    kind: 'touch',
    fingers,
    from: { u: 0, v: 0 },
    last: { u: 0, v: 0 },
    to: { u: 0.1, v: 0 },
    spread,
    twist,
    done: false,
  });
  it('one orbits, two slide, zoom and roll at once, three slide', () => {
    expect(resolve(TOUCH_SCREEN, touch(1), start, pick)).toMatchObject([{ kind: 'orbit', dx: 100, pivot: pick.point }]);
    expect(resolve(TOUCH_SCREEN, touch(2, 1.5, 0.2), start, pick)).toMatchObject([
      { kind: 'pan', dx: 100, depth: 4 },
      { kind: 'zoom', factor: 1.5, at: { u: 0.1, v: 0, depth: 4 } },
      { kind: 'roll', angle: -0.2 },
    ]);
    expect(resolve(TOUCH_SCREEN, touch(3), start, pick).map((c) => c.kind)).toEqual(['pan']);
  });

  it('on a touchpad slide to orbit, with Shift slide the view, and spread to zoom', () => {
    const scroll = (...m: 'shift'[]): Gesture => ({ kind: 'scroll', modifiers: m, du: 0.1, dv: 0, at: { u: 0.2, v: 0 } });
    expect(resolve(TOUCHPAD, scroll(), start, null)).toMatchObject([{ kind: 'orbit', dx: expect.closeTo(100, 9) }]);
    expect(resolve(TOUCHPAD, scroll('shift'), start, null)).toMatchObject([{ kind: 'pan', dx: expect.closeTo(100, 9) }]);
    expect(resolve(TOUCHPAD, { kind: 'pinch', factor: 2, at: { u: 0.2, v: 0 } }, start, pick)).toEqual([
      { kind: 'zoom', factor: 2, at: { u: 0.2, v: 0, depth: 4 } },
    ]);
  });
});

describe('every command', () => {
  it('is reached by a gesture of a shipped scheme', () => {
    const scene = {
      ...start,
      view: { ...start.view, distance: 3 },
      section: { normal: [0, 0, 1] as const, offset: 0.5 },
      selection: { parts: ['lid'], point: [0, 0, 1] as const, normal: [0, 0, 1] as const },
    };
    const at = { u: 0.1, v: 0.1 };
    const gestureOf = ({ trigger, modifiers }: (typeof THREE_BUTTON_MOUSE)['bindings'][number]): Gesture => {
      switch (trigger.kind) {
        case 'drag':
          return drag(trigger.button, 0.2, 0.1, [...modifiers], true);
        case 'click':
          return { kind: 'click', button: trigger.button, count: trigger.count, modifiers, at };
        case 'wheel':
          return { kind: 'wheel', modifiers, notches: 1, at };
        case 'key':
          return { kind: 'key', code: trigger.code, modifiers, at };
        case 'held':
          return { kind: 'held', code: trigger.code, modifiers, dt: 0.1, at };
        case 'scroll':
          return { kind: 'scroll', modifiers, du: 0.1, dv: 0.1, at };
        case 'pinch':
          return { kind: 'pinch', factor: 2, at };
        case 'touch':
          return { kind: 'touch', fingers: trigger.fingers, from: at, last: at, to: { u: 0.2, v: 0.2 }, spread: 1.1, twist: 0.1, done: true };
        case 'axes':
          return { kind: 'axes', axes: [0.5, 0.5, 0.5, 0.5, 0.5, 0.5], dt: 0.1 };
        case 'puckButton':
          return { kind: 'puckButton', button: trigger.button };
      }
    };
    for (const scheme of [THREE_BUTTON_MOUSE, TWO_BUTTON_MOUSE]) {
      const given = new Set(
        scheme.bindings.flatMap((b) =>
          resolve(scheme, gestureOf(b), scene, pick, { standing: b.context === 'standing', partsInBox: () => ['lid'] }).map((c) => c.kind),
        ),
      );
      // Taking a gesture back is no gesture of its own: Escape and the second button do it while one lasts.
      expect((Object.keys(commandTable) as string[]).filter((kind) => !given.has(kind as never))).toEqual(['cancel']);
    }
  });
});

describe('what an orbit turns about', () => {
  const now = { selectionCentre: () => [0.3, 0, 0.4] as const, visibleMiddle: () => [0, 0.1, 0.2] as const };
  const picked = { ...start, selection: { parts: ['lid'], point: [0, 0, 1] as const } };
  const ruled = (pivot: PivotRule) => ({ ...TWO_BUTTON_MOUSE, options: { ...TWO_BUTTON_MOUSE.options, pivot } });
  const about = (pivot: PivotRule, p: Pick | null = pick, more = {}) => pivotFor(ruled(pivot), picked, p, { ...now, ...more });

  it('is what the rule says, and falls back on what is known', () => {
    expect(about('pointer')).toEqual(pick.point);
    expect(about('pointer', null)).toEqual([0, 0, 1]);
    expect(about('picked')).toEqual([0, 0, 1]);
    expect(about('selection')).toEqual(now.selectionCentre());
    expect(about('visible')).toEqual(now.visibleMiddle());
    expect(about('target')).toBeUndefined();
    expect(pivotFor(ruled('visible'), start, null)).toBeUndefined();
    expect(about('pointer', pick, { pivot: 'visible' })).toEqual(now.visibleMiddle());
  });

  it('is never far outside the frame or behind the eye: the view is not thrown about', () => {
    const behind = addScaled(eyeOf(start.view), backOf(start.view.orientation), 0.5);
    expect(isSteady(start.view, behind)).toBe(false);
    expect(isSteady(start.view, start.view.target)).toBe(true);
    expect(about('pointer', { ...pick, point: behind })).toEqual([0, 0, 1]);
    fc.assert(
      fc.property(anyView, vec3(), (view, point) => {
        if (!isSteady(view, point)) return true;
        const { u, v } = project(navigate(view, { kind: 'orbit', dx: 3, dy: 2, pivot: point, mode: 'turntable' }, { frame: FRAME }), point, FRAME_ASPECT);
        return Math.abs(u) <= 2 + 1e-6 && Math.abs(v) <= 2 + 1e-6;
      }),
    );
  });

  it('an orbit that ends near a mark goes to it only where the scheme says so', () => {
    const near = { ...start, view: navigate(standardScene.view, { kind: 'turn', axis: 'right', angle: 0.02 }, { frame: FRAME }) };
    const drawn = { ...TWO_BUTTON_MOUSE, options: { ...TWO_BUTTON_MOUSE.options, snapWithin: 0.1 } };
    expect(resolve(drawn, drag('left', 0, 0, [], true), near, null)).toEqual([{ kind: 'snap' }]);
    expect(resolve(drawn, drag('left', 0, 0), near, null)).toEqual([]);
    expect(resolve(drawn, drag('left', 0.3, 0, [], true), near, null).map((c) => c.kind)).toEqual(['orbit']);
    expect(resolve(TWO_BUTTON_MOUSE, drag('left', 0, 0, [], true), near, null)).toEqual([]);
  });
});

describe('standing inside', () => {
  const held = (code: string): Gesture => ({ kind: 'held', code, modifiers: [], dt: 0.1, at: null });
  const now = { standing: true, speed: 1.4, onFloor: true };
  it('the arrows walk and look while they are held, and turn the model no more', () => {
    expect(resolve(TWO_BUTTON_MOUSE, held('ArrowUp'), start, null, now)).toEqual([{ kind: 'walk', forward: 1.4, right: 0, dt: 0.1, onGround: true }]);
    expect(resolve(TWO_BUTTON_MOUSE, held('BracketLeft'), start, null, now)).toEqual([{ kind: 'walk', forward: 0, right: -1.4, dt: 0.1, onGround: true }]);
    expect(resolve(TWO_BUTTON_MOUSE, held('PageUp'), start, null, now)).toEqual([{ kind: 'rise', metres: expect.closeTo(0.14, 12) }]);
    expect(resolve(TWO_BUTTON_MOUSE, held('ArrowRight'), start, null, now)).toEqual([{ kind: 'look', yaw: -0.1, pitch: 0 }]);
    expect(resolve(TWO_BUTTON_MOUSE, key('ArrowUp'), start, null, now)).toEqual([]);
    expect(resolve(TWO_BUTTON_MOUSE, key('ArrowUp'), start, null)).toMatchObject([{ kind: 'turn' }]);
    expect(resolve(TWO_BUTTON_MOUSE, held('ArrowUp'), start, null)).toEqual([]);
  });

  it('a drag looks about, and what is not its own stays as it was', () => {
    expect(resolve(TWO_BUTTON_MOUSE, drag('left', 0.1, 0), start, pick, now)).toMatchObject([{ kind: 'look' }]);
    expect(resolve(TWO_BUTTON_MOUSE, key('Home'), start, null, now)).toEqual([{ kind: 'home' }]);
  });

  it('puts the eye at its height over the place that is meant, level', () => {
    const floor: Pick = { point: [0.3, -0.2, 1.15], normal: [0, 0, 1], part: 'lid', depth: 4 };
    fc.assert(
      fc.property(anyView, (view) => {
        const commands = resolve(TWO_BUTTON_MOUSE, key('KeyY', 'shift'), { ...start, view }, floor);
        const end = commands.reduce((v, c) => navigate(v, c, { frame: FRAME }), view);
        const eye = eyeOf(end);
        const { azimuth, elevation, roll } = anglesOf(end.orientation);
        return (
          Math.hypot(eye[0] - 0.3, eye[1] + 0.2, eye[2] - 1.15 - EYE_HEIGHT) < 1e-6 &&
          Math.abs(elevation) < 1e-9 &&
          Math.abs(roll) < 1e-9 &&
          Math.abs(wrapAngle(azimuth - anglesOf(view.orientation).azimuth)) < 1e-6 &&
          end.projection === 'perspective'
        );
      }),
    );
    expect(whyNothing({ command: { kind: 'atPointer', does: 'stand' } }, key('KeyY', 'shift'))).toMatch(/point at a floor/);
  });
});

describe('what is picked and pointed at', () => {
  it('what takes the pointer falls back on what is picked, and does nothing without either', () => {
    const picked = { ...start, selection: { parts: ['lid'], point: [0, 0, 1] as const, normal: [0, 0, 1] as const } };
    expect(resolve(KEYBOARD_ALONE, key('KeyQ'), picked, null)).toEqual([{ kind: 'normalTo', point: [0, 0, 1], normal: [0, 0, 1] }]);
    expect(resolve(KEYBOARD_ALONE, key('KeyQ'), start, null)).toEqual([]);
    expect(resolve(KEYBOARD_ALONE, key('KeyK'), start, pick)).toEqual([{ kind: 'section', plane: { normal: [0, -1, 0], offset: expect.closeTo(-0.2, 12) } }]);
    expect(resolve(KEYBOARD_ALONE, key('KeyH'), picked, null)).toEqual([{ kind: 'show', parts: ['lid'], state: 'hidden' }]);
    expect(resolve(KEYBOARD_ALONE, key('KeyH'), start, null)).toEqual([]);
    expect(resolve(KEYBOARD_ALONE, key('KeyP'), start, null)).toEqual([{ kind: 'projection', projection: 'orthographic' }]);
    expect(bindingFor(KEYBOARD_ALONE, key('KeyH', 'ctrl'))).toBeNull();
  });
});

describe('the puck', () => {
  it('its reports come back from the parser as they were sent, to the resolution of the axes', () => {
    const stroke = fc.double({ min: -1, max: 1, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(stroke, stroke, stroke, stroke, stroke, stroke), fc.uniqueArray(fc.integer({ min: 1, max: 8 })), (axes, buttons) => {
        const found: (number | null)[] = [null, null, null, null, null, null];
        let pressed: readonly number[] = [];
        for (const report of puckReports(axes, buttons)) {
          const read = readMultiAxisReport(PUCK_DESCRIPTOR, report);
          for (const [i, v] of read.axes.entries()) if (v !== null) found[i] = v;
          if (read.buttons) pressed = read.buttons;
        }
        return (
          found.every((v, i) => v !== null && Math.abs(v - (axes[i] as number)) <= 0.5 / 350 + 1e-12) &&
          [...pressed].sort().join() === [...buttons].sort().join()
        );
      }),
    );
  });

  it('is read in any layout that a device declares: split or whole, 8 or 16 bits, signed or not, with or without ids', () => {
    const field = (usage: number, bitOffset: number, bits: number, min: number, max: number) => ({ usagePage: 0x01, usage, bitOffset, bits, min, max });
    const usages = [0x30, 0x31, 0x32, 0x33, 0x34, 0x35];
    const layouts = [
      // Translation and rotation in two reports of 16 signed bits.
      {
        bits: 16,
        min: -500,
        max: 500,
        descriptor: {
          reports: [0, 1].map((half) => ({ id: half + 1, fields: usages.slice(half * 3, half * 3 + 3).map((u, i) => field(u, i * 16, 16, -500, 500)) })),
        },
      },
      // All in one report of 8 bits from 0 to 255, behind an id.
      { bits: 8, min: 0, max: 255, descriptor: { reports: [{ id: 9, fields: usages.map((u, i) => field(u, i * 8, 8, 0, 255)) }] } },
      // All in one report without ids, 12 signed bits each, packed.
      { bits: 12, min: -2047, max: 2047, descriptor: { reports: [{ id: 0, fields: usages.map((u, i) => field(u, i * 12, 12, -2047, 2047)) }] } },
    ] as const;
    const stroke = fc.double({ min: -1, max: 1, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...layouts), fc.tuple(stroke, stroke, stroke, stroke, stroke, stroke), ({ bits, min, max, descriptor }, axes) => {
        const half = min < 0 ? max : (max - min) / 2;
        const middle = min < 0 ? 0 : (min + max) / 2;
        const found: (number | null)[] = Array(6).fill(null);
        for (const { id, fields } of descriptor.reports) {
          const data = new Uint8Array(Math.ceil((fields.length * bits) / 8));
          fields.forEach((f) => {
            const raw = Math.round(middle + (axes[usages.indexOf(f.usage)] as number) * half);
            for (let b = 0; b < bits; b++)
              if ((raw >> b) & 1) data[(f.bitOffset + b) >> 3] = (data[(f.bitOffset + b) >> 3] as number) | (1 << ((f.bitOffset + b) & 7));
          });
          const read = readMultiAxisReport(descriptor, { id, data });
          for (const [i, v] of read.axes.entries()) if (v !== null) found[i] = v;
          // One byte too few tells nothing of the last axis.
          expect(readMultiAxisReport(descriptor, { id, data: data.subarray(0, data.length - 1) }).axes).toContain(null);
        }
        return found.every((v, i) => v !== null && Math.abs(v - (axes[i] as number)) <= 0.5 / half + 1e-9);
      }),
    );
  });

  it('a report that is too short or unknown tells nothing', () => {
    expect(readMultiAxisReport(PUCK_DESCRIPTOR, { id: 1, data: new Uint8Array([1, 2]) }).axes).toEqual([null, null, null, null, null, null]);
    expect(readMultiAxisReport(PUCK_DESCRIPTOR, { id: 9, data: new Uint8Array(8) })).toEqual({ axes: [null, null, null, null, null, null], buttons: null });
  });

  it('rest stays rest, the full stroke gives its gain, and the curve is gentle near rest', () => {
    const axes = [0.05, -0.5, 1, -1, 0, 0] as const;
    const [a, b, c, d] = shapeAxes(axes, { deadZone: 0.06, curve: 2, gains: [1, 1, 2, 1, 1, 1] }, 0.1);
    expect(a).toBe(0);
    expect(b).toBeCloseTo(-(((0.5 - 0.06) / 0.94) ** 2) * 0.1, 12);
    expect([c, d]).toEqual([expect.closeTo(0.2, 12), expect.closeTo(-0.1, 12)]);
  });

  it('moving the model and moving the camera are each other’s opposite', () => {
    const camera = { ...SIX_AXIS_PUCK, options: { ...SIX_AXIS_PUCK.options, puck: { ...USUAL_PUCK, moves: 'camera' as const } } };
    const twist: Gesture = { kind: 'axes', axes: [0, 0, 0, 0, 0, 0.8], dt: 0.1 };
    const turned = (scheme: typeof camera): number =>
      resolve(scheme, twist, start, null).reduce((view, c) => navigate(view, c, { frame: FRAME }), start.view).orientation as unknown as number;
    const azimuth = (scheme: typeof camera): number =>
      anglesOf(turned(scheme) as unknown as typeof start.view.orientation).azimuth - anglesOf(start.view.orientation).azimuth;
    expect(azimuth(SIX_AXIS_PUCK as typeof camera)).toBeCloseTo(-azimuth(camera), 12);
    expect(azimuth(SIX_AXIS_PUCK as typeof camera)).toBeLessThan(0);
  });
});
