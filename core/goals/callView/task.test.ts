import { expect, it } from 'vitest';
import { initialScene, navigate } from '../../navigation';
import { crate } from '../../tests/practice';
import { FRAME } from '../../view';
import { callViewTask } from './task';

const goal = {
  kind: 'callView' as const,
  order: 'asGiven' as const,
  calls: [{ kind: 'standard' as const, name: 'right' as const }, { kind: 'opposite' as const }, { kind: 'standard' as const, name: 'left' as const }],
};
const sceneOf = (name: 'right' | 'left') => initialScene(navigate(crate.home, { kind: 'standard', name }, { frame: FRAME }));
const command = { kind: 'standard', name: 'left' } as const;

it('standing still answers what was heard, also when the view it asks for is there already', () => {
  const [right, left] = [sceneOf('right'), sceneOf('left')];
  // The start shows what the first call asks for: while nobody has moved, it is not heard.
  const read = callViewTask.next(goal, callViewTask.begin(goal, 1), { t: 20, scene: right });
  expect([read.events, read.again]).toEqual([[], null]);

  const first = callViewTask.next(goal, read.state, { t: 21, scene: right, confirm: true });
  expect(first.events.map((e) => e.kind)).toEqual(['shown', 'answer', 'shown']);
  const moved = callViewTask.next(goal, first.state, { t: 23, scene: left, command });
  expect([moved.events, moved.again]).toEqual([[], 24.2]);
  const second = callViewTask.next(goal, moved.state, { t: 24.2, scene: left });
  expect(second.events).toEqual([
    { kind: 'answer', call: 1 },
    { kind: 'shown', call: 2 },
  ]);

  // The opposite of the right is the left, which the last call asks for.
  expect([second.done, second.again]).toEqual([false, 25.4]);
  expect(callViewTask.next(goal, second.state, { t: 25.3, scene: left }).events).toEqual([]);
  const third = callViewTask.next(goal, second.state, { t: 25.5, scene: left });
  expect([third.events, third.done]).toEqual([[{ kind: 'answer', call: 2 }], true]);
});
