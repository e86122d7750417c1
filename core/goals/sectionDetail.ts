import type { Evidence } from '../criteria';
import { type Plane, sectionArea } from '../geometry';
import { contoursOf, projectContours } from '../measures';
import type { ScoredModel } from '../model';
import type { Scene } from '../navigation';
import type { StepDetail } from './detail';

/** One's own cut laid over the target's, in the target plane's axes. `parts`: how the target shows its parts. */
export function sectionDetail(plane: Plane, parts: Scene['visibility'], { after }: Evidence, { mesh }: ScoredModel): StepDetail {
  const target = contoursOf(mesh, { ...after, section: plane, visibility: parts });
  const own = contoursOf(mesh, after);
  return {
    kind: 'section',
    mine: after.section ? projectContours(own, after.section, plane) : [],
    target,
    mineArea: sectionArea(own),
    targetArea: sectionArea(target),
  };
}
