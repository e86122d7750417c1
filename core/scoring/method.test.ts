import { describe, expect, it } from 'vitest';
import type { Criterion, Method } from '../criteria';
import { forTrainee, type Step } from '../exercise';
import { draftSchema } from '../exercise/exerciseSchema';
import { kindById } from '../goals';
import { BUILT_IN_SCHEMES, bindingName, handOf, handOfTrigger } from '../input';
import type { Vec3 } from '../math';
import { contextFor } from '../model';
import { apply, type Command } from '../navigation';
import { attempt, crate, exerciseOf, start } from '../tests/practice';
import type { Move, MoveGesture } from '../trace';
import { examineExercise } from './examine';
import { methodFindings } from './methodFindings';
import { scoreAttempt } from './scoreAttempt';

const knob: Vec3 = [0, -0.75, 0.6];
const front: Command = { kind: 'standard', name: 'front' };
const target = { ...apply(start, front, contextFor(crate, start)), history: start.history };
const byHand: Criterion = { id: 'byHand', full: 0, zero: 0.5, weight: 1 };
const pivotMissed: Criterion = { id: 'pivotMissed', full: 0, zero: 0.5, weight: 1 };
const direction: Criterion = { id: 'direction', full: 0.05, zero: 0.5, weight: 3 };
const KEYS: Method = { hand: { kinds: ['standard'], by: 'keys' } };

const exercise = (method: Method | undefined, criteria: Criterion[], hints: string[] = []) => {
  const made = exerciseOf({ kind: 'matchView', target, subject: [] });
  return { ...made, steps: made.steps.map((step): Step => ({ ...step, method, criteria: [direction, ...criteria], hints })) };
};
const gesture = (id: number, device: MoveGesture['device'], binding: string): MoveGesture => ({ id, device, binding });
const KEY = (id: number): MoveGesture => gesture(id, 'keyboard', '3');
const DIAL = (id: number): MoveGesture => gesture(id, 'interface', 'dial');
const DRAG = (id: number): MoveGesture => gesture(id, 'mouse', 'right drag');
const given = (...list: readonly [Command, MoveGesture?][]) => {
  const made = attempt(list.map(([command]) => command));
  return { ...made, moves: made.moves.map((move, i): Move => (list[i]?.[1] ? { ...move, gesture: list[i][1] } : move)) };
};
const orbit = (pivot?: Vec3): Command => ({ kind: 'orbit', dx: 20, dy: 0, mode: 'turntable', ...(pivot ? { pivot } : {}) });
const card = (method: Method, criteria: Criterion[], ...list: readonly [Command, MoveGesture?][]) =>
  scoreAttempt(exercise(method, criteria), crate, given(...list));
const valueIn = (made: ReturnType<typeof card>, id: string): number | null | undefined => made.steps[0]?.criteria.find((c) => c.id === id)?.value;

describe('with what it is done', () => {
  it('counts gestures of the named commands that were made with something else', () => {
    const hand = (...list: readonly [Command, MoveGesture?][]) => valueIn(card(KEYS, [byHand], ...list), 'byHand');
    expect(hand([front, KEY(1)])).toBe(0);
    expect(hand([front, DIAL(1)])).toBe(1);
    expect(hand([front, KEY(1)], [{ kind: 'standard', name: 'right' }, DIAL(2)], [{ kind: 'standard', name: 'top' }, DIAL(3)])).toBe(2 / 3);
    // Other commands are nobody's business, a gesture counts once, and one without a gesture was made by none.
    expect(hand([orbit(), DRAG(1)], [front, KEY(2)])).toBe(0);
    expect(hand([front, DIAL(1)], [front, DIAL(1)], [front, KEY(2)])).toBe(0.5);
    expect(hand([front])).toBe(1);
    // Something was done, and none of what was named.
    expect(hand([orbit(), DRAG(1)])).toBe(1);
  });

  it('gains nothing by itself: doing nothing and a key alone earn nothing, another way loses its share', () => {
    const score = (...list: readonly [Command, MoveGesture?][]): number => card(KEYS, [byHand], ...list).score;
    expect(score()).toBe(0);
    expect(score([{ kind: 'standard', name: 'rear' }, KEY(1)])).toBe(0);
    expect(score([front, KEY(1)])).toBe(100);
    expect(score([front, DIAL(1)])).toBeLessThan(80);
    const advice = card(KEYS, [byHand], [front, DIAL(1)]).steps[0]?.criteria.find(({ id }) => id === 'byHand')?.advice;
    expect(advice).toMatchObject({ code: 'otherHand', figures: { count: 1, other: 1, by: 'keys' } });
  });

  it('every gesture of every scheme is told by its name as its trigger says', () => {
    const DEVICES = { keys: 'keyboard', puck: 'puck', drag: 'mouse', click: 'pen', wheel: 'mouse', fingers: 'touchpad', screen: 'interface' } as const;
    for (const { bindings } of BUILT_IN_SCHEMES)
      for (const binding of bindings) {
        const hand = handOfTrigger(binding.trigger);
        expect(handOf(gesture(1, DEVICES[hand], bindingName(binding))), bindingName(binding)).toBe(hand);
      }
    expect([handOf(DIAL(1)), handOf(gesture(1, 'touch', 'two fingers'))]).toEqual(['screen', 'fingers']);
  });
});

