import { quickResults } from '../../criteria';
import type { MakeDetail } from '../detail';
import type { QuickCalls } from './kind';

/** What became of each call. */
export const quickCallsDetail: MakeDetail<QuickCalls> = (goal, evidence) => ({ kind: 'quick', calls: quickResults(goal, evidence) });
