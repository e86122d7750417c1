import type { AdviceCode, AdviceFigures, CalledWords, KeptAdvice } from '../criteria';
import { measuredWords } from '../geometry';
import { HAND_WORDS, type LabelledScheme } from '../input';
import { viewWords } from '../view';
import * as gesture from './gestureWords';
import { quickWords } from './quickWords';
import { degrees, lengthWords, listed, percent, plural, say, seconds, sizeOff } from './sentence';

/** The eye's half of a sentence, and the hand's in a scheme. */
interface Halves {
  readonly eye: string;
  readonly hand?: (scheme: LabelledScheme) => string | null;
}

/** "drag left" and "drag down" become "drag left and down". */
function joined(does: readonly (string | null)[]): string | null {
  const [a, b] = does.filter((words) => words !== null);
  if (!a || !b) return a ?? null;
  const verb = a.slice(0, a.lastIndexOf(' ') + 1);
  return b.startsWith(verb) ? `${a} and ${b.slice(verb.length)}` : `${a}, ${b}`;
}

const callWords = (call: CalledWords): string => (call.kind === 'standard' ? viewWords(call.name) : call.kind === 'face' ? call.name : 'the opposite');
const metresOf = (x: number): string => `${Math.abs(x).toFixed(Math.abs(x) < 1 ? 2 : 1)} m`;

/** The hand's way round and over. */
const roundAndOver =
  (right: number, higher: number) =>
  (scheme: LabelledScheme): string | null =>
    joined([
      right === 0 ? null : gesture.roundHand(scheme, right > 0 ? 'right' : 'left'),
      higher === 0 ? null : gesture.heightHand(scheme, higher > 0 ? 'up' : 'down'),
    ]);

const heightWords = (higher: number): string => `${degrees(higher)} ${higher > 0 ? 'higher' : 'lower'}`;

function wayWords(right: number, higher: number): string {
  const ways: string[] = [];
  if (right !== 0) ways.push(`${degrees(right)} round to the ${right > 0 ? 'right' : 'left'}`);
  if (higher !== 0) ways.push(heightWords(higher));
  return listed(ways);
}

function slideWords(what: string, right: number, up: number, to = ''): Halves {
  const ways: [share: number, way: string][] = [];
  if (right !== 0) ways.push([right, right > 0 ? 'to the right' : 'to the left']);
  if (up !== 0) ways.push([up, up > 0 ? 'up' : 'down']);
  if (ways.length === 0) return { eye: `${what} lies where it should, to a hair` };
  const words = ways.map(([share, way], i) => `${percent(share)} ${i === 0 ? "of the frame's height " : ''}${way}`);
  return { eye: `bring ${what} ${listed(words)}${to}`, hand: (s) => gesture.slideHand(s, right, up) };
}

/** A side of a subject as it is told. */
const SIDES: Partial<Record<string, string>> = { bottom: 'the underside', top: 'the top', rear: 'the back' };

/** What a wrong answer took the truth for. */
const MISTAKES = { mirrored: ': that is its mirror picture', behind: ': that is the opposite side', off: '' } as const;

/** What is to be done about a subject that is lost. */
const LOST = {
  outside: 'bring all of the subject back into the frame',
  small: 'the subject is too small to be read: bring it back to size',
  rolled: 'the view is head over: bring it upright',
  hidden: 'other parts hide the subject: go where it is free',
} as const;

/** What has to be right first. */
const CAUSES = {
  direction: 'direction',
  roll: 'roll',
  size: 'size',
  placement: 'place',
  visibility: 'what is shown',
  sectionAngle: 'angle of the cut',
  sectionOffset: 'place of the cut',
} as const;
const names = (causes: readonly (keyof typeof CAUSES)[]): string => listed(causes.map((cause) => CAUSES[cause]));

type Sentences = { readonly [C in AdviceCode]: (figures: AdviceFigures[C]) => Halves };

const NEAR = {
  asAsked: 'as asked',
  notJudged: 'this could not be judged',
  nearly: 'nearly as asked',
  someWay: 'some way off',
  far: 'far off',
} as const;

