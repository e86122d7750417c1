import { aimedParts } from '../criteria/reach';
import type { Exercise, Step } from '../exercise';
import { isAllowed } from '../exercise/commandGroups';
import { boxOf, drawIds, isInBox, type Mesh, middleOf, partRound } from '../geometry';
import { aimOf } from '../goals';
import { addScaled, dot, exact, scale, type Vec3 } from '../math';
import { evenDirections, lookFrom, PICTURE } from '../measures';
import { type ScoredModel, subjectOf } from '../model';
import type { Scene } from '../navigation';
import { eyeOf, FRAME_ASPECT, fit, type View } from '../view';

import type { Finding } from './examine';

/** How something can be seen: as things are; only with other parts glass or hidden; only with a cut or from inside; not at all. */
export type Reach = 'open' | 'behind' | 'within' | 'never';

/** What of a step cannot be reached as its exercise allows. `never`: nobody can, and it cannot be published. */
export interface ReachFinding {
  readonly name: string;
  readonly reach: Exclude<Reach, 'open'>;
  readonly message: string;
}

/** A finding for which a reason of the author's is enough. */
export interface ReachFault extends Finding {
  readonly asksReason: boolean;
}

/** What an exercise allows, and where it begins. */
export type ReachRules = Pick<Exercise, 'allowed' | 'start'>;

/** Something is seen from so many pixels of the picture on. */
const SEEN = 12;
/** Shares of the distance at which all fits the frame. */
const DISTANCES = [1, 0.5, 0.25] as const;
/** Eye places inside stand in a grid of so many each way. */
const GRID = 3;
/** A look inside takes in this, radians: six of them all round. */
const WIDE = Math.PI / 2;
const SIX: readonly Vec3[] = [
  [0, -1, 0],
  [1, 0, 0],
  [0, 1, 0],
  [-1, 0, 0],
  [0, 0, 1],
  [0, 0, -1],
];

/** The view from a direction in which all fits the frame. */
const wholeView = ({ mesh, home }: ScoredModel, direction: Vec3): View =>
  fit({ ...home, orientation: lookFrom(direction) }, subjectOf(mesh, []), FRAME_ASPECT, 0);

/** Nearer and nearer to a place, from where all fits. */
const nearing = (whole: View, at: Vec3): View[] => DISTANCES.map((share) => (share === 1 ? whole : { ...whole, target: at, distance: whole.distance * share }));

/** Places for an eye inside the model: a grid, without those in the material of a part. */
function insidePlaces(mesh: Mesh): Vec3[] {
  const box = boxOf(mesh);
  if (!box) return [];
  const at = (k: 0 | 1 | 2, i: number): number => box.min[k] + ((i + 0.5) / GRID) * (box.max[k] - box.min[k]);
  const steps = Array.from({ length: GRID }, (_, i) => i);
  return steps.flatMap((x) => steps.flatMap((y) => steps.map((z): Vec3 => [at(0, x), at(1, y), at(2, z)]))).filter((place) => partRound(mesh, place) < 0);
}

/** Whether some parts are seen in one of the scenes, which are tried in their order. */
function isSeen(mesh: Mesh, parts: ReadonlySet<number>, looks: Iterable<Scene>, tick: () => void, only?: ReadonlySet<number>): boolean {
  for (const scene of looks) {
    tick();
    const ids = drawIds(mesh, scene, PICTURE.width, PICTURE.height, only);
    let count = 0;
    for (const id of ids) if (id > 0 && parts.has(id - 1) && ++count >= SEEN) return true;
  }
  return false;
}

/** Cuts through a place that look open from one of six sides each. */
function* cutLooks(model: ScoredModel, start: Scene, at: Vec3): Generator<Scene> {
  for (const normal of SIX) {
    const section = { normal, offset: dot(at, normal) };
    for (const view of nearing(wholeView(model, normal), at)) yield { ...start, section, view };
  }
}

