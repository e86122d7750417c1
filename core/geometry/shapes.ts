import { cross, distanceBetween, dot, length, sub } from '../math';
import { createMemory } from './memory';
import { cornersAt, type Mesh } from './mesh';

/** Figures of a part that stay the same wherever it lies and however it is turned, to four digits. */
function figuresOf(mesh: Mesh, start: number, count: number): string {
  let area = 0;
  let edges = 0;
  let volume = 0;
  const first = count > 0 ? cornersAt(mesh, start / 3)[0] : null;
  for (let at = start; first && at < start + count; at += 3) {
    const [a, b, c] = cornersAt(mesh, at / 3);
    const normal = cross(sub(b, a), sub(c, a));
    area += length(normal) / 2;
    edges += distanceBetween(a, b) + distanceBetween(b, c) + distanceBetween(c, a);
    volume += dot(normal, sub(a, first)) / 6;
  }
  return [count, area, edges, Math.abs(volume)].map((x) => x.toPrecision(4)).join(' ');
}

const shapes = createMemory<Uint16Array>();

/** For each part the number of the first part with the same shape: what looks the same has one number, also mirrored. */
export const shapeNumbers = (mesh: Mesh): Uint16Array =>
  shapes(mesh, 'shapes', () => {
    const known = new Map<string, number>();
    return Uint16Array.from(mesh.parts, ({ start, count }, number) => {
      const figures = figuresOf(mesh, start, count);
      const found = known.get(figures) ?? number;
      known.set(figures, found);
      return found;
    });
  });