/** What a coach says for each code; which way the eye goes, then what the hand does. */
const SENTENCES: Sentences = {
  asAsked: () => ({ eye: 'as asked' }),
  notReached: () => ({ eye: 'this step was not reached, finish the one before it first' }),
  notMeasured: () => ({ eye: 'this could not be measured' }),
  said: ({ words }) => ({ eye: words.replace(/\.$/, '') }),
  coarse: ({ near }) => ({ eye: NEAR[near] }),
  intoFrame: () => ({ eye: 'bring the model back into the frame', hand: gesture.fitHand }),
  showSubject: ({ names: parts }) => ({ eye: parts.length > 0 ? `show ${listed(parts)} again` : 'show everything again' }),
  goRound: ({ right, higher }) =>
    right === 0 && higher === 0 ? { eye: 'the direction is right to a hair' } : { eye: `go ${wayWords(right, higher)}`, hand: roundAndOver(right, higher) },
  turnPicture({ clockwise, round, higher }) {
    const turn = `turn the picture ${degrees(clockwise)} ${clockwise > 0 ? 'clockwise' : 'anticlockwise'}`;
    const height = `go ${heightWords(higher)}`;
    return { eye: clockwise === 0 ? height : higher === 0 ? turn : `${turn} and ${height}`, hand: roundAndOver(round, higher) };
  },
  lookAbout({ left, up }) {
    const ways: string[] = [];
    if (left !== 0) ways.push(`${degrees(left)} to the ${left > 0 ? 'left' : 'right'}`);
    if (up !== 0) ways.push(`${degrees(up)} ${up > 0 ? 'up' : 'down'}`);
    if (ways.length === 0) return { eye: 'you look the right way, to a hair' };
    return {
      eye: `look ${listed(ways)}`,
      hand: (s) =>
        joined([left === 0 ? null : gesture.lookHand(s, left > 0 ? 'left' : 'right'), up === 0 ? null : gesture.lookHand(s, up > 0 ? 'up' : 'down')]),
    };
  },
  moveEye({ forward, right, up }) {
    const ways: string[] = [];
    if (forward !== 0) ways.push(`${metresOf(forward)} ${forward > 0 ? 'forward' : 'back'}`);
    if (right !== 0) ways.push(`${metresOf(right)} to the ${right > 0 ? 'right' : 'left'}`);
    if (up !== 0) ways.push(`${metresOf(up)} ${up > 0 ? 'higher' : 'lower'}`);
    if (ways.length === 0) return { eye: 'you stand where you should: look the right way' };
    const hand = (s: LabelledScheme): string | null =>
      joined([
        forward !== 0 ? gesture.walkHand(s, forward > 0) : right !== 0 ? gesture.sideHand(s, right > 0) : null,
        forward === 0 && right === 0 ? gesture.riseHand(s, up > 0) : null,
      ]);
    return { eye: `bring your eye ${listed(ways)}`, hand };
  },
  roll: ({ clockwise }) =>
    clockwise === 0
      ? { eye: 'the roll is right to a hair' }
      : { eye: `roll ${degrees(clockwise)} ${clockwise > 0 ? 'clockwise' : 'anticlockwise'}`, hand: (s) => gesture.rollHand(s, clockwise < 0) },
  lens: ({ stronger }) => ({ eye: `make the perspective ${stronger ? 'stronger' : 'weaker'}`, hand: (s) => gesture.lensHand(s, stronger) }),
  projection: ({ projection }) => ({ eye: `switch to ${projection}`, hand: gesture.projectionHand }),
  resize: ({ factor }) =>
    factor === 1 ? { eye: 'the size is right to a hair' } : { eye: `it is ${sizeOff(1 / factor)}`, hand: (s) => gesture.sizeHand(s, factor > 1) },
  fillLines: ({ factor }) => ({ eye: `it is ${sizeOff(1 / factor)} for the inner lines`, hand: (s) => gesture.sizeHand(s, factor > 1) }),
  slide: ({ right, up }) => slideWords('the model', right, up),
  slideBetween: ({ right, up }) => slideWords('the subject', right, up, ', to the middle of the inner lines'),
  fitAll: ({ share }) => ({ eye: `${percent(share)} of the subject lies outside the frame, fit it`, hand: gesture.fitHand }),
  showParts({ shown, hidden, glass }) {
    const does: string[] = [];
    if (shown.length > 0) does.push(`show ${listed(shown)}`);
    if (hidden.length > 0) does.push(`hide ${listed(hidden)}`);
    if (glass.length > 0) does.push(`make ${listed(glass)} glass`);
    return { eye: does.length > 0 ? does.join('; ') : 'other parts are shown than in the picture' };
  },
  showAll: () => ({ eye: 'show everything again', hand: gesture.showAllHand }),
  outlines: ({ causes }) => ({
    eye: causes.length > 0 ? `the outlines will lie on each other once this is right: ${names(causes)}` : 'the outlines nearly lie on each other',
  }),
  removeCut: () => ({ eye: 'take the cut away, the picture has none' }),
  placeCut: ({ faces, part }) => ({
    eye: `place a cut that faces the ${viewWords(faces)}${part ? `, through ${part}` : ', through the middle'}`,
    hand: gesture.cutHand,
  }),
  turnCut: ({ lean, towards }) =>
    lean === 0
      ? { eye: 'the cut lies the right way, to a hair' }
      : { eye: `turn the cut ${degrees(lean)} towards the ${viewWords(towards)}`, hand: gesture.cutHand },
  flipCut: () => ({ eye: 'flip the cut, the wrong half is gone', hand: gesture.flipHand }),
  moveCut: ({ out }) =>
    out === 0
      ? { eye: 'the cut lies in its place, to a hair' }
      : { eye: `move the cut ${out > 0 ? 'out' : 'in'} by ${lengthWords(out)}`, hand: (s) => gesture.shiftHand(s, out > 0) },
  cutOverlap: ({ causes }) => ({
    eye:
      causes.length > 0
        ? `the two cuts will cover the same once this is right: ${names(causes)}`
        : 'the two cuts do not cover the same material: other parts are cut',
  }),
  stillHidden: ({ names: parts }) => ({ eye: `still hidden: ${listed(parts)}` }),
  goToSee: ({ right, higher, names: parts }) => ({
    eye: `go ${wayWords(right, higher)} to see ${listed(parts)} in the cut`,
    hand: roundAndOver(right, higher),
  }),
  goFree: ({ right, higher, share }) => ({
    eye: `go ${wayWords(right, higher)}, other parts hide ${percent(share)} of the subject`,
    hand: roundAndOver(right, higher),
  }),
  hiddenByOthers: ({ share }) => ({ eye: `other parts hide ${percent(share)} of the subject` }),
  call: ({ call, error, answered }) => ({
    eye: answered ? `"${callWords(call)}" was off by ${degrees(error)}` : `"${callWords(call)}" was not answered`,
    hand: (s) => (call.kind === 'standard' ? gesture.standardHand(s, call.name) : call.kind === 'face' ? gesture.squareHand(s) : gesture.oppositeHand(s)),
  }),
  noCall: () => ({ eye: 'no call was answered' }),
  callTime: ({ seconds: s }) => ({ eye: `a call took you ${seconds(s)}, know the key before you hear the next one` }),
  wrongTurns: ({ count }) => ({ eye: `${plural(count, 'wrong view')} on the way, think first which side is meant` }),
  beginAtStart: () => ({ eye: 'go along the line from its start to its end' }),
  path: ({ off, at, height }) => ({
    eye: `farthest from the line, ${degrees(off)}, at ${Math.round(100 * at)} % of the way${height ? `, you were too ${height} there` : ''}`,
  }),
  sweep: ({ off, more }) => ({
    eye: `you turned ${degrees(off)} ${more ? 'more than the line, go one way without turning back' : 'less than the line, follow it to its end'}`,
  }),
  pivot: ({ drift }) => ({ eye: `the pivot strayed by ${percent(drift)} of the frame's height, orbit about it and do not pan` }),
  smoothness: () => ({ eye: 'go in one even sweep rather than in jerks' }),
  lost: ({ lost, way }) => ({ eye: LOST[lost], hand: (s) => gesture.keysHand(s, way) }),
  unseen: ({ share, side }) => ({ eye: `${percent(1 - share)} seen${side ? `; ${SIDES[side] ?? `the ${viewWords(side)}`} is left` : ''}` }),
  noReaction: () => ({ eye: 'fewer than half were answered rightly' }),
  notCalled: ({ count }) => ({ eye: `handed in before ${plural(count, 'gesture')} could be called` }),
  slowCall: ({ call, seconds: s }) => ({ eye: `“${quickWords(call)}” took ${seconds(s)}` }),
  wrongGesture: ({ call, made, slip, count }) => ({
    eye: `at “${quickWords(call)}” ${made ? `you made “${quickWords(made)}”` : 'no gesture came in time'}${count > 1 ? `, ${plural(count, 'time')}` : ''}${slip ? `; ${slip} is of your earlier scheme` : ''}`,
  }),
  unanswered: ({ count }) => ({ eye: `${plural(count, 'view')} without an answer` }),
  wrongWay: ({ question, error, seenFrom, mistake }) => ({
    eye: `view ${question} was seen from the ${viewWords(seenFrom)}, you were ${degrees(error)} off${MISTAKES[mistake]}`,
  }),
  answerTime: ({ seconds: s }) => ({ eye: `an answer took you ${seconds(s)}` }),
  notFound: ({ names: sought }) => ({ eye: `not found: ${listed(sought)}` }),
  slowFind: ({ name, seconds: s }) => ({ eye: `${name} took you ${seconds(s)} to find` }),
  wrongPicks: ({ count }) => ({ eye: `${plural(count, 'wrong pick')}, look twice before you pick` }),
  notMeasuredYet: ({ names: asked }) => ({ eye: `not measured: ${listed(asked)}` }),
  wrongValue: ({ name, what, value, expected }) => ({
    eye: `${name} is ${expected === null ? 'not known' : measuredWords(what, expected)}, ${value === null ? 'and your picks give none' : `you measured ${measuredWords(what, value)}`}`,
  }),
  recoverTime: ({ seconds: s }) => ({ eye: `you were back after ${seconds(s)}` }),
  time: ({ seconds: s }) => ({ eye: `it took ${seconds(s)}` }),
  gestures: ({ count }) => ({ eye: `${plural(count, 'gesture')}, fewer and longer ones do it` }),
  switches: ({ count }) => ({ eye: `you changed the kind of gesture ${plural(count, 'time')}, finish the one before the next` }),
  lostTime: ({ seconds: s }) => ({ eye: `the subject was out of the frame for ${seconds(s)}`, hand: gesture.fitHand }),
  otherPivot: ({ count, of, farthest }) => ({
    eye: `${count} of ${plural(of, 'turn')} went about another point, up to ${lengthWords(farthest)} from the asked one: point at it, or pick it, before you turn`,
  }),
  otherHand: ({ count, other, by }) => ({
    eye: count === 0 ? `nothing of what was to be done by ${HAND_WORDS[by]} was done` : `${other} of ${count} not by ${HAND_WORDS[by]}`,
  }),
  hints: ({ count }) => ({ eye: `${plural(count, 'hint')} taken` }),
  detour: ({ share }) => ({ eye: `your way was ${percent(share)} longer than the shortest` }),
};

/** The two halves of what is said. `scheme`: whose gestures are named, with what stands on the reader's keys. */
export function halvesOf(advice: KeptAdvice, scheme: LabelledScheme | null): { readonly eye: string; readonly hand: string | null } {
  const { eye, hand } = (SENTENCES[advice.code] as (figures: unknown) => Halves)(advice.figures);
  return { eye, hand: scheme && hand ? hand(scheme) : null };
}

/** The sentence of an advice. `scheme`: whose gestures are named. */
export function sentenceOf(advice: KeptAdvice, scheme: LabelledScheme | null): string {
  const { eye, hand } = halvesOf(advice, scheme);
  return say(eye, hand);
}
