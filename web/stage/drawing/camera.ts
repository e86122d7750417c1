import { boxOf, type Mesh, middleOf } from '@core/geometry';
import { distanceBetween, type Vec3 } from '@core/math';
import { eyeOf, FRAME_ASPECT, frameHeightAtTarget, type View } from '@core/view';
import { OrthographicCamera, PerspectiveCamera } from 'three';

/** The ball that holds the model: its middle and radius. */
export interface Ball {
  readonly centre: Vec3;
  readonly radius: number;
}

export function ballOf(mesh: Mesh): Ball {
  const box = boxOf(mesh) ?? { min: [0, 0, 0] as Vec3, max: [1, 1, 1] as Vec3 };
  return {
    centre: middleOf(box),
    radius: distanceBetween(box.min, box.max) / 2,
  };
}

/** `nearest`: metres to the nearest thing that is looked or pointed at; a close-up is then not clipped. */
export function aimCamera(view: View, { centre, radius }: Ball, nearest: number): PerspectiveCamera | OrthographicCamera {
  const eye = eyeOf(view);
  const away = distanceBetween(eye, centre);
  let camera: PerspectiveCamera | OrthographicCamera;
  if (view.projection === 'perspective') {
    const far = away + radius * 2.4;
    const usual = Math.max(away - radius * 2.2, far / 4000);
    camera = new PerspectiveCamera((view.fovY * 180) / Math.PI, FRAME_ASPECT, Math.max(Math.min(usual, nearest / 12), far * 1e-7, 1e-7), far);
  } else {
    const half = frameHeightAtTarget(view) / 2;
    camera = new OrthographicCamera(-half * FRAME_ASPECT, half * FRAME_ASPECT, half, -half, -(away + radius * 2.4), away + radius * 2.4);
  }
  camera.position.set(...eye);
  camera.quaternion.set(...view.orientation);
  camera.updateMatrixWorld(true);
  return camera;
}
