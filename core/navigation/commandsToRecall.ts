import { exact } from '../math';
import { anglesOf, sameView, type View } from '../view';
import type { Command } from './command';
import type { KeptScene, Scene } from './scene';

/** The commands that bring one view to another, whatever they are: the way is made of what anyone could do by hand. */
function viewCommands(from: View, to: View): Command[] {
  if (sameView(from, to)) return [];
  const { azimuth, elevation, roll } = anglesOf(to.orientation);
  const commands: Command[] = [];
  if (from.projection !== to.projection) commands.push({ kind: 'projection', projection: to.projection });
  if (from.fovY !== to.fovY) commands.push({ kind: 'fieldOfView', angle: to.fovY });
  commands.push({ kind: 'centre', point: to.target }, { kind: 'standard', name: 'front' });
  if (azimuth !== 0) commands.push({ kind: 'turn', axis: 'right', angle: azimuth });
  if (elevation !== 0) commands.push({ kind: 'turn', axis: 'up', angle: elevation });
  if (roll !== 0) commands.push({ kind: 'roll', angle: roll });
  // Changing the field of view changes the distance; the factor starts from what it then is.
  const distance = (from.distance * exact.tan(from.fovY / 2)) / exact.tan(to.fovY / 2);
  if (distance !== to.distance) commands.push({ kind: 'zoom', factor: distance / to.distance });
  return commands;
}

function visibilityCommands(from: Scene['visibility'], to: Scene['visibility']): Command[] {
  const same = Object.keys(from).length === Object.keys(to).length && Object.entries(from).every(([id, state]) => to[id] === state);
  if (same) return [];
  const commands: Command[] = Object.keys(from).length > 0 ? [{ kind: 'showAll' }] : [];
  for (const state of ['hidden', 'glass'] as const) {
    const parts = Object.keys(to).filter((id) => to[id] === state);
    if (parts.length > 0) commands.push({ kind: 'show', parts, state });
  }
  return commands;
}

/** The commands that bring a scene to one that was kept: view, cut, visibility and style; none for what is so already. */
export function commandsToRecall(scene: Scene, kept: KeptScene): Command[] {
  const commands = viewCommands(scene.view, kept.view);
  if (JSON.stringify(scene.section) !== JSON.stringify(kept.section)) commands.push({ kind: 'section', plane: kept.section });
  commands.push(...visibilityCommands(scene.visibility, kept.visibility));
  if (scene.style !== kept.style) commands.push({ kind: 'style', style: kept.style });
  return commands;
}
