import type { Exercise, Step } from '@core/exercise';
import { defaultCriteria, type Goal } from '@core/goals';
import { call, wordsOf } from '@web/ui/api';
import { createStore, type StoreApi } from 'zustand/vanilla';

const REST_MS = 900;

export interface DraftState {
  readonly draft: Exercise;
  /** Number of the step that is worked on. */
  readonly at: number;
  readonly state: 'saved' | 'saving' | 'changed' | 'failed';
  readonly error: string | null;
}

/** A draft that saves itself a moment after each change; what cannot be saved stays on the page. */
export interface DraftStore extends StoreApi<DraftState> {
  set(change: Partial<Exercise>): void;
  choose(step: number): void;
  setStep(change: Partial<Step>): void;
  /** Criteria that the author has not touched follow the goal. */
  setGoal(goal: Goal): void;
  addStep(goal: Goal): void;
  removeStep(): void;
  /** Moves the step up or down. */
  moveStep(by: 1 | -1): void;
  /** Saves what is not saved yet; throws when it cannot. */
  save(): Promise<void>;
  isSaved(): boolean;
}

const freshId = (): string => `step-${Math.random().toString(36).slice(2, 10)}`;

export const presentStep = ({ draft, at }: DraftState): Step => draft.steps[Math.min(at, draft.steps.length - 1)] as Step;

/** `mine`: whether changes are kept. */
export function createDraftStore(id: string, saved: Exercise, mine: boolean): DraftStore {
  const store = createStore<DraftState>(() => ({ draft: saved, at: 0, state: 'saved', error: null }));
  let sent = saved;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const save = async (): Promise<void> => {
    clearTimeout(timer);
    const wanted = store.getState().draft;
    if (!mine || sent === wanted) return;
    store.setState({ state: 'saving' });
    try {
      await call('saveDraft', { params: { id }, body: wanted });
      sent = wanted;
      store.setState({ error: null, state: store.getState().draft === wanted ? 'saved' : 'changed' });
    } catch (problem) {
      store.setState({ error: wordsOf(problem), state: 'failed' });
      throw problem;
    }
  };
  const change = (draft: Exercise, at = store.getState().at): void => {
    store.setState({ draft, at, state: 'changed' });
    clearTimeout(timer);
    timer = setTimeout(() => void save().catch(() => {}), REST_MS);
  };
  const set = (made: Partial<Exercise>): void => change({ ...store.getState().draft, ...made });
  const setStep = (made: Partial<Step>): void => {
    const { draft } = store.getState();
    const step = presentStep(store.getState());
    set({ steps: draft.steps.map((s) => (s === step ? { ...s, ...made } : s)) });
  };
  return {
    ...store,
    set,
    setStep,
    save,
    isSaved: () => !mine || sent === store.getState().draft,
    choose: (at) => store.setState({ at }),
    setGoal(goal) {
      const step = presentStep(store.getState());
      const untouched = JSON.stringify(step.criteria) === JSON.stringify(defaultCriteria(step.goal));
      setStep({ goal, ...(untouched || goal.kind !== step.goal.kind ? { criteria: defaultCriteria(goal) } : {}) });
    },
    addStep(goal) {
      const { draft } = store.getState();
      const { skill } = presentStep(store.getState());
      const step: Step = { id: freshId(), brief: '', skill, otherSkills: [], hints: [], goal, criteria: defaultCriteria(goal) };
      change({ ...draft, steps: [...draft.steps, step] }, draft.steps.length);
    },
    removeStep() {
      const { draft } = store.getState();
      const step = presentStep(store.getState());
      const index = draft.steps.indexOf(step);
      if (draft.steps.length > 1) change({ ...draft, steps: draft.steps.filter((s) => s !== step) }, Math.max(0, Math.min(index, draft.steps.length - 2)));
    },
    moveStep(by) {
      const { draft } = store.getState();
      const step = presentStep(store.getState());
      const steps = [...draft.steps];
      const index = steps.indexOf(step);
      const other = steps[index + by];
      if (!other) return;
      steps[index + by] = step;
      steps[index] = other;
      change({ ...draft, steps }, index + by);
    },
  };
}
