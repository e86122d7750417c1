import { type CriterionId, criterionInfo } from '../exercise';
import type { LabelledScheme } from '../input';
import { angleBetween, dot, exact, sub } from '../math';
import { headingOf } from '../navigation';
import type { CallResult } from '../scoring/calls';
import { askedBox, fillOf, sizeRatio } from '../scoring/framing';
import type { Measured } from '../scoring/measure';
import { signedRoll } from '../scoring/orientation';
import { alignPaths, sweepOf } from '../scoring/paths';
import { unrevealedShare } from '../scoring/pictures';
import { sectionShift } from '../scoring/section';
import { anglesOf, eyeOf, type View, wrapAngle } from '../view';
import * as hand from './hand';
import { degrees, listed, percent, plural, say, seconds } from './sentence';

const handOf = (scheme: LabelledScheme | null, words: (scheme: LabelledScheme) => string | null): string | null => (scheme ? words(scheme) : null);
const HALF_DEGREE = Math.PI / 360;
/** An eye nearer than this to its place stands there, metres. */
const NEAR_EYE = 0.02;

/** Up to three times in per cent, beyond that as so many times. */
const scaledBy = (factor: number): string => {
  const times = factor < 1 ? 1 / factor : factor;
  return times > 3 ? `${times < 10 ? times.toFixed(1) : Math.round(times)} times` : percent(factor - 1);
};

function directionAdvice(view: View, target: View, scheme: LabelledScheme | null): string {
  const from = anglesOf(view.orientation);
  const to = anglesOf(target.orientation);
  const round = Math.abs(to.elevation) > 1.48 ? 0 : wrapAngle(to.azimuth - from.azimuth);
  const height = to.elevation - from.elevation;
  const eye: string[] = [];
  const does: string[] = [];
  if (Math.abs(round) > HALF_DEGREE) {
    const way = round > 0 ? 'right' : 'left';
    eye.push(`${degrees(round)} round to the ${way}`);
    const words = handOf(scheme, (s) => hand.roundHand(s, way));
    if (words) does.push(words);
  }
  if (Math.abs(height) > HALF_DEGREE) {
    eye.push(`${degrees(height)} ${height > 0 ? 'higher' : 'lower'}`);
    const words = handOf(scheme, (s) => hand.heightHand(s, height > 0 ? 'up' : 'down'));
    if (words) does.push(words);
  }
  if (eye.length === 0) return say('go a hair further round');
  return say(`go ${listed(eye)}`, joined(does));
}

function lookAdvice(view: View, target: View, scheme: LabelledScheme | null): string {
  const from = anglesOf(view.orientation);
  const to = anglesOf(target.orientation);
  const left = wrapAngle(to.azimuth - from.azimuth);
  const up = from.elevation - to.elevation;
  const eye: string[] = [];
  if (Math.abs(left) > HALF_DEGREE) eye.push(`${degrees(left)} to the ${left > 0 ? 'left' : 'right'}`);
  if (Math.abs(up) > HALF_DEGREE) eye.push(`${degrees(up)} ${up > 0 ? 'up' : 'down'}`);
  return say(
    `look ${eye.length ? listed(eye) : 'a hair further round'}`,
    handOf(scheme, (s) => (Math.abs(left) > HALF_DEGREE ? hand.lookHand(s, left > 0 ? 'left' : 'right') : null)),
  );
}

/** Where the eye has to be carried, for one who stands. */
function walkAdvice(view: View, target: View, scheme: LabelledScheme | null): string {
  const way = sub(eyeOf(target), eyeOf(view));
  const { ahead, right } = headingOf(view);
  const metres = (x: number): string => `${Math.abs(x).toFixed(Math.abs(x) < 1 ? 2 : 1)} m`;
  const [forward, aside] = [dot(way, ahead), dot(way, right)];
  const eye: string[] = [];
  if (Math.abs(forward) > NEAR_EYE) eye.push(`${metres(forward)} ${forward > 0 ? 'forward' : 'back'}`);
  if (Math.abs(aside) > NEAR_EYE) eye.push(`${metres(aside)} to the ${aside > 0 ? 'right' : 'left'}`);
  const height = Math.abs(way[2]) > NEAR_EYE ? `${metres(way[2])} ${way[2] > 0 ? 'higher' : 'lower'}` : null;
  if (height) eye.push(height);
  if (eye.length === 0) return say('you stand where you should: look the right way');
  return say(
    `bring your eye ${listed(eye)}`,
    handOf(scheme, (s) => (eye.length === 1 && height ? hand.riseHand(s, way[2] > 0) : hand.walkHand(s, forward >= 0))),
  );
}

/** "drag left" and "drag down" become "drag left and down". */
function joined(does: readonly string[]): string | null {
  const [a, b] = does;
  if (!a || !b) return a ?? null;
  const verb = a.slice(0, a.lastIndexOf(' ') + 1);
  return b.startsWith(verb) ? `${a} and ${b.slice(verb.length)}` : `${a}, ${b}`;
}

