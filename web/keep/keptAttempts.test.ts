import { afterEach, expect, it, vi } from 'vitest';
import { canKeep, inTime } from './keptAttempts';

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

it('a browser that does not answer keeps nothing, and nobody waits for it', async () => {
  vi.useFakeTimers();
  vi.stubGlobal('indexedDB', { open: () => ({}) });
  const kept = canKeep();
  await vi.advanceTimersByTimeAsync(5000);
  expect(await kept).toBe(false);
});

it('what comes in time is taken, and a refusal stays one', async () => {
  expect(await inTime(Promise.resolve(3))).toBe(3);
  await expect(inTime(Promise.reject(new Error('no room')))).rejects.toThrow('no room');
});
