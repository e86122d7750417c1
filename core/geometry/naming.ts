import { groupedBy } from '../math';
import type { Mesh, Part } from './mesh';
import type { Naming } from './namingSchema';

export type { Naming } from './namingSchema';
export const NO_NAMING: Naming = { names: {}, merges: [] };

/** What a part is called on the screen. */
export const partName = (parts: readonly Part[], id: string): string => parts.find((part) => part.id === id)?.name || (id.split('/').at(-1) ?? id);

/** The part that each merged one is now, also over several merges. */
export function mergedInto({ merges }: Pick<Naming, 'merges'>): ReadonlyMap<string, string> {
  const direct = new Map(merges.flatMap(({ into, from }) => from.map((id) => [id, into] as const)));
  const last = (id: string): string => {
    let at = id;
    for (let steps = 0; steps <= direct.size; steps++) {
      const next = direct.get(at);
      if (next === undefined || next === id) return at;
      at = next;
    }
    return at;
  };
  return new Map([...direct.keys()].map((id) => [id, last(id)]));
}

/** Why parts cannot be named or merged so, in words; null when they can. Only parts of one group become one. */
export function namingFault(parts: readonly Part[], { names, merges }: Naming): string | null {
  const byId = new Map(parts.map((part) => [part.id, part]));
  const unknown = [...Object.keys(names), ...merges.flatMap(({ into, from }) => [into, ...from])].find((id) => !byId.has(id));
  if (unknown !== undefined) return `The model has no part “${unknown}”: load the page again.`;
  for (const { into, from } of merges) {
    if (from.includes(into)) return 'A part cannot be merged with itself.';
    const apart = from.find((id) => byId.get(id)?.parent !== byId.get(into)?.parent);
    if (apart !== undefined)
      return `“${partName(parts, apart)}” and “${partName(parts, into)}” do not lie in one group: only parts of one group can be merged.`;
  }
  return null;
}

/** The mesh with its parts called and merged as a person wants them; ids that are not there are left out. Nothing of the geometry changes. */
export function applyNaming(mesh: Mesh, naming: Naming): Mesh {
  const known = new Set(mesh.parts.map((part) => part.id));
  const merged = new Map([...mergedInto(naming)].filter(([from, into]) => known.has(from) && known.has(into) && from !== into));
  const pieces = groupedBy(mesh.parts, ({ id }) => merged.get(id) ?? id);
  const indices = merged.size > 0 ? new Uint32Array(mesh.indices.length) : mesh.indices;
  let at = 0;
  const parts = mesh.parts
    .filter((part) => !merged.has(part.id))
    .map((part): Part => {
      const parent = part.parent === null ? null : (merged.get(part.parent) ?? part.parent);
      const named = { ...part, name: naming.names[part.id] ?? part.name, parent };
      if (merged.size === 0) return named;
      const start = at;
      for (const piece of pieces.get(part.id) ?? []) {
        indices.set(mesh.indices.subarray(piece.start, piece.start + piece.count), at);
        at += piece.count;
      }
      return { ...named, start, count: at - start };
    });
  return { positions: mesh.positions, indices: indices.subarray(0, merged.size > 0 ? at : indices.length), parts };
}

/** One naming after another: what was named and merged before stays unless it is named anew. */
export const namedFurther = (before: Naming, then: Naming): Naming => ({
  names: { ...before.names, ...then.names },
  merges: [...before.merges, ...then.merges],
});
