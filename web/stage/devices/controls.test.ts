import type { CommandGroupId } from '@core/exercise';
import { heldSpeed, repeatedStep, TOUCH_SCREEN, TOUCHPAD, TWO_BUTTON_MOUSE } from '@core/input';
import { contextFor } from '@core/model';
import { scoreAttempt } from '@core/scoring';
import { attempt, crate, exerciseOf, start } from '@core/tests/practice';
import { FRAME_ASPECT, project } from '@core/view';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { type Aids, createAids } from '../aids';
import { createProbes } from '../probing/probes';
import { createRecorder, type Recorder } from '../recorder';
import { createSquareViews, type SquareViews } from '../squareViews';
import { prepared } from '../tests/prepared';
import { type Controls, connectControls } from './controls';
import type { DrawnRectangle } from './drags';

/** Keys that are held gather speed. */
const GATHERING = { ...TWO_BUTTON_MOUSE, options: { ...TWO_BUTTON_MOUSE.options, accelerate: true } };

/** A stand-in for the canvas: a place on the screen that hears events. */
class Place extends EventTarget {
  constructor(readonly box: { left: number; top: number; width: number; height: number }) {
    super();
  }
  getBoundingClientRect() {
    return this.box;
  }
  setPointerCapture(): void {}
  focus(): void {}
}

let frames: (() => void)[] = [];
beforeEach(() => {
  frames = [];
  vi.stubGlobal('window', new EventTarget());
  vi.stubGlobal('document', { querySelectorAll: () => [] });
  vi.stubGlobal('Element', class {});
  vi.stubGlobal('WheelEvent', { DOM_DELTA_LINE: 1 });
  vi.stubGlobal('requestAnimationFrame', (f: () => void) => frames.push(f));
  vi.stubGlobal('cancelAnimationFrame', () => {
    frames = [];
  });
});
afterEach(() => vi.unstubAllGlobals());

const draw = (): void => {
  const due = frames;
  frames = [];
  for (const f of due) f();
};

interface Marks {
  near: { u: number; v: number } | null;
  rectangle: DrawnRectangle | null;
  pivot: readonly [number, number, number] | null;
}

interface Rig {
  readonly place: Place;
  readonly session: Recorder;
  readonly aids: Aids;
  readonly sides: SquareViews;
  readonly marks: Marks;
  readonly controls: Controls;
  keyUp(code: string): void;
  send(kind: string, x: number, y: number, data: Record<string, unknown>): Event;
  pointer(kind: string, x: number, y: number, change?: Record<string, unknown>): void;
  wheel(x: number, y: number, deltaY: number): Event;
  key(code: string, change?: Record<string, unknown>): Event;
}

/** Positions are shares of the stage. */
function rig(width: number, height: number, left = 0, { seeing = false, more = [] as CommandGroupId[], scheme = TWO_BUTTON_MOUSE } = {}): Rig {
  const place = new Place({ left, top: 10, width, height });
  const session = createRecorder({ start, context: contextFor(crate, start), allowed: ['orbit', 'panZoom', 'standard', ...more] });
  const found = createProbes(prepared(crate.mesh));
  const probes = seeing ? found : { ...found, pick: () => null };
  const aids = createAids(session, probes);
  const sides = createSquareViews(session);
  const marks: Marks = { rectangle: null, pivot: null, near: null };
  const controls = connectControls({
    canvas: place as unknown as HTMLElement,
    session,
    sides,
    aids,
    probes,
    scheme: () => scheme,
    onRectangle: (rectangle) => {
      marks.rectangle = rectangle;
    },
    onPivot: (point) => {
      marks.pivot = point;
    },
    onPointer: () => {},
    onNearHand: (at) => {
      marks.near = at;
    },
  });
  const at = (x: number, y: number) => ({ clientX: left + x * width, clientY: 10 + y * height });
  const send = (target: EventTarget, kind: string, data: Record<string, unknown>): Event => {
    const event = Object.assign(new Event(kind, { cancelable: true }), {
      shiftKey: false,
      ctrlKey: false,
      altKey: false,
      metaKey: false,
      pointerId: 1,
      pointerType: 'mouse',
      button: 0,
      ...data,
    });
    // The moment of an event is on the page's clock, which a test may set.
    Object.defineProperty(event, 'timeStamp', { value: performance.now() });
    target.dispatchEvent(event);
    return event;
  };
  return {
    place,
    session,
    aids,
    sides,
    marks,
    controls,
    keyUp: (code) => void send(globalThis.window, 'keyup', { code }),
    pointer: (kind, x, y, change = {}) => void send(place, kind, { ...at(x, y), ...change }),
    wheel: (x, y, deltaY) => send(place, 'wheel', { ...at(x, y), deltaX: 0, deltaY, deltaMode: 0 }),
    send: (kind, x, y, data) => send(place, kind, { ...at(x, y), ...data }),
    key: (code, change = {}) => send(globalThis.window, 'keydown', { code, ...change }),
  };
}

