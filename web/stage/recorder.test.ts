import { contextFor } from '@core/model';
import { type Command, commandTable, EMPTY_HISTORY } from '@core/navigation';
import { crate, start } from '@core/tests/practice';
import { checkTrace, replay, TRACE_FORMAT, type Trace } from '@core/trace';
import { expect, it, vi } from 'vitest';
import { labelOf } from './fixLabels';
import { createRecorder } from './recorder';

const context = contextFor(crate, start);
const session = () => createRecorder({ start, context, allowed: ['orbit', 'panZoom', 'recover', 'show'] });
/** Does commands as one gesture by itself. */
const perform = (s: ReturnType<typeof session>, ...commands: readonly Command[]): boolean =>
  s.perform(commands, { id: s.newGesture(), device: 'keyboard', binding: 'Z' });
const traceOf = (s: ReturnType<typeof session>): Trace => ({
  format: TRACE_FORMAT,
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
  perform(s, { kind: 'zoom', factor: 2 });
  perform(s, { kind: 'back' });
  const trace = traceOf(s);
  expect(replay(trace, context).at(-1)).toEqual({ ...s.getState().scene, history: EMPTY_HISTORY });
  expect(checkTrace(trace, { start, allowed: ['orbit', 'panZoom', 'recover'], partIds: new Set(), steps: 1, elapsed: 60 })).toBeNull();
  expect(trace.events.map((e) => e.kind)).toEqual(['begin']);
});

it('plots a fix a gesture, with a label, and keeps those ahead until a new way is taken', () => {
  const s = session();
  perform(s, { kind: 'zoom', factor: 2 });
  perform(s, { kind: 'turn', axis: 'left', angle: 1 });
  expect(s.getState().fixes.map((f) => f.label)).toEqual(['start', 'zoom', 'turn']);
  perform(s, { kind: 'back' });
  expect(s.getState()).toMatchObject({ at: 1 });
  expect(s.getState().fixes.map((f) => f.label)).toEqual(['start', 'zoom', 'turn']);
  perform(s, { kind: 'pan', dx: 9, dy: 0 });
  expect(s.getState().fixes.map((f) => f.label)).toEqual(['start', 'zoom', 'pan']);
});

it('refuses what is not allowed, in words, each time anew, and records nothing of it', () => {
  const s = session();
  perform(s, { kind: 'standard', name: 'front' });
  const first = s.getState().refused;
  perform(s, { kind: 'standard', name: 'front' });
  expect(first?.words).toBe('Look from the front is not allowed in this exercise.');
  expect(s.getState().refused).not.toBe(first);
  expect(s.moves).toEqual([]);
  expect(s.events).toEqual([]);
});

it('a pause is ended by the next movement, and never doubled', () => {
  const s = session();
  perform(s, { kind: 'home' });
  s.event({ kind: 'pause' });
  s.event({ kind: 'pause' });
  perform(s, { kind: 'zoom', factor: 2 });
  expect(s.events.map((e) => e.kind)).toEqual(['begin', 'pause', 'resume']);
});

it('times never go back and single steps glide', () => {
  const s = session();
  for (let i = 0; i < 50; i++) perform(s, { kind: 'roll', angle: 0.01 });
  const times = s.moves.map((m) => m.t);
  expect([...times].sort((a, b) => a - b)).toEqual(times);
  expect(s.getState().glide).toBe(false);
  perform(s, { kind: 'fit', what: 'all' });
  expect(s.getState().glide).toBe(true);
});

it('names a gesture after what it did most, and never by a name from the code', () => {
  const s = session();
  const id = s.newGesture();
  const fingers = { id, device: 'touch', binding: 'two fingers' } as const;
  s.perform(
    [
      { kind: 'pan', dx: 60, dy: 0 },
      { kind: 'zoom', factor: 1.01 },
    ],
    fingers,
  );
  s.perform(
    [
      { kind: 'pan', dx: 80, dy: 10 },
      { kind: 'zoom', factor: 0.99 },
    ],
    fingers,
  );
  expect(s.getState().fixes.map((f) => f.label)).toEqual(['start', 'pan']);
  perform(s, { kind: 'pan', dx: 4, dy: 0 }, { kind: 'zoom', factor: 1.6 });
  expect(s.getState().fixes.map((f) => f.label)).toEqual(['start', 'pan', 'zoom']);
  for (const kind of Object.keys(commandTable)) expect(labelOf({ kind, name: 'front' } as Command), kind).toMatch(/^[a-z ]+$/);
});

it('calls a view that is recalled by its name: one fix', () => {
  const s = session();
  s.perform(
    [
      { kind: 'turn', axis: 'left', angle: 1 },
      { kind: 'zoom', factor: 2 },
    ],
    { id: s.newGesture(), device: 'interface', binding: 'saved view' },
    { name: 'The ladder' },
  );
  expect(s.getState().fixes.map((f) => f.label)).toEqual(['start', 'The ladder']);
});

it('a command that changes nothing makes no fix', () => {
  const s = createRecorder({ start, context, allowed: ['orbit', 'panZoom', 'recover', 'standard'] });
  perform(s, { kind: 'standard', name: 'right' });
  perform(s, { kind: 'snap' });
  perform(s, { kind: 'standard', name: 'right' });
  perform(s, { kind: 'level' });
  expect(s.getState().fixes.map((f) => f.label)).toEqual(['start', 'right']);
});

it('does what a command stands for, as one fix named after it', () => {
  const s = session();
  s.setMeaning((command) => (command.kind === 'fit' ? { commands: [command, { kind: 'pan', dx: 30, dy: 0 }], binding: 'fit between the lines' } : null));
  perform(s, { kind: 'fit', what: 'all' });
  perform(s, { kind: 'zoom', factor: 2 });
  expect(s.moves.map(({ command, gesture }) => [command.kind, gesture?.binding])).toEqual([
    ['fit', 'fit between the lines'],
    ['pan', 'fit between the lines'],
    ['zoom', 'Z'],
  ]);
  expect(s.getState().fixes.map((f) => f.label)).toEqual(['start', 'fit', 'zoom']);
});

it('after looking round a step begins where it began, and so it does when it is gone on with', () => {
  vi.useFakeTimers({ toFake: ['performance'] });
  const s = session();
  const turned: Command = { kind: 'turn', axis: 'right', angle: 1 };
  const later = (): unknown => vi.advanceTimersByTime(100);
  perform(s, turned);
  later();
  s.event({ kind: 'stepDone', step: 0 });
  later();
  const began = s.getState().scene.view;
  perform(s, { kind: 'zoom', factor: 3 });
  later();
  s.event({ kind: 'looked', step: 1 });
  later();
  expect(s.getState().scene.view).toEqual(began);
  // The wake begins anew: there is no way back into what counted for nothing.
  expect(s.getState().fixes).toHaveLength(1);
  perform(s, turned);
  const again = createRecorder({
    start,
    context,
    allowed: ['orbit', 'panZoom', 'recover'],
    recorded: { moves: [...s.moves], events: [...s.events], time: s.time() },
  });
  expect(again.getState().scene.view).toEqual(s.getState().scene.view);
  const rules = { start, allowed: ['orbit', 'panZoom', 'recover', 'show'] as const, partIds: new Set<string>(), steps: 2, looks: new Set([1]), elapsed: null };
  expect(checkTrace(traceOf(s), rules)).toBeNull();
  vi.useRealTimers();
});
