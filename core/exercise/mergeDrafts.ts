import type { Exercise, Step } from './exerciseSchema';

/** A field that two people, or two windows, changed to different things. */
export interface DraftConflict {
  /** Unique among the conflicts of one merge. */
  readonly id: string;
  /** Id of the step; null: a field of the exercise itself. */
  readonly step: string | null;
  /** `step`: one removed the step that the other changed. */
  readonly field: keyof Exercise | keyof Step | 'step';
  /** Id of the criterion, in `criteria`. */
  readonly criterion?: string;
  /** Null: removed. */
  readonly mine: unknown;
  readonly theirs: unknown;
}

export interface Merged {
  /** With their value where both changed the same field. */
  readonly draft: Exercise;
  readonly conflicts: readonly DraftConflict[];
}

/** Whether two values of plain data are the same, whatever the order of their keys. */
export function sameData(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const given = (value: object): string[] => Object.keys(value).filter((key) => (value as Record<string, unknown>)[key] !== undefined);
  const keys = given(a);
  return keys.length === given(b).length && keys.every((key) => sameData((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]));
}

/** Stands for what is not known or not there; no value is the same. */
const NONE = Symbol('none');

/** Of a value that two may have changed: the changed one; theirs, as a conflict, where both did and differently. */
function merge3<T>(base: T | typeof NONE, mine: T, theirs: T): { readonly value: T; readonly both: boolean } {
  if (sameData(mine, theirs) || (base !== NONE && sameData(base, mine))) return { value: theirs, both: false };
  return base !== NONE && sameData(base, theirs) ? { value: mine, both: false } : { value: theirs, both: true };
}

/** Members of a list that is a set: what either added or removed. */
function mergeSet<T>(base: readonly T[] | null, mine: readonly T[], theirs: readonly T[]): T[] {
  if (!base) return [...new Set([...theirs, ...mine])];
  const kept = theirs.filter((item) => mine.includes(item) || !base.includes(item));
  return [...kept, ...mine.filter((item) => !base.includes(item) && !kept.includes(item))];
}

/** Where items of one list that the other lacks go: behind the item that they follow. */
function withAdded(order: readonly string[], other: readonly string[], wanted: ReadonlySet<string>): string[] {
  const list = order.filter((id) => wanted.has(id));
  other.forEach((id, i) => {
    if (!wanted.has(id) || list.includes(id)) return;
    const before = other
      .slice(0, i)
      .reverse()
      .find((each) => list.includes(each));
    list.splice(before === undefined ? 0 : list.indexOf(before) + 1, 0, id);
  });
  return list;
}

type Keyed = { readonly id: string };

/** Ids of a list of keyed items that remain, in their order: what one removed stays removed, what one moved stays moved. */
function mergeOrder(base: readonly Keyed[] | null, mine: readonly Keyed[], theirs: readonly Keyed[]): string[] {
  const ids = (list: readonly Keyed[]): string[] => list.map(({ id }) => id);
  const [b, m, t] = [base && ids(base), ids(mine), ids(theirs)];
  const wanted = new Set([...m, ...t].filter((id) => (m.includes(id) && t.includes(id)) || !b?.includes(id)));
  const common = (list: readonly string[]): string[] => list.filter((id) => m.includes(id) && t.includes(id));
  const theyMoved = !b || !sameData(common(t), common(b));
  return theyMoved ? withAdded(t, m, wanted) : withAdded(m, t, wanted);
}

const find = <T extends Keyed>(list: readonly T[], id: string): T | undefined => list.find((item) => item.id === id);

function mergeCriteria(step: string, base: Step | undefined, mine: Step, theirs: Step, conflicts: DraftConflict[]): Step['criteria'] {
  return mergeOrder(base?.criteria ?? null, mine.criteria, theirs.criteria).map((id) => {
    const [b, m, t] = [base && find(base.criteria as readonly (Step['criteria'][number] & Keyed)[], id), find(mine.criteria, id), find(theirs.criteria, id)];
    if (!m || !t) return (m ?? t) as Step['criteria'][number];
    const { value, both } = merge3(b ?? NONE, m, t);
    if (both) conflicts.push({ id: `${step} criteria ${id}`, step, field: 'criteria', criterion: id, mine: m, theirs: t });
    return value;
  });
}

