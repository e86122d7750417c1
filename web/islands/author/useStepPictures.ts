import type { Step } from '@core/exercise';
import { type StoryPicture, storyPicture } from '@core/goals';
import type { ScoredModel } from '@core/model';
import type { Scene } from '@core/navigation';
import type { View } from '@core/view';
import type { StageHandle } from '@web/stage/useStage';
import { useLatest } from '@web/ui/useLatest';
import { useEffect, useMemo, useState } from 'react';

/** Width of a picture in a row of them, pixels. */
const WIDTH = 240;
/** A picture is drawn when its scene has rested so long, ms. */
const REST = 400;

/** Pictures of scenes, each drawn once by the stage; null: not yet. */
function usePictures(handle: StageHandle | null, scenes: readonly Scene[], width: number): (string | null)[] {
  const [drawn, setDrawn] = useState<ReadonlyMap<string, string>>(new Map());
  const known = useLatest(drawn);
  const keys = useMemo(() => scenes.map((scene) => JSON.stringify(scene)), [scenes]);
  const wanted = keys.join('\n');
  useEffect(() => {
    if (!handle) return;
    let current = true;
    const timer = setTimeout(async () => {
      for (const key of new Set(wanted.split('\n'))) {
        if (!current) return;
        if (known.current.has(key)) continue;
        try {
          const picture = await handle.pictureOf(JSON.parse(key) as Scene, width);
          setDrawn((before) => new Map([...before].slice(-60)).set(key, picture));
        } catch {
          // Without a picture its card has its number and words.
        }
      }
    }, REST);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [handle, wanted, known, width]);
  return keys.map((key) => drawn.get(key) ?? null);
}

/** A step as its picture shows it: drawn by the stage, null: not yet; and the view that it is drawn from. */
export interface StepPicture {
  readonly source: string | null;
  readonly view: View;
  readonly shows: StoryPicture['shows'];
}

/** Pictures of where an exercise begins and of its steps. `model` null: not loaded yet. */
export function useStepPictures(
  handle: StageHandle | null,
  model: ScoredModel | null,
  start: Scene,
  steps: readonly Step[],
  width = WIDTH,
): { readonly start: string | null; readonly steps: readonly StepPicture[] } {
  // The stage draws many pictures while a draft stays as it is.
  const pictures = useMemo(
    () => steps.map((step): StoryPicture => (model ? storyPicture(step, start, model) : { scene: start, shows: 'start' })),
    [model, start, steps],
  );
  const scenes = useMemo(() => [start, ...pictures.map(({ scene }) => scene)], [start, pictures]);
  const [first = null, ...rest] = usePictures(model && handle, scenes, width);
  return { start: first, steps: pictures.map(({ scene, shows }, i) => ({ source: rest[i] ?? null, view: scene.view, shows })) };
}
