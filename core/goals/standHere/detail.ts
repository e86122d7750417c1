import { type MakeDetail, NO_DETAIL } from '../detail';
import type { StandHere } from './kind';

/** The pictures say it all. */
export const standHereDetail: MakeDetail<StandHere> = () => NO_DETAIL;
