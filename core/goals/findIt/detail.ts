import { findResults, partsSought, withItems } from '../../criteria';
import { boxOf, middleOf } from '../../geometry';
import { keptOf } from '../../navigation';
import { FRAME_ASPECT, project } from '../../view';
import type { MakeDetail } from '../detail';
import type { FindIt } from './kind';
import { sightOf } from './sight';

/** Where each thing was, from the view in which it was found; what was not found from one in which it could have been. */
export const findItDetail: MakeDetail<FindIt> = ({ items }, evidence, model) => {
  const { finds, wrong } = findResults(model.mesh, items, evidence);
  const mesh = withItems(model.mesh, items);
  const sought = partsSought(mesh, items);
  return {
    kind: 'finds',
    wrong: wrong.length,
    items: finds.map(({ item, t, seconds, scene, at }, number) => {
      const shown = scene ?? sightOf(model, items, number, evidence.before);
      const box = sought[number] && boxOf(mesh, sought[number]);
      const middle = box && shown ? project(shown.view, middleOf(box), FRAME_ASPECT) : null;
      return { name: item.name, found: t !== null, seconds, scene: shown && keptOf(shown), at: at ?? (middle && { u: middle.u, v: middle.v }) };
    }),
  };
};
