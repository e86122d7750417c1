import { followedPath } from '../../criteria';
import { angleBetween, exact, type Vec3 } from '../../math';
import { alignPaths } from '../../measures';
import type { MakeDetail, Unrolled } from '../detail';
import type { FollowOrbit } from './kind';

/** Azimuths run on past half a turn, so that a path is one line. */
export function unroll(path: readonly Vec3[], from?: number): Unrolled[] {
  let last = from;
  return path.map((d) => {
    let azimuth = exact.atan2(d[0], -d[1]);
    if (last !== undefined) azimuth += Math.round((last - azimuth) / (2 * Math.PI)) * 2 * Math.PI;
    last = azimuth;
    return { azimuth, elevation: exact.asin(Math.min(1, Math.max(-1, d[2]))) };
  });
}

/** One's way beside the line, and where they are farthest apart. */
export const followOrbitDetail: MakeDetail<FollowOrbit> = ({ pivot, path }, evidence) => {
  const { directions, reference } = followedPath({ pivot, path }, evidence);
  const aligned = alignPaths(directions, reference);
  const off = aligned.pairs.map(([i, j]) => angleBetween(aligned.path[i] as Vec3, aligned.reference[j] as Vec3));
  const line = unroll(aligned.reference);
  return { kind: 'orbit', reference: line, path: unroll(aligned.path, line[0]?.azimuth), pairs: aligned.pairs, worst: off.indexOf(Math.max(...off)) };
};
