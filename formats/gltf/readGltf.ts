import type { Mesh, Part } from '@core';
import { type GLTF, type Node, Primitive, WebIO } from '@gltf-transform/core';
import { FormatError, LIMITS } from '../formatError';
import type { NamedBytes } from '../readModel';
import { checkGltf, type GltfJson } from './checkGltf';
import { openContainer } from './container';

const DATA_URI = /^data:[^,]*;base64,/;

function decodeBase64(text: string): Uint8Array {
  try {
    return Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
  } catch {
    throw new FormatError('broken', 'An embedded buffer is not valid base64.');
  }
}

/** The bytes of each buffer by the name under which the reader will ask for it. */
function gatherBuffers(json: GltfJson, binary: Uint8Array | null, companions: readonly NamedBytes[]): Record<string, Uint8Array<ArrayBuffer>> {
  const found: Record<string, Uint8Array<ArrayBuffer>> = {};
  (json.buffers ?? []).forEach((buffer, i) => {
    let bytes: Uint8Array | undefined;
    if (buffer.uri === undefined) {
      if (i !== 0 || !binary) throw new FormatError('truncated', `Buffer ${i} has no data.`);
      bytes = binary;
    } else if (DATA_URI.test(buffer.uri)) {
      bytes = decodeBase64(buffer.uri.slice(buffer.uri.indexOf(',') + 1));
    } else {
      const wanted = decodeURIComponent(buffer.uri).split('/').at(-1);
      bytes = companions.find((c) => c.name.split('/').at(-1) === wanted)?.bytes;
      if (!bytes) throw new FormatError('companion', `The file "${buffer.uri}" is missing: drop it in together with this one.`);
    }
    if (bytes.length < buffer.byteLength) throw new FormatError('truncated', `Buffer ${i} has ${bytes.length} of ${buffer.byteLength} bytes.`);
    const name = `buffer-${i}.bin`;
    buffer.uri = name;
    found[name] = new Uint8Array(bytes);
  });
  return found;
}

/** Only what triangles and colours need: pictures are left out, so that they need not be there. */
function withoutPictures(json: GltfJson): GltfJson {
  const copy = structuredClone(json) as GltfJson & Record<string, unknown>;
  for (const key of ['images', 'textures', 'samplers', 'animations', 'skins', 'cameras', 'extensionsRequired', 'extensionsUsed', 'extensions'])
    delete copy[key];
  const strip = (value: unknown): void => {
    if (!value || typeof value !== 'object') return;
    for (const [key, inner] of Object.entries(value)) {
      if (/texture$/i.test(key) || key === 'extensions' || key === 'targets' || key === 'camera' || key === 'skin')
        delete (value as Record<string, unknown>)[key];
      else strip(inner);
    }
  };
  for (const key of ['materials', 'meshes', 'nodes'] as const) strip(copy[key]);
  return copy;
}

/** Corner numbers, three a triangle, of a primitive in any triangle mode; null for points and lines. */
function trianglesOf(primitive: Primitive, corners: number): number[] | null {
  const list = primitive.getIndices();
  const count = list ? list.getCount() : corners;
  const at = (i: number): number => (list ? list.getScalar(i) : i);
  const out: number[] = [];
  const mode = primitive.getMode();
  if (mode === Primitive.Mode.TRIANGLES) for (let i = 0; i + 2 < count; i += 3) out.push(at(i), at(i + 1), at(i + 2));
  else if (mode === Primitive.Mode.TRIANGLE_STRIP)
    for (let i = 0; i + 2 < count; i++) out.push(...(i % 2 === 0 ? [at(i), at(i + 1), at(i + 2)] : [at(i + 1), at(i), at(i + 2)]));
  else if (mode === Primitive.Mode.TRIANGLE_FAN) for (let i = 1; i + 1 < count; i++) out.push(at(0), at(i), at(i + 1));
  else return null;
  return out;
}

interface Growing {
  readonly positions: number[];
  readonly indices: number[];
  readonly parts: Part[];
  readonly names: Map<string, number>;
  readonly warnings: Set<string>;
}

function uniqueId(names: Map<string, number>, path: string): string {
  const n = (names.get(path) ?? 0) + 1;
  names.set(path, n);
  return n === 1 ? path : uniqueId(names, `${path}#${n}`);
}

