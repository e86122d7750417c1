import type { Exercise } from '../exercise';
import { THREE_BUTTON_MOUSE } from '../input';
import { scoreAttempt } from '../scoring';
import { type SimulatedLearner, simulateAttempt } from '../simulation';
import { crate } from './practice';

/** What a simulated learner earns on the crate, the mean over so many attempts, each with a seed of its own. */
export function meanScore(exercise: Exercise & { id: string; version: number }, learner: SimulatedLearner, attempts = 12): number {
  let sum = 0;
  for (let seed = 0; seed < attempts; seed++) sum += scoreAttempt(exercise, crate, simulateAttempt(exercise, crate, THREE_BUTTON_MOUSE, learner, seed)).score;
  return sum / attempts;
}
