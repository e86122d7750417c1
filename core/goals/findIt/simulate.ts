import { PICKED, partsSought, withItems } from '../../criteria';
import { isAllowed } from '../../exercise/commandGroups';
import { drawDepths } from '../../geometry';
import { commandsToRecall, type Scene } from '../../navigation';
import type { Actor } from '../../simulation/actor';
import { FRAME_ASPECT, pointAt } from '../../view';
import type { FindIt } from './kind';
import { sightOf } from './sight';
import { findItTask } from './task';

/** A place in the frame at which a thing is shown best in the middle of what is seen of it; null: it is not shown. */
function placeIn(goal: FindIt, number: number, { model }: Actor, scene: Scene): { u: number; v: number; depth: number } | null {
  const mesh = withItems(model.mesh, goal.items);
  const own = partsSought(mesh, goal.items)[number];
  const { ids, depths } = drawDepths(mesh, scene, PICKED.width, PICKED.height);
  const seen: number[] = [];
  ids.forEach((id, pixel) => {
    if (id > 0 && own?.has(id - 1)) seen.push(pixel);
  });
  const pixel = seen[Math.floor(seen.length / 2)];
  if (pixel === undefined) return null;
  return {
    u: (((pixel % PICKED.width) + 0.5) / PICKED.width - 0.5) * FRAME_ASPECT,
    v: 0.5 - (Math.floor(pixel / PICKED.width) + 0.5) / PICKED.height,
    depth: depths[pixel] as number,
  };
}

/** Looks for each thing, and picks it where it is seen; a clumsy learner looks about for long and picks beside it. */
export function simulateFindIt(actor: Actor, goal: FindIt): void {
  const { recorder, hand, random, learner, step, model, allowed } = actor;
  const now = () => ({ t: recorder.time(), scene: recorder.scene() });
  let asked = findItTask.next(goal, findItTask.begin(goal, step.seed), now());
  const forget = recorder.onCommand((command, gesture) => {
    asked = findItTask.next(goal, asked.state, { ...now(), command, gesture });
    for (const event of asked.events) recorder.event({ ...event, step: step.index });
  });
  const pick = (at: { u: number; v: number; depth: number }, part: string): void => {
    recorder.grasp();
    recorder.command({ kind: 'select', parts: [part], point: pointAt(recorder.scene().view, at.u, at.v, at.depth) });
    recorder.release();
  };
  const mesh = withItems(model.mesh, goal.items);
  goal.items.forEach((_, number) => {
    hand.react();
    for (let i = 0; i < 3 && random.next() < learner.slips; i++) {
      hand.orbit(1.2 * random.normal(), 0.3 * random.normal());
      recorder.wait(3 * learner.reaction);
    }
    const shown = { ...recorder.scene(), visibility: {}, section: null };
    let sight = sightOf(model, goal.items, number, shown);
    if (!sight && isAllowed('show', allowed)) {
      // Behind others: all that is in the way is made glass.
      const own = partsSought(mesh, goal.items)[number];
      const visibility = Object.fromEntries(
        mesh.parts.flatMap((part, n) => (own?.has(n) || part.count === 0 || n >= model.mesh.parts.length ? [] : [[part.id, 'glass' as const]])),
      );
      sight = sightOf(model, goal.items, number, { ...shown, visibility });
    }
    if (!sight) return;
    for (const command of commandsToRecall(recorder.scene(), { view: sight.view, section: null, visibility: sight.visibility, style: sight.style }))
      if (isAllowed(command.kind, allowed)) hand.press(command);
    const at = placeIn(goal, number, actor, recorder.scene());
    const own = [...(partsSought(mesh, goal.items)[number] ?? [])].map((n) => mesh.parts[n]).find((part) => (part?.count ?? 0) > 0);
    if (!at || !own) return;
    hand.react();
    if (random.next() < learner.slips) {
      const beside = model.mesh.parts.find((part) => part.count > 0 && part.id !== own.id);
      if (beside) pick({ ...at, u: at.u + 0.2 }, beside.id);
      hand.react();
    }
    pick(at, own.id);
  });
  forget();
}
