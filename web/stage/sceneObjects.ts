import { boxOf, type Mesh as ModelMesh } from '@core/geometry';
import { effectiveVisibility, type Scene } from '@core/navigation';
import type { Caps } from '@web/workers/caps.worker';
import {
  BufferAttribute,
  BufferGeometry,
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
  Mesh,
  MeshBasicMaterial,
  MeshStandardMaterial,
  Plane,
  SRGBColorSpace,
  Vector3,
} from 'three';
import type { Prepared } from './prepared';

const STAGE_COLOUR = [0.72, 0.68, 0.58, 1] as const;
const INK = 0x1b2740;

/** What the renderer draws for one model, and how a scene changes it. Owns its geometry: call `dispose`. */
export interface SceneObjects {
  readonly root: Group;
  readonly shadow: Mesh;
  update(scene: Scene): void;
  setCaps(caps: Caps | null): void;
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

export function createSceneObjects(prepared: Prepared): SceneObjects {
  const { mesh } = prepared;
  const clip = new Plane(new Vector3(0, 0, -1), 0);
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
  const opaque = new Mesh(geometry(), shaded as Material);
  const translucent = new Mesh(geometry(), clear);
  const glassy = new Mesh(geometry(), glass);
  const selected = new Mesh(geometry(), chosen);
  translucent.renderOrder = 2;
  glassy.renderOrder = 3;
  selected.renderOrder = 1;

  const edgeGeometry = new BufferGeometry().setAttribute('position', new BufferAttribute(prepared.edges, 3));
  const edges = new LineSegments(edgeGeometry, new LineBasicMaterial({ color: INK, transparent: true, opacity: 0.62, clippingPlanes: planes }));
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
  root.add(new HemisphereLight(0xffffff, 0xd8ccb0, 1.9), key, fill, opaque, translucent, glassy, selected, edges, capMesh, capLines);
  for (const object of [opaque, translucent, glassy, selected, edges, capMesh, capLines]) object.frustumCulled = false;
  const shadow = shadowOf(mesh);
  root.add(shadow);

  let lastVisibility: Scene['visibility'] | null = null;
  let lastSelection: readonly string[] | null = null;

  const indexOf = (numbers: readonly number[]): Uint32Array => {
    const count = numbers.reduce((sum, n) => sum + (mesh.parts[n]?.count ?? 0), 0);
    const out = new Uint32Array(count);
    let at = 0;
    for (const n of numbers) {
      const part = mesh.parts[n];
      if (!part) continue;
      for (let i = part.start; i < part.start + part.count; i++) out[at++] = i;
    }
    return out;
  };
  const setIndex = (object: Mesh | LineSegments, index: Uint32Array): void => {
    object.geometry.setIndex(new BufferAttribute(index, 1));
    object.visible = index.length > 0;
  };

  function updateVisibility(scene: Scene): void {
    const states = effectiveVisibility(mesh.parts, scene.visibility);
    const numbers = [...mesh.parts.keys()];
    const seeThrough = (n: number): boolean => (mesh.parts[n]?.colour?.[3] ?? 1) < 1;
    setIndex(opaque, indexOf(numbers.filter((n) => states[n] === 'shown' && !seeThrough(n))));
    setIndex(translucent, indexOf(numbers.filter((n) => states[n] === 'shown' && seeThrough(n))));
    setIndex(glassy, indexOf(numbers.filter((n) => states[n] === 'glass')));
    const ends: number[] = [];
    for (const n of numbers) {
      if (states[n] === 'hidden') continue;
      for (let i = prepared.edgeStarts[n] as number; i < (prepared.edgeStarts[n + 1] as number); i++) ends.push(i);
    }
    setIndex(edges, new Uint32Array(ends));
  }

  function updateSelection(scene: Scene): void {
    const states = effectiveVisibility(mesh.parts, scene.visibility);
    const ids = new Set(scene.selection.parts);
    const byId = new Map(mesh.parts.map((part) => [part.id, part]));
    const under = (id: string | null): boolean => id !== null && (ids.has(id) || under(byId.get(id)?.parent ?? null));
    setIndex(
      selected,
      ids.size === 0 ? new Uint32Array(0) : indexOf([...mesh.parts.keys()].filter((n) => states[n] !== 'hidden' && under(mesh.parts[n]?.id ?? null))),
    );
  }

  function updateStyle(scene: Scene): void {
    opaque.material = scene.style === 'hiddenLine' ? paper : scene.style === 'outline' ? flat : shaded;
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
        clip.constant = scene.section.offset;
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
      for (const object of [opaque, translucent, glassy, selected, edges, capMesh, capLines, shadow]) object.geometry.dispose();
      for (const material of [shaded, flat, paper, clear, glass, chosen, edges.material, capMesh.material, capLines.material, shadow.material])
        for (const one of [material].flat()) (one as Material).dispose();
      (shadow.material as MeshBasicMaterial).map?.dispose();
    },
  };
}
