import { partName } from '../geometry';
import { dot, exact, sub, type Vec3 } from '../math';
import { directionError, overlapError, pictureShowing, rollError, signedRoll, unshownIn, visibilityError } from '../measures';
import { type Command, effectiveVisibility, headingOf, type Scene } from '../navigation';
import { anglesOf, eyeOf, FRAME_ASPECT, project, type View, wrapAngle } from '../view';
import { type Advice, advice } from './advice';
import type { CriterionSpec } from './criterion';
import { toldAngle, toldWay } from './figures';
import type { Measured } from './measured';
import { unlessWorse } from './moved';

const DEGREE = Math.PI / 180;
/** Nearer to straight up or down than this, going round is turning the picture, radians. */
const PLAN = 75 * DEGREE;
/** At a pole the way round changes nothing of the direction. */
const AT_POLE = Math.PI / 2 - 1e-6;

/** What the way of an eye is about: the middle of the subject, where that lies in front. */
function pivotOf(m: Measured): Vec3 | undefined {
  const points = m.points();
  if (points.length === 0) return undefined;
  const middle = [0, 1, 2].map((axis) => points.reduce((sum, p) => sum + (p[axis] as number), 0) / points.length) as unknown as Vec3;
  return m.scene.view.projection === 'orthographic' || project(m.scene.view, middle, FRAME_ASPECT).depth > 0 ? middle : undefined;
}

/** The eye's way round to the right and higher, as one drag that keeps the roll. */
export function orbitBy(m: Measured, right: number, higher: number): Command {
  const pivot = pivotOf(m);
  return { kind: 'orbit', dx: (-right / Math.PI) * 1000, dy: (higher / Math.PI) * 1000, mode: 'turntable', ...(pivot ? { pivot } : {}) };
}

function wayRound(m: Measured, target: View): Advice {
  const from = anglesOf(m.scene.view.orientation);
  const to = anglesOf(target.orientation);
  const right = Math.abs(to.elevation) > AT_POLE ? 0 : toldAngle(wrapAngle(to.azimuth - from.azimuth));
  const higher = toldAngle(to.elevation - from.elevation);
  if (right === 0 && higher === 0) return advice('goRound', { right, higher });
  const moves = [orbitBy(m, right, higher)];
  if (Math.max(Math.abs(from.elevation), Math.abs(to.elevation)) < PLAN) return advice('goRound', { right, higher }, moves);
  // From above, an eye that goes round to the right sees the picture turn clockwise; from beneath the other way.
  const above = Math.abs(from.elevation) >= Math.abs(to.elevation) ? from.elevation : to.elevation;
  return advice('turnPicture', { clockwise: above >= 0 ? right : -right, round: right, higher }, moves);
}

function wayOfLooking(view: View, target: View): Advice {
  const from = anglesOf(view.orientation);
  const to = anglesOf(target.orientation);
  const left = toldAngle(wrapAngle(to.azimuth - from.azimuth));
  const up = toldAngle(from.elevation - to.elevation);
  return advice('lookAbout', { left, up }, left === 0 && up === 0 ? [] : [{ kind: 'look', yaw: left, pitch: up }]);
}

/** An eye nearer than this to its place stands there, metres. */
const NEAR_EYE = 0.005;

/** Where the eye has to be carried, for one who stands. */
export function wayOfWalking(view: View, target: View): Advice {
  const way = sub(eyeOf(target), eyeOf(view));
  const { ahead, right } = headingOf(view);
  const told = (x: number): number => (Math.abs(x) > NEAR_EYE ? toldWay(x) : 0);
  const figures = { forward: told(dot(way, ahead)), right: told(dot(way, right)), up: told(way[2]) };
  const moves: Command[] = [];
  if (figures.forward !== 0 || figures.right !== 0) moves.push({ kind: 'walk', forward: figures.forward, right: figures.right, dt: 1, onGround: true });
  if (figures.up !== 0) moves.push({ kind: 'rise', metres: figures.up });
  return advice('moveEye', figures, moves);
}

