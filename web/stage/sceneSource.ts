import type { Scene } from '@core/navigation';
import { createStore, type StoreApi } from 'zustand/vanilla';

/** What a stage draws, and whether its last change is drawn as a short glide. */
export interface ShownScene {
  readonly scene: Scene;
  readonly glide: boolean;
}

/** What plays a scene: a hand that is recorded, or anything else that has one to show. */
export interface SceneSource {
  getState(): ShownScene;
  /** Hears of every change; returns what ends that. */
  subscribe(listener: (state: ShownScene, before: ShownScene) => void): () => void;
  /** Seconds on the source's own clock. */
  time(): number;
}

/** A source that shows what it is told to, at the time it is told. */
export interface ScenePlayer extends SceneSource {
  show(scene: Scene, t: number): void;
}

export function createScenePlayer(scene: Scene): ScenePlayer {
  const store: StoreApi<ShownScene> = createStore(() => ({ scene, glide: false }));
  let time = 0;
  return {
    getState: store.getState,
    subscribe: store.subscribe,
    time: () => time,
    show(next, t) {
      time = t;
      store.setState({ scene: next, glide: false });
    },
  };
}
