import type { Vec3 } from '../math';
import { type Context, navigate } from '../navigation';
import { FRAME, type View } from '../view';
import { minimumJerk } from './simulatedHand';

const HZ = 30;

/** A way about a pivot: legs of radians round to the right and higher, each one minimum-jerk movement; `t` in seconds. */
export function minimumJerkPath(
  start: View,
  pivot: Vec3,
  legs: readonly { round: number; higher: number; seconds: number }[],
  context: Context,
): { t: number; view: View }[] {
  const path = [{ t: 0, view: start }];
  let view = start;
  let begun = 0;
  for (const leg of legs) {
    const count = Math.max(2, Math.round(leg.seconds * HZ));
    let done = 0;
    for (let i = 1; i <= count; i++) {
      const share = minimumJerk(i / count) - done;
      done += share;
      view = navigate(
        view,
        { kind: 'orbit', dx: ((-leg.round * share) / Math.PI) * FRAME.height, dy: ((leg.higher * share) / Math.PI) * FRAME.height, pivot, mode: 'turntable' },
        context,
      );
      path.push({ t: Math.round((begun + (leg.seconds * i) / count) * 1e4) / 1e4, view });
    }
    begun += leg.seconds;
  }
  return path;
}