const direction: CriterionSpec = {
  label: 'Direction',
  unit: 'rad',
  display: 'degrees',
  how: 'The angle between the way you look and the way you should: atan2(|a × b|, a·b) of the two view axes.',
  tolerance: { full: 3 * DEGREE, zero: 45 * DEGREE },
  live: true,
  rank: 2,
  mendedBy: ['orbit', 'turn'],
  // Who is asked to stand somewhere looks the right way whatever stands before them.
  measure: ({ aim, scene, isSeen }) => (aim.target && (aim.stand || isSeen()) ? directionError(scene.view.orientation, aim.target.view.orientation) : null),
  advise(m, value) {
    const target = m.aim.target?.view;
    if (!target) return advice('notMeasured', {});
    if (m.aim.standing) return unlessWorse(m, direction, value, wayOfLooking(m.scene.view, target));
    if (value === null && m.isLost()) return advice('intoFrame', {}, [{ kind: 'fit', what: 'all' }]);
    return unlessWorse(m, direction, value, wayRound(m, target));
  },
};

const roll: CriterionSpec = {
  label: 'Roll',
  unit: 'rad',
  display: 'degrees',
  how: 'How far the picture is rolled against the horizon. Above 60° of elevation it counts more and more as a turn of the picture (the twist left after aligning the two view axes), from 80° on wholly.',
  tolerance: { full: 2 * DEGREE, zero: 30 * DEGREE },
  live: true,
  rank: 3,
  mendedBy: ['roll'],
  measure: ({ aim, scene }) => (aim.target ? rollError(scene.view.orientation, aim.target.view.orientation) : null),
  advise(m, value) {
    const { aim, scene } = m;
    if (!aim.target) return advice('notMeasured', {});
    const clockwise = toldAngle(signedRoll(scene.view.orientation, aim.target.view.orientation));
    return unlessWorse(m, roll, value, advice('roll', { clockwise }, clockwise === 0 ? [] : [{ kind: 'roll', angle: -clockwise }]));
  },
};

const projection: CriterionSpec = {
  label: 'Projection',
  unit: '0 or 1',
  display: 'yesNo',
  how: '0 with perspective or without it as asked, else 1.',
  tolerance: { full: 0, zero: 0 },
  live: true,
  rank: 1,
  mendedBy: ['projection'],
  measure: ({ aim, scene }) => (aim.target ? (scene.view.projection === aim.target.view.projection ? 0 : 1) : null),
  advise({ aim }) {
    if (!aim.target) return advice('notMeasured', {});
    const { projection: wanted } = aim.target.view;
    return advice('projection', { projection: wanted }, [{ kind: 'projection', projection: wanted }]);
  },
};

/** The cheap reasons for which two outlines do not lie on each other. */
function causesOf(m: Measured, target: Scene): ('direction' | 'roll' | 'size' | 'placement' | 'visibility')[] {
  const framings = m.framings();
  const size = framings && framings.actual.radius > 0 && framings.asked.radius > 0 ? Math.abs(exact.log2(framings.actual.radius / framings.asked.radius)) : 0;
  const place = framings ? Math.sqrt((framings.actual.u - framings.asked.u) ** 2 + (framings.actual.v - framings.asked.v) ** 2) : 0;
  const off = {
    direction: directionError(m.scene.view.orientation, target.view.orientation) > 3 * DEGREE,
    roll: rollError(m.scene.view.orientation, target.view.orientation) > 2 * DEGREE,
    size: size > 0.05,
    placement: place > 0.02,
    visibility: visibilityError(m.mesh, m.scene, target) > 0,
  };
  return (Object.keys(off) as (keyof typeof off)[]).filter((cause) => off[cause]);
}

