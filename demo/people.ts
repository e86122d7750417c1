import type { SimulatedLearner } from '@core';

/** Everyone at the light station; the demo's password is the same for all and printed at the start. */
export const PASSWORD = 'lighthouse';

export const LEAD = { name: 'Edda Quist', signIn: 'edda' };
export const INSTRUCTOR = { name: 'Maren Holt', signIn: 'maren' };
export const GROUP = 'Ossick Head apprentices';
/** A second group, taught by the lead: some of the apprentices, by their sign-in names. */
export const ROUNDS_GROUP = { name: 'Inspection crew', members: ['nadia', 'ida', 'june'] };

export interface DemoLearner {
  readonly name: string;
  readonly signIn: string;
  readonly schemes: readonly string[];
  /** The hand at the first attempt; practice takes it towards `settled`. */
  readonly first: SimulatedLearner;
  readonly settled: SimulatedLearner;
  /** Attempts after which half of the way from the first hand to the settled one is gone. */
  readonly half: number;
  /** Exercises done first under the first scheme; the second one then begins from the front. */
  readonly firstUnderOld?: number;
  /** Exercises begun, of the course in its order. */
  readonly reach: number;
  /** Attempts at each exercise. */
  readonly repeats: number;
  /** Days since the last attempt. */
  readonly away: number;
  /** Where they get no further, whatever they try: with a hand that stays as it is. */
  readonly stalls?: { readonly title: string; readonly hand: SimulatedLearner; readonly times: number };
}

const hand = (noise: number, reaction: number, corrections: number, slips: number): SimulatedLearner => ({ noise, reaction, corrections, slips });

/** Hands that begin: what they aim at they miss by much, and are content with it. */
const UNSURE = hand(0.85, 1.2, 0, 0.6);
const WILLING = hand(0.6, 0.9, 0, 0.45);
const HANDY = hand(0.4, 0.7, 1, 0.3);
/** Hands that have settled. */
const FINE = hand(0.05, 0.35, 3, 0.02);
const GOOD = hand(0.14, 0.5, 2, 0.08);
const FAIR = hand(0.3, 0.7, 1, 0.2);

const learner = (
  name: string,
  schemes: readonly string[],
  [first, settled, half]: readonly [SimulatedLearner, SimulatedLearner, number],
  [reach, repeats, away]: readonly [number, number, number],
  stalls?: DemoLearner['stalls'],
): DemoLearner => ({
  name,
  signIn: (name.split(' ')[0] ?? name).toLowerCase(),
  schemes,
  first,
  settled,
  half,
  reach,
  repeats,
  away,
  ...(stalls ? { stalls } : {}),
});

/**
 * Some improve fast, one stalls on sections, one switched schemes and slips, one stopped coming, one has keys only, two a
 * 3D mouse, one has not begun.
 */
export const LEARNERS: readonly DemoLearner[] = [
  learner('Ida Sorrel', ['two-button-mouse'], [WILLING, FINE, 8], [15, 3, 0]),
  learner('Tomas Beck', ['three-button-mouse'], [UNSURE, GOOD, 14], [13, 3, 1]),
  learner('June Okoro', ['keyboard-alone'], [HANDY, FINE, 12], [11, 3, 1]),
  learner('Pim Aalders', ['six-axis-puck'], [UNSURE, GOOD, 18], [9, 3, 2]),
  { ...learner('Ruth Ferris', ['three-button-mouse', 'six-axis-puck'], [WILLING, GOOD, 12], [10, 3, 0]), firstUnderOld: 8 },
  learner('Oskar Lind', ['two-button-mouse'], [WILLING, FAIR, 20], [10, 2, 3], { title: 'Down to the gear train', hand: hand(2.2, 1.1, 0, 0.9), times: 7 }),
  learner('Lena Marsh', ['two-button-mouse'], [HANDY, FAIR, 12], [5, 2, 17]),
  learner('Viktor Dahl', ['three-button-mouse'], [HANDY, GOOD, 10], [0, 0, 28]),
  learner('Nadia Verne', ['three-button-mouse'], [HANDY, FINE, 6], [20, 2, 0]),
  learner('Per Halvard', ['touchpad'], [UNSURE, FAIR, 16], [8, 3, 4]),
  learner('Sofie Grant', ['touch-screen'], [WILLING, GOOD, 10], [10, 2, 2]),
  learner('Emil Roux', ['two-button-mouse'], [UNSURE, UNSURE, 30], [6, 3, 1]),
  learner('Greta Lund', ['three-button-mouse'], [WILLING, GOOD, 16], [12, 2, 6]),
  learner('Hugo Tanner', ['pen'], [HANDY, GOOD, 9], [9, 2, 5]),
];
