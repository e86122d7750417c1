import { addScaled, exact, type Vec3 } from '../math';
import {
  askedBox,
  clippedShare,
  directionError,
  type Framing,
  fillOf,
  framingOf,
  framingsOf,
  hiddenShare,
  inFront,
  type Margins,
  marginError,
  placementOf,
  sizeRatio,
} from '../measures';
import { type Command, navigate } from '../navigation';
import { anglesOf, FRAME, FRAME_ASPECT, fit, project, STANDARD_NAMES, standardOrientation, type View, wrapAngle } from '../view';
import { type Advice, advice } from './advice';
import type { CriterionSpec } from './criterion';
import { toldAngle, toldFactor, toldShare } from './figures';
import type { Measured } from './measured';
import { sceneAfter, unlessWorse } from './moved';
import { nameOf, orbitBy, wayOfWalking } from './view';

const CONTEXT = { frame: FRAME };
/** So often a size is tried again with the slide that follows it. */
const ROUNDS = 8;

const meanOf = (points: readonly Vec3[]): Vec3 => points.reduce<Vec3>((sum, p) => addScaled(sum, p, 1 / points.length), [0, 0, 0]);

/** The depth at which a slide moves the mean of the points just as far as it says: their harmonic mean, metres. */
function slideDepth(view: View, points: readonly Vec3[]): number {
  if (view.projection === 'orthographic') return view.distance;
  const sum = points.reduce((s, point) => s + 1 / project(view, point, FRAME_ASPECT).depth, 0);
  return sum > 0 ? points.length / sum : view.distance;
}

/** The model slid on the screen to the right and up, frame heights. */
const slideBy = (view: View, points: readonly Vec3[], right: number, up: number): Command => ({
  kind: 'pan',
  dx: right * FRAME.height,
  dy: -up * FRAME.height,
  depth: slideDepth(view, points),
});

/** Made larger about a point of the subject, as with the pointer over it. */
function resizeBy(view: View, points: readonly Vec3[], factor: number): Command {
  const at = project(view, meanOf(points), FRAME_ASPECT);
  if (view.projection === 'perspective' && !(at.depth > 0)) return { kind: 'zoom', factor };
  const within = (x: number, half: number): number => Math.min(half, Math.max(-half, x));
  return { kind: 'zoom', factor, at: { u: within(at.u, FRAME_ASPECT / 2), v: within(at.v, 0.5), depth: at.depth } };
}

/** How a subject lies against what is asked: octaves too large, and the slide that would mend its place, frame heights. */
interface Off {
  readonly octaves: number;
  readonly right: number;
  readonly up: number;
  /** What a slide and a size are about. */
  readonly points: readonly Vec3[];
}

/**
 * The factor of size after which, once it has been slid to its place too, the subject is as large as asked: a slide changes
 * the size of what is near. Where that would make the size worse for now, the factor that is right without a slide.
 */
function factorFor(view: View, offIn: (view: View) => Off | null): { factor: number; points: readonly Vec3[] } | null {
  const now = offIn(view);
  if (!now) return null;
  const solve = (slide: boolean): number => {
    let octaves = -now.octaves;
    for (let i = 0; i < ROUNDS; i++) {
      const larger = navigate(view, resizeBy(view, now.points, exact.pow(2, octaves)), CONTEXT);
      const then = offIn(larger);
      const placed = then && slide ? offIn(navigate(larger, slideBy(larger, then.points, then.right, then.up), CONTEXT)) : then;
      if (!placed) return -now.octaves;
      octaves -= placed.octaves;
    }
    return octaves;
  };
  const afterwards = (octaves: number): number => {
    const then = offIn(navigate(view, resizeBy(view, now.points, toldFactor(exact.pow(2, octaves))), CONTEXT));
    return then ? Math.abs(then.octaves) : Number.POSITIVE_INFINITY;
  };
  const both = solve(true);
  const octaves = afterwards(both) < Math.abs(now.octaves) ? both : solve(false);
  return { factor: toldFactor(exact.pow(2, octaves)), points: now.points };
}

