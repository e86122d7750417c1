import { type MakeDetail, NO_DETAIL } from '../detail';
import { sectionDetail } from '../sectionDetail';
import type { CutToReveal } from './kind';

/** The two cuts laid over each other, where one is asked. */
export const cutToRevealDetail: MakeDetail<CutToReveal> = ({ plane }, evidence, model) => (plane ? sectionDetail(plane, {}, evidence, model) : NO_DETAIL);
