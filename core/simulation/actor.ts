import type { CommandGroupId } from '../exercise/commandGroups';
import type { SkillId } from '../exercise/skills';
import type { Random } from '../math';
import type { ScoredModel } from '../model';
import { anglesOf, wrapAngle } from '../view';
import type { Recorder } from './recorder';
import type { Hand, SimulatedLearner } from './simulatedHand';

/** A simulated learner at work on a step. */
export interface Actor {
  readonly recorder: Recorder;
  readonly hand: Hand;
  readonly random: Random;
  readonly learner: SimulatedLearner;
  readonly model: ScoredModel;
  readonly allowed: readonly CommandGroupId[];
  /** The step: its number from 0 and its skill; the attempt's seed. */
  readonly step: { readonly index: number; readonly skill: SkillId; readonly seed: number };
}

/** What is content with an angle: 2 degrees. */
export const NEAR_ANGLE = Math.PI / 90;

/** Turns until the eye looks from there, or until the learner is content. */
export function turnTo(actor: Actor, azimuth: number, elevation: number, tries: number): void {
  for (let i = 0; i <= tries; i++) {
    const now = anglesOf(actor.recorder.scene().view.orientation);
    const round = Math.abs(elevation) > 1.5 ? 0 : wrapAngle(azimuth - now.azimuth);
    const up = elevation - now.elevation;
    if (Math.abs(round) + Math.abs(up) < NEAR_ANGLE) return;
    // Now and then the first movement goes the wrong way and is taken back.
    if (i === 0 && actor.random.next() < actor.learner.slips) actor.hand.orbit(-round / 3, up / 3);
    else actor.hand.orbit(round, up);
  }
}
