import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GOALS } from '../tests/goals';
import { exerciseOf } from '../tests/practice';
import type { Exercise, Step } from './exerciseSchema';
import { mergeDrafts, sameData, withMine } from './mergeDrafts';

const { id: _id, version: _version, ...made } = exerciseOf(...GOALS.matchView.slice(0, 3));
const base: Exercise = made;
const [one, two, three] = base.steps as [Step, Step, Step];
const withStep = (draft: Exercise, id: string, change: Partial<Step>): Exercise => ({
  ...draft,
  steps: draft.steps.map((s) => (s.id === id ? { ...s, ...change } : s)),
});
const without = (draft: Exercise, id: string): Exercise => ({ ...draft, steps: draft.steps.filter((s) => s.id !== id) });
const order = (draft: Exercise): string[] => draft.steps.map((s) => s.id);

describe('two drafts of one exercise', () => {
  it('keep what each wrote in fields that the other left alone', () => {
    const mine = withStep({ ...base, title: 'Mine' }, one.id, { brief: 'My words' });
    const theirs = withStep({ ...base, brief: 'Their brief' }, one.id, { hints: ['Their hint'] });
    const { draft, conflicts } = mergeDrafts(base, mine, theirs);
    expect(conflicts).toEqual([]);
    expect(draft).toMatchObject({ title: 'Mine', brief: 'Their brief' });
    expect(draft.steps[0]).toMatchObject({ brief: 'My words', hints: ['Their hint'] });
  });

  it('keep fields that only some steps have', () => {
    const mine = withStep({ ...base, variants: { kind: 'mirrored' } }, one.id, { reachReason: 'They open it first.', freeLook: true });
    const { draft, conflicts } = mergeDrafts(base, mine, withStep(base, one.id, { brief: 'Their words' }));
    expect(conflicts).toEqual([]);
    expect(draft).toMatchObject({ variants: { kind: 'mirrored' } });
    expect(draft.steps[0]).toMatchObject({ brief: 'Their words', reachReason: 'They open it first.', freeLook: true });
  });

  it('tell a field that both changed, with both values, and take one’s own when that is chosen', () => {
    const { draft, conflicts } = mergeDrafts(base, withStep(base, two.id, { brief: 'Mine' }), withStep(base, two.id, { brief: 'Theirs' }));
    expect(conflicts).toEqual([{ id: `${two.id} brief`, step: two.id, field: 'brief', mine: 'Mine', theirs: 'Theirs' }]);
    expect(draft.steps[1]?.brief).toBe('Theirs');
    const [conflict] = conflicts;
    if (conflict) expect(withMine(draft, conflict).steps[1]?.brief).toBe('Mine');
  });

  it('merge criteria one by one, and what is allowed as a set', () => {
    const weigh = (draft: Exercise, id: string, weight: number): Exercise =>
      withStep(draft, one.id, { criteria: one.criteria.map((c) => (c.id === id ? { ...c, weight } : c)) });
    const { draft, conflicts } = mergeDrafts(
      base,
      { ...weigh(base, 'direction', 9), allowed: base.allowed.filter((g) => g !== 'show') },
      { ...weigh(base, 'size', 7), allowed: [...base.allowed, 'walk'] },
    );
    expect(conflicts).toEqual([]);
    expect(
      draft.steps[0]?.criteria
        .filter((c) => c.id === 'direction' || c.id === 'size')
        .map((c) => c.weight)
        .sort(),
    ).toEqual([7, 9]);
    expect(draft.allowed).toContain('walk');
    expect(draft.allowed).not.toContain('show');
    const both = mergeDrafts(base, weigh(base, 'size', 3), weigh(base, 'size', 7));
    expect(both.conflicts).toMatchObject([{ field: 'criteria', criterion: 'size' }]);
    expect(withMine(both.draft, both.conflicts[0] as never).steps[0]?.criteria.find((c) => c.id === 'size')?.weight).toBe(3);
  });

  it('keep a removed step removed, and tell when the other had changed it', () => {
    expect(order(mergeDrafts(base, without(base, two.id), { ...base, title: 'Theirs' }).draft)).toEqual([one.id, three.id]);
    expect(order(mergeDrafts(base, { ...base, title: 'Mine' }, without(base, two.id)).draft)).toEqual([one.id, three.id]);
    const { draft, conflicts } = mergeDrafts(base, withStep(base, two.id, { brief: 'Still mine' }), without(base, two.id));
    expect(order(draft)).toEqual([one.id, three.id]);
    expect(conflicts).toMatchObject([{ step: two.id, field: 'step', theirs: null }]);
    expect(order(withMine(draft, conflicts[0] as never))).toContain(two.id);
  });

  it('keep what was added by each, and an order that one changed', () => {
    const mine = { ...base, steps: [one, { ...two, id: 'mine' }, two, three] };
    const theirs = { ...base, steps: [three, one, two, { ...two, id: 'theirs' }] };
    expect(order(mergeDrafts(base, mine, theirs).draft)).toEqual([three.id, one.id, 'mine', two.id, 'theirs']);
  });

  it('tell every difference where nobody knows any more what both began with', () => {
    const { conflicts } = mergeDrafts(null, { ...base, title: 'Mine' }, { ...base, brief: 'Theirs' });
    expect(conflicts.map((c) => c.field)).toEqual(['title', 'brief']);
  });

  it('never end without a step', () => {
    const single = { ...base, steps: [one, two] };
    expect(mergeDrafts(single, { ...base, steps: [one] }, { ...base, steps: [two] }).draft.steps).toHaveLength(1);
  });
});

describe('laws', () => {
  const change = fc.constantFrom<(draft: Exercise) => Exercise>(
    (d) => ({ ...d, title: `${d.title}!` }),
    (d) => ({ ...d, brief: `${d.brief}?` }),
    (d) => withStep(d, one.id, { brief: 'Else' }),
    (d) => withStep(d, two.id, { hints: ['A hint'] }),
    (d) => without(d, three.id),
    (d) => ({ ...d, steps: [...d.steps].reverse() }),
    (d) => ({ ...d, allowed: ['orbit'] }),
  );
  const draft = fc.array(change, { maxLength: 4 }).map((list) => list.reduce((d, f) => f(d), base));

  it('who changed nothing gets what the other made; the same twice is itself', () => {
    fc.assert(
      fc.property(draft, (d) => {
        expect(sameData(mergeDrafts(base, base, d).draft, { ...d, liveHelp: d.liveHelp && d.showTarget })).toBe(true);
        expect(sameData(mergeDrafts(base, d, base).draft, d)).toBe(true);
        expect(mergeDrafts(base, d, d).conflicts).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it('no words of either are lost: they are in the draft or among what is told', () => {
    fc.assert(
      fc.property(draft, draft, (a, b) => {
        const { draft: both, conflicts } = mergeDrafts(base, a, b);
        const known = JSON.stringify([both, conflicts]);
        for (const d of [a, b]) {
          if (d.title !== base.title) expect(known.includes(JSON.stringify(d.title))).toBe(true);
          if (d.brief !== base.brief) expect(known.includes(JSON.stringify(d.brief))).toBe(true);
        }
      }),
      { numRuns: 100 },
    );
  });
});
