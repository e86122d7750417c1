import type { Binding, FramePoint, Gesture, Scheme } from '@core/input';
import type { Vec3 } from '@core/math';
import type { Command, Scene } from '@core/navigation';
import { effectiveVisibility } from '@core/navigation';
import { byInterface, type InterfaceBinding } from '@core/trace';
import type { View } from '@core/view';
import { useLatest } from '@web/ui/useLatest';
import type { CapsWorker } from '@web/workers/caps.worker';
import type { Caps } from '@web/workers/makeCaps';
import { type Remote, releaseProxy, wrap } from 'comlink';
import { type RefObject, useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { type Aids, type AidsState, createAids } from './aids';
import { type Controls, connectControls } from './devices/controls';
import type { DrawnRectangle } from './devices/drags';
import { createRenderer, type Renderer } from './drawing/renderer';
import { panesOf } from './panes';
import type { Prepared } from './prepared';
import { createProbes, type Probes } from './probing/probes';
import { floorUnder } from './probing/walking';
import type { Recorder } from './recorder';
import type { SceneSource } from './sceneSource';
import { showSource } from './showSource';
import { createSquareViews, type SquareViews } from './squareViews';
import { standingCommand } from './standingCommand';

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
        await api.open(prepared.mesh, prepared.bvh);
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
  readonly probes: Probes;
  /** The cut faces of a scene. */
  readonly capsOf: (scene: Scene) => Promise<Caps | null>;
  /** A picture of any scene with its caps. */
  readonly pictureOf: (scene: Scene, width: number) => Promise<string>;
}

export interface Stage {
  readonly canvas: RefObject<HTMLCanvasElement | null>;
  readonly prepared: Prepared | null;
  readonly session: Recorder | null;
  readonly scheme: Scheme;
  readonly handle: StageHandle | null;
  readonly aids: Aids | null;
  readonly sides: SquareViews | null;
  readonly rectangle: DrawnRectangle | null;
  /** What is turned about just now. */
  readonly pivot: Vec3 | null;
  /** Where the pointer is in the free view. */
  readonly pointer: FramePoint | null;
  /** The free view as it was drawn last. */
  readonly drawn: View | null;
  /** Area and outline of the present cut. */
  readonly caps: Caps | null;
  readonly controls: Controls | null;
  /** Where the near hand is open. */
  readonly nearHand: FramePoint | null;
  /** Height of the floor under a point in the present scene, world metres; left out before the stage is there. */
  readonly floorAt: ((point: Vec3) => number) | undefined;
}

export interface StageOptions {
  /** Hears of every gesture on the stage. */
  readonly onGesture?: (gesture: Gesture) => void;
  /** Hears of what answers a gesture or a held key; null: nothing does. Keep the same function. */
  readonly onAnswered?: (binding: Binding | null) => void;
  /** What is drawn instead of what the recorder shows; without it, that. */
  readonly source?: SceneSource | null;
}

