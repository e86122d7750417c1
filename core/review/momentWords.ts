import { degrees, percent, say, seconds } from '../advice/sentence';
import { CRITERIA } from '../criteria';
import { KIND_WORDS, wantedWords } from '../input';
import type { Moment, MomentFigures, MomentKind, Turned } from './moment';

/** What happened, by a word: the head of a jump. */
export const MOMENT_NAMES: { readonly [K in MomentKind]: string } = {
  largestLoss: 'Largest loss',
  gotLost: 'Got lost',
  wrongWay: 'Wrong way',
  tooFar: 'Too far',
  wrongAnswer: 'Wrong answer',
  longStop: 'Longest stop',
  oldHabit: 'Old habit',
  hint: 'Hint',
  stepEnd: 'End',
};

/** "40° left", "30° higher"; `along`: told by the one of the two that is larger in it. */
function wayWords({ right, higher }: Turned, along: Turned): string {
  return Math.abs(along.right) >= Math.abs(along.higher)
    ? `${degrees(right)} ${right < 0 ? 'left' : 'right'}`
    : `${degrees(higher)} ${higher < 0 ? 'lower' : 'higher'}`;
}

const PASSED = {
  size: (by: number) => `went past the size by ${Math.round(2 ** by * 10) / 10} times`,
  placement: (by: number) => `slid past the place by ${percent(by)} of the frame’s height`,
  direction: (by: number) => `went ${degrees(by)} past the target`,
} as const;

const WRONG: { readonly [W in MomentFigures['wrongAnswer']['what']]: (number: number) => string } = {
  call: (number) => `call ${number + 1} was answered with another view`,
  way: (number) => `question ${number + 1} was answered wrongly`,
  pick: () => 'picked where nothing was that is sought',
  measurement: () => 'measured something else than what was asked',
  gesture: (number) => `call ${number + 1} was answered with another gesture`,
};

const WORDS: { readonly [K in MomentKind]: (figures: MomentFigures[K]) => string } = {
  largestLoss: ({ points, criterion, gesture }) =>
    `one gesture (${KIND_WORDS[gesture]}) cost ${Math.round(points)} of 100 points${criterion ? `, most of it ${CRITERIA[criterion].label.toLowerCase()}` : ''}`,
  gotLost: (figures) => `the subject was out of sight for ${seconds(figures.seconds)}`,
  wrongWay: ({ turned, target, standing }) => {
    const along = Math.abs(turned.right) >= Math.abs(turned.higher) ? turned.right * target.right : turned.higher * target.higher;
    const how = `${standing ? 'looked' : 'turned'} ${wayWords(turned, turned)}`;
    const lay = `lay ${wayWords(target, turned)}`;
    return along > 0 ? `${how}, past the target, which ${lay}` : `${how} while the target ${lay}`;
  },
  tooFar: ({ what, by }) => `${PASSED[what](by)} and came back`,
  wrongAnswer: ({ what, number }) => WRONG[what](number),
  longStop: (figures) => `nothing moved for ${seconds(figures.seconds)}`,
  oldHabit: ({ gesture, wanted }) => `${gesture} for ${wantedWords(wanted)}, as in the scheme before`,
  hint: ({ number }) => `took hint ${number + 1}`,
  stepEnd: ({ last }) => (last ? 'the attempt ended' : 'the step was done'),
};

/** What happened, in a sentence. */
export const momentWords = (moment: Moment): string => say((WORDS[moment.kind] as (figures: Moment['figures']) => string)(moment.figures));