function aWay(r: Rig): void {
  r.pointer('pointerdown', 0.5, 0.5);
  for (let i = 1; i <= 8; i++) {
    r.pointer('pointermove', 0.5 + i / 64, 0.5 + i / 128);
    draw();
  }
  r.pointer('pointerup', 0.625, 0.5625);
  r.wheel(0.25, 0.75, -200);
  draw();
  r.pointer('pointerdown', 0.25, 0.25, { button: 2 });
  r.pointer('pointermove', 0.375, 0.5, { button: 2 });
  draw();
  r.pointer('pointerup', 0.375, 0.5, { button: 2 });
}

it('the same way of the hand gives the same commands and the same score in every window', () => {
  const rigs = [rig(1600, 1000), rig(800, 500, 37), rig(3200, 2000)];
  for (const r of rigs) aWay(r);
  const commands = rigs.map((r) => r.session.moves.map((m) => m.command));
  expect(commands[0]?.map((c) => c.kind)).toEqual([...Array(8).fill('orbit'), 'zoom', 'pan']);
  expect(commands[1]).toEqual(commands[0]);
  expect(commands[2]).toEqual(commands[0]);
  const exercise = exerciseOf({ kind: 'matchView', target: start, subject: [] });
  const scores = commands.map((list) => scoreAttempt(exercise, crate, attempt(list)).score);
  expect(new Set(scores).size).toBe(1);
});

it('moves between two drawn frames become one command, and a drag is one gesture', () => {
  const r = rig(1600, 1000);
  r.pointer('pointerdown', 0.5, 0.5);
  for (let i = 1; i <= 10; i++) r.pointer('pointermove', 0.5 + i / 100, 0.5);
  draw();
  r.pointer('pointermove', 0.7, 0.5);
  r.pointer('pointerup', 0.7, 0.5);
  expect(r.session.moves.map((m) => m.command)).toMatchObject([
    { kind: 'orbit', dx: expect.closeTo(160, 6) },
    { kind: 'orbit', dx: expect.closeTo(160, 6) },
  ]);
  expect(new Set(r.session.moves.map((m) => m.gesture?.id)).size).toBe(1);
  expect(r.session.getState().fixes).toHaveLength(2);
});

it('a press without a move is a click, twice in one place a double click', () => {
  const r = rig(1600, 1000);
  for (let i = 0; i < 2; i++) {
    r.pointer('pointerdown', 0.5, 0.5);
    r.pointer('pointerup', 0.501, 0.5);
  }
  expect(r.session.moves.map((m) => m.command)).toEqual([{ kind: 'select', parts: [] }]);
});

it('Escape takes the running drag back, and what follows of it does nothing', () => {
  const r = rig(1600, 1000);
  r.pointer('pointerdown', 0.5, 0.5);
  r.pointer('pointermove', 0.6, 0.5);
  draw();
  r.key('Escape');
  expect(r.session.getState().scene.view).toEqual(start.view);
  r.pointer('pointermove', 0.9, 0.5);
  draw();
  r.pointer('pointerup', 0.9, 0.5);
  expect(r.session.moves.map((m) => m.command.kind)).toEqual(['orbit', 'cancel']);
});

