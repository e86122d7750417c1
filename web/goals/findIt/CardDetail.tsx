import { FRAME_VIEW_BOX } from '@web/ui/frameUnits';
import type { CardDetailProps } from '../goalParts';
import { useHiddenStage } from '../useHiddenStage';
import { usePlaced } from '../usePlaced';
import { useScenePictures } from '../useScenePictures';

/** Where each thing was, from the view in which it was found. */
export function FindItDetail({ detail, exercise, step, meshHash }: CardDetailProps) {
  const { handle, shown } = useHiddenStage(meshHash);
  const goal = exercise.steps[step]?.goal;
  usePlaced(handle, goal);
  const items = detail?.kind === 'finds' ? detail.items : null;
  const pictures = useScenePictures(handle, items);
  if (detail?.kind !== 'finds') return null;
  return (
    <div className="mb-4">
      {shown}
      <ul className="grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        {detail.items.map(({ name, found, seconds, scene, at }, i) => (
          <li key={name}>
            <figure>
              <div className="relative aspect-[1.6] overflow-hidden rounded-lg border border-ink bg-stage">
                {pictures[i] && <img src={pictures[i] ?? ''} alt={`Where ${name} was`} className="absolute inset-0 h-full w-full" />}
                {at && (
                  <svg className="absolute inset-0 h-full w-full" viewBox={FRAME_VIEW_BOX} aria-hidden="true">
                    <circle cx={at.u} cy={-at.v} r="0.06" fill="none" stroke="var(--color-paper)" strokeWidth="0.022" />
                    <circle
                      cx={at.u}
                      cy={-at.v}
                      r="0.06"
                      fill="none"
                      stroke={found ? 'var(--color-sea)' : 'var(--color-signal)'}
                      strokeWidth="0.012"
                      strokeDasharray={found ? undefined : '0.03 0.02'}
                    />
                  </svg>
                )}
                {!scene && (
                  <p className="absolute inset-0 grid place-items-center p-4 text-center text-sm">No view from outside shows it: it is behind other parts.</p>
                )}
              </div>
              <figcaption className="mt-1 flex justify-between text-sm">
                <span>
                  <strong>{name}</strong> {found ? 'found' : <span className="font-semibold text-signal">not found</span>}
                </span>
                {seconds !== null && <span className="font-mono text-ink-soft">{seconds.toFixed(1)} s</span>}
              </figcaption>
            </figure>
          </li>
        ))}
      </ul>
    </div>
  );
}
