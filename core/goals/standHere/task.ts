import { plainTask } from '../plainTask';

/** The picture and the mark on the floor say it all. */
export const standHereTask = plainTask;