it('the wheel never scrolls the page, a bound key is taken, another is left to the browser', () => {
  const r = rig(1600, 1000);
  expect(r.wheel(0.5, 0.5, 100).defaultPrevented).toBe(true);
  expect(r.key('ArrowLeft').defaultPrevented).toBe(true);
  expect(r.key('F5').defaultPrevented).toBe(false);
  expect(r.key('KeyO', { metaKey: true }).defaultPrevented).toBe(false);
});

it('repeated keys share a gesture; what is not allowed is refused in words and changes nothing', () => {
  const r = rig(1600, 1000);
  r.key('ArrowLeft');
  r.key('ArrowLeft');
  r.key('ArrowRight');
  expect(r.session.moves.map((m) => m.gesture?.id)).toEqual([1, 1, 2]);
  const before = r.session.getState().scene;
  r.key('KeyP');
  expect(r.session.getState().scene).toBe(before);
  expect(r.session.getState().refused?.words).toBe('Projection is not allowed in this exercise.');
});

it('a second button takes the running drag back', () => {
  const r = rig(1600, 1000);
  r.pointer('pointerdown', 0.5, 0.5, { buttons: 1 });
  r.pointer('pointermove', 0.6, 0.5, { buttons: 1 });
  draw();
  r.pointer('pointermove', 0.6, 0.5, { buttons: 3 });
  expect(r.session.getState().scene.view).toEqual(start.view);
  expect(r.session.moves.map((m) => m.command.kind)).toEqual(['orbit', 'cancel']);
});

it('a held key changes the pivot in mid-drag, and the stage shows what is turned about', () => {
  const r = rig(1600, 1000, 0, { seeing: true });
  r.pointer('pointerdown', 0.5, 0.55);
  r.pointer('pointermove', 0.55, 0.55);
  draw();
  const grabbed = r.marks.pivot;
  r.key('Space');
  r.pointer('pointermove', 0.6, 0.55);
  draw();
  expect(r.marks.pivot).not.toEqual(grabbed);
  r.keyUp('Space');
  r.pointer('pointermove', 0.65, 0.55);
  draw();
  expect(r.marks.pivot).toEqual(grabbed);
  const pivots = r.session.moves.map((m) => (m.command.kind === 'orbit' ? m.command.pivot : null));
  expect(pivots).toEqual([grabbed, expect.anything(), grabbed]);
  expect(pivots[1]).not.toEqual(grabbed);
  r.pointer('pointerup', 0.65, 0.55);
  expect(r.marks.pivot).toBeNull();
  // What was grabbed stayed under the hand.
  const p = project(r.session.getState().scene.view, grabbed as [number, number, number], FRAME_ASPECT);
  expect(Number.isFinite(p.u)).toBe(true);
});

it('a rectangle says at its corner what it will do, and a box picks what it touches', () => {
  const r = rig(1600, 1000, 0, { seeing: true });
  r.pointer('pointerdown', 0.3, 0.3, { shiftKey: true });
  r.pointer('pointermove', 0.6, 0.6);
  draw();
  expect(r.marks.rectangle?.word).toBe('zoom in');
  r.pointer('pointermove', 0.2, 0.6);
  draw();
  expect(r.marks.rectangle?.word).toBe('zoom out');
  r.key('Escape');
  expect(r.marks.rectangle).toBeNull();
  for (const [shiftKey, word] of [
    [false, 'touching'],
    [true, 'wholly inside'],
  ] as const) {
    r.pointer('pointerdown', 0.05, 0.05, { ctrlKey: true, shiftKey });
    r.pointer('pointermove', 0.95, 0.95);
    draw();
    expect(r.marks.rectangle?.word).toBe(word);
    r.pointer('pointerup', 0.95, 0.95);
  }
  expect(r.session.moves.map((m) => m.command)).toEqual(Array(2).fill({ kind: 'select', parts: ['crate', 'lid', 'knob'] }));
});

