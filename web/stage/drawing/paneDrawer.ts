import type { FramePoint } from '@core/input';
import { distanceBetween } from '@core/math';
import type { Scene } from '@core/navigation';
import { eyeOf, FRAME_ASPECT } from '@core/view';
import type { Scene as ThreeScene, WebGLRenderer } from 'three';
import type { Pane } from '../panes';
import type { Picker } from '../probing/picking';
import { aimCamera, type Ball } from './camera';
import type { SceneObjects } from './sceneObjects';

/** Side of the loupe as a share of the frame's height, and how much it enlarges. */
export const LOUPE = { side: 0.42, power: 4 };
/** Points of the frame where the nearest surface is looked for. */
const LOOKED = [
  [0, 0],
  [-0.4, 0],
  [0.4, 0],
  [0, -0.3],
  [0, 0.3],
] as const;

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** Draws a scene into a pane of a canvas of this size, pixels; with the loupe in the free view, where there is one. */
export type PaneDrawer = (scene: Scene, pane: Pane, size: Size, loupe: FramePoint | null) => void;

export function createPaneDrawer(gl: WebGLRenderer, world: ThreeScene, objects: SceneObjects, ball: Ball, pick: Picker): PaneDrawer {
  /** Metres to the nearest of what is looked at; only close to the model does it matter. */
  const nearestAt = (scene: Scene, loupe: FramePoint | null): number => {
    const { view } = scene;
    if (view.projection === 'orthographic' || distanceBetween(eyeOf(view), ball.centre) > ball.radius * 2.5) return Number.POSITIVE_INFINITY;
    const at = loupe ? [...LOOKED, [loupe.u, loupe.v] as const] : LOOKED;
    return Math.min(...at.map(([u, v]) => pick(scene, u, v)?.depth ?? Number.POSITIVE_INFINITY));
  };
  const within = (box: readonly [x: number, y: number, width: number, height: number]): void => {
    gl.setViewport(...box);
    gl.setScissor(...box);
  };
  return (scene, pane, { width, height }, loupe) => {
    const { view } = scene;
    const camera = aimCamera(view, ball, nearestAt(scene, loupe));
    objects.shadow.visible = eyeOf(view)[2] > objects.shadow.position.z;
    objects.aim(camera, view.distance);
    const box = [pane.x * width, (1 - pane.y - pane.size) * height, pane.size * width, pane.size * height] as const;
    within(box);
    gl.render(world, camera);
    if (!loupe || pane.name !== 'free') return;
    // The loupe draws the part of the picture under it again, larger: the camera stays where it is.
    const side = LOUPE.side * box[3];
    const x = (loupe.u / FRAME_ASPECT + 0.5) * box[2];
    const y = (0.5 - loupe.v) * box[3];
    const cut = side / LOUPE.power;
    camera.setViewOffset(box[2], box[3], x - cut / 2, y - cut / 2, cut, cut);
    camera.updateProjectionMatrix();
    objects.aim(camera, view.distance);
    within([box[0] + x - side / 2, box[1] + box[3] - y - side / 2, side, side]);
    gl.render(world, camera);
  };
}
