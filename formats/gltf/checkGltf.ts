import { z } from 'zod';
import { FormatError, LIMITS } from '../formatError';

const index = z.number().int().min(0);
const node = z.object({ children: z.array(index).optional(), mesh: index.optional(), name: z.string().optional() });
const gltf = z.object({
  asset: z.object({ version: z.string() }),
  scene: index.optional(),
  scenes: z.array(z.object({ nodes: z.array(index).optional() })).optional(),
  nodes: z.array(node).optional(),
  meshes: z
    .array(z.object({ primitives: z.array(z.object({ attributes: z.record(z.string(), index), indices: index.optional(), mode: z.number().optional() })) }))
    .optional(),
  accessors: z
    .array(z.object({ count: index, bufferView: index.optional(), byteOffset: index.optional(), componentType: z.number(), type: z.string() }))
    .optional(),
  bufferViews: z.array(z.object({ buffer: index, byteLength: index, byteOffset: index.optional() })).optional(),
  buffers: z.array(z.object({ byteLength: index, uri: z.string().optional() })).optional(),
  images: z.array(z.looseObject({})).optional(),
  extensionsRequired: z.array(z.string()).optional(),
});

export type GltfJson = z.infer<typeof gltf> & Record<string, unknown>;

/** Extensions that change nothing in how triangles are read. */
const HARMLESS = new Set([
  'KHR_mesh_quantization',
  'KHR_texture_transform',
  'KHR_materials_unlit',
  'KHR_materials_specular',
  'KHR_materials_ior',
  'KHR_materials_transmission',
  'KHR_materials_clearcoat',
  'KHR_materials_emissive_strength',
  'KHR_materials_sheen',
  'KHR_materials_volume',
]);

const BYTES: Record<number, number> = { 5120: 1, 5121: 1, 5122: 2, 5123: 2, 5125: 4, 5126: 4 };
const WIDTH: Record<string, number> = { SCALAR: 1, VEC2: 2, VEC3: 3, VEC4: 4, MAT2: 4, MAT3: 9, MAT4: 16 };

/** Refuses a node that is its own ancestor, one that is listed twice, and a tree that is too large or too deep to be walked. */
function checkTree(nodes: readonly z.infer<typeof node>[]): void {
  if (nodes.length > LIMITS.nodes)
    throw new FormatError('limit', `The file has ${nodes.length.toLocaleString('en')} nodes; ${LIMITS.nodes.toLocaleString('en')} is the most.`);
  const parent = new Int32Array(nodes.length).fill(-1);
  nodes.forEach((entry, i) => {
    for (const child of entry.children ?? []) {
      if (child >= nodes.length) throw new FormatError('broken', `Node ${i} names a child ${child} that does not exist.`);
      if (child === i || parent[child] !== -1) throw new FormatError('cycle', `Node ${child} is listed more than once.`);
      parent[child] = i;
    }
  });
  // Depths are found upwards and kept, so that each node is visited once.
  const depth = new Int32Array(nodes.length);
  for (let start = 0; start < nodes.length; start++) {
    const chain: number[] = [];
    let at = start;
    while (at >= 0 && depth[at] === 0) {
      depth[at] = -1;
      chain.push(at);
      at = parent[at] ?? -1;
    }
    if (at >= 0 && depth[at] === -1) throw new FormatError('cycle', `Node ${at} is its own ancestor.`);
    let reached = at >= 0 ? (depth[at] ?? 0) : 0;
    for (const n of chain.reverse()) depth[n] = ++reached;
    if (reached > LIMITS.depth) throw new FormatError('limit', `Parts lie within parts more than ${LIMITS.depth} deep: flatten the model before exporting it.`);
  }
}

/** Refuses a scene that lists a node twice, or one that hangs under another. */
function checkScenes(json: z.infer<typeof gltf>): void {
  const nodes = json.nodes ?? [];
  const children = new Set(nodes.flatMap((entry) => entry.children ?? []));
  for (const scene of json.scenes ?? []) {
    const top = scene.nodes ?? [];
    if (top.some((n) => n >= nodes.length)) throw new FormatError('broken', 'The scene names a node that does not exist.');
    if (new Set(top).size !== top.length || top.some((n) => children.has(n))) throw new FormatError('cycle', 'The scene lists a node more than once.');
  }
}