function* insideLooks(model: ScoredModel, start: Scene, places: readonly Vec3[]): Generator<Scene> {
  const far = exact.tan(model.home.fovY / 2) * model.home.distance;
  for (const eye of places)
    for (const way of SIX)
      yield {
        ...start,
        view: { target: addScaled(eye, scale(way, -1), far), orientation: lookFrom(way), distance: far, projection: 'perspective', fovY: WIDE },
      };
}

/** Words for what is missing, and how to mend it. */
function messageOf(name: string, reach: Exclude<Reach, 'open'>): string {
  if (reach === 'never') return `“${name}” can be seen from nowhere, also with all else hidden or cut: place it otherwise, or leave it out`;
  const why =
    reach === 'behind'
      ? 'is behind other parts, and hiding them is not allowed: allow “Hide, glass, style”'
      : 'is seen only in a cut or from inside: allow “Section” or “Look and walk”';
  return `“${name}” ${why}, or say below why it can be reached all the same`;
}

/**
 * Whether what a step asks to be found or laid open can be seen at all, and by what its exercise allows: from 162 directions
 * (a twice divided icosahedron) at three distances, from eye places inside, with all other parts hidden, in cuts.
 * `progress` hears of the share that is done, 0 … 1.
 */
export function reachable(
  step: Pick<Step, 'goal' | 'skill'>,
  model: ScoredModel,
  rules: ReachRules,
  progress: (share: number) => void = () => {},
): ReachFinding[] {
  const { mesh, things } = aimedParts(model.mesh, aimOf(step));
  if (things.length === 0) return [];
  const start: Scene = { ...rules.start, view: model.home };
  const wholes = evenDirections().map((direction) => wholeView(model, direction));
  const box = boxOf(model.mesh);
  let places: readonly Vec3[] | null = null;
  const all = DISTANCES.length * wholes.length * things.length;
  let done = 0;
  const tick = (): void => progress(Math.min(1, ++done / all));
  const may = { hide: isAllowed('show', rules.allowed), cut: isAllowed('section', rules.allowed), walk: isAllowed('walk', rules.allowed) };
  const found = things.flatMap(({ name, parts }): ReachFinding[] => {
    const own = boxOf(mesh, parts);
    const sees = (looks: Iterable<Scene>, only?: ReadonlySet<number>): boolean => isSeen(mesh, parts, looks, tick, only);
    if (!own) return [{ name, reach: 'never', message: messageOf(name, 'never') }];
    const at = middleOf(own);
    const near = wholes
      .flatMap((whole) => nearing(whole, at))
      .filter((view) => !box || !isInBox(box, eyeOf(view)))
      .map((view): Scene => ({ ...start, view }));
    const bare = near.map((scene): Scene => ({ ...scene, visibility: {}, section: null }));
    // What is allowed and soon found out comes first: most things need no search at all.
    const behind = sees(bare, parts);
    if (behind && may.hide) return [];
    const cuts = (): boolean => sees(cutLooks(model, { ...start, section: null }, at));
    if (may.cut && cuts()) return [];
    if (sees(near)) return [];
    places ??= insidePlaces(model.mesh);
    const inside = sees(insideLooks(model, start, places));
    if (inside && may.walk) return [];
    const reach = behind ? 'behind' : inside || (!may.cut && cuts()) ? 'within' : 'never';
    return [{ name, reach, message: messageOf(name, reach) }];
  });
  progress(1);
  return found;
}

/**
 * What keeps an exercise from being published: what is never reached, and what is beyond its rules without a reason given.
 * `progress` hears of the share that is done, 0 … 1.
 */
export function reachFaults(content: Exercise, model: ScoredModel, progress: (share: number) => void = () => {}): ReachFault[] {
  const { steps } = content;
  return steps.flatMap((step, i) => {
    if (step.off) return [];
    return reachable(step, model, content, (share) => progress((i + share) / steps.length))
      .filter(({ reach }) => reach === 'never' || !step.reachReason)
      .map(({ message, reach }) => ({ message: `Step ${i + 1}: ${message}.`, field: `steps.${i}.goal`, asksReason: reach !== 'never' }));
  });
}
