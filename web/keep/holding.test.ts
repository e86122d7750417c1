import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { hold } from './holding';

/** Pages without a secure context have no locks: tabs see each other by signs of life. */
const stored = new Map<string, string>();
beforeEach(() => {
  vi.useFakeTimers({ now: 1_000_000 });
  stored.clear();
  vi.stubGlobal('navigator', {});
  vi.stubGlobal('window', { addEventListener: () => {}, removeEventListener: () => {} });
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => stored.get(key) ?? null,
    setItem: (key: string, value: string) => void stored.set(key, value),
    removeItem: (key: string) => void stored.delete(key),
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

it('one tab holds an attempt as long as it lives; let go, the next may', async () => {
  const letGo = await hold('attempt 1');
  expect(letGo).not.toBeNull();
  vi.advanceTimersByTime(60_000);
  expect(await hold('attempt 1')).toBeNull();
  expect(await hold('attempt 2')).not.toBeNull();
  letGo?.();
  expect(await hold('attempt 1')).not.toBeNull();
});

it('a tab that is gone without a word holds nothing for long', async () => {
  stored.set('dial-home-hold attempt 1', `gone ${Date.now()}`);
  expect(await hold('attempt 1')).toBeNull();
  vi.advanceTimersByTime(10_001);
  expect(await hold('attempt 1')).not.toBeNull();
});
