import { exact, type Quat, slerp, type Vec3 } from '@core/math';
import type { View } from '@core/view';

const GLIDE_MS = 220;

const between = (a: number, b: number, k: number): number => a + (b - a) * k;

/** The drawn view on the way between two logical ones. */
function glideView(a: View, b: View, k: number): View {
  const mix = (p: Vec3, q: Vec3): Vec3 => [between(p[0], q[0], k), between(p[1], q[1], k), between(p[2], q[2], k)];
  return {
    ...b,
    target: mix(a.target, b.target),
    orientation: slerp(a.orientation as Quat, b.orientation as Quat, k),
    distance: exact.exp(between(exact.log(a.distance), exact.log(b.distance), k)),
    fovY: between(a.fovY, b.fovY, k),
  };
}

/** The drawn way from one logical view to the next, which has changed already. */
export interface Glide {
  begin(from: View): void;
  end(): void;
  /** The view to draw on the way to `to`. */
  viewAt(to: View): View;
  running(): boolean;
}

export function createGlide(): Glide {
  let way: { from: View; at: number } | null = null;
  return {
    begin(from) {
      way = { from, at: performance.now() };
    },
    end() {
      way = null;
    },
    viewAt(to) {
      if (!way) return to;
      const s = (performance.now() - way.at) / GLIDE_MS;
      if (s < 1) return glideView(way.from, to, s * s * (3 - 2 * s));
      way = null;
      return to;
    },
    running: () => way !== null,
  };
}
