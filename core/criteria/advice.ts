import type { MeasureKind } from '../geometry';
import type { Hand } from '../input/hands';
import type { Command, CommandKind } from '../navigation';
import type { StandardName } from '../view';
import type { QuickCall } from './quickCall';

/**
 * What can be advised: a code, and the figures that its sentence needs, in metres, radians and frame heights. Figures are
 * kept as they are told, rounded, so that the moves of an advice are just what it says.
 */
export interface AdviceFigures {
  /** Nothing is left to change. */
  asAsked: object;
  notReached: object;
  /** No value, and no way is known. */
  notMeasured: object;
  /** Words of a card that was made before codes were kept. */
  said: { readonly words: string };
  /** How near it came, where no more may be told. */
  coarse: { readonly near: 'asAsked' | 'notJudged' | 'nearly' | 'someWay' | 'far' };
  /** The subject is out of sight: all of it is brought back into the frame. */
  intoFrame: object;
  /** The subject is hidden, glass or cut away. */
  showSubject: { readonly names: readonly string[] };
  /** Round to the right and higher. */
  goRound: { readonly right: number; readonly higher: number };
  /** Near plan views: the picture turned clockwise, and higher. `round`: the eye's way round, to the right. */
  turnPicture: { readonly clockwise: number; readonly round: number; readonly higher: number };
  /** One who stands looks about: to the left and up. */
  lookAbout: { readonly left: number; readonly up: number };
  /** One who stands brings the eye forward, to the right and up. */
  moveEye: { readonly forward: number; readonly right: number; readonly up: number };
  roll: { readonly clockwise: number };
  /** A stronger perspective, or a weaker one, until the field of view is as asked. */
  lens: { readonly stronger: boolean };
  projection: { readonly projection: 'perspective' | 'orthographic' };
  /** As many times as large. */
  resize: { readonly factor: number };
  /** As many times as large, to fill the room between the inner lines. */
  fillLines: { readonly factor: number };
  /** The model slid to the right and up. */
  slide: { readonly right: number; readonly up: number };
  /** The subject slid to the right and up, to the middle of the inner lines. */
  slideBetween: { readonly right: number; readonly up: number };
  /** Everything that is shown fitted to the frame. `share`: of the subject that lies outside. */
  fitAll: { readonly share: number };
  /** Parts to show, to hide and to make glass. */
  showParts: { readonly shown: readonly string[]; readonly hidden: readonly string[]; readonly glass: readonly string[] };
  showAll: object;
  /** What the outlines do not lie on each other for, by criterion. */
  outlines: { readonly causes: readonly ('direction' | 'roll' | 'size' | 'placement' | 'visibility')[] };
  removeCut: object;
  placeCut: { readonly faces: StandardName; readonly part: string | null };
  turnCut: { readonly lean: number; readonly towards: StandardName };
  flipCut: object;
  /** Along the cut's own normal; positive: out of the model's middle, towards the eye that looks at the cut. */
  moveCut: { readonly out: number };
  cutOverlap: { readonly causes: readonly ('sectionAngle' | 'sectionOffset')[] };
  stillHidden: { readonly names: readonly string[] };
  /** Round to the right and higher, where the cut shows these parts. */
  goToSee: { readonly right: number; readonly higher: number; readonly names: readonly string[] };
  /** Round to the right and higher, until nothing hides the subject. `share`: of it that is hidden now. */
  goFree: { readonly right: number; readonly higher: number; readonly share: number };
  hiddenByOthers: { readonly share: number };
  call: { readonly call: CalledWords; readonly error: number; readonly answered: boolean };
  noCall: object;
  callTime: { readonly seconds: number };
  wrongTurns: { readonly count: number };
  beginAtStart: object;
  path: { readonly off: number; readonly at: number; readonly height: 'high' | 'low' | null };
  sweep: { readonly off: number; readonly more: boolean };
  pivot: { readonly drift: number };
  smoothness: object;
  /** What keeps the subject from being recovered, and the kinds of command that bring it back at once. */
  lost: { readonly lost: 'outside' | 'small' | 'rolled' | 'hidden'; readonly way: readonly CommandKind[] };
  recoverTime: { readonly seconds: number };
  /** Share of the surface that was not seen, and the side with most of it; null: no side is told. */
  unseen: { readonly share: number; readonly side: StandardName | null };
  noReaction: object;
  /** Handed in before so many were called. */
  notCalled: { readonly count: number };
  /** The call that took longest. */
  slowCall: { readonly call: QuickCall; readonly seconds: number };
  /** Handed in before so many questions were answered. */
  unanswered: { readonly count: number };
  /** The answer farthest from the truth: its question, from 1, how far off, the standard view it was seen from, and what was mistaken. */
  wrongWay: { readonly question: number; readonly error: number; readonly seenFrom: StandardName; readonly mistake: 'mirrored' | 'behind' | 'off' };
  answerTime: { readonly seconds: number };
  /** What is still to be found. */
  notFound: { readonly names: readonly string[] };
  /** What took longest to find. */
  slowFind: { readonly name: string; readonly seconds: number };
  wrongPicks: { readonly count: number };
  /** Not measured, or by picks that the screen did not show. */
  notMeasuredYet: { readonly names: readonly string[] };
  /** The value farthest from the truth, metres or radians. */
  wrongValue: { readonly name: string; readonly what: MeasureKind; readonly value: number | null; readonly expected: number | null };
  /** What was made instead of what was called, null: nothing in time; `slip`: the earlier scheme's gesture for it. */
  wrongGesture: { readonly call: QuickCall; readonly made: QuickCall | null; readonly slip: string | null; readonly count: number };
  time: { readonly seconds: number };
  gestures: { readonly count: number };
  switches: { readonly count: number };
  lostTime: { readonly seconds: number };
  /** Orbits about another point than asked, of how many, and how far the farthest pivot lay, metres. */
  otherPivot: { readonly count: number; readonly of: number; readonly farthest: number };
  /** Named commands given with something else than `by`, of how many; of none: they were not given at all. */
  otherHand: { readonly count: number; readonly other: number; readonly by: Hand };
  hints: { readonly count: number };
  detour: { readonly share: number };
}

/** A view that is called, as far as words need it. */
export type CalledWords =
  | { readonly kind: 'standard'; readonly name: StandardName }
  | { readonly kind: 'opposite' }
  | { readonly kind: 'face'; readonly name: string };

export type AdviceCode = keyof AdviceFigures;

/** What is kept of an advice: words are made from it when it is shown. */
export type KeptAdvice = { readonly [C in AdviceCode]: { readonly code: C; readonly figures: AdviceFigures[C] } }[AdviceCode];

/** An advice; `moves` are the commands that its sentence tells, none for a remark. */
export type Advice = KeptAdvice & { readonly moves: readonly Command[] };

export function advice<C extends AdviceCode>(code: C, figures: AdviceFigures[C], moves: readonly Command[] = []): Advice {
  return { code, figures, moves } as unknown as Advice;
}
