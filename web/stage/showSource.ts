import type { Scene } from '@core/navigation';
import type { Caps } from '@web/workers/makeCaps';
import type { Renderer } from './drawing/renderer';
import type { SceneSource } from './sceneSource';

interface Options {
  readonly renderer: Renderer;
  readonly source: SceneSource;
  /** The cut faces of a scene. */
  readonly capsOf: (scene: Scene) => Promise<Caps | null>;
  /** Whether changes that ask for it are drawn as a short glide. */
  readonly glides: () => boolean;
  readonly onCaps: (caps: Caps | null) => void;
}

/** Draws what a source shows, with the caps of its cut, until the returned function is called. */
export function showSource({ renderer, source, capsOf, glides, onCaps }: Options): () => void {
  let section: Scene['section'] = null;
  let visibility: Scene['visibility'] | null = null;
  let busy = false;
  const refreshCaps = async (): Promise<void> => {
    const { scene } = source.getState();
    if (busy || (scene.section === section && scene.visibility === visibility)) return;
    busy = true;
    section = scene.section;
    visibility = scene.visibility;
    try {
      const made = await capsOf(scene);
      renderer.setCaps(made);
      onCaps(made);
    } finally {
      busy = false;
    }
    // The cut may have moved on meanwhile.
    await refreshCaps();
  };
  const show = (): void => {
    const { scene, glide } = source.getState();
    renderer.show(scene, glide && glides());
    void refreshCaps();
  };
  show();
  return source.subscribe(show);
}