/** All fields that are merged whole: a new one is missed here by the types. */
const fieldsOf = <K extends string>(fields: Record<K, true>): readonly K[] => Object.keys(fields) as K[];
const STEP_FIELDS = /* @__PURE__ */ fieldsOf<Exclude<keyof Step, 'id' | 'criteria'>>({
  brief: true,
  skill: true,
  otherSkills: true,
  hints: true,
  goal: true,
  method: true,
  freeLook: true,
  watch: true,
  reachReason: true,
  off: true,
});

function mergeStep(base: Step | undefined, mine: Step, theirs: Step, conflicts: DraftConflict[]): Step {
  const made: Record<string, unknown> = { ...theirs };
  for (const field of STEP_FIELDS) {
    const { value, both } = merge3<unknown>(base ? base[field] : NONE, mine[field], theirs[field]);
    if (both) conflicts.push({ id: `${theirs.id} ${field}`, step: theirs.id, field, mine: mine[field], theirs: theirs[field] });
    made[field] = value;
  }
  return { ...(made as Step), criteria: mergeCriteria(theirs.id, base, mine, theirs, conflicts) };
}

const FIELDS = /* @__PURE__ */ fieldsOf<Exclude<keyof Exercise, 'steps' | 'allowed' | 'schemes'>>({
  title: true,
  brief: true,
  model: true,
  start: true,
  variants: true,
  liveHelp: true,
  showTarget: true,
});

/**
 * Two drafts that began as the same one, made one: what does not touch the same field is taken from both, a step that either
 * removed stays removed; where both changed a field it has their value and is told. `base`: what both began with; null where
 * that is not known any more, and then every difference is told.
 */
export function mergeDrafts(base: Exercise | null, mine: Exercise, theirs: Exercise): Merged {
  const conflicts: DraftConflict[] = [];
  const made: Record<string, unknown> = { ...theirs };
  for (const field of FIELDS) {
    const { value, both } = merge3<unknown>(base ? base[field] : NONE, mine[field], theirs[field]);
    if (both) conflicts.push({ id: field, step: null, field, mine: mine[field], theirs: theirs[field] });
    made[field] = value;
  }
  const steps = mergeOrder(base?.steps ?? null, mine.steps, theirs.steps).map((id) => {
    const [m, t] = [find(mine.steps, id), find(theirs.steps, id)];
    return m && t ? mergeStep(base ? find(base.steps, id) : undefined, m, t, conflicts) : ((m ?? t) as Step);
  });
  for (const before of base?.steps ?? []) {
    const [m, t] = [find(mine.steps, before.id), find(theirs.steps, before.id)];
    const left = m ?? t;
    // Removed by one and changed by the other: it stays removed, and can be brought back.
    if (Boolean(m) !== Boolean(t) && left && !sameData(left, before))
      conflicts.push({ id: `${before.id} step`, step: before.id, field: 'step', mine: m ?? null, theirs: t ?? null });
  }
  const draft: Exercise = {
    ...(made as Exercise),
    allowed: mergeSet(base?.allowed ?? null, mine.allowed, theirs.allowed),
    schemes: mergeSet(base?.schemes ?? null, mine.schemes, theirs.schemes),
    // An exercise needs a step: where each removed another, theirs stay.
    steps: steps.length > 0 ? steps : theirs.steps,
  };
  // Live help needs the target in the browser.
  return { draft: { ...draft, liveHelp: draft.liveHelp && draft.showTarget }, conflicts };
}

/** The draft with one's own value of a field that both changed. */
export function withMine(draft: Exercise, { step, field, criterion, mine }: DraftConflict): Exercise {
  if (step === null) return { ...draft, [field]: mine };
  if (field === 'step') {
    const others = draft.steps.filter((s) => s.id !== step);
    return mine ? { ...draft, steps: [...others, mine as Step] } : others.length > 0 ? { ...draft, steps: others } : draft;
  }
  const changed = (s: Step): Step =>
    criterion === undefined ? { ...s, [field]: mine } : { ...s, criteria: s.criteria.map((each) => (each.id === criterion ? (mine as typeof each) : each)) };
  return { ...draft, steps: draft.steps.map((s) => (s.id === step ? changed(s) : s)) };
}
