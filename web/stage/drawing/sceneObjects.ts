import { boxOf, type Mesh as ModelMesh, type PlacedItem } from '@core/geometry';
import { effectiveVisibility, type Scene } from '@core/navigation';
import type { Caps } from '@web/workers/makeCaps';
import {
  BufferAttribute,
  BufferGeometry,
  type Camera,
  CanvasTexture,
  CircleGeometry,
  Color,
  DirectionalLight,
  DoubleSide,
  Group,
  HemisphereLight,
  LineBasicMaterial,
  LineSegments,
  type Material,
  Matrix4,
  Mesh,
  MeshBasicMaterial,
  MeshStandardMaterial,
  Plane,
  SRGBColorSpace,
  Vector3,
} from 'three';
import type { GridPlane } from '../aids';
import type { Prepared, Refined } from '../prepared';
import { frustumPlanes, type Pieces, visibleRuns } from './culling';
import { gridLines } from './grid';
import { createPlacedObjects } from './placedObjects';

const STAGE_COLOUR = [0.72, 0.68, 0.58, 1] as const;
const INK = 0x1b2740;

/** What the renderer draws for one model, and how a scene changes it. Owns its geometry: call `dispose`. */
export interface SceneObjects {
  readonly root: Group;
  readonly shadow: Mesh;
  update(scene: Scene): void;
  /** Leaves out the parts that this camera does not see; `depth`: metres to what is looked at, from where edges begin to fade. */
  aim(camera: Camera, depth: number): void;
  setGrid(grid: GridPlane | null): void;
  /** Objects that stand on the stage beside the model. */
  setPlaced(items: readonly PlacedItem[]): void;
  /** Parts that are shown as picked ones are, from the next update on, without being picked. */
  setMarked(parts: readonly string[]): void;
  setCaps(caps: Caps | null): void;
  /** Takes the fine shading and the edges that came after the first picture. */
  refine(refined: Refined): void;
  dispose(): void;
}

function colours(mesh: ModelMesh): Float32Array {
  const out = new Float32Array(mesh.indices.length * 4);
  const colour = new Color();
  for (const part of mesh.parts) {
    const [r, g, b, a] = part.colour ?? STAGE_COLOUR;
    colour.setRGB(r, g, b, SRGBColorSpace);
    for (let i = part.start; i < part.start + part.count; i++) out.set([colour.r, colour.g, colour.b, a], i * 4);
  }
  return out;
}

