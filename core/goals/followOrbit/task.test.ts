import { describe, expect, it } from 'vitest';
import { initialScene } from '../../navigation';
import { GOALS } from '../../tests/goals';
import { crate, start } from '../../tests/practice';
import { orientationFrom } from '../../view';
import { kindOf, type RedactedGoal } from '../kinds';
import { taskOf } from '../tasks';

const [goal] = GOALS.followOrbit;
if (!goal) throw new Error('no line');
const DEGREE = Math.PI / 180;
const from = (azimuth: number, elevation = 0.3) => initialScene({ ...crate.home, orientation: orientationFrom({ azimuth, elevation, roll: 0 }) });

/** What is asked after each of these directions. */
function asked(what: RedactedGoal, azimuths: readonly number[]): { readonly next: readonly string[]; readonly done: boolean } {
  const task = taskOf(what);
  let at = task.next(what, task.begin(what, 1), { t: 0, scene: start });
  const next: string[] = [];
  for (const [i, azimuth] of azimuths.entries()) {
    at = task.next(what, at.state, { t: i + 1, scene: from(azimuth, 0.3 + (0.3 * (azimuth + 0.3)) / 1.6), command: { kind: 'home' } });
    next.push(at.prompt?.code === 'line' ? at.prompt.next : 'nothing');
  }
  return { next, done: at.done };
}
const along = (a: number, b: number): number[] => Array.from({ length: 17 }, (_, i) => a + ((b - a) * i) / 16);

describe('the line of an orbit', () => {
  it('asks for the ring, then the square, and is done at the square', () => {
    expect(asked(goal, [-1.5]).next).toEqual(['ring']);
    expect(asked(goal, [-0.3 - 7 * DEGREE, -0.3 - 5 * DEGREE]).next).toEqual(['ring', 'square']);
    const whole = asked(goal, along(-0.3, 1.3));
    expect([whole.next.at(0), whole.next.at(8), whole.next.at(-1), whole.done]).toEqual(['square', 'square', 'there', true]);
  });

  it('is not done by going to its end without its start, nor backwards', () => {
    expect(asked(goal, [1.3]).done).toBe(false);
    expect(asked(goal, along(1.3, -0.3)).done).toBe(false);
    expect(asked(goal, []).done).toBe(false);
  });

  it('that ends where it began is done only after going round it', () => {
    const round = {
      ...goal,
      path: [...along(-0.3, 0.9), ...along(0.9, -0.3)].map((azimuth, t) => ({ t, view: from(azimuth, 0.3 + (0.3 * (azimuth + 0.3)) / 1.6).view })),
    };
    expect(asked(round, [-0.3]).done).toBe(false);
    expect(asked(round, [...along(-0.3, 0.9), ...along(0.9, -0.3)]).done).toBe(true);
  });

  it('that is kept secret asks only that something be done', () => {
    const secret = kindOf(goal).redact(goal, start) as RedactedGoal;
    expect([asked(secret, []).done, asked(secret, [0.5]).done]).toEqual([false, true]);
  });
});

it('no kind of goal takes what was not tried as done', () => {
  for (const goals of Object.values(GOALS))
    for (const one of goals) {
      const task = taskOf(one);
      expect(task.next(one, task.begin(one, 3), { t: 0, scene: start }).done, one.kind).toBe(false);
    }
});
