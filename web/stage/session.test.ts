import { contextFor } from '@core/scoring';
import { crate, start } from '@core/tests/practice';
import { checkTrace, replay, type Trace } from '@core/trace';
import { expect, it } from 'vitest';
import { createSession } from './session';

const context = contextFor(crate, start);
const session = () => createSession({ start, context, allowed: ['orbit', 'panZoom', 'recover', 'show'] });
const traceOf = (s: ReturnType<typeof session>): Trace => ({
  version: 1,
  exercise: { id: 'e', version: 1 },
  model: { id: 'm', revision: 1 },
  scheme: { id: 'two-button-mouse', revision: 1 },
  start,
  seed: 0,
  moves: [...s.moves],
  events: [...s.events],
  end: s.time(),
});

it('its record replays to the scene it shows, and would be taken by the server', () => {
  const s = session();
  const id = s.newGesture();
  s.perform([{ kind: 'orbit', dx: 40, dy: 10, mode: 'turntable' }], { id, device: 'mouse', binding: 'left drag' });
  s.perform([{ kind: 'orbit', dx: 40, dy: 10, mode: 'turntable' }], { id, device: 'mouse', binding: 'left drag' });
  s.perform([{ kind: 'zoom', factor: 2 }]);
  s.perform([{ kind: 'back' }]);
  const trace = traceOf(s);
  expect(replay(trace, context).at(-1)).toEqual(s.getState().scene);
  expect(checkTrace(trace, { start, allowed: ['orbit', 'panZoom', 'recover'], partIds: new Set(), steps: 1, elapsed: 60 })).toBeNull();
  expect(trace.events.map((e) => e.kind)).toEqual(['begin']);
});

it('plots a fix a gesture, with a label, and keeps those ahead until a new way is taken', () => {
  const s = session();
  s.perform([{ kind: 'zoom', factor: 2 }]);
  s.perform([{ kind: 'turn', axis: 'left', angle: 1 }]);
  expect(s.getState().fixes.map((f) => f.label)).toEqual(['start', 'zoom', 'turn']);
  s.perform([{ kind: 'back' }]);
  expect(s.getState()).toMatchObject({ at: 1 });
  expect(s.getState().fixes.map((f) => f.label)).toEqual(['start', 'zoom', 'turn']);
  s.perform([{ kind: 'pan', dx: 9, dy: 0 }]);
  expect(s.getState().fixes.map((f) => f.label)).toEqual(['start', 'zoom', 'pan']);
});

it('refuses what is not allowed, in words, each time anew, and records nothing of it', () => {
  const s = session();
  s.perform([{ kind: 'standard', name: 'front' }]);
  const first = s.getState().refused;
  s.perform([{ kind: 'standard', name: 'front' }]);
  expect(first?.words).toBe('Look from the front is not allowed in this exercise.');
  expect(s.getState().refused).not.toBe(first);
  expect(s.moves).toEqual([]);
  expect(s.events).toEqual([]);
});

it('a pause is ended by the next movement, and never doubled', () => {
  const s = session();
  s.perform([{ kind: 'home' }]);
  s.event({ kind: 'pause' });
  s.event({ kind: 'pause' });
  s.perform([{ kind: 'zoom', factor: 2 }]);
  expect(s.events.map((e) => e.kind)).toEqual(['begin', 'pause', 'resume']);
});

it('times never go back and single steps glide', () => {
  const s = session();
  for (let i = 0; i < 50; i++) s.perform([{ kind: 'roll', angle: 0.01 }]);
  const times = s.moves.map((m) => m.t);
  expect([...times].sort((a, b) => a - b)).toEqual(times);
  expect(s.getState().glide).toBe(false);
  s.perform([{ kind: 'fit', what: 'all' }]);
  expect(s.getState().glide).toBe(true);
});