function shadowOf(mesh: ModelMesh): Mesh {
  const box = boxOf(mesh) ?? { min: [0, 0, 0], max: [1, 1, 1] };
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = 256;
  const context = canvas.getContext('2d');
  if (context) {
    const fade = context.createRadialGradient(128, 128, 10, 128, 128, 128);
    fade.addColorStop(0, 'rgba(27, 39, 64, 0.42)');
    fade.addColorStop(0.45, 'rgba(27, 39, 64, 0.24)');
    fade.addColorStop(1, 'rgba(27, 39, 64, 0)');
    context.fillStyle = fade;
    context.fillRect(0, 0, 256, 256);
  }
  const material = new MeshBasicMaterial({ map: new CanvasTexture(canvas), transparent: true, depthWrite: false });
  const disc = new Mesh(new CircleGeometry(1, 48), material);
  disc.scale.set((box.max[0] - box.min[0]) * 0.95, (box.max[1] - box.min[1]) * 0.95, 1);
  const lift = (box.max[2] - box.min[2]) * 0.002;
  disc.position.set((box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2, box.min[2] - lift);
  disc.renderOrder = -1;
  return disc;
}

/** Stripes at 45 degrees, so that a cut face is told from a surface without its colour. */
function hatched(material: MeshBasicMaterial): MeshBasicMaterial {
  material.onBeforeCompile = (shader) => {
    shader.fragmentShader = shader.fragmentShader.replace(
      '#include <dithering_fragment>',
      `#include <dithering_fragment>
       float stripe = mod(gl_FragCoord.x + gl_FragCoord.y, 9.0);
       if (stripe < 1.6) gl_FragColor.rgb *= 0.55;`,
    );
  };
  return material;
}

/** Edges far behind what is looked at grow paler, so that a far tangle does not hide what is near. */
function fading(material: LineBasicMaterial): { material: LineBasicMaterial; setDepth: (depth: number) => void } {
  const from = { value: 1 };
  material.onBeforeCompile = (shader) => {
    shader.uniforms.fadeFrom = from;
    shader.vertexShader = shader.vertexShader
      .replace('#include <common>', '#include <common>\nvarying float vAway;')
      .replace('#include <project_vertex>', '#include <project_vertex>\nvAway = -mvPosition.z;');
    shader.fragmentShader = shader.fragmentShader
      .replace('#include <common>', '#include <common>\nvarying float vAway;\nuniform float fadeFrom;')
      .replace('#include <dithering_fragment>', '#include <dithering_fragment>\ngl_FragColor.a *= 1.0 - 0.75 * smoothstep(1.2, 4.0, vAway / fadeFrom);');
  };
  return {
    material,
    setDepth: (depth) => {
      from.value = Math.max(depth, 1e-6);
    },
  };
}

/** A sphere that holds each part: x, y, z, radius; from the part's box. */
function spheresOf(prepared: Prepared): Float32Array {
  const { mesh } = prepared;
  const out = new Float32Array(mesh.parts.length * 4);
  mesh.parts.forEach((_, n) => {
    const box = boxOf(mesh, new Set([n]));
    if (!box) return;
    const half = [0, 1, 2].map((axis) => ((box.max[axis] as number) - (box.min[axis] as number)) / 2) as [number, number, number];
    out.set([box.min[0] + half[0], box.min[1] + half[1], box.min[2] + half[2], Math.hypot(...half) * 1.001 + 1e-6], n * 4);
  });
  return out;
}

export function createSceneObjects(prepared: Prepared): SceneObjects {
  const { mesh } = prepared;
  const clip = new Plane(new Vector3(0, 0, -1), 0);
  const extent = boxOf(mesh);
  const hair = extent ? Math.hypot(...extent.max.map((x, axis) => x - (extent.min[axis] as number))) * 1e-6 : 0;
  const planes: Plane[] = [];
  const attributes = {
    position: new BufferAttribute(prepared.positions, 3),
    normal: new BufferAttribute(prepared.normals, 3),
    color: new BufferAttribute(colours(mesh), 4),
  };
  const geometry = (): BufferGeometry => {
    const made = new BufferGeometry();
    for (const [name, attribute] of Object.entries(attributes)) made.setAttribute(name, attribute);
    return made;
  };
  const common = { side: DoubleSide, clippingPlanes: planes, polygonOffset: true, polygonOffsetFactor: 1, polygonOffsetUnits: 1 } as const;
  const shaded = new MeshStandardMaterial({ ...common, vertexColors: true, roughness: 0.72, metalness: 0.05 });
  const flat = new MeshBasicMaterial({ ...common, vertexColors: true });
  const paper = new MeshBasicMaterial({ ...common, color: 0xfbf7ec });
  const clear = new MeshStandardMaterial({ ...common, vertexColors: true, transparent: true, depthWrite: false, roughness: 0.3 });
  const glass = new MeshBasicMaterial({ ...common, color: 0x8fb3b0, transparent: true, opacity: 0.16, depthWrite: false });
  const chosen = new MeshBasicMaterial({
    side: DoubleSide,
    clippingPlanes: planes,
    color: 0xd9920a,
    transparent: true,
    opacity: 0.38,
    depthWrite: false,
    polygonOffset: true,
    polygonOffsetFactor: -1,
    polygonOffsetUnits: -1,
  });
  // Materials as lists: what a camera does not see is left out by drawing in groups.
  const opaque = new Mesh<BufferGeometry, Material[]>(geometry(), [shaded]);
  const translucent = new Mesh<BufferGeometry, Material[]>(geometry(), [clear]);
  const glassy = new Mesh<BufferGeometry, Material[]>(geometry(), [glass]);
  const selected = new Mesh<BufferGeometry, Material[]>(geometry(), [chosen]);
  translucent.renderOrder = 2;
  glassy.renderOrder = 3;
  selected.renderOrder = 1;

  const edgeGeometry = new BufferGeometry().setAttribute('position', new BufferAttribute(prepared.edges, 3));
  const faded = fading(new LineBasicMaterial({ color: INK, transparent: true, opacity: 0.62, clippingPlanes: planes }));
  const edges = new LineSegments<BufferGeometry, Material[]>(edgeGeometry, [faded.material]);
  const grid = new LineSegments(new BufferGeometry(), new LineBasicMaterial({ vertexColors: true, transparent: true, opacity: 0.75 }));
  grid.visible = false;
  const placed = createPlacedObjects(planes);
  const capMesh = new Mesh(
    new BufferGeometry(),
    hatched(new MeshBasicMaterial({ vertexColors: true, side: DoubleSide, polygonOffset: true, polygonOffsetFactor: 0.5, polygonOffsetUnits: 0.5 })),
  );
  const capLines = new LineSegments(new BufferGeometry(), new LineBasicMaterial({ color: INK }));
  capMesh.visible = false;
  capLines.visible = false;

  const root = new Group();
  const key = new DirectionalLight(0xfff2dc, 2.4);
  key.position.set(-2.2, -3.2, 4.2);
  const fill = new DirectionalLight(0xdce8ff, 0.7);
  fill.position.set(3, 2.4, 1.4);
  root.add(new HemisphereLight(0xffffff, 0xd8ccb0, 1.9), key, fill, opaque, translucent, glassy, selected, edges, placed.root, capMesh, capLines, grid);
  for (const object of [opaque, translucent, glassy, selected, edges, capMesh, capLines, grid]) object.frustumCulled = false;
  const shadow = shadowOf(mesh);
  root.add(shadow);

  let lastVisibility: Scene['visibility'] | null = null;
  let lastSelection: readonly string[] | null = null;
  let marked: readonly string[] = [];

  const spheres = spheresOf(prepared);
  const pieces = new Map<Mesh | LineSegments, Pieces>();
  const planesOf = new Float64Array(24);
  const clipMatrix = new Matrix4();

  /** Draws these parts with an object: `first`, `count` give each part's stretch of what the object draws. */
  const setParts = (object: Mesh | LineSegments, numbers: readonly number[], first: (n: number) => number, length: (n: number) => number): void => {
    const drawn = numbers.filter((n) => length(n) > 0);
    const index = new Uint32Array(drawn.reduce((sum, n) => sum + length(n), 0));
    const starts: number[] = [];
    const counts: number[] = [];
    const own = new Float32Array(drawn.length * 4);
    let at = 0;
    drawn.forEach((n, i) => {
      starts.push(at);
      counts.push(length(n));
      own.set(spheres.subarray(n * 4, n * 4 + 4), i * 4);
      for (let k = first(n); k < first(n) + length(n); k++) index[at++] = k;
    });
    object.geometry.setIndex(new BufferAttribute(index, 1));
    object.visible = index.length > 0;
    pieces.set(object, { starts, counts, bounds: own });
  };
  const partStart = (n: number): number => mesh.parts[n]?.start ?? 0;
  const partCount = (n: number): number => mesh.parts[n]?.count ?? 0;
  let { edgeStarts } = prepared;
  const edgeStart = (n: number): number => edgeStarts[n] as number;
  const edgeCount = (n: number): number => (edgeStarts[n + 1] as number) - (edgeStarts[n] as number);
  const setFaces = (object: Mesh, numbers: readonly number[]): void => setParts(object, numbers, partStart, partCount);

  function updateVisibility(scene: Scene): void {
    const states = effectiveVisibility(mesh.parts, scene.visibility);
    const numbers = [...mesh.parts.keys()];
    const seeThrough = (n: number): boolean => (mesh.parts[n]?.colour?.[3] ?? 1) < 1;
    setFaces(
      opaque,
      numbers.filter((n) => states[n] === 'shown' && !seeThrough(n)),
    );
    setFaces(
      translucent,
      numbers.filter((n) => states[n] === 'shown' && seeThrough(n)),
    );
    setFaces(
      glassy,
      numbers.filter((n) => states[n] === 'glass'),
    );
    setParts(
      edges,
      numbers.filter((n) => states[n] !== 'hidden'),
      edgeStart,
      edgeCount,
    );
  }

  function updateSelection(scene: Scene): void {
    const states = effectiveVisibility(mesh.parts, scene.visibility);
    const ids = new Set([...scene.selection.parts, ...marked]);
    const byId = new Map(mesh.parts.map((part) => [part.id, part]));
    const under = (id: string | null): boolean => id !== null && (ids.has(id) || under(byId.get(id)?.parent ?? null));
    setFaces(selected, ids.size === 0 ? [] : [...mesh.parts.keys()].filter((n) => states[n] !== 'hidden' && under(mesh.parts[n]?.id ?? null)));
  }

  function updateStyle(scene: Scene): void {
    opaque.material = [scene.style === 'hiddenLine' ? paper : scene.style === 'outline' ? flat : shaded];
    const shownSurface = scene.style !== 'wireframe';
    opaque.visible = opaque.visible && shownSurface;
    translucent.visible = translucent.visible && shownSurface && scene.style !== 'hiddenLine';
    edges.visible = scene.style !== 'shaded';
  }

  return {
    root,
    shadow,
    update(scene) {
      if (scene.section) {
        clip.normal.set(-scene.section.normal[0], -scene.section.normal[1], -scene.section.normal[2]);
        // A hair beyond the plane: a face that lies in it is kept whole, and the cap drawn over it.
        clip.constant = scene.section.offset + hair;
        if (planes.length === 0) planes.push(clip);
      } else planes.length = 0;
      if (lastVisibility !== scene.visibility) {
        updateVisibility(scene);
        lastSelection = null;
      } else {
        opaque.visible = (opaque.geometry.index?.count ?? 0) > 0;
        translucent.visible = (translucent.geometry.index?.count ?? 0) > 0;
      }
      if (lastSelection !== scene.selection.parts) updateSelection(scene);
      lastVisibility = scene.visibility;
      lastSelection = scene.selection.parts;
      updateStyle(scene);
      placed.update(scene);
    },
    setPlaced: placed.set,
    setMarked(parts) {
      marked = parts;
      lastSelection = null;
    },
    aim(camera, depth) {
      faded.setDepth(depth);
      frustumPlanes(clipMatrix.multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse), planesOf);
      for (const [object, own] of pieces) object.geometry.groups = visibleRuns(own, planesOf).map((run) => ({ ...run, materialIndex: 0 }));
    },
    refine(refined) {
      attributes.normal.copyArray(refined.normals).needsUpdate = true;
      edges.geometry.dispose();
      edges.geometry = new BufferGeometry().setAttribute('position', new BufferAttribute(refined.edges, 3));
      edgeStarts = refined.edgeStarts;
      lastVisibility = null;
    },
    setGrid(plane) {
      grid.visible = plane !== null;
      grid.geometry.dispose();
      if (!plane) return;
      const lines = gridLines(plane, mesh);
      grid.geometry = new BufferGeometry()
        .setAttribute('position', new BufferAttribute(lines.positions, 3))
        .setAttribute('color', new BufferAttribute(lines.colours, 3));
    },
    setCaps(caps) {
      capMesh.visible = capLines.visible = Boolean(caps && caps.positions.length > 0);
      if (!caps) return;
      capMesh.geometry.dispose();
      capLines.geometry.dispose();
      const linear = new Float32Array(caps.colours.length);
      const colour = new Color();
      for (let i = 0; i < caps.colours.length; i += 3) {
        colour.setRGB(caps.colours[i] as number, caps.colours[i + 1] as number, caps.colours[i + 2] as number, SRGBColorSpace);
        linear.set([colour.r, colour.g, colour.b], i);
      }
      capMesh.geometry = new BufferGeometry()
        .setAttribute('position', new BufferAttribute(caps.positions, 3))
        .setAttribute('color', new BufferAttribute(linear, 3));
      capLines.geometry = new BufferGeometry().setAttribute('position', new BufferAttribute(caps.lines, 3));
    },
    dispose() {
      for (const object of [opaque, translucent, glassy, selected, edges, capMesh, capLines, grid, shadow]) object.geometry.dispose();
      for (const material of [shaded, flat, paper, clear, glass, chosen, faded.material, capMesh.material, capLines.material, grid.material, shadow.material])
        (material as Material).dispose();
      (shadow.material as MeshBasicMaterial).map?.dispose();
      placed.set([]);
    },
  };
}