function placementAdvice(m: Measured, scheme: LabelledScheme | null): string {
  const is = m.framing();
  const asked = m.targetFraming();
  if (!is || !asked) return say('the subject is not in front of you', handOf(scheme, hand.homeHand));
  const right = asked.u - is.u;
  const up = asked.v - is.v;
  if (Math.abs(right) > 1 || Math.abs(up) > 1) return say('bring the model back into the frame', handOf(scheme, hand.fitHand));
  const ways: string[] = [];
  if (Math.abs(right) > 0.005) ways.push(`${percent(right)} to the ${right > 0 ? 'right' : 'left'}`);
  if (Math.abs(up) > 0.005) ways.push(`${percent(up)} ${up > 0 ? 'up' : 'down'}`);
  return say(
    `bring the model ${ways.length ? listed(ways) : 'a hair over'}`,
    handOf(scheme, (s) => hand.slideHand(s, right, up)),
  );
}

function sizeAdvice(m: Measured, scheme: LabelledScheme | null): string {
  const ratio = sizeRatio(m.framing(), m.targetFraming());
  if (ratio === null) return say('the subject is not in front of you', handOf(scheme, hand.homeHand));
  const factor = exact.pow(2, -ratio);
  return say(
    `make it ${scaledBy(factor)} ${ratio > 0 ? 'smaller' : 'larger'}`,
    handOf(scheme, (s) => hand.sizeHand(s, ratio < 0)),
  );
}

function framingAdvice(m: Measured, scheme: LabelledScheme | null): string {
  const is = m.framing();
  if (!is || m.goal.kind !== 'frameIt') return say('the subject is not in front of you', handOf(scheme, hand.homeHand));
  const fill = fillOf(is, m.goal.margins);
  if (Math.abs(fill - 1) > 0.03) {
    return say(
      `make it ${percent(fill > 1 ? 1 - 1 / fill : 1 / fill - 1)} ${fill > 1 ? 'smaller' : 'larger'} to fill the inner lines`,
      handOf(scheme, (s) => hand.sizeHand(s, fill < 1)),
    );
  }
  const asked = askedBox(is, m.goal.margins);
  const right = (asked.u0 + asked.u1 - is.box.u0 - is.box.u1) / 2;
  const up = (asked.v0 + asked.v1 - is.box.v0 - is.box.v1) / 2;
  return say(
    'bring the subject to the middle of the inner lines',
    handOf(scheme, (s) => hand.slideHand(s, right, up)),
  );
}

const callWords = (call: CallResult['call']): string =>
  call.kind === 'standard' ? call.name.replaceAll('-', ' ') : call.kind === 'face' ? call.name : 'the opposite';

function callAdvice(m: Measured, faces: boolean, scheme: LabelledScheme | null): string {
  const calls = m.calls().filter((c) => (c.call.kind === 'face') === faces);
  const worst = [...calls].sort((a, b) => b.error - a.error)[0];
  if (!worst) return say('no view was called');
  const key = handOf(scheme, (s) =>
    worst.call.kind === 'standard' ? hand.standardHand(s, worst.call.name) : worst.call.kind === 'face' ? hand.squareHand(s) : hand.oppositeHand(s),
  );
  if (worst.seconds === null) return say(`"${callWords(worst.call)}" was not answered`, key);
  return say(`"${callWords(worst.call)}" was off by ${degrees(worst.error)}`, key);
}

function pathAdvice(m: Measured): string {
  const followed = m.followed();
  if (!followed || followed.directions.length < 2) return say('go along the line from its start to its end');
  const { pairs, path, reference } = alignPaths(followed.directions, followed.reference);
  const worst = pairs.reduce((w, p) => (off(p) > off(w) ? p : w), pairs[0] as readonly [number, number]);
  function off(pair: readonly [number, number]): number {
    return angleBetween(path[pair[0]] ?? [0, 0, 1], reference[pair[1]] ?? [0, 0, 1]);
  }
  const a = path[worst[0]];
  const b = reference[worst[1]];
  if (!a || !b) return say('keep closer to the line');
  const share = Math.round((100 * worst[1]) / Math.max(1, reference.length - 1));
  const height = b[2] - a[2];
  return say(
    `farthest from the line, ${degrees(off(worst))}, at ${share} % of the way${Math.abs(height) > 0.05 ? `: you were too ${height > 0 ? 'low' : 'high'} there` : ''}`,
  );
}

