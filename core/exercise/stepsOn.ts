import type { Exercise } from './exerciseSchema';

/** The exercise without the steps that are switched off. */
export const stepsOn = (content: Exercise): Exercise => ({ ...content, steps: content.steps.filter((step) => !step.off) });
