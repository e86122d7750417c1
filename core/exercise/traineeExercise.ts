import { type Goal, kindOf, type RedactedGoal } from '../goals';
import type { Exercise, Step } from './exerciseSchema';

/** A step as a trainee's browser has it: with its goal, or with what may be told of it while the target is hidden. */
export type TraineeStep = Omit<Step, 'goal'> & { readonly goal: Goal | RedactedGoal };

/** An exercise as a trainee's browser has it. */
export type TraineeExercise = Omit<Exercise, 'steps'> & { readonly steps: readonly TraineeStep[] };

/**
 * The content as a trainee's browser may have it. Of a hidden target nothing is in it: each goal tells only what its own
 * strict schema lets through, of a method not the point that is asked, of how the author did it nothing, there is no live help, and hints are empty until they are asked for, one after the other.
 */
export function forTrainee(content: Exercise): TraineeExercise {
  if (content.showTarget) return content;
  return {
    ...content,
    liveHelp: false,
    steps: content.steps.map((step) => {
      const kind = kindOf(step.goal);
      const { watch: _, ...told } = step;
      const { hand } = step.method ?? {};
      return { ...told, method: hand && { hand }, hints: step.hints.map(() => ''), goal: kind.redactedSchema.parse(kind.redact(step.goal, content.start)) };
    }),
  };
}

/** The whole goal of a step, where the trainee may know it. */
export const goalShown = (exercise: TraineeExercise, step: TraineeStep | undefined): Goal | null => (exercise.showTarget && step ? (step.goal as Goal) : null);
