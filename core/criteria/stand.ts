import { exact, sub } from '../math';
import { anglesOf, eyeOf } from '../view';
import { type Advice, advice } from './advice';
import type { CriterionSpec } from './criterion';
import { toldAngle } from './figures';
import type { Measured } from './measured';
import { unlessWorse } from './moved';
import { wayOfWalking } from './view';

const DEGREE = Math.PI / 180;

/** From the eye to its place, world metres; null where no place is asked. */
const wayToPlace = ({ aim, scene }: Measured) => aim.stand && sub(aim.stand.eye, eyeOf(scene.view));

/** What of the way to the place a criterion is about. */
function wayPart(m: Measured, spec: CriterionSpec, value: number | null, part: 'place' | 'height'): Advice {
  if (!m.aim.target) return advice('notMeasured', {});
  const { figures, moves } = wayOfWalking(m.scene.view, m.aim.target.view) as Extract<Advice, { code: 'moveEye' }>;
  const made =
    part === 'place'
      ? advice(
          'moveEye',
          { ...figures, up: 0 },
          moves.filter((move) => move.kind === 'walk'),
        )
      : advice(
          'moveEye',
          { forward: 0, right: 0, up: figures.up },
          moves.filter((move) => move.kind === 'rise'),
        );
  return unlessWorse(m, spec, value, made);
}

const eyePlace: CriterionSpec = {
  label: 'Place',
  unit: 'm',
  display: 'metres',
  how: 'The distance of the eye from its place, seen from above.',
  tolerance: { full: 0.3, zero: 3 },
  live: true,
  rank: 4,
  mendedBy: ['walk'],
  measure(m) {
    const way = wayToPlace(m);
    return way && Math.sqrt(way[0] * way[0] + way[1] * way[1]);
  },
  advise: (m, value) => wayPart(m, eyePlace, value, 'place'),
};

const eyeHeight: CriterionSpec = {
  label: 'Eye height',
  unit: 'm',
  display: 'metres',
  how: 'How much too high or too low the eye is.',
  tolerance: { full: 0.05, zero: 0.6 },
  live: true,
  rank: 5,
  mendedBy: ['rise'],
  measure(m) {
    const way = wayToPlace(m);
    return way && Math.abs(way[2]);
  },
  advise: (m, value) => wayPart(m, eyeHeight, value, 'height'),
};

const lens: CriterionSpec = {
  label: 'Field of view',
  unit: 'octaves',
  display: 'octaves',
  how: 'The ratio of the two fields of view in octaves: |log2| of the tangents of half their angles.',
  tolerance: { full: 0.1, zero: 1 },
  live: true,
  rank: 3.5,
  mendedBy: ['fieldOfView'],
  measure: ({ aim, scene }) => (aim.stand && aim.target ? Math.abs(exact.log2(exact.tan(scene.view.fovY / 2) / exact.tan(aim.target.view.fovY / 2))) : null),
  advise(m) {
    const wanted = m.aim.target?.view.fovY;
    if (wanted === undefined) return advice('notMeasured', {});
    return advice('lens', { stronger: wanted > m.scene.view.fovY }, [{ kind: 'fieldOfView', angle: wanted }]);
  },
};

const verticals: CriterionSpec = {
  label: 'Level gaze',
  unit: 'rad',
  display: 'degrees',
  how: 'How far the gaze is up or down, where it must be level so that verticals stay upright.',
  tolerance: { full: 2 * DEGREE, zero: 20 * DEGREE },
  live: true,
  rank: 3.2,
  mendedBy: ['level', 'look'],
  measure: ({ aim, scene }) => (aim.stand?.level ? Math.abs(anglesOf(scene.view.orientation).elevation) : null),
  mayBeLeftOut: true,
  advise(m, value) {
    const up = toldAngle(anglesOf(m.scene.view.orientation).elevation);
    return unlessWorse(m, verticals, value, advice('lookAbout', { left: 0, up }, up === 0 ? [] : [{ kind: 'look', yaw: 0, pitch: up }]));
  },
};

/** Where one who stands has the eye, and how level the gaze is. */
export const STAND_CRITERIA = { eyePlace, eyeHeight, lens, verticals } as const;
