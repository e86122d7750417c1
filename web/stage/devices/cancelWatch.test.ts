import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { untilCancelled } from './cancelWatch';

let page: EventTarget;
beforeEach(() => {
  page = new EventTarget();
  vi.stubGlobal('window', page);
});
afterEach(() => vi.unstubAllGlobals());

const send = (kind: string, data: object): Event => {
  const event = Object.assign(new Event(kind, { cancelable: true }), data);
  page.dispatchEvent(event);
  return event;
};

it('Escape takes back once, and is nobody else’s then', () => {
  const taken = vi.fn();
  untilCancelled(taken);
  expect(send('keydown', { code: 'KeyA' }).defaultPrevented).toBe(false);
  expect(taken).not.toHaveBeenCalled();
  expect(send('keydown', { code: 'Escape' }).defaultPrevented).toBe(true);
  expect(send('keydown', { code: 'Escape' }).defaultPrevented).toBe(false);
  expect(taken).toHaveBeenCalledTimes(1);
});

it('a second button takes back, moving with one does not', () => {
  const taken = vi.fn();
  untilCancelled(taken);
  send('pointermove', { buttons: 1 });
  send('pointermove', { buttons: 0 });
  expect(taken).not.toHaveBeenCalled();
  send('pointermove', { buttons: 3 });
  send('pointermove', { buttons: 3 });
  expect(taken).toHaveBeenCalledTimes(1);
});

it('what ended by itself cannot be taken back any more', () => {
  const taken = vi.fn();
  const end = untilCancelled(taken);
  end();
  send('keydown', { code: 'Escape' });
  send('pointermove', { buttons: 5 });
  expect(taken).not.toHaveBeenCalled();
});