/** Against the target's view. */
function offTarget(m: Measured, target: View): (view: View) => Off | null {
  const points = m.points();
  return (view) => {
    const found = framingsOf(view, target, points);
    if (!found) return null;
    const octaves = sizeRatio(found.actual, found.asked);
    return octaves === null ? null : { octaves, right: found.asked.u - found.actual.u, up: found.asked.v - found.actual.v, points: found.points };
  };
}

/** Against the room between the inner lines. */
function offMargins(m: Measured, margins: Margins): (view: View) => Off | null {
  const points = m.points();
  return (view) => {
    const framing = framingOf(view, points);
    if (!framing) return null;
    const asked = askedBox(framing, margins);
    const fill = fillOf(framing, margins);
    return {
      octaves: fill > 0 ? exact.log2(fill) : 0,
      right: (asked.u0 + asked.u1 - framing.box.u0 - framing.box.u1) / 2,
      up: (asked.v0 + asked.v1 - framing.box.v0 - framing.box.v1) / 2,
      points,
    };
  };
}

const offOf = (m: Measured): ((view: View) => Off | null) | null =>
  m.aim.target ? offTarget(m, m.aim.target.view) : m.aim.margins ? offMargins(m, m.aim.margins) : null;

const FIT: Command = { kind: 'fit', what: 'all' };

/** What brings a subject into sight that has no value: back into the frame, or shown again; null when it only has to be gone round. */
function intoSight(m: Measured): Advice | null {
  if (m.isLost() || inFront(m.scene.view, m.points()).length * 2 < m.points().length) return advice('intoFrame', {}, [FIT]);
  return null;
}

/** Shown again, where the framing is right and yet nothing of the subject is to be seen. */
function shown(m: Measured): Advice {
  const ids = m.aim.subject;
  const moves: Command[] = ids.length > 0 ? [{ kind: 'show', parts: [...ids], state: 'shown' }] : [{ kind: 'showAll' }];
  if (m.scene.section && !m.aim.cut) moves.push({ kind: 'section', plane: null });
  return advice('showSubject', { names: ids.slice(0, 3).map((id) => nameOf(m, id)) }, moves);
}

/** Who stands walks there, and what is out of sight comes back first; else what `mend` makes of how the subject lies in a view. */
function framingAdvice(m: Measured, spec: CriterionSpec, value: number | null, mend: (off: (view: View) => Off | null) => Advice): Advice {
  const off = offOf(m);
  if (!off) return advice('notMeasured', {});
  if (m.aim.standing && m.aim.target) return unlessWorse(m, spec, value, wayOfWalking(m.scene.view, m.aim.target.view));
  return (value === null ? intoSight(m) : null) ?? mend(off);
}

/** What mends the size, found once for what is shown and what is advised. */
const factors = new WeakMap<Measured, ReturnType<typeof factorFor>>();

function sizeFactor(m: Measured, off: (view: View) => Off | null): ReturnType<typeof factorFor> {
  const known = factors.get(m);
  if (known !== undefined) return known;
  const made = factorFor(m.scene.view, off);
  factors.set(m, made);
  return made;
}

function tooLarge(m: Measured): number | null {
  const off = m.aim.standing ? null : offOf(m);
  const made = off && sizeFactor(m, off);
  return made && 1 / made.factor;
}

const sizeAdvice = (m: Measured, spec: CriterionSpec, value: number | null): Advice =>
  framingAdvice(m, spec, value, (off) => {
    const made = sizeFactor(m, off);
    if (!made) return advice('intoFrame', {}, [FIT]);
    const { factor, points } = made;
    if (factor === 1) return value === null ? shown(m) : advice('resize', { factor });
    return unlessWorse(m, spec, value, advice(m.aim.target ? 'resize' : 'fillLines', { factor }, [resizeBy(m.scene.view, points, factor)]));
  });

