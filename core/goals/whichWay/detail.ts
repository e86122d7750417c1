import { wayResults } from '../../criteria';
import type { MakeDetail } from '../detail';
import type { WhichWay } from './kind';

/** What became of each question. */
export const whichWayDetail: MakeDetail<WhichWay> = ({ questions, ask, part }, evidence) => ({
  kind: 'ways',
  part: part ?? null,
  questions: wayResults({ questions, ask }, evidence),
});
