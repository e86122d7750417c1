import { distanceBetween } from '../math';
import { createMemory } from './memory';
import { boxOf, type Mesh, partsUnder } from './mesh';

const known = createMemory<number>();

/** Diagonal of the box of parts, metres; none: of the whole model. */
export const diagonalOf = (mesh: Mesh, parts: readonly string[] = []): number =>
  known(mesh, JSON.stringify(parts), () => {
    const box = boxOf(mesh, partsUnder(mesh, parts));
    return box ? distanceBetween(box.min, box.max) : 0;
  });