it('a key that is held zooms as long as it is down, gently at first where the scheme says so, in one gesture', () => {
  vi.useFakeTimers({ toFake: ['performance'] });
  const r = rig(1600, 1000, 0, { scheme: GATHERING });
  r.key('PageUp');
  for (let i = 0; i < 5; i++) {
    vi.advanceTimersByTime(20);
    r.key('PageUp', { repeat: true });
    draw();
  }
  r.keyUp('PageUp');
  draw();
  draw();
  vi.useRealTimers();
  // A tenth of a second in pieces of a sixtieth.
  expect(r.session.moves).toHaveLength(6);
  expect(new Set(r.session.moves.map((m) => m.gesture?.id)).size).toBe(1);
  const factor = r.session.moves.reduce((product, m) => product * (m.command.kind === 'zoom' ? m.command.factor : 1), 1);
  const seconds = [1, 2, 3, 4, 5, 6].reduce((sum, n) => sum + heldSpeed(n / 60) / 60, 0);
  expect(factor).toBeCloseTo(2 ** (1.5 * seconds), 4);
});

it('keys held for the same time give the same commands, however late pictures come and however many are dropped', () => {
  vi.useFakeTimers({ toFake: ['performance'] });
  const made = (pictureAfter: (n: number) => number) => {
    const r = rig(1600, 1000, 0, { scheme: GATHERING });
    let [gone, n] = [0, 0];
    /** Lets time pass, with pictures now and then. */
    const pass = (ms: number): void => {
      for (const until = gone + ms; gone < until; ) {
        const step = Math.min(until - gone, pictureAfter(n++));
        gone += step;
        vi.advanceTimersByTime(step);
        if (gone < until) draw();
      }
    };
    pass(50);
    r.key('PageUp');
    pass(333);
    r.keyUp('PageUp');
    pass(40);
    r.controls.disconnect();
    const opened = r.session.moves[0]?.t ?? 0;
    return r.session.moves.map(({ t, command }) => ({ t: Math.round((t - opened) * 1e3), command }));
  };
  const smooth = made(() => 16);
  expect(smooth).toHaveLength(20);
  expect(made(() => 33)).toEqual(smooth);
  expect(made((n) => (n % 5 === 2 ? 180 : 9))).toEqual(smooth);
  expect(made(() => 1000)).toEqual(smooth);
  vi.useRealTimers();
});

it('a key that repeats slides in larger steps, and begins anew when it is pressed again', () => {
  const r = rig(1600, 1000, 0, { scheme: GATHERING });
  const steps = (): number[] => r.session.moves.map((m) => (m.command.kind === 'pan' ? Math.abs(m.command.dx) : Number.NaN));
  r.key('ArrowLeft', { altKey: true });
  for (let i = 0; i < 12; i++) r.key('ArrowLeft', { altKey: true, repeat: true });
  expect(steps().slice(0, 5)).toEqual([50, 50, 50, 50, 50]);
  expect(steps().at(-1)).toBe(50 * repeatedStep(12));
  r.key('ArrowLeft', { altKey: true });
  expect(steps().at(-1)).toBe(50);
});

it('in four views a square one slides and zooms by itself, and leaves no trace', () => {
  const r = rig(1600, 1000, 0, { seeing: true });
  r.key('KeyM');
  expect(r.aids.getState().fourViews).toBe(true);
  const before = r.sides.getState();
  // The top view is at the upper left: a drag that would orbit slides it.
  r.pointer('pointerdown', 0.25, 0.25);
  r.pointer('pointermove', 0.3, 0.25);
  draw();
  r.pointer('pointerup', 0.3, 0.25);
  const { top, front } = r.sides.getState();
  expect(front).toBe(before.front);
  expect(top.orientation).toEqual(before.top.orientation);
  const moved = project(top, before.top.target, FRAME_ASPECT);
  // A twentieth of the stage is a tenth of the pane.
  expect(moved.u).toBeCloseTo(0.1 * FRAME_ASPECT, 6);
  r.wheel(0.25, 0.25, -100);
  draw();
  expect(r.sides.getState().top.distance).toBeLessThan(top.distance);
  expect(r.session.moves).toEqual([]);
  // A click there picks for all views, and the free one still turns.
  r.pointer('pointerdown', 0.25, 0.75);
  r.pointer('pointerup', 0.25, 0.75);
  expect(r.session.getState().scene.selection.parts).toHaveLength(1);
  r.pointer('pointerdown', 0.75, 0.25);
  r.pointer('pointermove', 0.8, 0.25);
  draw();
  expect(r.session.moves.at(-1)?.command.kind).toBe('orbit');
});

