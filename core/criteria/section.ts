import type { Plane } from '../geometry';
import { angleBetween, backOf, cross, dot, fromAxisAngle, rotate, scale, unit, type Vec3 } from '../math';
import {
  sectionAngle as angleOfPlanes,
  isLost,
  sectionOffset as offsetOfPlanes,
  pictureOf,
  sectionOverlapError,
  shiftToTarget,
  sectionSide as sideOfPlanes,
  unrevealedShare,
} from '../measures';
import { centreOf, subjectOf } from '../model';
import type { Command } from '../navigation';
import { anglesOf, nearestStandardDirection, STANDARD_NAMES, type StandardName, standardAngles, standardDirection, wrapAngle } from '../view';
import { type Advice, advice } from './advice';
import type { CriterionSpec } from './criterion';
import { toldAngle, toldLength } from './figures';
import type { Measured } from './measured';
import { sceneAfter, unlessWorse } from './moved';
import { nameOf, orbitBy } from './view';

const DEGREE = Math.PI / 180;

/** The plane through a point with this normal. */
const planeThrough = (point: Vec3, normal: Vec3): Plane => ({ normal, offset: dot(point, normal) });

/** A cut that is not there yet: facing the side that the target faces, through the middle of the model. */
function firstCut(m: Measured, target: Plane): Advice {
  const faces = nearestStandardDirection(target.normal);
  const plane = planeThrough(centreOf(m.mesh), standardDirection(faces));
  return advice('placeCut', { faces, part: null }, [{ kind: 'section', plane }]);
}

/** The cut turned towards the target by what is told, about the point of it that is nearest to the model's middle. */
function turnedCut(m: Measured, plane: Plane, target: Plane): Advice {
  const same = dot(plane.normal, target.normal) >= 0;
  const wanted = same ? target.normal : scale(target.normal, -1);
  const lean = toldAngle(angleBetween(plane.normal, wanted));
  const axis = unit(cross(plane.normal, wanted));
  const towards = nearestStandardDirection(wanted);
  if (lean === 0 || !axis) return advice('turnCut', { lean, towards });
  const centre = centreOf(m.mesh);
  const through = scale(plane.normal, plane.offset - dot(plane.normal, centre));
  const point: Vec3 = [centre[0] + through[0], centre[1] + through[1], centre[2] + through[2]];
  const normal = unit(rotate(fromAxisAngle(axis, lean), plane.normal)) ?? wanted;
  return advice('turnCut', { lean, towards }, [{ kind: 'section', plane: planeThrough(point, normal) }]);
}

function shiftedCut(m: Measured, plane: Plane, target: Plane): Advice {
  const out = toldLength(shiftToTarget(m.mesh, plane, target));
  return advice('moveCut', { out }, out === 0 ? [] : [{ kind: 'shiftSection', metres: out }]);
}

/** The cut criteria differ in what they compare; all begin by asking for a cut. */
function aboutCut(
  spec: Pick<CriterionSpec, 'label' | 'unit' | 'display' | 'of' | 'how' | 'tolerance' | 'rank' | 'mendedBy'>,
  compare: (m: Measured, plane: Plane, target: Plane) => number | null,
  mend: (m: Measured, plane: Plane, target: Plane, value: number | null) => Advice,
): CriterionSpec {
  const made: CriterionSpec = {
    ...spec,
    live: true,
    measure: (m) => (m.aim.cut && m.scene.section ? compare(m, m.scene.section, m.aim.cut) : null),
    advise(m, value) {
      const target = m.aim.cut;
      if (!target) return advice('notMeasured', {});
      if (!m.scene.section) return firstCut(m, target);
      return unlessWorse(m, made, value, mend(m, m.scene.section, target, value));
    },
  };
  return made;
}

const sectionAngle = aboutCut(
  {
    label: 'Angle of cut',
    unit: 'rad',
    display: 'degrees',
    how: 'The angle between the two planes, up to a quarter turn; which side is cut away is another criterion.',
    tolerance: { full: 3 * DEGREE, zero: 45 * DEGREE },
    rank: 20,
    mendedBy: ['section'],
  },
  (_, plane, target) => angleOfPlanes(plane, target),
  turnedCut,
);

const sectionSide = aboutCut(
  {
    label: 'Side kept',
    unit: '0 or 1',
    display: 'yesNo',
    how: '0 when the same side is cut away, else 1.',
    tolerance: { full: 0, zero: 0 },
    rank: 21,
    mendedBy: ['flipSection'],
  },
  (_, plane, target) => sideOfPlanes(plane, target),
  () => advice('flipCut', {}, [{ kind: 'flipSection' }]),
);

const sectionOffset = aboutCut(
  {
    label: 'Place of cut',
    unit: 'share of extent',
    display: 'percent',
    of: 'of the model’s extent',
    how: 'The distance of the planes along the target’s normal at the model’s middle, over the model’s extent along it.',
    tolerance: { full: 0.02, zero: 0.3 },
    rank: 22,
    mendedBy: ['shiftSection', 'section'],
  },
  (m, plane, target) => offsetOfPlanes(m.mesh, plane, target),
  shiftedCut,
);

