import { expect, it } from 'vitest';
import { BUILT_IN_SCHEMES, bindingName, TWO_BUTTON_MOUSE } from '../input';
import { type Command, commandsToStand } from '../navigation';
import { simulateAttempt } from '../simulation';
import { attempt, crate, exerciseOf, start } from '../tests/practice';
import type { MoveGesture, Trace } from './traceSchema';
import { unlikeAHand, unlikelyWords } from './unlikeAHand';

const orbit: Command = { kind: 'orbit', dx: 10, dy: 0, mode: 'turntable' };
const by = (gesture: Omit<MoveGesture, 'id'> | null, ...commands: readonly Command[]): Trace => {
  const made = attempt(commands);
  return { ...made, moves: made.moves.map((move) => (gesture ? { ...move, gesture: { id: 1, ...gesture } } : move)) };
};
const reasons = (trace: Trace): [string, number, string][] => unlikeAHand(trace, 1, TWO_BUTTON_MOUSE).map((r) => [r.code, r.times, r.example]);

it('finds nothing in what a simulated hand does, by any scheme that ships', () => {
  const exercise = exerciseOf(
    { kind: 'matchView', target: { ...start, view: { ...start.view, distance: start.view.distance * 0.5 } }, subject: [] },
    { kind: 'callView', calls: [{ kind: 'standard', name: 'rear' }, { kind: 'opposite' }], order: 'random' },
    { kind: 'cutToReveal', plane: { normal: [0, 0, 1], offset: 0.3 }, reveal: [] },
  );
  for (const scheme of BUILT_IN_SCHEMES)
    for (const seed of [1, 2, 3]) {
      const trace = simulateAttempt(exercise, crate, scheme, { noise: 0.1, reaction: 0.4, corrections: 2, slips: 0.2 }, seed);
      expect(unlikeAHand(trace, 3, scheme), `${scheme.name} ${seed}`).toEqual([]);
    }
});

it('takes what goes with a gesture: a snap after an orbit, stairs while walking, keys held together, and Escape', () => {
  expect(reasons(by({ device: 'mouse', binding: 'left drag' }, orbit, { kind: 'snap' }))).toEqual([]);
  expect(reasons(by({ device: 'mouse', binding: 'Esc' }, { kind: 'cancel' }))).toEqual([]);
  expect(reasons(by({ device: 'interface', binding: 'dial' }, { kind: 'turn', axis: 'left', angle: 1 }))).toEqual([]);
  const walk: Command = { kind: 'walk', forward: 1, right: 0, dt: 0.1, onGround: true };
  expect(reasons(by({ device: 'keyboard', binding: 'hold up arrow, hold left arrow' }, walk, { kind: 'rise', metres: 0.2 }))).toEqual([]);
});

it('standing, by the screen or by the scheme’s own gesture, is what a hand does, from any view', () => {
  const flat = { ...start.view, projection: 'orthographic' as const, fovY: 1.2 };
  const stands = TWO_BUTTON_MOUSE.bindings.find((binding) => binding.command.kind === 'atPointer' && binding.command.does === 'stand');
  for (const view of [start.view, flat]) {
    const commands = commandsToStand(view, [0, 0, 0]);
    expect(reasons(by({ device: 'interface', binding: 'stand' }, ...commands))).toEqual([]);
    if (stands) expect(reasons(by({ device: 'keyboard', binding: bindingName(stands) }, ...commands))).toEqual([]);
  }
});

it('tells what comes from no gesture, from an unknown one, or from one that cannot give it', () => {
  expect(reasons(by(null, orbit, orbit))).toEqual([['noGesture', 2, 'orbit']]);
  expect(reasons(by({ device: 'mouse', binding: 'third elbow' }, orbit))).toEqual([['unknownBinding', 1, 'third elbow']]);
  expect(reasons(by({ device: 'interface', binding: 'toString' }, orbit))).toEqual([['unknownBinding', 1, 'toString']]);
  expect(reasons(by({ device: 'interface', binding: 'eye rule' }, orbit))).toEqual([['otherCommand', 1, 'eye rule: orbit']]);
  expect(reasons(by({ device: 'mouse', binding: 'wheel' }, { kind: 'home' }))).toEqual([['otherCommand', 1, 'wheel: home']]);
});

it('tells a movement without duration, and a step that was done the moment it began', () => {
  const drag = by({ device: 'mouse', binding: 'left drag' }, ...Array.from({ length: 6 }, () => orbit));
  const still = { ...drag, moves: drag.moves.map((move) => ({ ...move, t: 1 })) };
  expect(reasons(still)).toEqual([['noDuration', 1, 'left drag']]);
  const atOnce = {
    ...by({ device: 'mouse', binding: 'left drag' }, orbit),
    end: 1,
    events: [
      { t: 0, kind: 'begin' as const },
      { t: 1, kind: 'handIn' as const },
    ],
  };
  expect(reasons(atOnce)).toEqual([['atOnce', 1, '1']]);
  expect(unlikeAHand(atOnce, 1, TWO_BUTTON_MOUSE).map(unlikelyWords)).toEqual(['Step 1 was begun and done in the same instant.']);
  expect(reasons({ ...atOnce, moves: [] })).toEqual([]);
});
