import { BUILT_IN_SCHEMES } from '@core/input';
import type { Scene } from '@core/navigation';
import { innerBox, type StepDetail } from '@core/scoring';
import { FRAME_ASPECT } from '@core/view';
import { openModel } from '@web/stage/openModel';
import type { Prepared } from '@web/stage/prepared';
import { useStage } from '@web/stage/useStage';
import { wordsOf } from '@web/ui/api';
import { useEffect, useState } from 'react';
import { targetSceneOf } from '../practise/targetScene';
import type { Practised } from '../practise/useAttempt';

interface Props {
  readonly exercise: Practised;
  readonly step: number;
  readonly scene: Scene | null;
  readonly detail: StepDetail | undefined;
  readonly meshHash: string;
  readonly published: string | null;
}

const WIDTH = 720;
const opened = new Map<string, Promise<Prepared>>();

function modelOnce(hash: string): Promise<Prepared> {
  let found = opened.get(hash);
  if (!found) opened.set(hash, (found = openModel(hash)));
  return found;
}

function Picture({ source, words, children }: { readonly source: string | null; readonly words: string; readonly children?: React.ReactNode }) {
  return (
    <figure className="min-w-0 flex-1">
      <div className="relative aspect-[1.6] overflow-hidden rounded-lg border border-ink bg-stage">
        {source && <img src={source} alt={words} className="absolute inset-0 h-full w-full" />}
        {children}
      </div>
      <figcaption className="mt-1 text-ink-soft text-sm">{words}</figcaption>
    </figure>
  );
}

/** Target and result side by side, and laid over each other. */
export function StepPictures({ exercise, step, scene, detail, meshHash, published }: Props) {
  const [prepared, setPrepared] = useState<Prepared | null>(null);
  const [pictures, setPictures] = useState<{ mine: string; target: string | null } | null>(null);
  const [error, setError] = useState<string | null>(null);
  const { canvas, handle } = useStage(prepared, null, BUILT_IN_SCHEMES[0] as (typeof BUILT_IN_SCHEMES)[number]);
  const goal = exercise.steps[step]?.goal;

  useEffect(() => {
    let wanted = true;
    modelOnce(meshHash).then(
      (found) => wanted && setPrepared(found),
      (problem) => wanted && setError(wordsOf(problem)),
    );
    return () => {
      wanted = false;
    };
  }, [meshHash]);
  useEffect(() => {
    if (!handle || !scene || !goal) return;
    let wanted = true;
    const target = exercise.showTarget ? targetSceneOf(goal, goal.kind === 'cutToReveal' ? { ...exercise.start, view: scene.view } : exercise.start) : null;
    void (async () => {
      const mine = await handle.pictureOf({ ...scene, selection: { parts: [] } }, WIDTH);
      const asked = published && !exercise.showTarget ? published : target ? await handle.pictureOf(target, WIDTH) : null;
      if (wanted) setPictures({ mine, target: asked });
    })();
    return () => {
      wanted = false;
    };
  }, [handle, scene, goal, exercise, published]);

  if (!scene) return null;
  const target = published || (exercise.showTarget && goal && targetSceneOf(goal, exercise.start));
  const inner = detail?.kind === 'frame' ? innerBox(detail.margins) : null;
  return (
    <div className="mb-4">
      <canvas ref={canvas} className="pointer-events-none absolute h-px w-px opacity-0" aria-hidden="true" />
      {error && <p role="alert">{error}</p>}
      <div className={`flex gap-4 ${target ? '' : 'max-w-2xl'}`}>
        {pictures?.target && <Picture source={pictures.target} words="Target" />}
        <Picture source={pictures?.mine ?? null} words="Yours">
          {inner && detail?.kind === 'frame' && (
            <svg
              viewBox={`${-FRAME_ASPECT / 2} -0.5 ${FRAME_ASPECT} 1`}
              className="absolute inset-0 h-full w-full"
              role="img"
              aria-label="The subject's outline in the asked frame"
            >
              <rect
                x={inner.u0}
                y={-inner.v1}
                width={inner.u1 - inner.u0}
                height={inner.v1 - inner.v0}
                fill="none"
                stroke="var(--color-signal)"
                strokeWidth="0.006"
                strokeDasharray="0.03 0.012"
              />
              <rect
                x={detail.asked.u0}
                y={-detail.asked.v1}
                width={detail.asked.u1 - detail.asked.u0}
                height={detail.asked.v1 - detail.asked.v0}
                fill="none"
                stroke="var(--color-amber)"
                strokeWidth="0.009"
              />
              <polygon
                points={detail.outline.map(([u, v]) => `${u},${-v}`).join(' ')}
                fill="none"
                stroke="var(--color-ink)"
                strokeWidth="0.008"
                strokeLinejoin="round"
              />
            </svg>
          )}
        </Picture>
        {pictures?.target && (
          <Picture source={pictures.target} words="Laid over each other">
            <img src={pictures.mine} alt="" className="absolute inset-0 h-full w-full opacity-50 mix-blend-multiply" />
          </Picture>
        )}
        {inner && (
          <ul className="w-48 shrink-0 self-center text-sm">
            <li className="flex items-center gap-2">
              <span className="h-0.5 w-6 border-signal border-t-2 border-dashed" /> inner lines
            </li>
            <li className="mt-1 flex items-center gap-2">
              <span className="h-1 w-6 bg-amber" /> asked: as large as they allow
            </li>
            <li className="mt-1 flex items-center gap-2">
              <span className="h-1 w-6 bg-ink" /> yours
            </li>
          </ul>
        )}
      </div>
    </div>
  );
}
