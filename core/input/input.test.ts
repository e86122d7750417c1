import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { navigate } from '../navigation';
import { Command } from '../navigation/command';
import { start } from '../tests/practice';
import { anglesOf, FRAME } from '../view';
import { shapeAxes, USUAL_PUCK } from './axes';
import { bindingFor, findConflicts, triggerWords, unreachable } from './bindings';
import type { Gesture, Pick } from './gesture';
import { PUCK_DESCRIPTOR, puckReports, readMultiAxisReport } from './multiAxis';
import { resolve } from './resolve';
import { schemeSchema } from './schemeSchema';
import { BUILT_IN_SCHEMES, KEYBOARD_ALONE, SIX_AXIS_PUCK, THREE_BUTTON_MOUSE, TWO_BUTTON_MOUSE } from './schemes';
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
    expect(unreachable(THREE_BUTTON_MOUSE, mouse).map(triggerWords)).toEqual(['middle drag', 'Shift + middle drag']);
    expect(unreachable(KEYBOARD_ALONE, { ...mouse, keyboard: false })).toHaveLength(KEYBOARD_ALONE.bindings.length);
  });

  it('a gesture set twice is a conflict', () => {
    const scheme = { ...KEYBOARD_ALONE, bindings: [...KEYBOARD_ALONE.bindings, ...KEYBOARD_ALONE.bindings.slice(0, 1)] };
    expect(findConflicts(scheme)).toEqual([{ first: 0, second: KEYBOARD_ALONE.bindings.length, words: '1 is set twice' }]);
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
    expect(resolve(TWO_BUTTON_MOUSE, drag('left', -0.3, 0.2, ['shift'], true), start, pick)).toEqual([
      { kind: 'zoomRegion', u0: -0.3, u1: 0, v0: 0, v1: 0.2, depth: 4 },
    ]);
    expect(resolve(TWO_BUTTON_MOUSE, drag('left', 0.003, 0.2, ['shift'], true), start, pick)).toEqual([]);
  });

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
