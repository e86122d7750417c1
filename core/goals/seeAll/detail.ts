import { measuredOf } from '../../criteria';
import { surfaceOf } from '../../measures';
import type { MakeDetail } from '../detail';
import { seeAllAim } from './aim';
import type { SeeAll } from './kind';

/** To a tenth of a millimetre of a metre, as a picture needs it. */
const rounded = (x: number): number => Math.round(x * 1e4) / 1e4;

/** The places that were seen and those that were not, and the directions that one looked from. */
export const seeAllDetail: MakeDetail<SeeAll> = (goal, evidence, model) => {
  const seen = measuredOf(seeAllAim.aim(goal, 'orbit'), model, evidence.after, evidence).seen();
  const { samples } = surfaceOf(model.mesh, goal.parts);
  return {
    kind: 'seen',
    places: seen
      ? samples.map(({ point, normal }, i) => ({
          at: point.map(rounded) as unknown as typeof point,
          to: normal.map(rounded) as unknown as typeof normal,
          seen: seen.leftOut.has(i) ? null : seen.seen[i] === 1,
        }))
      : [],
    directions: seen?.directions.map((direction) => direction.map(rounded) as unknown as typeof direction) ?? [],
  };
};
