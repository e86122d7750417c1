import type { SimulatedLearner } from '@core';

/** Everyone at the light station; the demo's password is the same for all and printed at the start. */
export const PASSWORD = 'lighthouse';

export const LEAD = { name: 'Edda Quist', signIn: 'edda' };
export const INSTRUCTOR = { name: 'Maren Holt', signIn: 'maren' };
export const GROUP = 'Ossick Head apprentices';

export interface DemoLearner {
  readonly name: string;
  readonly signIn: string;
  readonly schemes: readonly string[];
  /** At the first attempt; practice takes it towards `settled`. */
  readonly first: SimulatedLearner;
  readonly settled: SimulatedLearner;
  /** Exercises begun, of the course in its order. */
  readonly reach: number;
  /** Attempts at each exercise. */
  readonly repeats: number;
  /** Days since the last attempt. */
  readonly away: number;
}

const hand = (noise: number, reaction: number, corrections: number, slips: number): SimulatedLearner => ({ noise, reaction, corrections, slips });

/** Some improve fast, one stalls on sections, one switched schemes, one stopped coming, one has keys only, two a 3D mouse. */
export const LEARNERS: readonly DemoLearner[] = [
  {
    name: 'Ida Sorrel',
    signIn: 'ida',
    schemes: ['two-button-mouse'],
    first: hand(0.28, 0.6, 1, 0.3),
    settled: hand(0.04, 0.3, 3, 0.02),
    reach: 9,
    repeats: 3,
    away: 0,
  },
  {
    name: 'Tomas Beck',
    signIn: 'tomas',
    schemes: ['three-button-mouse'],
    first: hand(0.35, 0.8, 1, 0.4),
    settled: hand(0.12, 0.5, 2, 0.1),
    reach: 12,
    repeats: 2,
    away: 1,
  },
  {
    name: 'June Okoro',
    signIn: 'june',
    schemes: ['keyboard-alone'],
    first: hand(0.2, 0.9, 1, 0.3),
    settled: hand(0.03, 0.5, 3, 0.03),
    reach: 9,
    repeats: 2,
    away: 1,
  },
  {
    name: 'Pim Aalders',
    signIn: 'pim',
    schemes: ['six-axis-puck'],
    first: hand(0.5, 0.7, 0, 0.5),
    settled: hand(0.15, 0.4, 2, 0.1),
    reach: 8,
    repeats: 3,
    away: 2,
  },
  {
    name: 'Ruth Ferris',
    signIn: 'ruth',
    schemes: ['three-button-mouse', 'six-axis-puck'],
    first: hand(0.4, 0.7, 1, 0.35),
    settled: hand(0.14, 0.45, 2, 0.15),
    reach: 7,
    repeats: 3,
    away: 0,
  },
  {
    name: 'Oskar Lind',
    signIn: 'oskar',
    schemes: ['two-button-mouse'],
    first: hand(0.5, 1.1, 0, 0.5),
    settled: hand(0.4, 1, 0, 0.45),
    reach: 4,
    repeats: 4,
    away: 3,
  },
  {
    name: 'Lena Marsh',
    signIn: 'lena',
    schemes: ['two-button-mouse'],
    first: hand(0.3, 0.7, 1, 0.3),
    settled: hand(0.2, 0.6, 1, 0.2),
    reach: 3,
    repeats: 2,
    away: 17,
  },
  {
    name: 'Viktor Dahl',
    signIn: 'viktor',
    schemes: ['three-button-mouse'],
    first: hand(0.3, 0.6, 1, 0.3),
    settled: hand(0.1, 0.4, 2, 0.05),
    reach: 0,
    repeats: 0,
    away: 28,
  },
];
