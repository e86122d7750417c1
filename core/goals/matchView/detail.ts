import { type MakeDetail, NO_DETAIL } from '../detail';
import { sectionDetail } from '../sectionDetail';
import type { MatchView } from './kind';

/** The pictures say it all; where the target is cut, the two cuts are laid over each other. */
export const matchViewDetail: MakeDetail<MatchView> = ({ target }, evidence, model) =>
  target.section ? sectionDetail(target.section, target.visibility, evidence, model) : NO_DETAIL;
