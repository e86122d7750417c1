import type { Mesh } from '@core';
import { Document, type Material, WebIO } from '@gltf-transform/core';

const shownToLinear = (c: number): number => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4);

/** A mesh as a binary glTF 2.0 file: one node a part, in the parts' hierarchy, with their colours. */
export async function writeGlb(mesh: Mesh): Promise<Uint8Array> {
  const document = new Document();
  const buffer = document.createBuffer();
  const scene = document.createScene('scene');
  const nodes = new Map<string, ReturnType<Document['createNode']>>();
  const materials = new Map<string, Material>();
  const materialFor = (colour: readonly number[]): Material => {
    const key = colour.join();
    const known = materials.get(key);
    if (known) return known;
    const [r = 1, g = 1, b = 1, opacity = 1] = colour;
    const made = document
      .createMaterial(`colour ${materials.size + 1}`)
      .setBaseColorFactor([shownToLinear(r), shownToLinear(g), shownToLinear(b), opacity])
      .setAlphaMode(opacity < 1 ? 'BLEND' : 'OPAQUE');
    materials.set(key, made);
    return made;
  };
  for (const part of mesh.parts) {
    const node = document.createNode(part.name);
    nodes.set(part.id, node);
    if (part.count > 0) {
      const corners = new Map<number, number>();
      const positions: number[] = [];
      const indices = new Uint32Array(part.count);
      for (let i = 0; i < part.count; i++) {
        const corner = mesh.indices[part.start + i] as number;
        let at = corners.get(corner);
        if (at === undefined) {
          at = corners.size;
          corners.set(corner, at);
          const [x, y, z] = [mesh.positions[corner * 3], mesh.positions[corner * 3 + 1], mesh.positions[corner * 3 + 2]] as [number, number, number];
          positions.push(x, z, -y);
        }
        indices[i] = at;
      }
      const primitive = document
        .createPrimitive()
        .setAttribute('POSITION', document.createAccessor().setType('VEC3').setArray(new Float32Array(positions)).setBuffer(buffer))
        .setIndices(document.createAccessor().setType('SCALAR').setArray(indices).setBuffer(buffer));
      if (part.colour) primitive.setMaterial(materialFor(part.colour));
      node.setMesh(document.createMesh(part.name).addPrimitive(primitive));
    }
  }
  for (const part of mesh.parts) {
    const node = nodes.get(part.id);
    if (!node) continue;
    const parent = part.parent === null ? undefined : nodes.get(part.parent);
    if (parent) parent.addChild(node);
    else scene.addChild(node);
  }
  document.getRoot().setDefaultScene(scene);
  return new WebIO().writeBinary(document);
}