describe('about which point it is turned', () => {
  const method: Method = { pivot: { point: knob, within: 0.2 } };
  const missed = (...list: readonly [Command, MoveGesture?][]) => valueIn(card(method, [pivotMissed], ...list), 'pivotMissed');

  it('takes the pivot of the first movement of each gesture, the middle of the view where none is named', () => {
    expect(missed([orbit(knob), DRAG(1)])).toBe(0);
    expect(missed([orbit([0, -0.75, 0.85]), DRAG(1)])).toBe(1);
    expect(missed([orbit([0, -0.75, 0.75]), DRAG(1)], [orbit(), DRAG(2)], [orbit(), DRAG(2)], [orbit(knob), DRAG(3)])).toBeCloseTo(1 / 3);
    // Brought to the middle, turns by keys go about it too.
    const turn: Command = { kind: 'turn', axis: 'left', angle: 0.2 };
    expect(missed([turn, KEY(1)])).toBe(1);
    expect(missed([{ kind: 'centre', point: knob }, DRAG(1)], [turn, KEY(2)])).toBe(0);
    expect(missed([front, KEY(1)])).toBe(0);
    expect(missed()).toBe(0);
  });

  it('says how far off the farthest was', () => {
    const made = card(method, [pivotMissed], [orbit([0, -0.75, 1.6]), DRAG(1)], [orbit(knob), DRAG(2)]).steps[0]?.criteria;
    expect(made?.find(({ id }) => id === 'pivotMissed')?.advice).toMatchObject({ code: 'otherPivot', figures: { count: 1, of: 2, farthest: 1 } });
  });
});

describe('building it', () => {
  const messages = (method: Method | undefined, criteria: Criterion[], change: Partial<ReturnType<typeof exercise>> = {}, hints: string[] = []) => {
    const made = { ...exercise(method, criteria, hints), ...change };
    const [step] = made.steps;
    if (!step) throw new Error('a step');
    const { faults, doubts } = methodFindings(step, made);
    return { faults: faults.map(({ message }) => message).join(), doubts: doubts.map(({ message }) => message).join() };
  };
  const NONE = { faults: '', doubts: '' };

  it('says what is missing, what nobody can do, and who cannot', () => {
    expect(messages(undefined, [])).toEqual(NONE);
    expect(messages(undefined, [{ ...byHand, weight: 0 }])).toEqual(NONE);
    expect(messages(undefined, [byHand, pivotMissed]).faults).toMatch(/about which point.*which commands/);
    expect(messages(KEYS, [byHand], { schemes: ['two-button-mouse'] })).toEqual(NONE);
    expect(messages(KEYS, [byHand], { schemes: ['two-button-mouse', 'touch-screen'] }).doubts).toContain('Touch screen cannot do it by keys');
    expect(messages(KEYS, [byHand], { schemes: ['touch-screen'] }).faults).toContain('no scheme gives these commands by keys');
    expect(messages(KEYS, [byHand], { allowed: ['orbit'] }).faults).toContain('nothing of what is to be done by keys is allowed');
    expect(messages({ hand: { kinds: ['standard'], by: 'screen' } }, [byHand])).toEqual(NONE);
    // An own scheme is not known here.
    expect(messages(KEYS, [byHand], { schemes: ['of-ones-own'] })).toEqual(NONE);
    const { faults } = examineExercise(exercise(undefined, [pivotMissed]), crate);
    expect(faults).toMatchObject([{ field: 'steps.0.criteria' }]);
  });

  it('a hint that names the gesture is told of', () => {
    const two = { schemes: ['two-button-mouse'] };
    expect(messages(KEYS, [byHand], two, ['Press 1 for the front.']).doubts).toContain('hint 1 names the very gesture');
    expect(messages(KEYS, [byHand], two, ['It took me 1 second: look at the keys on the card.']).doubts).toBe('');
  });

  it('is kept in a draft; a trainee who may not know the target hears with what, not about which point', () => {
    const method: Method = { ...KEYS, pivot: { point: knob, within: 0.2 } };
    const made = exercise(method, [byHand, pivotMissed]);
    expect(draftSchema.parse(made).steps[0]?.method).toEqual(method);
    expect(draftSchema.safeParse(exercise({ pivot: { point: knob, within: 0 } }, [pivotMissed])).success).toBe(false);
    expect(forTrainee(made).steps[0]?.method).toEqual(method);
    expect(forTrainee({ ...made, showTarget: false }).steps[0]?.method).toEqual(KEYS);
  });

  it('where nothing is moved it is no choice', () => {
    const whichWay = kindById('whichWay').criteria(kindById('whichWay').create(start));
    expect(whichWay.map(({ id }) => id)).not.toContain('byHand');
  });
});
