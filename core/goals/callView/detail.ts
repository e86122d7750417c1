import { callResults } from '../../criteria';
import type { MakeDetail } from '../detail';
import type { CallView } from './kind';

/** What became of each call. */
export const callViewDetail: MakeDetail<CallView> = ({ calls, order }, evidence) => ({
  kind: 'calls',
  calls: callResults({ list: calls, order }, evidence).map(({ view: _, ...result }) => result),
});