const slideAdvice = (m: Measured, spec: CriterionSpec, value: number | null): Advice =>
  framingAdvice(m, spec, value, (off) => {
    const here = off(m.scene.view);
    if (!here) return advice('intoFrame', {}, [FIT]);
    const right = toldShare(here.right);
    const up = toldShare(here.up);
    if (right === 0 && up === 0) return value === null ? shown(m) : advice('slide', { right, up });
    const code = m.aim.target ? 'slide' : 'slideBetween';
    return unlessWorse(m, spec, value, advice(code, { right, up }, [slideBy(m.scene.view, here.points, right, up)]));
  });

const size: CriterionSpec = {
  label: 'Size',
  unit: 'octaves',
  display: 'octaves',
  how: 'The ratio of the two apparent sizes in octaves, |log2|: root-mean-square radii of the subject’s projected hull points that lie in front of the eye in both views.',
  tolerance: { full: 0.05, zero: 1 },
  live: true,
  rank: 4,
  mendedBy: ['zoom'],
  measure(m) {
    const found = m.isSeen() ? m.framings() : null;
    const ratio = found && sizeRatio(found.actual, found.asked);
    return ratio === null ? null : Math.abs(ratio);
  },
  tooLarge,
  advise: (m, value) => sizeAdvice(m, size, value),
};

const placement: CriterionSpec = {
  label: 'Placement',
  unit: 'frame heights',
  display: 'percent',
  of: "of the frame's height",
  how: 'The distance between the means of the same projected hull points, in heights of the frame.',
  tolerance: { full: 0.02, zero: 0.4 },
  live: true,
  rank: 5,
  mendedBy: ['pan'],
  measure(m) {
    const found = m.isSeen() ? m.framings() : null;
    return found && placementOf(found.actual, found.asked);
  },
  advise: (m, value) => slideAdvice(m, placement, value),
};

const framed = (m: Measured): Framing | null => (m.isSeen() ? m.framing() : null);

const fill: CriterionSpec = {
  label: 'Fill',
  unit: 'share',
  display: 'percent',
  how: 'How much larger or smaller the subject’s box is than the room between the inner lines, in its tighter direction.',
  tolerance: { full: 0.03, zero: 0.5 },
  live: true,
  rank: 4,
  mendedBy: ['zoom', 'fit'],
  measure(m) {
    const framing = m.aim.margins && framed(m);
    return framing && m.aim.margins ? Math.abs(fillOf(framing, m.aim.margins) - 1) : null;
  },
  tooLarge,
  advise: (m, value) => sizeAdvice(m, fill, value),
};

/** Where the fill is farther off than this, the size is what the margins want first. */
const FILLED = 0.03;

const margin: CriterionSpec = {
  label: 'Margins',
  unit: 'frame heights',
  display: 'percent',
  of: "of the frame's height",
  how: 'The side of the subject’s box that is farthest from where it is asked: the largest box of its proportions between the inner lines, in their middle.',
  tolerance: { full: 0.02, zero: 0.3 },
  live: true,
  rank: 5,
  mendedBy: ['zoom', 'pan', 'fit'],
  measure(m) {
    const framing = m.aim.margins && framed(m);
    return framing && m.aim.margins ? marginError(framing, m.aim.margins) : null;
  },
  advise(m, value) {
    const framing = m.framing();
    const slid = slideAdvice(m, margin, value);
    if (slid.moves.length > 0 || !framing || !m.aim.margins) return slid;
    return Math.abs(fillOf(framing, m.aim.margins) - 1) > FILLED / 10 ? sizeAdvice(m, margin, value) : slid;
  },
};

