import { type PlacedItem, placedMesh } from '@core/geometry';
import type { Scene } from '@core/navigation';
import {
  BufferAttribute,
  BufferGeometry,
  DoubleSide,
  EdgesGeometry,
  Group,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshStandardMaterial,
  type Plane,
  SRGBColorSpace,
} from 'three';

const INK = 0x1b2740;
/** Edges between faces that stand at less than this are not drawn, degrees. */
const CREASE = 40;

/** Draws objects that stand on the stage beside the model; `planes`: what cuts. */
export function createPlacedObjects(planes: Plane[]): {
  readonly root: Group;
  readonly set: (items: readonly PlacedItem[]) => void;
  readonly update: (scene: Scene) => void;
} {
  const root = new Group();
  const lines = new LineBasicMaterial({ color: INK, clippingPlanes: planes });
  const set = (items: readonly PlacedItem[]): void => {
    for (const child of [...root.children] as (Mesh | LineSegments)[]) {
      root.remove(child);
      child.geometry.dispose();
      if (child instanceof Mesh) (child.material as MeshStandardMaterial).dispose();
    }
    for (const item of items) {
      const { positions, indices, parts } = placedMesh([item]);
      const [part] = parts;
      const geometry = new BufferGeometry().setAttribute('position', new BufferAttribute(positions, 3)).setIndex(new BufferAttribute(indices, 1));
      geometry.computeVertexNormals();
      const [r, g, b] = part?.colour ?? [0.5, 0.5, 0.5, 1];
      const material = new MeshStandardMaterial({
        side: DoubleSide,
        clippingPlanes: planes,
        roughness: 0.6,
        metalness: 0.05,
        flatShading: item.object.shape === 'cube' || item.object.shape === 'wedge',
      });
      material.color.setRGB(r, g, b, SRGBColorSpace);
      const surface = new Mesh(geometry, material);
      const edges = new LineSegments(new EdgesGeometry(geometry, CREASE), lines);
      surface.name = edges.name = part?.id ?? '';
      root.add(surface, edges);
    }
  };
  return {
    root,
    set,
    update({ visibility, style }) {
      for (const child of root.children)
        child.visible = visibility[child.name] !== 'hidden' && (child instanceof LineSegments ? style !== 'shaded' : style !== 'wireframe');
    },
  };
}