it('standing inside is not begun where it is not allowed', () => {
  const refused = rig(1600, 1000, 0, { seeing: true });
  refused.pointer('pointermove', 0.5, 0.4);
  refused.key('KeyY');
  expect(refused.aids.getState().standing).toBe(false);
  expect(refused.session.getState().refused?.words).toMatch(/not allowed/);
});

it('standing inside, held arrows walk in explicit steps', () => {
  vi.useFakeTimers({ toFake: ['performance'] });
  const r = rig(1600, 1000, 0, { seeing: true, more: ['walk', 'projection'] });
  const lid = project(start.view, [0, 0, 1.15], FRAME_ASPECT);
  r.pointer('pointermove', lid.u / FRAME_ASPECT + 0.5, 0.5 - lid.v);
  r.key('KeyY');
  expect(r.aids.getState().standing).toBe(true);
  const count = r.session.moves.length;
  r.key('ArrowUp');
  for (let i = 0; i < 3; i++) {
    vi.advanceTimersByTime(50);
    draw();
  }
  r.keyUp('ArrowUp');
  vi.useRealTimers();
  const walked = r.session.moves.slice(count).map((m) => m.command);
  // 150 ms in pieces of a sixtieth of a second.
  expect(walked.map((c) => c.kind)).toEqual(Array(9).fill('walk'));
  expect(walked[0]).toMatchObject({ forward: expect.closeTo(1.4, 9), dt: expect.closeTo(1 / 60, 6), onGround: true });
  r.wheel(0.5, 0.5, -100);
  draw();
  expect(r.aids.getState().speed).toBeCloseTo(1.4 * 1.2, 9);
  r.key('KeyY');
  expect(r.aids.getState().standing).toBe(false);
});

it('on a touch screen one finger orbits, two slide, zoom and roll in the same gesture, and a tap picks', () => {
  const r = rig(1600, 1000, 0, { seeing: true, scheme: TOUCH_SCREEN });
  const finger = (kind: string, id: number, x: number, y: number): void => r.pointer(kind, x, y, { pointerType: 'touch', pointerId: id });
  finger('pointerdown', 1, 0.5, 0.55);
  finger('pointermove', 1, 0.52, 0.55);
  draw();
  finger('pointerdown', 2, 0.6, 0.55);
  finger('pointermove', 1, 0.48, 0.55);
  finger('pointermove', 2, 0.64, 0.55);
  draw();
  finger('pointerup', 2, 0.64, 0.55);
  finger('pointerup', 1, 0.48, 0.55);
  const kinds = r.session.moves.map((m) => m.command.kind);
  expect(kinds[0]).toBe('orbit');
  expect(kinds).toContain('zoom');
  const zoom = r.session.moves.find((m) => m.command.kind === 'zoom')?.command as { factor: number };
  // From 0.08 to 0.16 of the stage apart.
  expect(zoom.factor).toBeCloseTo(2, 6);
  expect(new Set(r.session.moves.map((m) => m.gesture?.id)).size).toBe(1);
  expect(r.session.moves.every((m) => m.gesture?.device === 'touch')).toBe(true);
  finger('pointerdown', 1, 0.5, 0.55);
  finger('pointerup', 1, 0.5, 0.55);
  expect(r.session.moves.at(-1)?.command).toMatchObject({ kind: 'select', parts: [expect.any(String)] });
});

