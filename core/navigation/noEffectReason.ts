import { clampDistance } from '../view';
import type { Command } from './command';
import type { Scene } from './scene';

/** Why a command would show nothing in this scene, in words that say what to do; null when it means something. */
export function noEffectReason(command: Command, scene: Scene): string | null {
  switch (command.kind) {
    case 'dolly':
      return scene.view.projection === 'orthographic'
        ? 'Without perspective, moving the eye forward shows nothing: zoom instead, or switch the projection.'
        : null;
    case 'fieldOfView':
      if (scene.view.projection === 'orthographic') return 'Without perspective there is no stronger or weaker one: switch the projection first.';
      return Math.abs(command.angle - scene.view.fovY) < 1e-9 ? 'The perspective is as strong, or as weak, as it can be.' : null;
    case 'shiftSection':
    case 'flipSection':
      return scene.section ? null : 'There is no cut yet: point at a flat face and cut along it.';
    case 'section':
      return command.plane || scene.section ? null : 'There is no cut to take away.';
    case 'back':
      return scene.history.past.length > 0 ? null : 'This is the first view: there is none to go back to.';
    case 'forward':
      return scene.history.future.length > 0 ? null : 'This is the newest view: there is none to go forward to.';
    case 'showAll':
      return Object.keys(scene.visibility).length > 0 ? null : 'Everything is shown already.';
    case 'zoom':
      return clampDistance(scene.view.distance / command.factor) === scene.view.distance && command.factor !== 1
        ? `This is as ${command.factor > 1 ? 'near' : 'far'} as the eye can go.`
        : null;
    case 'fit':
      return command.what === 'selection' && scene.selection.parts.length === 0 ? 'Nothing is picked: click a part first.' : null;
    default:
      return null;
  }
}