/** Puts a source of scenes on a canvas: draws it, listens to the devices where a hand is recorded, and cleans up. */
export function useStage(
  prepared: Prepared | null,
  session: Recorder | null,
  scheme: Scheme,
  { onGesture, onAnswered, source: played }: StageOptions = {},
): Stage {
  const source = played ?? session;
  const canvas = useRef<HTMLCanvasElement>(null);
  const [rectangle, setRectangle] = useState<DrawnRectangle | null>(null);
  const [pivot, setPivot] = useState<Vec3 | null>(null);
  const [pointer, setPointer] = useState<FramePoint | null>(null);
  const [drawn, setDrawn] = useState<View | null>(null);
  const [caps, setCaps] = useState<Caps | null>(null);
  const [handle, setHandle] = useState<StageHandle | null>(null);
  const [controls, setControls] = useState<Controls | null>(null);
  const [nearHand, setNearHand] = useState<FramePoint | null>(null);
  const schemeNow = useLatest(scheme);
  const gestureNow = useLatest(onGesture);

  useEffect(() => {
    const element = canvas.current;
    if (!element || !prepared) return;
    const probes = createProbes(prepared);
    const renderer = createRenderer(element, prepared, probes.pick);
    const maker = createCapMaker(prepared);
    const observer = new ResizeObserver(() => renderer.resize(element.clientWidth, element.clientHeight));
    observer.observe(element);
    renderer.resize(element.clientWidth, element.clientHeight);
    renderer.onDraw(setDrawn);
    setHandle({ renderer, probes, capsOf: maker.caps, pictureOf: async (scene, width) => renderer.picture(scene, width, await maker.caps(scene)) });
    return () => {
      observer.disconnect();
      maker.dispose();
      renderer.dispose();
      setHandle(null);
    };
  }, [prepared]);

  const sides = useMemo(() => (session ? createSquareViews(session) : null), [session]);
  const aids = useMemo(() => (session && handle ? createAids(session, handle.probes) : null), [session, handle]);

  useEffect(() => {
    if (!handle || !source) return;
    const { renderer, capsOf } = handle;
    return showSource({ renderer, source, capsOf, glides: () => schemeNow.current.options.glide !== false, onCaps: setCaps });
  }, [handle, source, schemeNow]);

  useEffect(() => {
    const element = canvas.current;
    if (!handle || !session || !element || !sides || !aids) return;
    const { renderer, probes } = handle;
    const showAids = (): void => {
      const { grid, fourViews, maximised } = aids.getState();
      renderer.setGrid(grid);
      renderer.setPanes(panesOf(fourViews, maximised), sides.getState());
      if (!aids.getState().loupe) renderer.setLoupe(null);
    };
    showAids();
    const ends = [aids.subscribe(showAids), sides.subscribe(showAids)];
    const connected = connectControls({
      canvas: element,
      session,
      sides,
      aids,
      probes,
      frames: renderer.frames,
      scheme: () => schemeNow.current,
      onRectangle: setRectangle,
      onPivot: setPivot,
      onPointer: (at) => {
        if (!aids.getState().loupe) return;
        renderer.setLoupe(at);
        setPointer(at);
      },
      onNearHand: setNearHand,
      onGesture: (gesture) => gestureNow.current?.(gesture),
      onAnswered,
    });
    setControls(connected);
    return () => {
      for (const end of ends) end();
      connected.disconnect();
      setControls(null);
      setNearHand(null);
    };
  }, [handle, session, sides, aids, schemeNow, gestureNow, onAnswered]);

  const floorAt = useMemo(
    () => (handle && session ? (point: Vec3) => floorUnder(handle.probes.cast, session.getState().scene, point, handle.probes.ground) : undefined),
    [handle, session],
  );
  return { canvas, prepared, session, scheme, handle, aids, sides, rectangle, pivot, pointer, drawn, caps, controls, nearHand, floorAt };
}

/** Does what a dial or a panel asks for, by the name under which a trace has it. Commands of one movement, told by the same `during`, are one gesture. */
export function useCommand({ session, aids }: Stage, binding: InterfaceBinding): (command: Command, during?: object) => void {
  const gestures = useRef(new WeakMap<object, number>());
  return useCallback(
    (command, during) => {
      if (!session) return;
      const known = during && gestures.current.get(during);
      const id = known ?? session.newGesture();
      if (during) gestures.current.set(during, id);
      session.perform([aids?.getState().standing ? standingCommand(command) : command], byInterface(id, binding));
    },
    [session, aids, binding],
  );
}

/** Something that an aid tells, as it is now. */
function useAid({ aids }: Stage, tells: (state: AidsState) => boolean): boolean {
  return useSyncExternalStore(
    (changed) => aids?.subscribe(changed) ?? (() => {}),
    () => aids !== null && tells(aids.getState()),
    () => false,
  );
}

/** Whether the panels beside the stage are folded away. */
export const useFolded = (stage: Stage): boolean => useAid(stage, ({ panels }) => !panels);
/** Whether one stands inside the model. */
export const useStanding = (stage: Stage): boolean => useAid(stage, ({ standing }) => standing);
