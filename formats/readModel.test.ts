import { boxes } from '@core/tests/meshes';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FormatError } from './formatError';
import { readModel } from './readModel';
import { writeGlb } from './writeGlb';

const text = (value: unknown): Uint8Array => new TextEncoder().encode(JSON.stringify(value));
const base64 = (bytes: Uint8Array): string => Buffer.from(bytes).toString('base64');
const POINTS = new Float32Array([0, 0, 0, 1, 0, 0, 1, 2, 0, 0, 2, 3]);

interface Options {
  readonly points?: Float32Array;
  readonly indices?: Uint16Array;
  readonly mode?: number;
  readonly change?: (json: Record<string, unknown>) => void;
}

/** A .gltf of one mesh with an embedded buffer. */
function gltf({ points = POINTS, indices = new Uint16Array([0, 1, 2]), mode, change }: Options = {}): Uint8Array {
  const data = new Uint8Array(points.byteLength + indices.byteLength);
  data.set(new Uint8Array(points.buffer), 0);
  data.set(new Uint8Array(indices.buffer), points.byteLength);
  const json: Record<string, unknown> = {
    asset: { version: '2.0' },
    scene: 0,
    scenes: [{ nodes: [0] }],
    nodes: [{ mesh: 0, name: 'piece' }],
    meshes: [{ primitives: [{ attributes: { POSITION: 0 }, indices: 1, ...(mode === undefined ? {} : { mode }) }] }],
    accessors: [
      { bufferView: 0, componentType: 5126, count: points.length / 3, type: 'VEC3' },
      { bufferView: 1, componentType: 5123, count: indices.length, type: 'SCALAR' },
    ],
    bufferViews: [
      { buffer: 0, byteOffset: 0, byteLength: points.byteLength },
      { buffer: 0, byteOffset: points.byteLength, byteLength: indices.byteLength },
    ],
    buffers: [{ byteLength: data.length, uri: `data:application/octet-stream;base64,${base64(data)}` }],
  };
  change?.(json);
  return text(json);
}

const read = (bytes: Uint8Array, name = 'x.gltf') => readModel({ name, bytes });
const codeOf = (bytes: Uint8Array, name?: string): Promise<string> =>
  read(bytes, name).then(
    () => 'read',
    (e) => (e instanceof FormatError ? e.code : `raw ${e}`),
  );

