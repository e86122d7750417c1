import type { Mesh } from './mesh';

/** Remembers what takes long to compute of a model, by a key; when there are more keys than `most`, old ones are made again when needed. */
export function createMemory<T>(most = 64): (mesh: Mesh, key: string, make: () => T) => T {
  const meshes = new WeakMap<Mesh, Map<string, T>>();
  return (mesh, key, make) => {
    let known = meshes.get(mesh);
    if (!known) meshes.set(mesh, (known = new Map()));
    const found = known.get(key);
    if (found !== undefined) return found;
    if (known.size > most) known.clear();
    const made = make();
    known.set(key, made);
    return made;
  };
}
