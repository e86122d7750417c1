import { measureResults } from '../../criteria';
import { keptOf } from '../../navigation';
import type { MakeDetail } from '../detail';
import type { MeasureIt } from './kind';

/** What was measured of what was asked, and what it should be. */
export const measureItDetail: MakeDetail<MeasureIt> = ({ asks }, evidence, model) => {
  const { results, wrong } = measureResults(model.mesh, asks, evidence);
  return {
    kind: 'measured',
    wrong: wrong.length,
    asks: results.map(({ ask, expected, value, scene, points }) => ({
      name: ask.name,
      what: ask.what,
      expected,
      value,
      scene: scene && keptOf(scene),
      points: [...points],
    })),
  };
};
