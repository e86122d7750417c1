import { drawnFor, isSpotShown } from '../../criteria';
import { isAllowed } from '../../exercise/commandGroups';
import { createMemory, type FeaturePick } from '../../geometry';
import { unit, type Vec3 } from '../../math';
import type { ScoredModel } from '../../model';
import { commandsToRecall, type Scene } from '../../navigation';
import type { Actor } from '../../simulation/actor';
import { FRAME_ASPECT, project, STANDARD_NAMES, standardOrientation } from '../../view';
import { facing } from '../../view/aim';
import type { TaskEvent } from '../goalKind';
import type { MeasureIt } from './kind';
import { measureItTask } from './task';

type Made = Extract<TaskEvent, { kind: 'measure' }>['a'];

/** A scene in which a spot can be picked: square on it, from a standard view, or with all other parts away; null: none is known. */
function sightOf({ model, recorder, allowed }: Actor, pick: FeaturePick): Scene | null {
  const now = recorder.scene();
  const hides = isAllowed('show', allowed);
  const { projection, fovY } = now.view;
  const found = sights(model.mesh, JSON.stringify([pick, hides, projection, fovY]), () => lookedFor(model, now, pick, hides));
  return found && { ...now, section: null, ...found };
}

/** Where a spot was seen from, found out once. */
const sights = createMemory<Pick<Scene, 'view' | 'visibility'> | null>();

function lookedFor(model: ScoredModel, now: Scene, pick: FeaturePick, hides: boolean): Pick<Scene, 'view' | 'visibility'> | null {
  const normal = unit(pick.normal) as Vec3;
  const { projection, fovY } = now.view;
  const alone = Object.fromEntries(model.mesh.parts.filter((part) => part.count > 0 && part.id !== pick.part).map((part) => [part.id, 'hidden' as const]));
  const orientations = [facing(model.home.orientation, normal), ...STANDARD_NAMES.map(standardOrientation)];
  for (const visibility of hides ? [{}, alone] : [{}]) {
    for (const orientation of orientations) {
      const view = { ...model.home, projection, fovY, orientation, target: pick.point, distance: model.home.distance / 2 };
      const scene: Scene = { ...now, visibility, section: null, view };
      const { u, v } = project(scene.view, pick.point, FRAME_ASPECT);
      if (isSpotShown(model.mesh, scene, drawnFor(model.mesh, scene), pick, u, v)) return { view: scene.view, visibility };
    }
  }
  return null;
}

/** Picks what an author picked, as it is seen; a clumsy learner now and then picks something else, and measures again. */
export function simulateMeasureIt(actor: Actor, goal: MeasureIt): void {
  const { recorder, hand, random, learner, step, allowed } = actor;
  const now = () => ({ t: recorder.time(), scene: recorder.scene() });
  let asked = measureItTask.next(goal, measureItTask.begin(goal, step.seed), now());
  const made = (pick: FeaturePick): Made | null => {
    const scene = sightOf(actor, pick);
    if (!scene) return null;
    for (const command of commandsToRecall(recorder.scene(), { view: scene.view, section: null, visibility: scene.visibility, style: scene.style }))
      if (isAllowed(command.kind, allowed)) hand.press(command);
    hand.react();
    const { u, v } = project(recorder.scene().view, pick.point, FRAME_ASPECT);
    return { ...pick, t: recorder.time(), u, v };
  };
  const measure = (ask: string, a: FeaturePick, b: FeaturePick | undefined): void => {
    const first = made(a);
    const second = b && made(b);
    if (!first || (b && !second)) return;
    asked = measureItTask.next(goal, asked.state, { ...now(), measured: { ask, a: first, ...(second ? { b: second } : {}) } });
    for (const event of asked.events) recorder.event({ ...event, step: step.index });
  };
  for (const { id, a, b } of goal.asks) {
    const other = goal.asks[random.below(goal.asks.length)];
    // Something else first, and perhaps that is left so.
    if (other && random.next() < learner.slips) {
      measure(id, other.a, b ? (other.b ?? other.a) : undefined);
      if (random.next() < learner.slips / 2) continue;
    }
    measure(id, a, b);
  }
}
