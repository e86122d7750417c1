import { plainTask } from '../plainTask';

/** The line on the stage says where to go. */
export const followOrbitTask = plainTask;
