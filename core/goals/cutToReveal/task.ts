import { plainTask } from '../plainTask';

/** The picture and the parts to reveal say what is asked. */
export const cutToRevealTask = plainTask;
