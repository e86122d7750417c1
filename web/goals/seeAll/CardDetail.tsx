import type { Vec3 } from '@core/math';
import { type SeenPlace, sideOf } from '@core/measures';
import type { StandardName } from '@core/view';
import { useMemo } from 'react';
import type { CardDetailProps } from '../goalParts';
import { useHiddenStage } from '../useHiddenStage';
import { useSeenPictures } from './useSeenPictures';

const SIDES: readonly StandardName[] = ['front', 'right', 'rear', 'left', 'top', 'bottom'];
const NAMES: { readonly [S in StandardName]?: string } = { front: 'Front', right: 'Right', rear: 'Rear', left: 'Left', top: 'Top', bottom: 'Underside' };

/** One side of the subject, what was never seen hatched, and how much of what looks that way was seen. */
function Side({ side, picture, places }: { readonly side: StandardName; readonly picture: string | undefined; readonly places: readonly SeenPlace[] }) {
  const counted = places.filter((place) => place.seen !== null && sideOf(place.to) === side);
  const seen = counted.filter((place) => place.seen).length;
  const words = `${NAMES[side]}: ${seen} of ${counted.length} places seen`;
  return (
    <figure className="min-w-0">
      <div className="aspect-[1.6] overflow-hidden rounded-lg border border-rule bg-stage">
        {picture ? <img src={picture} alt={words} className="h-full w-full" /> : <span className="sr-only">{words}</span>}
      </div>
      <figcaption className="mt-0.5 flex justify-between text-sm">
        <span>{NAMES[side]}</span>
        <span className="font-mono text-ink-soft">{counted.length > 0 ? `${Math.round((100 * seen) / counted.length)} %` : '–'}</span>
      </figcaption>
    </figure>
  );
}

/** The ball of directions: from above and from beneath, the front at the foot; a dot for each view that was looked at. */
function Ball({ directions, above }: { readonly directions: readonly Vec3[]; readonly above: boolean }) {
  const shown = directions.filter((d) => (above ? d[2] >= 0 : d[2] < 0));
  return (
    <figure>
      <svg viewBox="-1.15 -1.15 2.3 2.3" className="w-full" role="img" aria-label={`${shown.length} looks from ${above ? 'above' : 'beneath'}`}>
        {[1, 2 / 3, 1 / 3].map((r) => (
          <circle key={r} r={r} fill="none" stroke="var(--color-rule)" strokeWidth="0.015" />
        ))}
        <path d="M-1 0H1M0 -1V1" stroke="var(--color-rule)" strokeWidth="0.015" />
        {shown.map((d) => {
          // The distance from the middle is the angle from the pole.
          const flat = Math.hypot(d[0], d[1]);
          const r = Math.acos(Math.min(1, Math.abs(d[2]))) / (Math.PI / 2);
          const [x, y] = flat > 1e-9 ? [(d[0] / flat) * r, (-d[1] / flat) * r] : [0, 0];
          return <circle key={d.join()} cx={x} cy={y} r="0.06" fill="var(--color-ink)" />;
        })}
      </svg>
      <figcaption className="text-center text-sm">{above ? 'Looks from above' : 'Looks from beneath'}</figcaption>
    </figure>
  );
}

/** What of the subject was seen, side by side, and where one looked from. */
export function SeeAllDetail({ detail, exercise, step, meshHash }: CardDetailProps) {
  const { handle, shown, prepared } = useHiddenStage(meshHash);
  const goal = exercise.steps[step]?.goal;
  const places = detail?.kind === 'seen' ? detail.places : null;
  const subject = useMemo(
    () => (places && goal && 'parts' in goal ? { parts: goal.parts, view: exercise.start.view, places } : null),
    [places, goal, exercise],
  );
  const pictures = useSeenPictures(handle, prepared?.mesh ?? null, SIDES, subject);
  if (detail?.kind !== 'seen' || detail.places.length === 0) return null;
  return (
    <div className="mb-4 grid gap-4 md:grid-cols-[4fr_1fr]">
      {shown}
      <div>
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          {SIDES.map((side, i) => (
            <Side key={side} side={side} picture={pictures[i]} places={detail.places} />
          ))}
        </div>
        <p className="mt-2 flex gap-5 text-sm">
          <span className="flex items-center gap-1.5">
            <span className="inline-block h-3.5 w-6 rounded-sm bg-sea/60" aria-hidden="true" /> seen
          </span>
          <span className="flex items-center gap-1.5">
            <span
              className="inline-block h-3.5 w-6 rounded-sm"
              style={{ background: 'repeating-linear-gradient(135deg, var(--color-signal) 0 3px, var(--color-paper) 3px 6px)' }}
              aria-hidden="true"
            />
            never seen
          </span>
        </p>
      </div>
      <div className="grid content-start gap-3 max-md:grid-cols-2">
        <Ball directions={detail.directions} above />
        <Ball directions={detail.directions} above={false} />
      </div>
    </div>
  );
}
