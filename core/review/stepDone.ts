import type { Aim, Evidence } from '../criteria';
import type { Step } from '../exercise';
import type { ScoredModel } from '../model';
import type { Scene } from '../navigation';
import type { GestureBlock } from './gestures';
import type { At } from './moment';

/** What is known of one step that was reached. */
export interface StepDone {
  readonly step: Step | null;
  readonly evidence: Evidence;
  readonly gestures: readonly GestureBlock[];
  readonly aim: Aim | null;
  readonly model: ScoredModel;
}

export const sceneBefore = ({ evidence }: StepDone, gesture: GestureBlock): Scene => evidence.sceneAfter(gesture.first - 1);
export const sceneAfter = ({ evidence }: StepDone, gesture: GestureBlock): Scene => evidence.sceneAfter(gesture.last);
export const atGesture = ({ from, to, step }: GestureBlock): At => ({ from, t: to, step });
