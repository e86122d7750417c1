import { defaultHome, initialScene, type Mesh, navigate, type Vec3 } from '@core';
import { FRAME } from '@core/view';
import { frustumPlanes, visibleRuns } from '@web/stage/drawing/culling';
import { createProbes } from '@web/stage/probing/probes';
import { createPlaneSearch, makeCaps } from '@web/workers/makeCaps';
import { prepareFirst } from '@web/workers/prepareMesh';
import { BufferAttribute, BufferGeometry, DoubleSide, Matrix4, PerspectiveCamera, Ray, Vector3 } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import { ball } from './ball';
import { pair } from './pair';

/** The search tree by itself, with a ray through the middle of the model from where the eye stands. */
function plainTree(mesh: Mesh, eye: Vec3): { tree: MeshBVH; ray: Ray } {
  const geometry = new BufferGeometry().setAttribute('position', new BufferAttribute(mesh.positions, 3));
  geometry.setIndex(new BufferAttribute(mesh.indices, 1));
  const origin = new Vector3(...eye);
  return { tree: new MeshBVH(geometry, { indirect: true }), ray: new Ray(origin, origin.clone().negate().normalize()) };
}

/** Picking, a frame's own work, the faces of a cut that is dragged, and the wait for a first picture. */
export async function stageBenches(million: Mesh): Promise<void> {
  const home = defaultHome(million);
  const scene = initialScene(home);
  const eye = navigate(home, { kind: 'zoom', factor: 1 }, { frame: FRAME });
  const back = new Vector3(0, 0, eye.distance).applyQuaternion({
    x: eye.orientation[0],
    y: eye.orientation[1],
    z: eye.orientation[2],
    w: eye.orientation[3],
  } as never);
  const { tree, ray } = plainTree(million, [eye.target[0] + back.x, eye.target[1] + back.y, eye.target[2] + back.z]);
  const probes = createProbes(prepareFirst(million));
  await pair('picking on 1 M triangles', 'ratio under 2', () => void probes.pick(scene, 0, 0), {
    name: 'the search tree alone',
    run: () => void tree.raycastFirst(ray, DoubleSide),
  });

  const large = ball(500, 500, 300);
  const prepared = prepareFirst(large);
  const own = createProbes(prepared);
  const near = initialScene({ ...defaultHome(large), distance: defaultHome(large).distance / 3 });
  const camera = new PerspectiveCamera(36, 1.6, 0.01, 100);
  const bounds = new Float32Array(300 * 4).map((_, i) => (i % 4 === 3 ? 0.1 : Math.sin(i)));
  const pieces = { starts: large.parts.map((p) => p.start), counts: large.parts.map((p) => p.count), bounds };
  const clip = new Matrix4();
  await pair(
    "a frame's own work: 300 parts, 500k triangles",
    '4 ms',
    () => {
      // What the stage does before it hands a picture to the graphics card: five looks for the nearest surface, and
      // leaving out what is not seen, for faces, glass, selection and edges.
      for (const [u, v] of [
        [0, 0],
        [-0.4, 0],
        [0.4, 0],
        [0, -0.3],
        [0, 0.3],
      ] as const)
        own.pick(near, u, v);
      camera.updateMatrixWorld(true);
      const planes = frustumPlanes(clip.multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse));
      for (let i = 0; i < 5; i++) visibleRuns(pieces, planes);
    },
    { name: 'five rays into the search tree', run: () => void Array.from({ length: 5 }, () => tree.raycastFirst(ray, DoubleSide)) },
  );

  const crossing = createPlaneSearch(large, prepared.bvh);
  const all = [...large.parts.keys()];
  let at = 0;
  const moving = () => ({ normal: [0.6, 0, 0.8] as Vec3, offset: 0.3 + 0.2 * Math.sin(at++ / 7) });
  await pair(
    'faces of a moving cut: 500k triangles',
    'one a frame, in a worker',
    () => {
      const plane = moving();
      makeCaps(large, plane, all, crossing(plane));
    },
    { name: 'finding the triangles alone', run: () => void crossing(moving()) },
  );
  await pair('a first picture: 500k triangles made ready', '1 s', () => void prepareFirst(large), {
    name: 'building the search tree alone',
    run: () => void plainTree(large, [0, -5, 0]),
  });
}
