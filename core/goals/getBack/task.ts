import type { GoalTask } from '../goalKind';
import { plainTask } from '../plainTask';

/** Nothing is asked in between; the step begins in a lost view. */
export const getBackTask: GoalTask<unknown, boolean> = { ...plainTask, ownStart: true };
