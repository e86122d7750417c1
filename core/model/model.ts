import { boxOf, cornersOf, createMemory, hullPoints, type Mesh, middleOf, subjectPoints } from '../geometry';
import type { Vec3 } from '../math';
import { type Context, effectiveVisibility, type Scene } from '../navigation';
import { FRAME, FRAME_ASPECT, fit, orientationFrom, type View } from '../view';

/** What scoring and replay need of a model. */
export interface ScoredModel {
  readonly mesh: Mesh;
  readonly home: View;
}

/** Hiding one part after the other makes many keys. */
const remembered = createMemory<readonly Vec3[]>();

/** Hull points of the parts, computed once a model. */
export function subjectOf(mesh: Mesh, parts: readonly string[]): readonly Vec3[] {
  return remembered(mesh, `subject ${JSON.stringify(parts)}`, () => subjectPoints(mesh, parts));
}

/** Hull points of the parts that are shown. */
export function shownPoints(mesh: Mesh, scene: Scene): readonly Vec3[] {
  if (Object.keys(scene.visibility).length === 0) return subjectOf(mesh, []);
  const states = effectiveVisibility(mesh.parts, scene.visibility);
  const shown = mesh.parts.filter((part, i) => states[i] === 'shown' && part.count > 0).map((part) => part.id);
  if (shown.length === 0) return [];
  return remembered(mesh, `shown ${JSON.stringify(shown)}`, () => hullPoints(ownCorners(mesh, new Set(shown))));
}

/** Corners of exactly these parts, not of what is under them. */
function ownCorners(mesh: Mesh, ids: ReadonlySet<string>): Vec3[] {
  const flat: Mesh = { ...mesh, parts: mesh.parts.filter((part) => ids.has(part.id)).map((part) => ({ ...part, parent: null })) };
  return cornersOf(flat, []);
}

/** Context in which commands on this model run, on the stage and in replay alike. */
export function contextFor(model: ScoredModel, start?: Scene): Context {
  return {
    frame: FRAME,
    home: model.home,
    parts: model.mesh.parts,
    points: (what, scene) =>
      what === 'selection' && scene.selection.parts.length > 0 ? subjectOf(model.mesh, scene.selection.parts) : shownPoints(model.mesh, scene),
    ...(start ? { start } : {}),
  };
}

/** Margin of a model's own home view: the model then takes about 70 % of the frame's height. */
export const HOME_MARGIN = 0.14;

/** Centre of the model's box, metres. */
export function centreOf(mesh: Mesh): Vec3 {
  const box = boxOf(mesh);
  return box ? middleOf(box) : [0, 0, 0];
}

/** The home view a model gets before anyone sets one: from the front right, a little above. */
export function defaultHome(mesh: Mesh): View {
  const view: View = {
    target: [0, 0, 0],
    orientation: orientationFrom({ azimuth: Math.PI / 6, elevation: Math.PI / 9, roll: 0 }),
    distance: 1,
    projection: 'perspective',
    fovY: Math.PI / 5,
  };
  return fit(view, subjectOf(mesh, []), FRAME_ASPECT, HOME_MARGIN);
}
