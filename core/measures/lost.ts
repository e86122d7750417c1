import { flatHull } from '../geometry';
import type { Vec3 } from '../math';
import { FRAME_ASPECT, projector, type View } from '../view';

/** A subject whose outline is less than this high and less than this wide is too small to be found, frame heights and widths. */
const TOO_SMALL = 0.04;
/** A hull that reaches behind the eye is cut off this far before it, share of the view's distance. */
const CUT_OFF = 1e-6;

type Place = { readonly u: number; readonly v: number };

/** Whether a convex outline, corners in order, meets the frame (separating axes; a touch counts). */
function meetsFrame(outline: readonly Place[]): boolean {
  const [w, h] = [FRAME_ASPECT / 2, 0.5];
  const apart = (nu: number, nv: number): boolean => {
    const reach = Math.abs(nu) * w + Math.abs(nv) * h;
    let low = Number.POSITIVE_INFINITY;
    let high = Number.NEGATIVE_INFINITY;
    for (const p of outline) {
      const s = p.u * nu + p.v * nv;
      low = Math.min(low, s);
      high = Math.max(high, s);
    }
    return low > reach || high < -reach;
  };
  if (apart(1, 0) || apart(0, 1)) return false;
  return !outline.some((p, i) => {
    const q = outline[(i + 1) % outline.length] as Place;
    return apart(p.v - q.v, q.u - p.u);
  });
}

/** Where the convex hull of the points, cut off at the eye, projects to; null when all of it is behind the eye. */
function projected(view: View, points: readonly Vec3[]): { places: Place[]; whole: boolean } | null {
  const seen = points.map(projector(view));
  if (view.projection === 'orthographic') return { places: seen, whole: true };
  const near = view.distance * CUT_OFF;
  const front = seen.filter((p) => p.depth > near);
  if (front.length === 0) return null;
  const behind = seen.filter((p) => p.depth <= near);
  if (behind.length === 0) return { places: front, whole: true };
  // u and v times depth are straight lines in space: there the edges are cut.
  const cut = front.flatMap((a) =>
    behind.map((b): Place => {
      const k = (a.depth - near) / (a.depth - b.depth);
      return {
        u: (a.u * a.depth + (b.u * b.depth - a.u * a.depth) * k) / near,
        v: (a.v * a.depth + (b.v * b.depth - a.v * a.depth) * k) / near,
      };
    }),
  );
  return { places: [...front, ...cut], whole: false };
}

/**
 * Whether a subject, given by its hull points, cannot be found in a view: its convex hull, cut off at the eye, projects
 * nowhere into the frame, or it is wholly in front and its outline is under 4 % of the frame both ways. One that fills the
 * frame, or in which one stands, is not lost.
 */
export function isLost(view: View, points: readonly Vec3[]): boolean {
  if (points.length === 0) return false;
  const found = projected(view, points);
  if (!found) return true;
  const { places, whole } = found;
  if (whole) {
    const size = (of: (p: Place) => number): number => {
      let low = Number.POSITIVE_INFINITY;
      let high = Number.NEGATIVE_INFINITY;
      for (const p of places) {
        low = Math.min(low, of(p));
        high = Math.max(high, of(p));
      }
      return high - low;
    };
    if (size((p) => p.v) < TOO_SMALL && size((p) => p.u) < TOO_SMALL * FRAME_ASPECT) return true;
  }
  if (places.some((p) => Math.abs(p.u) <= FRAME_ASPECT / 2 && Math.abs(p.v) <= 0.5)) return false;
  return !meetsFrame(flatHull(places).map((i) => places[i] as Place));
}
