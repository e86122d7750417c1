import { describe, expect, it } from 'vitest';
import { boxes } from '../tests/meshes';
import { boxOf, partsUnder } from './mesh';
import { applyNaming, mergedInto, NO_NAMING, namedFurther, namingFault } from './naming';

const mesh = boxes([
  { id: 'a', min: [0, 0, 0], max: [1, 1, 1] },
  { id: 'b', min: [2, 0, 0], max: [3, 1, 1] },
  { id: 'c', min: [4, 0, 0], max: [5, 1, 1] },
  { id: 'd', min: [6, 0, 0], max: [7, 2, 1] },
]);
const grouped = { ...mesh, parts: mesh.parts.map((part) => (part.id === 'd' ? { ...part, parent: 'c' } : part)) };

describe('names of parts', () => {
  it('change what a part is called, and nothing else', () => {
    const named = applyNaming(mesh, { names: { b: 'Lid', none: 'Nothing' }, merges: [] });
    expect(named.parts.map((part) => part.name)).toEqual(mesh.parts.map((part) => (part.id === 'b' ? 'Lid' : part.name)));
    expect([named.indices, named.positions]).toEqual([mesh.indices, mesh.positions]);
    expect(applyNaming(mesh, NO_NAMING)).toEqual(mesh);
  });

  it('merge parts into one that has all their triangles; what lay under them lies under it', () => {
    const merged = applyNaming(grouped, { names: { a: 'Both' }, merges: [{ into: 'a', from: ['c'] }] });
    expect(merged.parts.map((part) => [part.id, part.parent])).toEqual([
      ['a', null],
      ['b', null],
      ['d', 'a'],
    ]);
    expect(merged.indices.length).toBe(mesh.indices.length);
    const own = { ...merged, parts: merged.parts.map((part) => ({ ...part, parent: null })) };
    expect(boxOf(own, partsUnder(own, ['a']))).toEqual({ min: [0, 0, 0], max: [5, 1, 1] });
    for (const id of ['b', 'd']) expect(boxOf(own, partsUnder(own, [id]))).toEqual(boxOf(mesh, partsUnder(mesh, [id])));
    // Every part has its own stretch of the list, one behind the other.
    for (const [i, part] of merged.parts.entries()) expect(part.start).toBe(merged.parts.slice(0, i).reduce((sum, p) => sum + p.count, 0));
  });

  it('go on from one to the next: what was merged into a part that is merged itself ends there', () => {
    const naming = namedFurther(
      { names: { a: 'One', b: 'Two' }, merges: [{ into: 'b', from: ['c'] }] },
      { names: { b: 'Other' }, merges: [{ into: 'a', from: ['b'] }] },
    );
    expect(naming.names).toEqual({ a: 'One', b: 'Other' });
    expect([...mergedInto(naming)]).toEqual([
      ['c', 'a'],
      ['b', 'a'],
    ]);
    expect(applyNaming(mesh, naming).parts.map((part) => part.id)).toEqual(['a', 'd']);
  });

  it('refuse what is not there, and parts of different groups', () => {
    expect(namingFault(grouped.parts, { names: { a: 'A' }, merges: [{ into: 'a', from: ['b'] }] })).toBeNull();
    expect(namingFault(grouped.parts, { names: { x: 'A' }, merges: [] })).toMatch(/no part “x”/);
    expect(namingFault(grouped.parts, { names: {}, merges: [{ into: 'a', from: ['d'] }] })).toMatch(/one group/);
    expect(namingFault(grouped.parts, { names: {}, merges: [{ into: 'a', from: ['a'] }] })).toMatch(/itself/);
  });
});
