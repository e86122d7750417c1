import type { Exercise } from '@core/exercise';
import { GOALS } from '@core/tests/goals';
import { exerciseOf } from '@core/tests/practice';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

/** What the server answers to the next saves. */
let answers: ((sent: { draft: Exercise; base: number }) => unknown)[] = [];
const sent: { draft: Exercise; base: number; window: string }[] = [];
vi.mock('@web/ui/api', () => ({
  call: async (_: string, { body }: { body: (typeof sent)[number] }) => {
    sent.push(body);
    const answer = answers.shift() ?? (({ base }: { base: number }) => ({ revision: base + 1, draft: null, conflicts: [] }));
    return answer(body);
  },
  wordsOf: (error: Error) => error.message,
}));
const kept = new Map<string, unknown>();
vi.mock('@web/keep/keptUndo', () => ({
  keptUndo: async (person: string, exercise: string) => kept.get(`${person} ${exercise}`) ?? null,
  keepUndo: async (person: string, exercise: string, undo: unknown) => void kept.set(`${person} ${exercise}`, undo),
}));
const { createDraftStore } = await import('./draftStore');

const { id: _id, version: _version, ...saved } = exerciseOf(...GOALS.matchView.slice(0, 2));
const open = (draft: Exercise = saved) => createDraftStore({ id: 'e', saved: draft, revision: 3, mine: true, person: 'me', page: 'this page' });

beforeEach(() => {
  vi.useFakeTimers();
  answers = [];
  sent.length = 0;
  kept.clear();
});
afterEach(() => vi.useRealTimers());

describe('a draft', () => {
  it('saves itself after a rest, on what the save before left, and says so only then', async () => {
    const store = open();
    store.set({ title: 'One' });
    expect(store.getState().state).toBe('changed');
    await vi.advanceTimersByTimeAsync(1000);
    expect(store.getState().state).toBe('saved');
    store.set({ title: 'Two' });
    await vi.advanceTimersByTimeAsync(1000);
    expect(sent.map(({ base, draft }) => [base, draft.title])).toEqual([
      [3, 'One'],
      [4, 'Two'],
    ]);
    expect(new Set(sent.map(({ window }) => window)).size).toBe(1);
  });

  it('takes in what others changed, also while it was sent, and tells what both did', async () => {
    const store = open();
    store.set({ title: 'Mine' });
    answers.push(() => {
      // Written on while the answer is on its way.
      store.set({ title: 'Mine, longer' });
      return {
        revision: 5,
        draft: { ...saved, title: 'Theirs', brief: 'Their brief' },
        conflicts: [{ id: 'title', step: null, field: 'title', mine: 'Mine', theirs: 'Theirs' }],
      };
    });
    await vi.advanceTimersByTimeAsync(1000);
    expect(store.getState().draft).toMatchObject({ title: 'Theirs', brief: 'Their brief' });
    const [conflict] = store.getState().conflicts;
    expect(store.getState().conflicts).toHaveLength(1);
    expect(conflict).toMatchObject({ mine: 'Mine, longer', theirs: 'Theirs' });
    if (conflict) store.settle(conflict, true);
    expect(store.getState()).toMatchObject({ conflicts: [], draft: { title: 'Mine, longer', brief: 'Their brief' } });
    await vi.advanceTimersByTimeAsync(3000);
    expect(sent.at(-1)).toMatchObject({ base: 5, draft: { title: 'Mine, longer' } });
    expect(store.isSaved()).toBe(true);
  });

  it('that cannot be saved stays, says why, and is sent with the next change', async () => {
    const store = open();
    answers.push(() => {
      throw new Error('The server cannot be reached.');
    });
    store.set({ title: 'Kept' });
    await vi.advanceTimersByTimeAsync(1000);
    expect(store.getState()).toMatchObject({ state: 'failed', error: 'The server cannot be reached.', draft: { title: 'Kept' } });
    store.set({ brief: 'And more' });
    await vi.advanceTimersByTimeAsync(1000);
    expect(sent.at(-1)).toMatchObject({ base: 3, draft: { title: 'Kept', brief: 'And more' } });
    expect(store.getState().state).toBe('saved');
  });

  it('takes a removed step back, also after a reload', async () => {
    const store = open();
    store.removeStep();
    expect(store.getState().draft.steps).toHaveLength(1);
    await vi.advanceTimersByTimeAsync(2000);
    const again = open(store.getState().draft);
    await vi.advanceTimersByTimeAsync(1);
    expect(again.undo()).toBe('a step removed');
    expect(again.getState().at).toBe(0);
    expect(again.getState().draft.steps.map((s) => s.id)).toEqual(saved.steps.map((s) => s.id));
    expect(again.redo()).toBe('a step removed');
    expect(again.getState().draft.steps).toHaveLength(1);
    expect(again.redo()).toBeNull();
  });

  it('copies a step, moves it to any place, and switches it off', () => {
    const store = open();
    const ids = (): string[] => store.getState().draft.steps.map((s) => s.id);
    const [a, b] = ids();
    store.copyStep();
    const copy = ids()[1] as string;
    expect(ids()).toEqual([a, copy, b]);
    expect(copy).not.toBe(a);
    expect(store.getState().at).toBe(1);
    store.moveStep(0, 2);
    expect(ids()).toEqual([copy, b, a]);
    store.moveStep(2, 9);
    expect(ids()).toEqual([copy, b, a]);
    store.setStep({ off: true });
    expect(store.getState().draft.steps.map((s) => s.off)).toEqual([undefined, undefined, true]);
    expect(store.undo()).toBe('whether a step is on in step 3');
    expect(store.getState().draft.steps[2]?.off).toBeUndefined();
  });

  it('a new step’s main skill follows its goal, until it is chosen by hand', () => {
    const store = open();
    store.setGoal(GOALS.frameIt[0] as never);
    expect(store.getState().draft.steps[0]?.skill).toBe('framing');
    store.setStep({ skill: 'zoom' });
    store.setGoal(GOALS.cutToReveal[0] as never);
    expect(store.getState().draft.steps[0]?.skill).toBe('zoom');
    store.addStep(GOALS.callView[0] as never);
    expect(store.getState().draft.steps.at(-1)?.skill).toBe('standardViews');
  });
});
