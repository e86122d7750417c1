import { bindingFor, type Gesture, KEYBOARD_ALONE, TWO_BUTTON_MOUSE } from '@core/input';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Recorder } from '../recorder';
import type { GestureContext, GestureDispatch } from './gestureDispatch';
import { createKeys } from './keys';
import type { NearHandState } from './nearHandState';

class Part {
  constructor(
    readonly taking: boolean,
    readonly holds: object | null = null,
  ) {}
  closest(): Part | null {
    return this.taking ? this : null;
  }
  contains(other: object): boolean {
    return this.holds === other;
  }
}
const canvas = {} as HTMLElement;
let sheet: Part | null = null;
beforeEach(() => {
  sheet = null;
  vi.stubGlobal('Element', Part);
  vi.stubGlobal('document', { querySelectorAll: () => (sheet ? [sheet] : []) });
  vi.stubGlobal('requestAnimationFrame', () => 1);
  vi.stubGlobal('cancelAnimationFrame', () => {});
});
afterEach(() => vi.unstubAllGlobals());

function rig(scheme = TWO_BUTTON_MOUSE, dragging = false) {
  const done: { gesture: Gesture; doing: GestureContext }[] = [];
  const heard: string[] = [];
  let gestures = 0;
  const dispatch = {
    bindingFor: (gesture: Gesture) => bindingFor(scheme, gesture),
    dispatch: (gesture: Gesture, doing: GestureContext) => done.push({ gesture, doing }) > 0,
    pickAt: () => null,
    holdPivot: (down: boolean) => heard.push(`pivot ${down}`),
  } as unknown as GestureDispatch;
  const nearHand = { open: () => heard.push('open'), close: () => heard.push('close'), letGo: () => heard.push('let go') } as unknown as NearHandState;
  const keys = createKeys({
    canvas,
    session: { newGesture: () => ++gestures } as unknown as Recorder,
    dispatch,
    scheme: () => scheme,
    nearHand,
    hover: () => null,
    dragging: () => dragging,
    cancel: () => heard.push('cancel'),
    request: () => heard.push('request'),
    frames: () => () => {},
    onGesture: (gesture) => heard.push(gesture.kind === 'key' ? `unbound ${gesture.code}` : gesture.kind),
  });
  const press = (code: string, change: object = {}): boolean => {
    let taken = false;
    const none = { shiftKey: false, ctrlKey: false, altKey: false, metaKey: false, repeat: false, defaultPrevented: false, target: null };
    keys.down({ code, ...none, preventDefault: () => (taken = true), ...change } as unknown as KeyboardEvent);
    return taken;
  };
  const lift = (code: string): void => keys.up({ code } as KeyboardEvent);
  return { done, heard, press, lift };
}

describe('keys that are someone else’s', () => {
  it('are left alone: in a field, while a sheet is open, already answered, or with the system’s key', () => {
    const { press, done } = rig();
    expect(press('KeyO', { target: new Part(true) })).toBe(false);
    expect(press('KeyO', { metaKey: true })).toBe(false);
    expect(press('KeyO', { defaultPrevented: true })).toBe(false);
    sheet = new Part(false);
    expect(press('KeyO')).toBe(false);
    sheet = null;
    expect(done).toEqual([]);
    expect(press('KeyO', { target: new Part(false) })).toBe(true);
    expect(done).toHaveLength(1);
  });

  it('are the stage’s own where the sheet holds the stage', () => {
    const { press, done } = rig();
    sheet = new Part(false, canvas);
    expect(press('KeyO', { target: new Part(false) })).toBe(true);
    expect(done).toHaveLength(1);
  });

  it('that nothing is bound to are told once, to those who look for habits', () => {
    const { press, heard } = rig();
    expect(press('F7')).toBe(false);
    press('F7', { repeat: true });
    expect(heard).toEqual(['unbound F7']);
  });
});

describe('keys of the stage', () => {
  it('repeats are one gesture, another key is another', () => {
    const { press, done } = rig();
    press('ArrowLeft');
    press('ArrowLeft', { repeat: true });
    press('ArrowLeft', { repeat: true });
    press('ArrowRight');
    expect(done.map(({ doing }) => doing.id)).toEqual([1, 1, 1, 2]);
    expect(done.map(({ gesture }) => (gesture.kind === 'key' ? gesture.repeats : null))).toEqual([0, 1, 2, 0]);
  });

  it('an aid is turned on once, however long its key is held', () => {
    const { press, done } = rig();
    press('KeyA');
    press('KeyA', { repeat: true });
    expect(done).toHaveLength(1);
  });

  it('Escape takes a running drag back, and else closes the near hand', () => {
    const dragging = rig(TWO_BUTTON_MOUSE, true);
    dragging.press('Escape');
    expect(dragging.heard).toEqual(['cancel']);
    const idle = rig();
    idle.press('Escape');
    expect(idle.heard[0]).toBe('close');
  });

  it('Space opens the near hand, and in the middle of a drag turns about something else, until it is let go', () => {
    const idle = rig();
    expect(idle.press('Space')).toBe(true);
    idle.press('Space', { repeat: true });
    idle.lift('Space');
    expect(idle.heard.filter((word) => word !== 'unbound Space')).toEqual(['open', 'let go']);
    const dragging = rig(TWO_BUTTON_MOUSE, true);
    dragging.press('Space');
    dragging.lift('Space');
    expect(dragging.heard.filter((word) => word.startsWith('pivot'))).toEqual(['pivot true', 'pivot false']);
  });

  it('a scheme without a near hand leaves Space alone', () => {
    const { press, heard } = rig(KEYBOARD_ALONE);
    expect(press('Space')).toBe(false);
    expect(heard).not.toContain('open');
  });
});
