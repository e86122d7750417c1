import { boxOf, type Mesh, middleOf } from '@core/geometry';
import type { FramePoint } from '@core/input';
import { distanceBetween, exact, type Quat, slerp, type Vec3 } from '@core/math';
import type { Scene } from '@core/navigation';
import { eyeOf, FRAME_ASPECT, frameHeightAtTarget, type View } from '@core/view';
import type { Caps } from '@web/workers/makeCaps';
import { OrthographicCamera, PerspectiveCamera, Scene as ThreeScene, WebGLRenderer } from 'three';
import type { GridPlane } from '../aids';
import type { Frames } from '../frames';
import { type Pane, panesOf } from '../panes';
import type { Prepared } from '../prepared';
import type { Picker } from '../probing/picking';
import type { SquareViewStates } from '../squareViews';
import { createSceneObjects, type SceneObjects } from './sceneObjects';

const GLIDE_MS = 220;
const SLOW_FRAME_MS = 45;
const REST_MS = 180;
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

/** The drawn stage. Draws only when something changes; owns the graphics context: call `dispose`. */
export interface Renderer {
  /** Shows a scene; `glide` draws the way there, the logical view having changed already. */
  show(scene: Scene, glide: boolean): void;
  /** Work done just before a picture: the picture shows what came of it. */
  readonly frames: Frames;
  resize(width: number, height: number): void;
  /** A PNG of a scene in the frame's shape, as a data address. */
  picture(scene: Scene, width: number, caps?: Caps | null): string;
  setCaps(caps: Caps | null): void;
  /** Divides the stage; square panes have views of their own. */
  setPanes(panes: readonly Pane[], sides: SquareViewStates | null): void;
  setGrid(grid: GridPlane | null): void;
  /** Enlarges what lies about a frame point of the free view, in a square about it; null puts the loupe away. */
  setLoupe(at: FramePoint | null): void;
  /** Called with the view of every drawn picture; returns the end of the subscription. */
  onDraw(listener: (view: View) => void): () => void;
  dispose(): void;
}

const between = (a: number, b: number, k: number): number => a + (b - a) * k;

/** The drawn view on the way between two logical ones. */
function glideView(a: View, b: View, k: number): View {
  const mix = (p: Vec3, q: Vec3): Vec3 => [between(p[0], q[0], k), between(p[1], q[1], k), between(p[2], q[2], k)];
  return {
    ...b,
    target: mix(a.target, b.target),
    orientation: slerp(a.orientation as Quat, b.orientation as Quat, k),
    distance: exact.exp(between(exact.log(a.distance), exact.log(b.distance), k)),
    fovY: between(a.fovY, b.fovY, k),
  };
}

/** The ball that holds the model: its middle and radius. */
interface Ball {
  readonly centre: Vec3;
  readonly radius: number;
}

function ballOf(mesh: Mesh): Ball {
  const box = boxOf(mesh) ?? { min: [0, 0, 0] as Vec3, max: [1, 1, 1] as Vec3 };
  return {
    centre: middleOf(box),
    radius: distanceBetween(box.min, box.max) / 2,
  };
}

