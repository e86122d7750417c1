import { measuredWords } from '@core/geometry';
import { FRAME_ASPECT, project } from '@core/view';
import { FRAME_VIEW_BOX } from '@web/ui/frameUnits';
import type { CardDetailProps } from '../goalParts';
import { useHiddenStage } from '../useHiddenStage';
import { useScenePictures } from '../useScenePictures';

/** Within this share of the true value it was measured rightly. */
const RIGHT = 0.01;

/** Each value as it was measured and as it should be, in the view in which it was picked. */
export function MeasureItDetail({ detail, meshHash }: CardDetailProps) {
  const { handle, shown } = useHiddenStage(meshHash);
  const asks = detail?.kind === 'measured' ? detail.asks : null;
  const pictures = useScenePictures(handle, asks);
  if (!asks) return null;
  return (
    <div className="mb-4">
      {shown}
      <ul className="grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        {asks.map(({ name, what, expected, value, scene, points }, i) => {
          const right = value !== null && expected !== null && Math.abs(value - expected) <= RIGHT * expected;
          const spots = scene ? points.map((point) => project(scene.view, point, FRAME_ASPECT)) : [];
          return (
            <li key={name}>
              <figure>
                <div className="relative aspect-[1.6] overflow-hidden rounded-lg border border-ink bg-stage">
                  {pictures[i] && <img src={pictures[i] ?? ''} alt={`Where ${name} was measured`} className="absolute inset-0 h-full w-full" />}
                  <svg className="absolute inset-0 h-full w-full" viewBox={FRAME_VIEW_BOX} aria-hidden="true">
                    {spots.length > 1 && (
                      <polyline
                        points={spots.map(({ u, v }) => `${u},${-v}`).join(' ')}
                        fill="none"
                        stroke="var(--color-amber)"
                        strokeWidth="0.008"
                        strokeDasharray="0.025 0.015"
                      />
                    )}
                    {spots.map(({ u, v }) => (
                      <circle key={`${u} ${v}`} cx={u} cy={-v} r="0.018" fill="var(--color-amber)" stroke="var(--color-paper)" strokeWidth="0.006" />
                    ))}
                  </svg>
                  {!scene && <p className="absolute inset-0 grid place-items-center p-4 text-center text-sm">Not measured</p>}
                </div>
                <figcaption className="mt-1 text-sm">
                  <strong>{name}</strong>
                  <span className="flex justify-between font-mono">
                    <span className={right ? '' : 'font-semibold text-signal'}>{value === null ? 'no value' : measuredWords(what, value)}</span>
                    {expected !== null && <span className="text-ink-soft">{right ? 'right' : `should be ${measuredWords(what, expected)}`}</span>}
                  </span>
                </figcaption>
              </figure>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
