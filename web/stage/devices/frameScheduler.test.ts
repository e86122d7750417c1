import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { browserFrames } from '../frames';
import { createFrameScheduler } from './frameScheduler';

let frames: (() => void)[] = [];
beforeEach(() => {
  frames = [];
  vi.stubGlobal('requestAnimationFrame', (f: () => void) => frames.push(f));
  vi.stubGlobal('cancelAnimationFrame', (id: number) => {
    frames.splice(id - 1, 1);
  });
});
afterEach(() => vi.unstubAllGlobals());
const draw = (): void => {
  for (const f of frames.splice(0)) f();
};

it('however often it is asked, work is done once, with the next picture', () => {
  const work = vi.fn();
  const scheduler = createFrameScheduler(browserFrames, work);
  for (let i = 0; i < 5; i++) scheduler.request();
  expect(work).not.toHaveBeenCalled();
  draw();
  draw();
  expect(work).toHaveBeenCalledTimes(1);
  scheduler.request();
  draw();
  expect(work).toHaveBeenCalledTimes(2);
});

it('work that asks again gets the picture after', () => {
  let left = 3;
  const scheduler = createFrameScheduler(browserFrames, () => {
    if (--left > 0) scheduler.request();
  });
  scheduler.request();
  for (let i = 0; i < 10; i++) draw();
  expect(left).toBe(0);
});

it('what was dropped is not done', () => {
  const work = vi.fn();
  const scheduler = createFrameScheduler(browserFrames, work);
  scheduler.request();
  scheduler.drop();
  draw();
  expect(work).not.toHaveBeenCalled();
  scheduler.request();
  draw();
  expect(work).toHaveBeenCalledTimes(1);
});
