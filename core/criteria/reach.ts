import { type Mesh, partName, partsUnder } from '../geometry';
import type { Aim } from './aim';
import { partsSought, withItems } from './findResults';

/** What has to be seen for a step to be done: what is sought, and what a cut has to lay open; with the mesh that has all of it. */
export function aimedParts(
  mesh: Mesh,
  { find, reveal }: Pick<Aim, 'find' | 'reveal'>,
): {
  readonly mesh: Mesh;
  readonly things: readonly { readonly name: string; readonly parts: ReadonlySet<number> }[];
} {
  const items = find ?? [];
  const whole = withItems(mesh, items);
  const sought = partsSought(whole, items);
  return {
    mesh: whole,
    things: [
      ...items.map(({ name }, i) => ({ name, parts: sought[i] ?? new Set<number>() })),
      ...(reveal ?? []).map((id) => ({ name: partName(mesh.parts, id), parts: partsUnder(mesh, [id]) })),
    ],
  };
}
