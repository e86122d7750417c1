import { plainTask } from '../plainTask';

/** Nothing is asked in between: what is left to see is told by the live help. */
export const seeAllTask = plainTask;