/** `nearest`: metres to the nearest thing that is looked or pointed at; a close-up is then not clipped. */
function aimCamera(view: View, { centre, radius }: Ball, nearest: number): PerspectiveCamera | OrthographicCamera {
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

export function createRenderer(canvas: HTMLCanvasElement, prepared: Prepared, pick: Picker): Renderer {
  const gl = new WebGLRenderer({ canvas, antialias: true, alpha: true, preserveDrawingBuffer: true });
  gl.localClippingEnabled = true;
  gl.setClearColor(0x000000, 0);
  const world = new ThreeScene();
  const objects: SceneObjects = createSceneObjects(prepared);
  world.add(objects.root);
  const ball = ballOf(prepared.mesh);
  const listeners = new Set<(view: View) => void>();
  const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;

  let scene: Scene | null = null;
  let glide: { from: View; at: number } | null = null;
  let drawn: View | null = null;
  let frame = 0;
  let pictures = 0;
  /** Whether something changed since the last picture. */
  let wanted = false;
  let inFrame = false;
  const before = new Set<() => void>();
  let size = { width: 1, height: 1 };
  let quality = 1;
  let rest: ReturnType<typeof setTimeout> | undefined;
  let lastDraw = 0;
  let currentCaps: Caps | null = null;
  let panes: readonly Pane[] = panesOf(false, null);
  let sides: SquareViewStates | null = null;
  let loupe: FramePoint | null = null;

  const applySize = (): void => {
    gl.setPixelRatio(Math.min(2, window.devicePixelRatio || 1) * quality);
    gl.setSize(size.width, size.height, false);
  };

  /** Metres to the nearest of what is looked at; only close to the model does it matter. */
  const nearestAt = (drawnScene: Scene): number => {
    const { view } = drawnScene;
    if (view.projection === 'orthographic' || distanceBetween(eyeOf(view), ball.centre) > ball.radius * 2.5) return Number.POSITIVE_INFINITY;
    const at = loupe ? [...LOOKED, [loupe.u, loupe.v] as const] : LOOKED;
    return Math.min(...at.map(([u, v]) => pick(drawnScene, u, v)?.depth ?? Number.POSITIVE_INFINITY));
  };

  const drawInto = (drawnScene: Scene, pane: Pane): void => {
    const { view } = drawnScene;
    const { width, height } = size;
    const camera = aimCamera(view, ball, nearestAt(drawnScene));
    const eye = eyeOf(view);
    objects.shadow.visible = eye[2] > objects.shadow.position.z;
    objects.aim(camera, view.distance);
    const box = [pane.x * width, (1 - pane.y - pane.size) * height, pane.size * width, pane.size * height] as const;
    gl.setViewport(...box);
    gl.setScissor(...box);
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
    const place = [box[0] + x - side / 2, box[1] + box[3] - y - side / 2, side, side] as const;
    gl.setViewport(...place);
    gl.setScissor(...place);
    gl.render(world, camera);
  };

  const drawAll = (view: View): void => {
    if (!scene) return;
    gl.setScissorTest(panes.length > 1 || loupe !== null);
    for (const pane of panes) {
      const own = pane.name === 'free' ? view : sides?.[pane.name];
      if (own) drawInto({ ...scene, view: own }, pane);
    }
  };

  const draw = (): void => {
    frame = 0;
    // What the hand did is done first: what it asks to be drawn is drawn now, not a picture later.
    inFrame = true;
    try {
      for (const work of [...before]) {
        before.delete(work);
        work();
      }
    } finally {
      inFrame = false;
    }
    if (before.size > 0) schedule();
    if (!wanted || !scene) return;
    wanted = false;
    const now = performance.now();
    let view = scene.view;
    if (glide) {
      const s = Math.min(1, (now - glide.at) / GLIDE_MS);
      if (s < 1) view = glideView(glide.from, scene.view, s * s * (3 - 2 * s));
      else glide = null;
    }
    objects.update(scene);
    drawAll(view);
    drawn = view;
    pictures++;
    canvas.dataset.frames = String(pictures);
    for (const listener of listeners) listener(view);
    // In fast motion a slow machine draws fewer pixels; at rest always all of them.
    const moving = now - lastDraw < 120;
    if (moving && now - lastDraw > SLOW_FRAME_MS && quality > 0.5) {
      quality = 0.5;
      applySize();
    }
    lastDraw = now;
    if (quality < 1) {
      clearTimeout(rest);
      rest = setTimeout(() => {
        quality = 1;
        applySize();
        request();
      }, REST_MS);
    }
    if (glide) request();
  };
  const schedule = (): void => {
    if (!frame && !inFrame) frame = requestAnimationFrame(draw);
  };
  const request = (): void => {
    wanted = true;
    schedule();
  };
  const frames: Frames = (work) => {
    before.add(work);
    schedule();
    return () => before.delete(work);
  };
  // Fine shading and edges of a large model, when they come; a stage that is gone by then has no use for them.
  let gone = false;
  void prepared.refined?.then(
    (refined) => {
      if (gone) return;
      objects.refine(refined);
      request();
    },
    () => {},
  );
  // A lost graphics context is asked back; the library restores what it held, and the scene is drawn again.
  const onLost = (event: Event): void => event.preventDefault();
  const onRestored = (): void => {
    applySize();
    request();
  };
  canvas.addEventListener('webglcontextlost', onLost);
  canvas.addEventListener('webglcontextrestored', onRestored);

  return {
    frames,
    show(next, gliding) {
      if (gliding && !still && drawn && scene && next.view !== scene.view && next.view.projection === drawn.projection)
        glide = { from: drawn, at: performance.now() };
      else glide = null;
      scene = next;
      request();
    },
    resize(width, height) {
      size = { width: Math.max(1, Math.round(width)), height: Math.max(1, Math.round(height)) };
      applySize();
      request();
    },
    picture(pictured, width, caps = null) {
      const height = Math.round(width / FRAME_ASPECT);
      gl.setPixelRatio(1);
      gl.setSize(width, height, false);
      gl.setClearColor(0xf6f1e4, 1);
      objects.update(pictured);
      objects.setCaps(pictured.section ? caps : null);
      const kept = { size, loupe };
      size = { width, height };
      loupe = null;
      gl.setScissorTest(false);
      drawInto(pictured, { name: 'free', x: 0, y: 0, size: 1 });
      ({ size, loupe } = kept);
      const data = canvas.toDataURL('image/png');
      gl.setClearColor(0x000000, 0);
      objects.setCaps(currentCaps);
      applySize();
      if (scene) {
        objects.update(scene);
        // Drawn at once, so that the stage never shows the picture.
        drawAll(drawn ?? scene.view);
        request();
      }
      return data;
    },
    setCaps(caps) {
      currentCaps = caps;
      objects.setCaps(caps);
      request();
    },
    setPanes(next, views) {
      panes = next;
      sides = views;
      request();
    },
    setGrid(grid) {
      objects.setGrid(grid);
      request();
    },
    setLoupe(at) {
      loupe = at;
      request();
    },
    onDraw(listener) {
      listeners.add(listener);
      if (drawn) listener(drawn);
      return () => listeners.delete(listener);
    },
    dispose() {
      gone = true;
      before.clear();
      canvas.removeEventListener('webglcontextlost', onLost);
      canvas.removeEventListener('webglcontextrestored', onRestored);
      cancelAnimationFrame(frame);
      clearTimeout(rest);
      objects.dispose();
      gl.dispose();
      gl.forceContextLoss();
    },
  };
}
