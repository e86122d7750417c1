import { type DraftConflict, type Exercise, mergeDrafts, type Step, withMine } from '@core/exercise';
import { defaultCriteria, type Goal, kindOf } from '@core/goals';
import { keepUndo, keptUndo, type Undo } from '@web/keep/keptUndo';
import { call, wordsOf } from '@web/ui/api';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { doAgain, NOTHING_DONE, remember, type TakenBack, takeBack } from './undo';

const REST_MS = 900;

export interface DraftState {
  readonly draft: Exercise;
  /** Number of the step that is worked on. */
  readonly at: number;
  readonly state: 'saved' | 'saving' | 'changed' | 'failed';
  readonly error: string | null;
  readonly undo: Undo;
  /** Fields that somebody else, or another window, changed to something else: their value stands. */
  readonly conflicts: readonly DraftConflict[];
}

/** A draft that saves itself a moment after each change; what cannot be saved stays on the page. */
export interface DraftStore extends StoreApi<DraftState> {
  set(change: Partial<Exercise>): void;
  choose(step: number): void;
  setStep(change: Partial<Step>): void;
  /** Criteria and skill that the author has not touched follow the goal. */
  setGoal(goal: Goal): void;
  addStep(goal: Goal): void;
  removeStep(): void;
  /** A copy of the step, behind it. */
  copyStep(): void;
  /** Moves a step from one place to another. */
  moveStep(from: number, to: number): void;
  /** When the change was made that would be taken back, ms since 1970; null where there is nothing. */
  latest(): number | null;
  /** Takes the last change back, or does again what was taken back last; what it was, null where there is nothing. */
  undo(): string | null;
  redo(): string | null;
  /** Ends a conflict: with one's own value, or with theirs. */
  settle(conflict: DraftConflict, mine: boolean): void;
  /** Saves what is not saved yet; throws when it cannot. */
  save(): Promise<void>;
  isSaved(): boolean;
}

const freshId = (): string => `step-${Math.random().toString(36).slice(2, 10)}`;

export const presentStep = ({ draft, at }: DraftState): Step => draft.steps[Math.min(at, draft.steps.length - 1)] as Step;

const FIELD_WORDS: Partial<Record<keyof Exercise | keyof Step, string>> = {
  title: 'the title',
  brief: 'the brief',
  start: 'the start',
  allowed: 'what is allowed',
  schemes: 'the schemes',
  liveHelp: 'the live help',
  showTarget: 'the live help',
  skill: 'the skill',
  hints: 'the hints',
  goal: 'the goal',
  criteria: 'what it is judged by',
  method: 'how it has to be done',
  watch: 'what is watched first',
  variants: 'how attempts begin',
  freeLook: 'whether one may look round first',
  off: 'whether a step is on',
};
const wordsFor = (change: object): string => FIELD_WORDS[Object.keys(change)[0] as keyof Exercise] ?? 'the exercise';

export interface DraftOptions {
  readonly id: string;
  readonly saved: Exercise;
  readonly revision: number;
  /** Whether changes are kept. */
  readonly mine: boolean;
  /** Whose browser remembers what can be taken back. */
  readonly person: string;
  /** Names this page among those that save the draft. */
  readonly page: string;
}

