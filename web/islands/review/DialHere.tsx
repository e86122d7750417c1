import { BUILT_IN_SCHEMES, type Scheme } from '@core/input';
import type { Scene } from '@core/navigation';
import { anglesOf, type View } from '@core/view';
import { ARC, arcPoint, CHART, RING, ringPoint } from '@web/stage/dial/dialPlaces';
import { ViewDial } from '@web/stage/dial/ViewDial';
import { useStore } from 'zustand';
import type { Clock } from './clock';

const nothing = (): void => {};

interface Props {
  readonly clock: Clock;
  /** What is shown at a moment of the clock. */
  readonly sceneAt: (at: number) => Scene;
  readonly target: View | null;
  readonly ghostAt: (at: number) => View | null;
}

/** The dial as it stood at the moment that is shown: the target hollow, the reference a square. */
export function DialHere({ clock, sceneAt, target, ghostAt }: Props) {
  const at = useStore(clock, (s) => s.at);
  const ghost = ghostAt(at);
  const angles = ghost && anglesOf(ghost.orientation);
  const places = angles && [ringPoint(angles.azimuth, RING), arcPoint(angles.elevation, ARC)];
  return (
    <div className="relative w-44 shrink-0">
      <ViewDial view={sceneAt(at).view} target={target} onCommand={nothing} enabled={false} scheme={BUILT_IN_SCHEMES[0] as Scheme} />
      {places && (
        <svg
          className="pointer-events-none absolute top-0 left-0 w-full"
          viewBox={`${CHART.x} ${CHART.y} ${CHART.width} ${CHART.height}`}
          role="img"
          aria-label="Where the reference looks from"
        >
          {places.map(({ x, y }, i) => (
            <rect key={i} x={x - 6} y={y - 6} width="12" height="12" fill="none" stroke="var(--color-amber)" strokeWidth="3" />
          ))}
        </svg>
      )}
    </div>
  );
}
