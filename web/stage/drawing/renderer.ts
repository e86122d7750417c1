import type { PlacedItem } from '@core/geometry';
import type { FramePoint } from '@core/input';
import type { Scene } from '@core/navigation';
import { FRAME_ASPECT, type View } from '@core/view';
import type { Caps } from '@web/workers/makeCaps';
import { Scene as ThreeScene, WebGLRenderer } from 'three';
import type { GridPlane } from '../aids';
import type { Frames } from '../frames';
import { type Pane, panesOf } from '../panes';
import type { Prepared } from '../prepared';
import type { Picker } from '../probing/picking';
import type { SquareViewStates } from '../squareViews';
import { ballOf } from './camera';
import { createGlide } from './glide';
import { createPaneDrawer, type Size } from './paneDrawer';
import { createPictureLoop } from './pictureLoop';
import { createSceneObjects } from './sceneObjects';
import { createSharpness } from './sharpness';

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
  /** Objects that stand on the stage beside the model, also in its pictures. */
  setPlaced(items: readonly PlacedItem[]): void;
  /** Shows parts as picked ones are shown, on the stage alone, not in pictures. */
  setMarked(parts: readonly string[]): void;
  /** Enlarges what lies about a frame point of the free view, in a square about it; null puts the loupe away. */
  setLoupe(at: FramePoint | null): void;
  /** Called with the view of every drawn picture; returns the end of the subscription. */
  onDraw(listener: (view: View) => void): () => void;
  dispose(): void;
}

const WHOLE: Pane = { name: 'free', x: 0, y: 0, size: 1 };

/** Asks a lost graphics context back; the library restores what it held, and `restored` draws it again. Returns what ends that. */
function keepContext(canvas: HTMLCanvasElement, restored: () => void): () => void {
  const lost = (event: Event): void => event.preventDefault();
  canvas.addEventListener('webglcontextlost', lost);
  canvas.addEventListener('webglcontextrestored', restored);
  return () => {
    canvas.removeEventListener('webglcontextlost', lost);
    canvas.removeEventListener('webglcontextrestored', restored);
  };
}

export function createRenderer(canvas: HTMLCanvasElement, prepared: Prepared, pick: Picker): Renderer {
  const gl = new WebGLRenderer({ canvas, antialias: true, alpha: true, preserveDrawingBuffer: true });
  gl.localClippingEnabled = true;
  gl.setClearColor(0x000000, 0);
  const world = new ThreeScene();
  const objects = createSceneObjects(prepared);
  let marked: readonly string[] = [];
  world.add(objects.root);
  const drawPane = createPaneDrawer(gl, world, objects, ballOf(prepared.mesh), pick);
  const glide = createGlide();
  const listeners = new Set<(view: View) => void>();
  const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;

  let scene: Scene | null = null;
  let drawn: View | null = null;
  let pictures = 0;
  let size: Size = { width: 1, height: 1 };
  let currentCaps: Caps | null = null;
  let panes: readonly Pane[] = panesOf(false, null);
  let sides: SquareViewStates | null = null;
  let loupe: FramePoint | null = null;

  const applySize = (): void => {
    gl.setPixelRatio(Math.min(2, window.devicePixelRatio || 1) * sharpness.share());
    gl.setSize(size.width, size.height, false);
  };
  const drawAll = (view: View): void => {
    if (!scene) return;
    gl.setScissorTest(panes.length > 1 || loupe !== null);
    for (const pane of panes) {
      const own = pane.name === 'free' ? view : sides?.[pane.name];
      if (own) drawPane({ ...scene, view: own }, pane, size, loupe);
    }
  };
  const loop = createPictureLoop(() => {
    if (!scene) return;
    const view = glide.viewAt(scene.view);
    objects.update(scene);
    drawAll(view);
    drawn = view;
    pictures++;
    canvas.dataset.frames = String(pictures);
    for (const listener of listeners) listener(view);
    sharpness.drawn();
    if (glide.running()) loop.request();
  });
  const sharpness = createSharpness((atRest) => {
    applySize();
    if (atRest) loop.request();
  });
  const letGo = keepContext(canvas, () => {
    applySize();
    loop.request();
  });
  // Fine shading and edges of a large model, when they come; a stage that is gone by then has no use for them.
  let gone = false;
  void prepared.refined?.then(
    (refined) => {
      if (gone) return;
      objects.refine(refined);
      loop.request();
    },
    () => {},
  );

  return {
    frames: loop.frames,
    show(next, gliding) {
      if (gliding && !still && drawn && scene && next.view !== scene.view && next.view.projection === drawn.projection) glide.begin(drawn);
      else glide.end();
      scene = next;
      loop.request();
    },
    resize(width, height) {
      size = { width: Math.max(1, Math.round(width)), height: Math.max(1, Math.round(height)) };
      applySize();
      loop.request();
    },
    picture(pictured, width, caps = null) {
      const height = Math.round(width / FRAME_ASPECT);
      gl.setPixelRatio(1);
      gl.setSize(width, height, false);
      gl.setClearColor(0xf6f1e4, 1);
      objects.setMarked([]);
      objects.update(pictured);
      objects.setMarked(marked);
      objects.setCaps(pictured.section ? caps : null);
      gl.setScissorTest(false);
      drawPane(pictured, WHOLE, { width, height }, null);
      const data = canvas.toDataURL('image/png');
      gl.setClearColor(0x000000, 0);
      objects.setCaps(currentCaps);
      applySize();
      if (scene) {
        objects.update(scene);
        // Drawn at once, so that the stage never shows the picture.
        drawAll(drawn ?? scene.view);
        loop.request();
      }
      return data;
    },
    setCaps(caps) {
      currentCaps = caps;
      objects.setCaps(caps);
      loop.request();
    },
    setPanes(next, views) {
      panes = next;
      sides = views;
      loop.request();
    },
    setGrid(grid) {
      objects.setGrid(grid);
      loop.request();
    },
    setPlaced(items) {
      objects.setPlaced(items);
      if (scene) objects.update(scene);
      loop.request();
    },
    setMarked(parts) {
      marked = parts;
      objects.setMarked(parts);
      if (scene) objects.update(scene);
      loop.request();
    },
    setLoupe(at) {
      loupe = at;
      loop.request();
    },
    onDraw(listener) {
      listeners.add(listener);
      if (drawn) listener(drawn);
      return () => listeners.delete(listener);
    },
    dispose() {
      gone = true;
      letGo();
      loop.dispose();
      sharpness.dispose();
      objects.dispose();
      gl.dispose();
      gl.forceContextLoss();
    },
  };
}
