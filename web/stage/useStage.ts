import type { FramePoint, Pick, Scheme } from '@core/input';
import type { Scene } from '@core/navigation';
import { effectiveVisibility } from '@core/navigation';
import type { Caps, CapsWorker } from '@web/workers/caps.worker';
import { type Remote, releaseProxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { connectControls } from './controls';
import type { Prepared } from './prepared';
import { createRenderer, type Renderer } from './renderer';
import type { Session } from './session';

/** Computes caps in a worker that is started with the first cut. The newest wish wins. */
function createCapMaker(prepared: Prepared): { caps: (scene: Scene) => Promise<Caps | null>; dispose: () => void } {
  let api: Remote<CapsWorker> | null = null;
  let worker: Worker | null = null;
  return {
    async caps(scene) {
      if (!scene.section) return null;
      if (!api) {
        worker = new Worker(new URL('../workers/caps.worker.ts', import.meta.url), { type: 'module' });
        api = wrap<CapsWorker>(worker);
        await api.open(prepared.mesh);
      }
      const states = effectiveVisibility(prepared.mesh.parts, scene.visibility);
      const shown = prepared.mesh.parts.flatMap((part, n) => (states[n] === 'shown' && part.count > 0 && (part.colour?.[3] ?? 1) === 1 ? [n] : []));
      return (await api.caps(scene.section, shown)) as Caps | null;
    },
    dispose() {
      api?.[releaseProxy]();
      worker?.terminate();
    },
  };
}

export interface StageHandle {
  readonly renderer: Renderer;
  /** The cut faces of a scene. */
  readonly capsOf: (scene: Scene) => Promise<Caps | null>;
  /** A picture of any scene with its caps. */
  readonly pictureOf: (scene: Scene, width: number) => Promise<string>;
}

export interface StageHooks {
  readonly rectangle: { from: FramePoint; to: FramePoint } | null;
  readonly grab: Pick | null;
  readonly handle: StageHandle | null;
}

/** Puts a session on a canvas: draws its scene, listens to its devices, and cleans up. */
export function useStage(canvas: React.RefObject<HTMLCanvasElement | null>, prepared: Prepared | null, session: Session | null, scheme: Scheme): StageHooks {
  const [rectangle, setRectangle] = useState<StageHooks['rectangle']>(null);
  const [grab, setGrab] = useState<Pick | null>(null);
  const [handle, setHandle] = useState<StageHandle | null>(null);
  const schemeRef = useRef(scheme);
  schemeRef.current = scheme;

  useEffect(() => {
    const element = canvas.current;
    if (!element || !prepared) return;
    const renderer = createRenderer(element, prepared);
    const maker = createCapMaker(prepared);
    const observer = new ResizeObserver(() => renderer.resize(element.clientWidth, element.clientHeight));
    observer.observe(element);
    renderer.resize(element.clientWidth, element.clientHeight);
    setHandle({ renderer, capsOf: maker.caps, pictureOf: async (scene, width) => renderer.picture(scene, width, await maker.caps(scene)) });
    return () => {
      observer.disconnect();
      maker.dispose();
      renderer.dispose();
      setHandle(null);
    };
  }, [canvas, prepared]);

  useEffect(() => {
    const element = canvas.current;
    if (!handle || !session || !element) return;
    const { renderer, capsOf } = handle;
    let section: Scene['section'] = null;
    let visibility: Scene['visibility'] | null = null;
    let busy = false;
    const refreshCaps = async (): Promise<void> => {
      const { scene } = session.getState();
      if (busy || (scene.section === section && scene.visibility === visibility)) return;
      busy = true;
      section = scene.section;
      visibility = scene.visibility;
      try {
        renderer.setCaps(await capsOf(scene));
      } finally {
        busy = false;
      }
      // The cut may have moved on meanwhile.
      await refreshCaps();
    };
    const show = (): void => {
      const { scene, glide } = session.getState();
      renderer.show(scene, glide);
      void refreshCaps();
    };
    show();
    const unsubscribe = session.subscribe(show);
    const disconnect = connectControls({
      canvas: element,
      session,
      scheme: () => schemeRef.current,
      pick: renderer.pick,
      onRectangle: setRectangle,
      onGrab: setGrab,
    });
    return () => {
      unsubscribe();
      disconnect();
    };
  }, [canvas, handle, session]);

  return { rectangle, grab, handle };
}
