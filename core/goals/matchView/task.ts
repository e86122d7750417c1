import { plainTask } from '../plainTask';

/** Nothing is asked in between: the picture says it all. */
export const matchViewTask = plainTask;
