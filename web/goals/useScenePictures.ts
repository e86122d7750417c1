import { initialScene, type KeptScene } from '@core/navigation';
import type { StageHandle } from '@web/stage/useStage';
import { useEffect, useState } from 'react';

const WIDTH = 480;

/** Pictures of scenes, drawn one after the other; null where there is no scene, or no picture yet. */
export function useScenePictures(handle: StageHandle | null, list: readonly { readonly scene: KeptScene | null }[] | null): readonly (string | null)[] {
  const [pictures, setPictures] = useState<readonly (string | null)[]>([]);
  useEffect(() => {
    if (!handle || !list) return;
    let wanted = true;
    void (async () => {
      const made: (string | null)[] = [];
      for (const { scene } of list) {
        made.push(scene ? await handle.pictureOf({ ...initialScene(scene.view), ...scene }, WIDTH) : null);
        if (!wanted) return;
        setPictures([...made]);
      }
    })();
    return () => {
      wanted = false;
    };
  }, [handle, list]);
  return pictures;
}