it('a long press shows the near hand, and a word of it goes with the hand', () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  const r = rig(1600, 1000, 0, { seeing: true, scheme: TOUCH_SCREEN });
  r.pointer('pointerdown', 0.5, 0.55, { pointerType: 'touch' });
  vi.advanceTimersByTime(600);
  vi.useRealTimers();
  expect(r.marks.near).toEqual({ u: expect.closeTo(0, 6), v: expect.closeTo(-0.05, 6) });
  r.pointer('pointerup', 0.5, 0.55, { pointerType: 'touch' });
  expect(r.session.moves).toEqual([]);
  r.controls.useWord({ kind: 'move', does: 'pan' }, { pointerId: 7, clientX: 800, clientY: 560, pointerType: 'touch' });
  expect(r.marks.near).toBeNull();
  r.pointer('pointermove', 0.6, 0.55, { pointerType: 'touch', pointerId: 7 });
  draw();
  r.pointer('pointerup', 0.6, 0.55, { pointerType: 'touch', pointerId: 7 });
  expect(r.session.moves.map((m) => m.command)).toMatchObject([{ kind: 'pan', dx: expect.closeTo(160, 6) }]);
});

it('while its key is held the near hand stands at the pointer; let go and it is away', () => {
  const r = rig(1600, 1000, 0, { seeing: true, more: ['recover'] });
  r.pointer('pointermove', 0.5, 0.55);
  r.key('Space');
  expect(r.marks.near).not.toBeNull();
  r.keyUp('Space');
  expect(r.marks.near).toBeNull();
  r.key('Space');
  r.controls.useWord({ kind: 'command', command: { kind: 'fit', what: 'all' } }, null);
  expect(r.session.moves.map((m) => m.command.kind)).toEqual(['fit']);
});

it('on a touchpad two fingers orbit with what is under them and spread to zoom; a mouse’s wheel stays a wheel', () => {
  const r = rig(1600, 1000, 0, { scheme: TOUCHPAD });
  // Scrolled by 100 pixels: the fingers, and what is under them, went up a tenth of the frame.
  r.wheel(0.5, 0.5, 100);
  draw();
  expect(r.session.moves.at(-1)?.command).toMatchObject({ kind: 'orbit', dy: expect.closeTo(-100, 6) });
  r.send('wheel', 0.5, 0.5, { deltaY: -100, deltaX: 0, deltaMode: 0, ctrlKey: true });
  draw();
  expect(r.session.moves.at(-1)?.command).toMatchObject({ kind: 'zoom', factor: expect.closeTo(Math.E, 9) });
  expect(r.session.moves.at(-1)?.gesture?.device).toBe('touchpad');
});

it('the wheel ticks of one turn are one gesture, after a rest another', () => {
  vi.useFakeTimers({ toFake: ['performance'] });
  const r = rig(1600, 1000);
  for (const pause of [0, 100, 300, 500, 100]) {
    vi.advanceTimersByTime(pause);
    r.wheel(0.5, 0.5, -100);
    draw();
  }
  vi.useRealTimers();
  const ids = r.session.moves.map((m) => m.gesture?.id);
  expect(ids).toHaveLength(5);
  expect(new Set(ids.slice(0, 3)).size).toBe(1);
  expect(ids[3]).not.toBe(ids[2]);
  expect(ids[4]).toBe(ids[3]);
});

it('ticks between two pictures add up to one step', () => {
  const once = rig(1600, 1000);
  once.wheel(0.5, 0.5, -300);
  draw();
  const thrice = rig(1600, 1000);
  for (let i = 0; i < 3; i++) thrice.wheel(0.5, 0.5, -100);
  draw();
  expect(thrice.session.moves.map((m) => m.command)).toEqual(once.session.moves.map((m) => m.command));
});

it('disconnected, nothing is heard any more', () => {
  const r = rig(1600, 1000);
  r.pointer('pointerdown', 0.5, 0.5);
  r.pointer('pointermove', 0.6, 0.5);
  r.controls.disconnect();
  draw();
  r.pointer('pointermove', 0.7, 0.5);
  r.pointer('pointerup', 0.7, 0.5);
  r.wheel(0.5, 0.5, 100);
  r.key('KeyO');
  draw();
  expect(r.session.moves).toEqual([]);
});