function sectionAdvice(id: CriterionId, m: Measured, value: number | null, scheme: LabelledScheme | null): string {
  const target = m.goal.kind === 'cutToReveal' ? m.goal.plane : m.goal.kind === 'matchView' ? m.goal.target.section : null;
  const plane = m.scene.section;
  if (!plane || !target) return say('point at a flat face to place the cut', handOf(scheme, hand.cutHand));
  if (id === 'sectionAngle') return say(`the cut leans ${degrees(value ?? 0)} off, take a face that lies the right way`, handOf(scheme, hand.cutHand));
  if (id === 'sectionSide') return say('flip the cut, the wrong half is gone', handOf(scheme, hand.flipHand));
  if (id === 'sectionOffset') {
    const shift = sectionShift(m.mesh, plane, target) ?? 0;
    const same = plane.normal[0] * target.normal[0] + plane.normal[1] * target.normal[1] + plane.normal[2] * target.normal[2] >= 0;
    const outwards = same ? shift < 0 : shift > 0;
    return say(
      `move the cut ${outwards ? 'out' : 'in'} by ${Math.round(Math.abs(shift) * 1000)} mm`,
      handOf(scheme, (s) => hand.shiftHand(s, outwards)),
    );
  }
  return say('the two cuts do not cover the same material: put its angle and place right first');
}

function plain(id: CriterionId, value: number, m: Measured, scheme: LabelledScheme | null): string {
  switch (id) {
    case 'overlap':
      return say('the outlines do not lie on each other yet: direction first, then size and place');
    case 'visibility':
      return say('other parts are shown than in the picture: pick a part, then hide it or make it glass');
    case 'clipped':
      return say(`${percent(value)} of the subject lies outside the frame`, handOf(scheme, hand.fitHand));
    case 'hiddenShare':
      return say(`other parts hide ${percent(value)} of the subject: go round until it is free`);
    case 'callTime':
      return say(`a call took you ${seconds(value)}: know the key before you hear the next one`);
    case 'wrongTurns':
      return say(`${plural(value, 'wrong view')} on the way: think first which side is meant`);
    case 'orbitSweep': {
      const followed = m.followed();
      const more = followed ? sweepOf(followed.directions) > sweepOf(followed.reference) : true;
      return say(`you turned ${degrees(value)} ${more ? 'more than the line: go one way, without turning back' : 'less than the line: follow it to its end'}`);
    }
    case 'pivotDrift':
      return say(`the pivot strayed by ${percent(value)} of the frame: orbit about it and do not pan`);
    case 'smoothness':
      return say('go in one even sweep rather than in jerks');
    case 'revealed': {
      const { unseen } = m.goal.kind === 'cutToReveal' ? unrevealedShare(m.mesh, m.scene, m.goal.reveal) : { unseen: [] };
      const names = unseen.slice(0, 3).map((part) => m.mesh.parts.find((p) => p.id === part)?.name ?? part);
      return say(`still hidden: ${listed(names)}`);
    }
    case 'time':
      return say(`it took ${seconds(value)}`);
    case 'gestures':
      return say(`${plural(value, 'gesture')}: fewer and longer ones do it`);
    case 'switches':
      return say(`you changed the kind of gesture ${plural(value, 'time')}: finish the one before the next`);
    case 'lostTime':
      return say(`the subject was out of the frame for ${seconds(value)}`, handOf(scheme, hand.fitHand));
    case 'hints':
      return say(`${plural(value, 'hint')} taken`);
    case 'detour':
      return say(`your way was ${percent(value)} longer than the shortest`);
    default:
      return say(`${criterionInfo(id).label} is not there yet`);
  }
}

/** One plain sentence on a criterion: the eye's way, then the gesture of the scheme that does it. */
export function adviceFor(id: CriterionId, value: number | null, points: number, m: Measured, scheme: LabelledScheme | null): string {
  if (points >= 1) return say(`${criterionInfo(id).label}: as asked`);
  const { goal, scene } = m;
  if (goal.kind === 'matchView') {
    const target = goal.target.view;
    if (m.standing && id === 'direction') return lookAdvice(scene.view, target, scheme);
    if (m.standing && (id === 'size' || id === 'placement')) return walkAdvice(scene.view, target, scheme);
    if (id === 'direction') return directionAdvice(scene.view, target, scheme);
    if (id === 'size') return sizeAdvice(m, scheme);
    if (id === 'placement') return placementAdvice(m, scheme);
    if (id === 'projection') return say(`switch to ${target.projection}`, handOf(scheme, hand.projectionHand));
    if (id === 'roll') {
      const roll = signedRoll(scene.view.orientation, target.orientation);
      return say(
        `roll ${degrees(roll)} ${roll > 0 ? 'clockwise' : 'anticlockwise'}`,
        handOf(scheme, (s) => hand.rollHand(s, roll < 0)),
      );
    }
  }
  if (id === 'standardAngle') return callAdvice(m, false, scheme);
  if (id === 'normalAngle') return callAdvice(m, true, scheme);
  if (id === 'orbitPath' || id === 'orbitWorst') return pathAdvice(m);
  if (id === 'margin' || id === 'fill') return framingAdvice(m, scheme);
  if (id.startsWith('section')) return sectionAdvice(id, m, value, scheme);
  if (value === null) return say('this could not be measured: the subject is not in front of you', handOf(scheme, hand.homeHand));
  return plain(id, value, m, scheme);
}