function addPrimitive(into: Growing, primitive: Primitive, matrix: readonly number[], part: Omit<Part, 'start' | 'count'>): void {
  const position = primitive.getAttribute('POSITION');
  const triangles = position ? trianglesOf(primitive, position.getCount()) : null;
  if (!position || !triangles) {
    if (position) into.warnings.add('Points and lines were left out.');
    into.parts.push({ ...part, start: into.indices.length, count: 0 });
    return;
  }
  if (into.indices.length / 3 + triangles.length / 3 > LIMITS.triangles)
    throw new FormatError('limit', `The model has more than ${LIMITS.triangles.toLocaleString('en')} triangles.`);
  const first = into.positions.length / 3;
  const [a, b, c, , e, f, g, , i, j, k, , m, n, o] = matrix as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const p: [number, number, number] = [0, 0, 0];
  for (let corner = 0; corner < position.getCount(); corner++) {
    position.getElement(corner, p);
    const x = a * p[0] + e * p[1] + i * p[2] + m;
    const y = b * p[0] + f * p[1] + j * p[2] + n;
    const z = c * p[0] + g * p[1] + k * p[2] + o;
    if (!Number.isFinite(x) || !Number.isFinite(y) || !Number.isFinite(z) || Math.max(Math.abs(x), Math.abs(y), Math.abs(z)) > 1e9)
      throw new FormatError('numbers', 'The model has coordinates that are no usable numbers.');
    // glTF stands on +Y; here +Z is up and the front looks along +Y.
    into.positions.push(x, -z, y);
  }
  const mirrored = a * (f * k - g * j) - e * (b * k - c * j) + i * (b * g - c * f) < 0;
  const start = into.indices.length;
  for (let t = 0; t < triangles.length; t += 3) {
    const [p0, p1, p2] = [triangles[t], triangles[t + 1], triangles[t + 2]] as [number, number, number];
    if (Math.max(p0, p1, p2) >= position.getCount()) throw new FormatError('index', 'A triangle names a corner that does not exist.');
    if (mirrored) into.indices.push(first + p0, first + p2, first + p1);
    else into.indices.push(first + p0, first + p1, first + p2);
  }
  into.parts.push({ ...part, start, count: into.indices.length - start });
}

const linearToShown = (c: number): number => Math.round(255 * (c <= 0.0031308 ? 12.92 * c : 1.055 * c ** (1 / 2.4) - 0.055)) / 255;

function colourOf(primitive: Primitive): Part['colour'] {
  const material = primitive.getMaterial();
  if (!material) return undefined;
  const [r, g, b, alpha] = material.getBaseColorFactor();
  return [linearToShown(r), linearToShown(g), linearToShown(b), material.getAlphaMode() === 'BLEND' ? alpha : 1];
}

function addNode(into: Growing, node: Node, parent: string | null): string {
  const name = node.getName().trim().slice(0, 200) || node.getMesh()?.getName().trim().slice(0, 200) || 'part';
  const id = uniqueId(into.names, parent === null ? name : `${parent}/${name}`);
  const primitives = node.getMesh()?.listPrimitives() ?? [];
  const matrix = node.getWorldMatrix();
  const only = primitives[0];
  if (primitives.length === 1 && only) addPrimitive(into, only, matrix, { id, name, parent, ...withColour(only) });
  else {
    into.parts.push({ id, name, start: into.indices.length, count: 0, parent });
    primitives.forEach((primitive, n) => {
      const piece = primitive.getMaterial()?.getName() || `piece ${n + 1}`;
      addPrimitive(into, primitive, matrix, { id: uniqueId(into.names, `${id}/${piece}`), name: piece, parent: id, ...withColour(primitive) });
    });
  }
  if (into.parts.length > LIMITS.parts) throw new FormatError('limit', `The model has more than ${LIMITS.parts.toLocaleString('en')} parts.`);
  return id;
}

function withColour(primitive: Primitive): { colour?: NonNullable<Part['colour']> } {
  const colour = colourOf(primitive);
  return colour ? { colour } : {};
}

/** Groups with nothing under them are left out. */
function pruned(parts: readonly Part[]): Part[] {
  const keep = new Set<string>();
  const byId = new Map(parts.map((part) => [part.id, part]));
  for (const part of parts) {
    let at: Part | undefined = part.count > 0 ? part : undefined;
    while (at && !keep.has(at.id)) {
      keep.add(at.id);
      at = at.parent === null ? undefined : byId.get(at.parent);
    }
  }
  return parts.filter((part) => keep.has(part.id));
}

export async function readGltf(file: NamedBytes, companions: readonly NamedBytes[]): Promise<{ mesh: Mesh; warnings: string[] }> {
  const { json, binary } = openContainer(file);
  const checked = withoutPictures(checkGltf(json));
  const resources = gatherBuffers(checked, binary, companions);
  const document = await new WebIO().readJSON({ json: checked as unknown as GLTF.IGLTF, resources });
  const root = document.getRoot();
  const scene = root.getDefaultScene() ?? root.listScenes()[0];
  const into: Growing = { positions: [], indices: [], parts: [], names: new Map(), warnings: new Set() };
  if ((json as GltfJson).images?.length) into.warnings.add('Textures were left out; parts keep their base colour.');
  const top = scene ? scene.listChildren() : root.listNodes().filter((node) => !node.getParentNode());
  const waiting = top.map((node) => ({ node, parent: null as string | null })).reverse();
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const id = addNode(into, next.node, next.parent);
    for (const child of next.node.listChildren().reverse()) waiting.push({ node: child, parent: id });
  }
  const parts = pruned(into.parts);
  if (into.indices.length === 0 || parts.length === 0) throw new FormatError('empty', `"${file.name}" holds no triangles.`);
  return { mesh: { positions: new Float32Array(into.positions), indices: new Uint32Array(into.indices), parts }, warnings: [...into.warnings] };
}
