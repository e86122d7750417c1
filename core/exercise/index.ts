/** What an instructor sets: exercises of steps, each with a goal, criteria and a skill. */
export * from './commandGroups';
export type { Criterion, Exercise, Step } from './exerciseSchema';
export type { Landmark } from './landmark';
export * from './mergeDrafts';
export * from './needed';
export * from './skills';
export * from './stepsOn';
export * from './traineeExercise';
export * from './variants';
