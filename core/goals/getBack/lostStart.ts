import { cornersAt, type Mesh, partRound, partsUnder } from '../../geometry';
import { addScaled, backOf, cross, exact, type Random, randomFrom, rightOf, scale, sub, unit, upOf, type Vec3 } from '../../math';
import { isLost } from '../../measures';
import { type ScoredModel, subjectOf } from '../../model';
import { EMPTY_HISTORY, type Scene } from '../../navigation';
import { FRAME_ASPECT, fit, frameHeightAtTarget, orientationFrom, type View } from '../../view';
import type { GetBack } from './kind';

type Way = Exclude<GetBack['lost'], 'any'>;
const WAYS: readonly Way[] = ['inside', 'beyond', 'beneath', 'tiny', 'upsideDown'];

const MARGIN = 0.14;
/** A subject this high on a frame of 200 pixels has under 8 of them. */
const TINY = 1.5 / 200;
/** So often a place inside a part is looked for. */
const TRIES = 12;

const between = (random: Random, low: number, high: number): number => low + (high - low) * random.next();
const anyRound = (random: Random): number => between(random, -Math.PI, Math.PI);

/** A place within a part of the subject, somewhat under its surface; null where none was found, as in a model of sheets. */
function placeInside(mesh: Mesh, subject: readonly string[], size: number, random: Random): Vec3 | null {
  const parts = [...partsUnder(mesh, subject)].map((i) => mesh.parts[i]).filter((part) => part !== undefined && part.count >= 3);
  for (let i = 0; i < TRIES && parts.length > 0; i++) {
    const part = parts[random.below(parts.length)];
    if (!part) continue;
    const [a, b, c] = cornersAt(mesh, part.start / 3 + random.below(part.count / 3));
    const inward = unit(scale(cross(sub(b, a), sub(c, a)), -1));
    if (!inward) continue;
    const middle = scale(addScaled(addScaled(a, b, 1), c, 1), 1 / 3);
    const place = addScaled(middle, inward, size * between(random, 0.01, 0.1));
    if (partRound(mesh, place) >= 0) return place;
  }
  return null;
}

/** The subject slid out of the frame to a side, as far as that takes. */
function slidOut(view: View, points: readonly Vec3[], random: Random): View {
  const way = anyRound(random);
  const [across, up] = [rightOf(view.orientation), upOf(view.orientation)];
  let far = frameHeightAtTarget(view) * between(random, 1.5, 3);
  for (;;) {
    const target = addScaled(addScaled(view.target, across, far * exact.cos(way)), up, far * exact.sin(way));
    const slid = { ...view, target };
    if (isLost(slid, points)) return slid;
    far *= 1.5;
  }
}

/** The lost view in which a step of Get back begins: the seed decides which. */
export function lostStart({ subject, lost }: GetBack, { mesh }: ScoredModel, start: Scene, seed: number): Scene {
  const random = randomFrom(seed);
  const way = lost === 'any' ? (WAYS[random.below(WAYS.length)] as Way) : lost;
  const points = subjectOf(mesh, subject);
  const azimuth = anyRound(random);
  const looking = (elevation: number, roll = 0): View =>
    fit({ ...start.view, orientation: orientationFrom({ azimuth, elevation, roll }) }, points, FRAME_ASPECT, MARGIN);
  const shown = (view: View): Scene => ({ ...start, view, history: EMPTY_HISTORY, selection: { parts: [] } });
  const beyond = (): Scene => shown(slidOut(looking(between(random, 0.1, 0.8)), points, random));

  switch (way) {
    case 'inside': {
      const whole = looking(between(random, -0.5, 0.7));
      const eye = placeInside(mesh, subject, frameHeightAtTarget(whole), random);
      if (!eye) return beyond();
      const distance = whole.distance * 0.1;
      const { orientation } = whole;
      return shown({ ...whole, projection: 'perspective', distance, target: addScaled(eye, backOf(orientation), -distance) });
    }
    case 'beyond':
      return beyond();
    case 'beneath': {
      const whole = looking(between(random, -1.2, -0.35));
      // Too near for all of it, and to a side.
      const near = { ...whole, distance: whole.distance * between(random, 0.25, 0.4) };
      const aside = frameHeightAtTarget(near) * between(random, 0.3, 0.8) * (random.next() < 0.5 ? -1 : 1);
      return shown({ ...near, target: addScaled(near.target, rightOf(near.orientation), aside) });
    }
    case 'tiny': {
      const whole = looking(between(random, 0.1, 0.8));
      const farther = (1 / TINY) * between(random, 1, 2);
      return shown({ ...whole, distance: whole.distance * farther });
    }
    case 'upsideDown': {
      const whole = looking(between(random, 0.1, 0.9), Math.PI + between(random, -0.6, 0.6));
      return shown({ ...whole, distance: whole.distance * between(random, 0.7, 1.4) });
    }
  }
}
