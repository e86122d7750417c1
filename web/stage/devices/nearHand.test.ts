import { KEYBOARD_ALONE, TWO_BUTTON_MOUSE } from '@core/input';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { FREE } from '../panes';
import type { GestureDispatch } from './gestureDispatch';
import { createNearHand } from './nearHandState';

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

const place = { at: { u: 0.1, v: 0.2 }, pane: FREE };
const pick = { point: [0, 0, 1], normal: [0, 0, 1], part: 'lid', depth: 3 } as const;
const pen = { pointerType: 'pen', timeStamp: 1000 };

function rig(scheme = TWO_BUTTON_MOUSE) {
  const shown: unknown[] = [];
  const dispatch = { pickAt: () => pick } as unknown as GestureDispatch;
  return {
    shown,
    near: createNearHand(
      dispatch,
      () => scheme,
      (at) => shown.push(at),
    ),
  };
}

it('opens over what lies there, is taken once, and closes with it', () => {
  const { near, shown } = rig();
  near.open(place, true);
  expect(near.take()).toMatchObject({ ...place, pick });
  expect(near.take()).toBeNull();
  expect(shown).toEqual([place.at, null]);
});

it('opened by its key it goes with the key, opened by a press it stays', () => {
  const byKey = rig();
  byKey.near.open(place, true);
  byKey.near.letGo();
  expect(byKey.shown).toEqual([place.at, null]);
  const byPress = rig();
  byPress.near.open(place, false);
  byPress.near.letGo();
  expect(byPress.shown).toEqual([place.at]);
  byPress.near.close();
  byPress.near.close();
  expect(byPress.shown).toEqual([place.at, null]);
});

it('a press that stays opens it; one that moved, ended or came from a mouse does not', () => {
  const stayed = rig();
  stayed.near.waitFor(pen, place, () => true);
  vi.advanceTimersByTime(499);
  expect(stayed.shown).toEqual([]);
  vi.advanceTimersByTime(2);
  expect(stayed.shown).toEqual([place.at]);
  for (const spoil of [
    (r: ReturnType<typeof rig>) => r.near.waitFor(pen, place, () => false),
    (r: ReturnType<typeof rig>) => r.near.waitFor({ ...pen, pointerType: 'mouse' }, place, () => true),
    (r: ReturnType<typeof rig>) => {
      r.near.waitFor(pen, place, () => true);
      r.near.stopWaiting();
    },
  ]) {
    const r = rig();
    spoil(r);
    vi.advanceTimersByTime(2000);
    expect(r.shown).toEqual([]);
  }
});

it('a long press is known by its times as well, and a scheme without a near hand has none', () => {
  const { near } = rig();
  near.waitFor(pen, place, () => false);
  expect(near.wasLong({ ...pen, timeStamp: 1499 })).toBe(false);
  expect(near.wasLong({ ...pen, timeStamp: 1500 })).toBe(true);
  const none = rig(KEYBOARD_ALONE);
  none.near.open(place, true);
  none.near.waitFor(pen, place, () => true);
  vi.advanceTimersByTime(2000);
  expect(none.shown).toEqual([]);
  expect(none.near.wasLong({ ...pen, timeStamp: 9000 })).toBe(false);
});