const sectionOverlap = aboutCut(
  {
    label: 'Match of cut',
    unit: '1 - share',
    display: 'match',
    how: 'One less the shared over the whole area of the two cuts, seen along the target’s normal. The target is cut through the parts that you show.',
    tolerance: { full: 0.1, zero: 0.95 },
    rank: 31,
    mendedBy: ['section', 'shiftSection'],
  },
  (m, _, target) => sectionOverlapError(m.mesh, m.scene, target, m.aim.cutParts),
  (m, plane, target) => {
    const causes: ('sectionAngle' | 'sectionOffset')[] = [];
    if (angleOfPlanes(plane, target) > 3 * DEGREE) causes.push('sectionAngle');
    if ((offsetOfPlanes(m.mesh, plane, target) ?? 1) > 0.02) causes.push('sectionOffset');
    return advice('cutOverlap', { causes });
  },
);

/** Sides from which a cut is tried: the one that faces the eye first, then the six faces. */
function sidesToTry(m: Measured): StandardName[] {
  const here = nearestStandardDirection(backOf(m.scene.view.orientation));
  return [here, ...STANDARD_NAMES.slice(0, 6).filter((name) => name !== here)];
}

/** A part is cut in its middle, or at its near or far end: shares of its extent. */
const DEPTHS = [0.5, 0.98, 0.02] as const;
/** Hidden parts that a cut is tried at. */
const MOST_TRIED = 2;

/** A cut through one of the parts, facing the eye, after which the most of them can be seen; the view goes along if it must. */
function revealingCut(m: Measured, reveal: readonly string[], value: number | null): Advice {
  const unseen = value === null ? [...reveal] : unrevealedShare(m.mesh, m.picture(), reveal).unseen;
  let best = null as { share: number; faces: StandardName; part: string; moves: Command[] } | null;
  for (const faces of sidesToTry(m)) {
    const normal = standardDirection(faces);
    for (const part of unseen.slice(0, MOST_TRIED)) {
      const heights = subjectOf(m.mesh, [part]).map((p) => dot(p, normal));
      const [low, high] = [Math.min(...heights), Math.max(...heights)];
      for (const depth of DEPTHS) {
        const cut: Command = { kind: 'section', plane: { normal, offset: low + (high - low) * depth } };
        const scene = sceneAfter(m, [cut]);
        const { share } = unrevealedShare(m.mesh, pictureOf(m.mesh, scene), reveal);
        if (!best || share < best.share - 1e-9) best = { share, faces, part, moves: [cut] };
        if (share === 0) return advice('placeCut', { faces, part: nameOf(m, part) }, [cut]);
      }
    }
    // From where one stands, cuts that face away show nothing more.
    if (best && best.share < (value ?? 1) - 1e-9) break;
  }
  if (!best || (value !== null && best.share >= value)) return advice('stillHidden', { names: unseen.slice(0, 3).map((id) => nameOf(m, id)) });
  return advice('placeCut', { faces: best.faces, part: nameOf(m, best.part) }, best.moves);
}

const revealed: CriterionSpec = {
  label: 'Revealed',
  unit: 'share',
  display: 'match',
  of: 'of the parts to reveal',
  how: 'Of the parts to reveal, the share of which a picture of 320 x 200 shows fewer than 6 pixels after the cut.',
  tolerance: { full: 0, zero: 1 },
  live: true,
  rank: 40,
  mendedBy: ['section', 'shiftSection', 'flipSection'],
  measure: (m) => (m.aim.reveal && m.scene.section ? unrevealedShare(m.mesh, m.picture(), m.aim.reveal).share : null),
  advise(m, value) {
    const { reveal } = m.aim;
    if (!reveal) return advice('notMeasured', {});
    const out = reveal.some((id) => isLost(m.scene.view, subjectOf(m.mesh, [id])));
    const fitted = sceneAfter(m, [FIT]);
    const helps = reveal.every((id) => !isLost(fitted.view, subjectOf(m.mesh, [id])));
    if (out && helps) return advice('intoFrame', {}, [FIT]);
    // Where the cut itself is asked, it stays as it is: another side shows more.
    if (m.aim.cut) return sideThatReveals(m, reveal, value ?? 1);
    return unlessWorse(m, revealed, value, revealingCut(m, reveal, value));
  },
};

/** Round to the nearest standard side from which the present cut shows more of the parts. */
function sideThatReveals(m: Measured, reveal: readonly string[], value: number): Advice {
  const { orientation } = m.scene.view;
  const from = anglesOf(orientation);
  const sides = [...STANDARD_NAMES].sort(
    (a, b) => angleBetween(standardDirection(a), backOf(orientation)) - angleBetween(standardDirection(b), backOf(orientation)),
  );
  let best = null as { made: Advice; share: number } | null;
  for (const name of sides) {
    const to = standardAngles(name);
    const right = Math.abs(to.elevation) > 1.5 ? 0 : toldAngle(wrapAngle(to.azimuth - from.azimuth));
    const higher = toldAngle(to.elevation - from.elevation);
    if (right === 0 && higher === 0) continue;
    const moves = [orbitBy(m, right, higher)];
    const { share } = unrevealedShare(m.mesh, pictureOf(m.mesh, sceneAfter(m, moves)), reveal);
    if (!best || share < best.share) best = { made: advice('goToSee', { right, higher, names: reveal.slice(0, 3).map((id) => nameOf(m, id)) }, moves), share };
    if (share === 0) break;
  }
  const { unseen } = unrevealedShare(m.mesh, m.picture(), reveal);
  return best && best.share < value ? best.made : advice('stillHidden', { names: unseen.slice(0, 3).map((id) => nameOf(m, id)) });
}

const FIT: Command = { kind: 'fit', what: 'all' };

/** Where the model is cut, and what the cut shows. */
export const SECTION_CRITERIA = { sectionAngle, sectionOffset, sectionOverlap, sectionSide, revealed } as const;
