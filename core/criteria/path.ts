import { angleBetween, dot, length, type Vec3 } from '../math';
import { alignPaths, orbitPath as meanOff, orbitWorst as mostOff, orbitSweep as sweepOff, turnOf } from '../measures';
import { type Advice, advice } from './advice';
import type { CriterionSpec } from './criterion';
import { pivotDrift as driftOf, smoothnessLoss } from './followedPath';
import type { Measured } from './measured';

const DEGREE = Math.PI / 180;
/** A height of direction that is worth a word, as a sine. */
const HIGH = 0.05;

/** Where one was farthest from the line. */
function farthest(m: Measured): Advice {
  const followed = m.followed();
  if (!followed || followed.directions.length < 2) return advice('beginAtStart', {});
  const { pairs, path, reference } = alignPaths(followed.directions, followed.reference);
  const off = ([i, j]: readonly [number, number]): number => angleBetween(path[i] as Vec3, reference[j] as Vec3);
  const worst = pairs.reduce((w, pair) => (off(pair) > off(w) ? pair : w), pairs[0] as readonly [number, number]);
  const height = (reference[worst[1]] as Vec3)[2] - (path[worst[0]] as Vec3)[2];
  return advice('path', {
    off: off(worst),
    at: worst[1] / Math.max(1, reference.length - 1),
    height: height > HIGH ? 'low' : height < -HIGH ? 'high' : null,
  });
}

const orbitPath: CriterionSpec = {
  label: 'Path',
  unit: 'rad',
  display: 'degrees',
  how: 'The mean angle along the best alignment of your way with the line: dynamic time warping (Sakoe & Chiba 1978) on the sphere, both at 64 points of equal arc length.',
  tolerance: { full: 4 * DEGREE, zero: 40 * DEGREE },
  live: false,
  rank: 50,
  mendedBy: ['orbit'],
  measure: (m) => {
    const followed = m.followed();
    return followed && meanOff(followed.directions, followed.reference);
  },
  advise: farthest,
};

const orbitWorst: CriterionSpec = {
  label: 'Farthest off',
  unit: 'rad',
  display: 'degrees',
  how: 'The largest angle of the best order-keeping alignment: the discrete Fréchet distance (Eiter & Mannila 1994) of the same points.',
  tolerance: { full: 10 * DEGREE, zero: 80 * DEGREE },
  live: false,
  rank: 51,
  mendedBy: ['orbit'],
  measure: (m) => {
    const followed = m.followed();
    return followed && mostOff(followed.directions, followed.reference);
  },
  advise: farthest,
};

const orbitSweep: CriterionSpec = {
  label: 'Sweep',
  unit: 'rad',
  display: 'degrees',
  how: 'The difference of what you and the line turn, signed along the line: turning against it counts as negative, turning across it not at all.',
  tolerance: { full: 10 * DEGREE, zero: 120 * DEGREE },
  live: false,
  rank: 52,
  mendedBy: ['orbit'],
  measure: (m) => {
    const followed = m.followed();
    return followed && sweepOff(followed.directions, followed.reference);
  },
  advise(m, value) {
    const followed = m.followed();
    if (!followed) return advice('notMeasured', {});
    const line = turnOf(followed.reference);
    const more = dot(turnOf(followed.directions), line) > dot(line, line);
    return advice('sweep', { off: value ?? length(line), more });
  },
};

const pivotDrift: CriterionSpec = {
  label: 'Pivot drift',
  unit: 'frame heights',
  display: 'percent',
  of: "of the frame's height",
  how: 'How far the pivot strays on the screen from where it stood when the path began.',
  tolerance: { full: 0.03, zero: 0.4 },
  live: false,
  rank: 53,
  measure: (m) => {
    const followed = m.followed();
    return followed && m.aim.line && driftOf(m.aim.line.pivot, followed.views);
  },
  advise: (_, value) => (value === null ? advice('intoFrame', {}) : advice('pivot', { drift: value })),
};

const smoothness: CriterionSpec = {
  label: 'Smoothness',
  unit: 'spectral arc',
  display: 'number',
  how: 'How much less smooth your turning is than the line’s: spectral arc length of the angular speed at 60 Hz (Balasubramanian et al. 2015), of what drags, touches, held keys and the 3D mouse turn. Left out where they turned less than half of the way.',
  tolerance: { full: 0.6, zero: 5 },
  live: false,
  rank: 54,
  mayBeLeftOut: true,
  measure: (m) => {
    const followed = m.followed();
    return followed && m.evidence && m.aim.line && smoothnessLoss(m.aim.line, m.evidence, followed);
  },
  advise: () => advice('smoothness', {}),
};

/** How a recorded way was followed. */
export const PATH_CRITERIA = { orbitPath, orbitWorst, orbitSweep, pivotDrift, smoothness } as const;