const overlap: CriterionSpec = {
  label: 'Match of outline',
  unit: '1 - share',
  display: 'match',
  how: 'One less the shared over the whole area of the two outlines, counted in pictures of 320 x 200. Parts of the subject that are glass or hidden in the target are drawn in both.',
  tolerance: { full: 0.08, zero: 0.9 },
  live: true,
  rank: 30,
  measure({ aim, mesh, scene, subject, picture, targetPicture }) {
    if (!aim.target) return null;
    const unshown = unshownIn(mesh, aim.target, subject);
    if (unshown.size === 0) return overlapError(picture(), targetPicture() as Uint16Array, subject);
    return overlapError(pictureShowing(mesh, scene, unshown), pictureShowing(mesh, aim.target, unshown), subject);
  },
  advise(m) {
    const { target } = m.aim;
    if (!target) return advice('notMeasured', {});
    if (m.scene.section && !target.section) return advice('removeCut', {}, [{ kind: 'section', plane: null }]);
    return advice('outlines', { causes: causesOf(m, target) });
  },
};

/** Parts that one sentence names. */
const MOST_NAMED = 4;
export const nameOf = (m: Measured, id: string): string => partName(m.mesh.parts, id);

/** The parts whose own state has to change so that all show as in the target, outer ones first; at most as many as one sentence names. */
function partsToChange(m: Measured, target: Scene): { shown: string[]; hidden: string[]; glass: string[] } {
  const { parts } = m.mesh;
  const wanted = effectiveVisibility(parts, target.visibility);
  const byId = new Map(parts.map((part, i) => [part.id, i]));
  const found = { shown: [] as string[], hidden: [] as string[], glass: [] as string[] };
  let changed: Scene['visibility'] = m.scene.visibility;
  let now = effectiveVisibility(parts, changed);
  const depthOf = (i: number): number => {
    let depth = 0;
    for (let at = parts[i]; at?.parent != null && depth < parts.length; depth++) at = parts[byId.get(at.parent) ?? -1];
    return depth;
  };
  const order = [...parts.keys()].sort((a, b) => depthOf(a) - depthOf(b) || a - b);
  let count = 0;
  for (const i of order) {
    if (count >= MOST_NAMED) break;
    const part = parts[i];
    if (!part) continue;
    if (now[i] === wanted[i]) continue;
    // What is above it is right already, so its own state is what differs.
    const state = wanted[i] ?? 'shown';
    changed = { ...changed, [part.id]: state };
    now = effectiveVisibility(parts, changed);
    found[state].push(part.id);
    count++;
  }
  return found;
}

const visibility: CriterionSpec = {
  label: 'What is shown',
  unit: 'share',
  display: 'percent',
  of: 'of these parts',
  how: 'Of the parts that are hidden or glass here or in the target, the share that should show otherwise.',
  tolerance: { full: 0, zero: 0.6 },
  live: true,
  rank: 10,
  mendedBy: ['show', 'showAll', 'isolate'],
  measure: ({ aim, mesh, scene }) => (aim.target ? visibilityError(mesh, scene, aim.target) : null),
  advise(m, value) {
    const { target } = m.aim;
    if (!target) return advice('notMeasured', {});
    if (m.mesh.parts.every((part) => (target.visibility[part.id] ?? 'shown') === 'shown')) return advice('showAll', {}, [{ kind: 'showAll' }]);
    const ids = partsToChange(m, target);
    const moves = (['shown', 'hidden', 'glass'] as const).flatMap((state): Command[] =>
      ids[state].length > 0 ? [{ kind: 'show', parts: ids[state], state }] : [],
    );
    const named = (list: readonly string[]): string[] => list.map((id) => nameOf(m, id));
    return unlessWorse(m, visibility, value, advice('showParts', { shown: named(ids.shown), hidden: named(ids.hidden), glass: named(ids.glass) }, moves));
  },
};

/** Where one looks from, and what shows. */
export const VIEW_CRITERIA = { direction, roll, projection, overlap, visibility } as const;