/** Counts what the nodes would bring together, before any of it is made: one mesh may hang under every node. */
function checkAmount(json: z.infer<typeof gltf>): void {
  const count = (accessor: number | undefined): number => (accessor === undefined ? 0 : ((json.accessors ?? [])[accessor]?.count ?? 0));
  const sizes = (json.meshes ?? []).map((mesh) =>
    mesh.primitives.reduce(
      (sum, { attributes, indices }) => ({
        corners: sum.corners + count(attributes.POSITION),
        entries: sum.entries + (indices === undefined ? count(attributes.POSITION) : count(indices)),
        pieces: sum.pieces + 1,
      }),
      { corners: 0, entries: 0, pieces: 0 },
    ),
  );
  let [corners, entries, pieces] = [0, 0, 0];
  for (const { mesh } of json.nodes ?? []) {
    const size = mesh === undefined ? undefined : sizes[mesh];
    corners += size?.corners ?? 0;
    entries += size?.entries ?? 0;
    pieces += Math.max(1, size?.pieces ?? 1);
  }
  // A strip has as many triangles as corners, a list a third of them.
  if (entries > 3 * LIMITS.triangles) throw new FormatError('limit', `The model has more than ${LIMITS.triangles.toLocaleString('en')} triangles.`);
  if (corners > LIMITS.corners) throw new FormatError('limit', `The model has more than ${LIMITS.corners.toLocaleString('en')} corners.`);
  if (pieces > 4 * LIMITS.nodes) throw new FormatError('limit', `The model has more than ${LIMITS.parts.toLocaleString('en')} parts.`);
}

function checkRanges(json: z.infer<typeof gltf>): void {
  const views = json.bufferViews ?? [];
  const buffers = json.buffers ?? [];
  views.forEach((view, i) => {
    const buffer = buffers[view.buffer];
    if (!buffer) throw new FormatError('broken', `Buffer view ${i} names a buffer that does not exist.`);
    if ((view.byteOffset ?? 0) + view.byteLength > buffer.byteLength)
      throw new FormatError('truncated', `Buffer view ${i} reaches past the end of its buffer.`);
  });
  (json.accessors ?? []).forEach((accessor, i) => {
    const size = BYTES[accessor.componentType];
    const width = WIDTH[accessor.type];
    if (!size || !width) throw new FormatError('broken', `Accessor ${i} has an unknown type.`);
    if (accessor.bufferView === undefined) {
      if (accessor.count > LIMITS.corners) throw new FormatError('limit', `Accessor ${i} claims ${accessor.count} entries without having any.`);
      return;
    }
    const view = views[accessor.bufferView];
    if (!view) throw new FormatError('broken', `Accessor ${i} names a buffer view that does not exist.`);
    if ((accessor.byteOffset ?? 0) + accessor.count * size * width > view.byteLength)
      throw new FormatError('truncated', `Accessor ${i} claims more data than its buffer view holds.`);
  });
  checkAmount(json);
  for (const mesh of json.meshes ?? []) {
    for (const primitive of mesh.primitives) {
      const named = [...Object.values(primitive.attributes), ...(primitive.indices === undefined ? [] : [primitive.indices])];
      if (named.some((a) => a >= (json.accessors ?? []).length)) throw new FormatError('broken', 'A mesh names an accessor that does not exist.');
    }
  }
}

/** The JSON of a glTF file, checked as far as reading triangles needs it. */
export function checkGltf(data: unknown): GltfJson {
  const parsed = gltf.safeParse(data);
  if (!parsed.success) {
    const issue = parsed.error.issues[0];
    throw new FormatError('format', `This is no glTF 2.0 file: ${issue?.path.join('.') || 'it'} – ${issue?.message ?? 'unreadable'}.`);
  }
  const json = parsed.data;
  if (!json.asset.version.startsWith('2')) throw new FormatError('format', `This is glTF ${json.asset.version}; version 2.0 is needed.`);
  const needed = (json.extensionsRequired ?? []).filter((name) => !HARMLESS.has(name));
  if (needed.length > 0) throw new FormatError('extension', `The file needs ${needed.join(', ')}, which cannot be read here. Export it without compression.`);
  checkTree(json.nodes ?? []);
  checkRanges(json);
  checkScenes(json);
  for (const entry of json.nodes ?? [])
    if (entry.mesh !== undefined && entry.mesh >= (json.meshes ?? []).length) throw new FormatError('broken', 'A node names a mesh that does not exist.');
  return data as GltfJson;
}