export function createDraftStore({ id, saved, revision, mine, person, page }: DraftOptions): DraftStore {
  const store = createStore<DraftState>(() => ({ draft: saved, at: 0, state: 'saved', error: null, undo: NOTHING_DONE, conflicts: [] }));
  let sent = saved;
  let base = revision;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let saving: Promise<void> | null = null;
  void keptUndo(person, id).then((kept) => {
    // What was done before this page was loaded comes before what was done since.
    if (kept) store.setState(({ undo }) => ({ undo: undo.back.length > 0 || undo.again.length > 0 ? { ...undo, back: [...kept.back, ...undo.back] } : kept }));
  });

  /** What others changed comes to what is on the page, which may have been changed on while it was sent. */
  const bringTogether = (wanted: Exercise, theirs: Exercise, conflicts: readonly DraftConflict[]): void => {
    const merged = mergeDrafts(wanted, store.getState().draft, theirs);
    store.setState((s) => ({
      draft: merged.draft,
      // Of one field the newest words of both.
      conflicts: [...new Map([...s.conflicts, ...conflicts, ...merged.conflicts].map((each) => [each.id, each])).values()],
    }));
  };
  const saveOnce = async (): Promise<void> => {
    clearTimeout(timer);
    const wanted = store.getState().draft;
    if (!mine || sent === wanted) return;
    store.setState({ state: 'saving' });
    try {
      const made = await call('saveDraft', { params: { id }, body: { draft: wanted, base, window: page } });
      base = made.revision;
      sent = wanted;
      const theirs = made.draft as unknown as Exercise | null;
      if (theirs) {
        const before = store.getState().draft;
        bringTogether(wanted, theirs, made.conflicts as unknown as readonly DraftConflict[]);
        // Nothing was changed meanwhile: what stands here now is what the server keeps.
        if (before === wanted) sent = store.getState().draft;
      }
      store.setState({ error: null, state: store.getState().draft === sent ? 'saved' : 'changed' });
      if (store.getState().draft !== sent) later();
    } catch (problem) {
      store.setState({ error: wordsOf(problem), state: 'failed' });
      throw problem;
    }
  };
  /** One save after the other: each is made on what the one before left. */
  const save = async (): Promise<void> => {
    while (saving) await saving.catch(() => {});
    saving = saveOnce();
    try {
      await saving;
    } finally {
      saving = null;
    }
  };
  const later = (): void => {
    clearTimeout(timer);
    timer = setTimeout(() => void save().catch(() => {}), REST_MS);
  };
  let keeping: ReturnType<typeof setTimeout> | undefined;
  const stand = (made: Partial<DraftState>): void => {
    store.setState({ ...made, state: 'changed' });
    later();
    clearTimeout(keeping);
    keeping = setTimeout(() => void keepUndo(person, id, store.getState().undo), REST_MS);
  };
  const change = (draft: Exercise, words: string, at = store.getState().at): void => {
    const { draft: before, undo } = store.getState();
    stand({ draft, at, undo: remember(undo, { before, after: draft, words, at: Date.now() }) });
  };
  const set = (made: Partial<Exercise>): void => change({ ...store.getState().draft, ...made }, wordsFor(made));
  const setStep = (made: Partial<Step>, words = wordsFor(made)): void => {
    const { draft } = store.getState();
    const step = presentStep(store.getState());
    const index = draft.steps.indexOf(step);
    const named = words === 'the brief' ? 'what to do' : words;
    change({ ...draft, steps: draft.steps.map((s) => (s === step ? { ...s, ...made } : s)) }, `${named} in step ${index + 1}`);
  };
  const went = (taken: TakenBack | null): string | null => {
    if (!taken) return null;
    const { draft, undo, words } = taken;
    const { draft: before, at } = store.getState();
    // A step that comes back is the one that is worked on.
    const back = draft.steps.findIndex((step) => !before.steps.some(({ id: known }) => known === step.id));
    stand({ draft, undo, at: back >= 0 ? back : Math.min(at, draft.steps.length - 1) });
    return words;
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
      const other = goal.kind !== step.goal.kind;
      const untouched = JSON.stringify(step.criteria) === JSON.stringify(defaultCriteria(step.goal));
      const skill = other && step.skill === kindOf(step.goal).skill ? { skill: kindOf(goal).skill } : {};
      setStep({ goal, ...skill, ...(untouched || other ? { criteria: defaultCriteria(goal) } : {}) });
    },
    addStep(goal) {
      const { draft } = store.getState();
      const step: Step = { id: freshId(), brief: '', skill: kindOf(goal).skill, otherSkills: [], hints: [], goal, criteria: defaultCriteria(goal) };
      change({ ...draft, steps: [...draft.steps, step] }, 'a step added', draft.steps.length);
    },
    removeStep() {
      const { draft } = store.getState();
      const step = presentStep(store.getState());
      const index = draft.steps.indexOf(step);
      if (draft.steps.length > 1)
        change({ ...draft, steps: draft.steps.filter((s) => s !== step) }, 'a step removed', Math.max(0, Math.min(index, draft.steps.length - 2)));
    },
    copyStep() {
      const { draft } = store.getState();
      const step = presentStep(store.getState());
      const at = draft.steps.indexOf(step) + 1;
      change({ ...draft, steps: draft.steps.toSpliced(at, 0, { ...step, id: freshId() }) }, 'a step copied', at);
    },
    moveStep(from, to) {
      const { draft } = store.getState();
      const step = draft.steps[from];
      if (step && draft.steps[to] && from !== to) change({ ...draft, steps: draft.steps.toSpliced(from, 1).toSpliced(to, 0, step) }, 'a step moved', to);
    },
    latest: () => store.getState().undo.back.at(-1)?.at ?? null,
    undo: () => went(takeBack(store.getState().undo, store.getState().draft)),
    redo: () => went(doAgain(store.getState().undo, store.getState().draft)),
    settle(conflict, own) {
      store.setState((s) => ({ conflicts: s.conflicts.filter((each) => each.id !== conflict.id) }));
      if (own) change(withMine(store.getState().draft, conflict), 'a choice between two');
    },
  };
}