const clipped: CriterionSpec = {
  label: 'Clipped',
  unit: 'share',
  display: 'percent',
  of: 'of the subject',
  how: 'The share of the subject’s pixels that lie outside the frame, in a picture twice as wide and twice as high.',
  tolerance: { full: 0, zero: 0.25 },
  live: true,
  rank: 6,
  mendedBy: ['fit', 'zoom', 'pan'],
  measure: (m) => (m.isSeen() ? clippedShare(m.mesh, m.scene, m.subject) : null),
  advise: (m, value) => unlessWorse(m, clipped, value, advice('fitAll', { share: value ?? 1 }, [FIT])),
};

/** How much of the subject is hidden when it is looked at from a standard side, by mesh, subject, visibility and cut. */
const hiddenFrom = new WeakMap<object, Map<string, readonly number[]>>();

function hiddenShares(m: Measured): readonly number[] {
  let known = hiddenFrom.get(m.mesh);
  if (!known) hiddenFrom.set(m.mesh, (known = new Map()));
  const { visibility, section, view } = m.scene;
  const key = JSON.stringify([m.aim.subject, visibility, section]);
  const found = known.get(key);
  if (found) return found;
  if (known.size > 32) known.clear();
  const made = STANDARD_NAMES.map((name) => {
    const from = fit({ ...view, projection: 'perspective', fovY: Math.PI / 5, orientation: standardOrientation(name) }, m.points(), FRAME_ASPECT, 0.1);
    return hiddenShare(m.mesh, { ...m.scene, view: from }, m.subject) ?? 1;
  });
  known.set(key, made);
  return made;
}

/** A side from which so little is hidden is free. */
const FREE = 0.05;
/** Sides that are tried from the present view, the nearest first. */
const MOST_SIDES = 6;
/** One who is this near to a side has seen what there is from it, radians. */
const BEEN_THERE = Math.PI / 36;

/** Round to the nearest side from which nothing, or the least, of the subject is hidden. */
function wayFree(m: Measured, value: number): Advice {
  const shares = hiddenShares(m);
  const least = Math.max(FREE, Math.min(...shares) + FREE / 2);
  const { orientation } = m.scene.view;
  const from = anglesOf(orientation);
  const sides = STANDARD_NAMES.filter((_, i) => (shares[i] as number) <= least)
    .map((name) => standardOrientation(name))
    .map((side) => ({ side, away: directionError(orientation, side) }))
    .filter(({ away }) => away > BEEN_THERE)
    .sort((a, b) => a.away - b.away);
  let best: { made: Advice; share: number } | null = null;
  for (const { side } of sides.slice(0, MOST_SIDES)) {
    const to = anglesOf(side);
    const right = Math.abs(to.elevation) > 1.5 ? 0 : toldAngle(wrapAngle(to.azimuth - from.azimuth));
    const higher = toldAngle(to.elevation - from.elevation);
    const moves = [orbitBy(m, right, higher)];
    const share = hiddenShare(m.mesh, sceneAfter(m, moves), m.subject) ?? 1;
    if (!best || share < best.share) best = { made: advice('goFree', { right, higher, share: value }, moves), share };
    if (share <= FREE) break;
  }
  return best && best.share < value ? best.made : advice('hiddenByOthers', { share: value });
}

const hiddenShareCriterion: CriterionSpec = {
  label: 'Hidden by others',
  unit: 'share',
  display: 'percent',
  of: 'of the subject',
  how: 'The share of the subject’s pixels in the frame that other parts hide.',
  tolerance: { full: 0.1, zero: 0.9 },
  live: true,
  rank: 2.5,
  mendedBy: ['orbit', 'turn', 'show'],
  measure: (m) => (m.isSeen() ? hiddenShare(m.mesh, m.scene, m.subject) : null),
  advise(m, value) {
    if (m.aim.target || m.aim.subject.length === 0) return advice('hiddenByOthers', { share: value ?? 1 });
    const found = value === null ? intoSight(m) : null;
    return found ?? wayFree(m, value ?? 1);
  },
};

/** How the subject lies in the frame. */
export const FRAMING_CRITERIA = { size, placement, margin, fill, clipped, hiddenShare: hiddenShareCriterion } as const;