describe('readModel', () => {
  it('turns +Y up into +Z up: (x, y, z) becomes (x, -z, y)', async () => {
    const { mesh } = await read(gltf());
    expect([...mesh.positions]).toEqual([0, -0, 0, 1, -0, 0, 1, -0, 2, 0, -3, 2]);
    expect(mesh.parts).toEqual([{ id: 'piece', name: 'piece', start: 0, count: 3, parent: null }]);
  });

  it('turns strips and fans into triangles, and leaves points and lines out with a word', async () => {
    const strip = await read(gltf({ indices: new Uint16Array([0, 1, 2, 3]), mode: 5 }));
    expect([...strip.mesh.indices]).toEqual([0, 1, 2, 2, 1, 3]);
    const fan = await read(gltf({ indices: new Uint16Array([0, 1, 2, 3]), mode: 6 }));
    expect([...fan.mesh.indices]).toEqual([0, 1, 2, 0, 2, 3]);
    expect(await codeOf(gltf({ mode: 1 }))).toBe('empty');
    const both = await read(
      gltf({
        change: (json) => {
          (json.meshes as { primitives: unknown[] }[])[0]?.primitives.push({ attributes: { POSITION: 0 }, mode: 0 });
        },
      }),
    );
    expect(both.warnings).toEqual(['Points and lines were left out.']);
  });

  it('makes every instance a part of its own, in its place, with a number where names repeat', async () => {
    const { mesh } = await read(
      gltf({
        change: (json) => {
          json.nodes = [
            { mesh: 0, name: 'piece' },
            { mesh: 0, name: 'piece', translation: [5, 0, 0] },
            { mesh: 0, name: 'flipped', scale: [-1, 1, 1] },
          ];
          json.scenes = [{ nodes: [0, 1, 2] }];
        },
      }),
    );
    expect(mesh.parts.map((p) => p.id)).toEqual(['piece', 'piece#2', 'flipped']);
    expect(mesh.positions[12]).toBe(5);
    // A mirrored instance keeps its faces outwards.
    expect([...mesh.indices.slice(6)]).toEqual([8, 10, 9]);
  });

  it('reads the default scene of several', async () => {
    const { mesh } = await read(
      gltf({
        change: (json) => {
          json.nodes = [
            { mesh: 0, name: 'first' },
            { mesh: 0, name: 'second' },
          ];
          json.scenes = [{ nodes: [0] }, { nodes: [1] }];
          json.scene = 1;
        },
      }),
    );
    expect(mesh.parts.map((p) => p.id)).toEqual(['second']);
  });

  it('takes buffers from the files beside it', async () => {
    const bytes = gltf({
      change: (json) => {
        (json.buffers as { uri: string }[])[0] = { ...(json.buffers as { uri: string }[])[0], uri: 'folder/data.bin' } as { uri: string };
      },
    });
    expect(await codeOf(bytes)).toBe('companion');
    const data = new Uint8Array(54);
    data.set(new Uint8Array(POINTS.buffer));
    data.set([0, 0, 1, 0, 2, 0], 48);
    await expect(readModel({ name: 'x.gltf', bytes }, [{ name: 'data.bin', bytes: data }])).resolves.toMatchObject({ warnings: [] });
  });

  it.each([
    ['nothing', new Uint8Array(), 'truncated'],
    ['no JSON', new TextEncoder().encode('{'), 'format'],
    ['another JSON', text({ hello: 1 }), 'format'],
    [
      'glTF 1',
      gltf({
        change: (json) => {
          json.asset = { version: '1.0' };
        },
      }),
      'format',
    ],
    ['an index out of range', gltf({ indices: new Uint16Array([0, 1, 9]) }), 'index'],
    ['a coordinate that is no number', gltf({ points: new Float32Array([0, 0, 0, Number.NaN, 0, 0, 1, 1, 1]) }), 'numbers'],
    ['an infinite coordinate', gltf({ points: new Float32Array([0, 0, 0, Number.POSITIVE_INFINITY, 0, 0, 1, 1, 1]) }), 'numbers'],
    [
      'an accessor past its view',
      gltf({
        change: (json) => {
          (json.accessors as { count: number }[])[0] = { ...(json.accessors as { count: number }[])[0], count: 5000 } as { count: number };
        },
      }),
      'truncated',
    ],
    [
      'a view past its buffer',
      gltf({
        change: (json) => {
          (json.bufferViews as { byteLength: number }[])[1] = { buffer: 0, byteOffset: 40, byteLength: 400 } as never;
        },
      }),
      'truncated',
    ],
    [
      'a node that is its own child',
      gltf({
        change: (json) => {
          json.nodes = [{ mesh: 0, children: [0] }];
        },
      }),
      'cycle',
    ],
    [
      'nodes in a circle',
      gltf({
        change: (json) => {
          json.nodes = [{ mesh: 0, children: [1] }, { children: [2] }, { children: [1] }];
        },
      }),
      'cycle',
    ],
    [
      'a child that is not there',
      gltf({
        change: (json) => {
          json.nodes = [{ mesh: 0, children: [7] }];
        },
      }),
      'broken',
    ],
    [
      'a compression that is needed',
      gltf({
        change: (json) => {
          json.extensionsRequired = ['KHR_draco_mesh_compression'];
        },
      }),
      'extension',
    ],
    ['no triangles', gltf({ indices: new Uint16Array([0, 1]) }), 'empty'],
    ['a .glb in name only', gltf(), 'format', 'x.glb'],
  ])('refuses %s with its reason', async (_name, bytes, code, name?) => {
    expect(await codeOf(bytes as Uint8Array, name as string | undefined)).toBe(code);
  });

  /** A file whose JSON is this text, whatever is in it. */
  const raw = (json: string): Uint8Array => new TextEncoder().encode(json);
  const many = (n: number, one: string): string => `[${Array.from({ length: n }, () => one).join(',')}]`;

  it.each([
    [
      'one node listed 200,000 times',
      () => raw(`{"asset":{"version":"2.0"},"scene":0,"scenes":[{"nodes":${many(200_000, '0')}}],"nodes":[{"mesh":0}]}`),
      'cycle',
    ],
    [
      'a child listed 200,000 times',
      () => raw(`{"asset":{"version":"2.0"},"scenes":[{"nodes":[0]}],"nodes":[{"children":${many(200_000, '1')}},{}]}`),
      'cycle',
    ],
    ['a scene that lists a child of another', () => raw('{"asset":{"version":"2.0"},"scenes":[{"nodes":[0,1]}],"nodes":[{"children":[1]},{}]}'), 'cycle'],
    ['six million empty nodes', () => raw(`{"asset":{"version":"2.0"},"nodes":[{}${',{}'.repeat(5_999_999)}]}`), 'limit'],
    ['30,000 empty nodes', () => raw(`{"asset":{"version":"2.0"},"nodes":${many(30_000, '{}')}}`), 'limit'],
    [
      'a chain of 19,000 nodes',
      () => raw(`{"asset":{"version":"2.0"},"nodes":[${Array.from({ length: 19_000 }, (_, i) => (i < 18_999 ? `{"children":[${i + 1}]}` : '{}')).join(',')}]}`),
      'limit',
    ],
    [
      'a chain of 19,000 nodes told from its end',
      () => raw(`{"asset":{"version":"2.0"},"nodes":[${Array.from({ length: 19_000 }, (_, i) => (i > 0 ? `{"children":[${i - 1}]}` : '{}')).join(',')}]}`),
      'limit',
    ],
    [
      'an accessor of nothing that claims twenty million entries',
      () =>
        gltf({
          change: (json) => {
            json.accessors = [{ count: 20_000_000, componentType: 5126, type: 'VEC3' }];
          },
        }),
      'limit',
    ],
    [
      'one mesh of two million corners under 4,000 nodes',
      () =>
        gltf({
          change: (json) => {
            (json.accessors as object[]).push({ count: 2_000_000, componentType: 5126, type: 'VEC3' });
            json.meshes = [{ primitives: [{ attributes: { POSITION: 2 }, mode: 0 }] }];
            json.nodes = Array.from({ length: 4000 }, () => ({ mesh: 0 }));
            json.scenes = [{ nodes: Array.from({ length: 4000 }, (_, i) => i) }];
          },
        }),
      'limit',
    ],
  ])('refuses %s before anything is made of it', async (_name, make, code) => {
    expect(await codeOf(make())).toBe(code);
  });

  it('never fails raw, wherever a file is cut or bent', async () => {
    const whole = await writeGlb(
      boxes([
        { id: 'a', min: [0, 0, 0], max: [1, 1, 1] },
        { id: 'b', min: [2, 0, 0], max: [3, 1, 1], parent: 'a' },
      ]),
    );
    await fc.assert(
      fc.asyncProperty(fc.nat(whole.length - 1), fc.option(fc.tuple(fc.nat(whole.length - 1), fc.nat(255))), async (length, bent) => {
        const bytes = bent ? new Uint8Array(whole) : whole.slice(0, length);
        if (bent) bytes[bent[0]] = bent[1];
        return !(await codeOf(bytes, 'x.glb')).startsWith('raw');
      }),
      { numRuns: 250 },
    );
  });
});
