import { TWO_BUTTON_MOUSE } from '@core/input';
import { contextFor, scoreAttempt } from '@core/scoring';
import { attempt, crate, exerciseOf, start } from '@core/tests/practice';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { connectControls } from './controls';
import { createSession, type Session } from './session';

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
  vi.stubGlobal('document', { querySelector: () => null });
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

interface Rig {
  readonly place: Place;
  readonly session: Session;
  pointer(kind: string, x: number, y: number, change?: Record<string, unknown>): void;
  wheel(x: number, y: number, deltaY: number): Event;
  key(code: string, change?: Record<string, unknown>): Event;
}

/** Positions are shares of the stage. */
function rig(width: number, height: number, left = 0): Rig {
  const place = new Place({ left, top: 10, width, height });
  const session = createSession({ start, context: contextFor(crate, start), allowed: ['orbit', 'panZoom', 'standard'] });
  connectControls({
    canvas: place as unknown as HTMLElement,
    session,
    scheme: () => TWO_BUTTON_MOUSE,
    pick: () => null,
    onRectangle: () => {},
    onGrab: () => {},
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
    target.dispatchEvent(event);
    return event;
  };
  return {
    place,
    session,
    pointer: (kind, x, y, change = {}) => void send(place, kind, { ...at(x, y), ...change }),
    wheel: (x, y, deltaY) => send(place, 'wheel', { ...at(x, y), deltaY, deltaMode: 0 }),
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
