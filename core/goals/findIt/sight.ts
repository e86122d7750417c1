import { partsSought, type Sought, withItems } from '../../criteria/findResults';
import { boxOf, createMemory, isInBox, middleOf } from '../../geometry';
import { pictureOf, pixelsOf, SEEN_PIXELS } from '../../measures';
import type { ScoredModel } from '../../model';
import type { Scene } from '../../navigation';
import { eyeOf, FRAME_ASPECT, fit, STANDARD_NAMES, standardOrientation, type View } from '../../view';

/** How much of the frame is left free round a thing that is looked for, and how near one goes, in sizes of the model. */
const MARGIN = 0.12;
const DISTANCES = [1, 0.5, 0.25] as const;

/** A scene from outside that shows a sought thing best, of the square, edge and corner views at three distances; null: none shows it. */
export function sightOf(model: ScoredModel, items: readonly Sought[], number: number, from: Scene): Scene | null {
  const { view, visibility, section } = from;
  const key = JSON.stringify([items, number, visibility, section, view.projection, view.fovY]);
  const found = sights(model.mesh, key, () => bestSight(model, items, number, from));
  return found && { ...from, view: found };
}

const sights = createMemory<View | null>();

function bestSight(model: ScoredModel, items: readonly Sought[], number: number, from: Scene): View | null {
  const mesh = withItems(model.mesh, items);
  const own = partsSought(mesh, items)[number];
  const box = own && boxOf(mesh, own);
  const all = boxOf(model.mesh);
  if (!box || !all) return null;
  const middle = middleOf(box);
  const corners = [all.min, all.max].flatMap(([x]) => [all.min, all.max].flatMap(([, y]) => [all.min, all.max].map(([, , z]) => [x, y, z] as const)));
  let best: View | null = null;
  let most = SEEN_PIXELS - 1;
  for (const name of STANDARD_NAMES) {
    const whole = fit({ ...from.view, orientation: standardOrientation(name) }, corners, FRAME_ASPECT, MARGIN);
    for (const share of DISTANCES) {
      // Nearer one looks at the thing itself.
      const view = share === 1 ? whole : { ...whole, target: middle, distance: whole.distance * share };
      // From outside.
      if (share < 1 && isInBox(all, eyeOf(view))) continue;
      const pixels = pixelsOf(pictureOf(mesh, { ...from, view }), own);
      if (pixels > most) {
        most = pixels;
        best = view;
      }
      // Large enough from afar: no need to go near.
      if (share === 1 && pixels > 10 * SEEN_PIXELS) break;
    }
  }
  return best;
}
