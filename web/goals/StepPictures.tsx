import { goalShown } from '@core/exercise';
import { picturedBy } from '@core/goals';
import { type ReactNode, useEffect, useState } from 'react';
import { FramedPicture } from './FramedPicture';
import type { CardDetailProps } from './goalParts';
import { useHiddenStage } from './useHiddenStage';

interface Props extends Omit<CardDetailProps, 'detail'> {
  /** Drawn over one's own picture. */
  readonly over?: ReactNode;
  readonly beside?: ReactNode;
  /** From where the target is shown: as it was recorded, or from where one looked oneself. */
  readonly eye?: 'own';
}

const WIDTH = 720;

const PLACE = 'min-w-0 flex-1';

/** Target and result side by side, and laid over each other. */
export function StepPictures({ exercise, step, scene, meshHash, published, over, beside, eye }: Props) {
  const { handle, shown } = useHiddenStage(meshHash);
  const [pictures, setPictures] = useState<{ mine: string; target: string | null } | null>(null);
  const goal = goalShown(exercise, exercise.steps[step]);

  useEffect(() => {
    if (!handle || !scene) return;
    let wanted = true;
    const start = eye === 'own' ? { ...exercise.start, view: scene.view } : exercise.start;
    const target = goal && picturedBy(goal, start);
    void (async () => {
      const mine = await handle.pictureOf({ ...scene, selection: { parts: [] } }, WIDTH);
      const asked = target ? await handle.pictureOf(target, WIDTH) : exercise.showTarget ? null : published;
      if (wanted) setPictures({ mine, target: asked });
    })();
    return () => {
      wanted = false;
    };
  }, [handle, scene, goal, exercise, published, eye]);

  if (!scene) return null;
  const target = published || (goal && picturedBy(goal, exercise.start));
  return (
    <div className="mb-4">
      {shown}
      <div className={`flex gap-4 ${target ? '' : 'max-w-2xl'}`}>
        {pictures?.target && <FramedPicture source={pictures.target} words="Target" className={PLACE} />}
        <FramedPicture source={pictures?.mine ?? null} words="Yours" className={PLACE}>
          {over}
        </FramedPicture>
        {pictures?.target && (
          <FramedPicture source={pictures.target} words="Laid over each other" className={PLACE}>
            <img src={pictures.mine} alt="" className="absolute inset-0 h-full w-full opacity-50 mix-blend-multiply" />
          </FramedPicture>
        )}
        {beside}
      </div>
    </div>
  );
}
