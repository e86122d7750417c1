import { plainTask } from '../plainTask';

/** The inner lines on the stage say what is asked. */
export const frameItTask = plainTask;
