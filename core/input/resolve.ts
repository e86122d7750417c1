import { backOf, dot, exact, type Vec3 } from '../math';
import type { Command, Scene } from '../navigation';
import { FRAME, frameHeightAt } from '../view';
import { resolveAxes } from './axes';
import { bindingFor } from './bindings';
import type { FramePoint, Gesture, Pick } from './gesture';
import type { Binding, Scheme } from './schemeSchema';

/** A drag of one frame height zooms by this many octaves. */
const DRAG_OCTAVES = 3;
const px = (frameHeights: number): number => frameHeights * FRAME.height;

/** What an orbit turns about, by the scheme's option; undefined: the middle of the view. */
export function pivotFor(scheme: Scheme, scene: Scene, pick: Pick | null): Vec3 | undefined {
  if (scheme.options.pivot === 'target') return undefined;
  if (scheme.options.pivot === 'selection') return scene.selection.point;
  return pick?.point ?? scene.selection.point;
}

function dragged(scheme: Scheme, binding: Binding, does: string, gesture: Extract<Gesture, { kind: 'drag' }>, scene: Scene, pick: Pick | null): Command[] {
  const gain = (binding.gain ?? 1) * (binding.invert ? -1 : 1);
  const du = (gesture.to.u - gesture.last.u) * gain;
  const dv = (gesture.to.v - gesture.last.v) * gain;
  if (does === 'zoomRegion') {
    const r = {
      u0: Math.min(gesture.from.u, gesture.to.u),
      u1: Math.max(gesture.from.u, gesture.to.u),
      v0: Math.min(gesture.from.v, gesture.to.v),
      v1: Math.max(gesture.from.v, gesture.to.v),
    };
    if (!gesture.done || r.u1 - r.u0 < 0.01 || r.v1 - r.v0 < 0.01) return [];
    return [{ kind: 'zoomRegion', ...r, depth: pick?.depth ?? scene.view.distance }];
  }
  if (du === 0 && dv === 0) return [];
  switch (does) {
    case 'orbit': {
      const pivot = pivotFor(scheme, scene, pick);
      return [{ kind: 'orbit', dx: px(du), dy: px(-dv), mode: scheme.options.orbit, ...(pivot ? { pivot } : {}) }];
    }
    case 'pan':
      return [{ kind: 'pan', dx: px(du), dy: px(-dv), ...(pick ? { depth: pick.depth } : {}) }];
    case 'zoom':
      return dv === 0 ? [] : [zoomBy(exact.pow(2, dv * DRAG_OCTAVES), scheme, scene, gesture.from, pick)];
    case 'roll': {
      const angle = exact.atan2(gesture.to.v, gesture.to.u) - exact.atan2(gesture.last.v, gesture.last.u);
      // The model turns with the hand, so the camera rolls the other way.
      return [{ kind: 'roll', angle: -exact.atan2(exact.sin(angle), exact.cos(angle)) * gain }];
    }
    case 'look':
      return [{ kind: 'look', yaw: (du * Math.PI) / 2, pitch: (-dv * Math.PI) / 2 }];
    default:
      return [];
  }
}

function zoomBy(factor: number, scheme: Scheme, scene: Scene, at: FramePoint | null, pick: Pick | null): Command {
  if (scheme.options.zoomTo === 'target' || !at) return { kind: 'zoom', factor };
  return { kind: 'zoom', factor, at: { u: at.u, v: at.v, depth: pick?.depth ?? scene.view.distance } };
}

/** A flat face faces the eye whichever way its triangles are wound. */
function towardsEye(pick: Pick, scene: Scene): Vec3 {
  return dot(pick.normal, backOf(scene.view.orientation)) >= 0 ? pick.normal : [-pick.normal[0], -pick.normal[1], -pick.normal[2]];
}

function atPointer(does: string, scene: Scene, pick: Pick | null): Command[] {
  if (does === 'select') return [pick ? { kind: 'select', parts: [pick.part], point: pick.point, normal: pick.normal } : { kind: 'select', parts: [] }];
  const point = pick?.point ?? scene.selection.point;
  if (!point) return [];
  if (does === 'centre') return [{ kind: 'centre', point }];
  if (does === 'lookAt') return [{ kind: 'lookAt', point }];
  const normal = pick ? towardsEye(pick, scene) : scene.selection.normal;
  if (!normal) return [];
  if (does === 'normalTo') return [{ kind: 'normalTo', point, normal }];
  return [{ kind: 'section', plane: { normal, offset: dot(normal, point) } }];
}

function onSelection(does: string, scene: Scene): Command[] {
  const { parts } = scene.selection;
  if (parts.length === 0) return [];
  if (does === 'isolate') return [{ kind: 'isolate', parts: [...parts] }];
  const state = does === 'hide' ? 'hidden' : 'glass';
  const already = parts.every((id) => scene.visibility[id] === state);
  return [{ kind: 'show', parts: [...parts], state: already ? 'shown' : state }];
}

/**
 * A stored step in the size of the present view: lengths are shares of the frame's height at the target, so that a step
 * looks the same on a buoy and on a watch; the field of view changes by a factor.
 */
function scaled(command: Command, scene: Scene): Command {
  const frame = frameHeightAt(scene.view, scene.view.distance);
  switch (command.kind) {
    case 'shiftSection':
    case 'dolly':
    case 'rise':
      return { ...command, metres: command.metres * frame };
    case 'walk':
      return { ...command, forward: command.forward * frame, right: command.right * frame };
    case 'fieldOfView':
      return { ...command, angle: Math.min(2.4, Math.max(0.12, scene.view.fovY * command.angle)) };
    default:
      return command;
  }
}

const STYLES = ['shadedEdges', 'shaded', 'hiddenLine', 'outline', 'wireframe'] as const;

/**
 * What a gesture means in a scheme: the commands to apply, none when it is not bound. `pick`: what lies under the
 * pointer where the gesture began, found by the stage.
 */
export function resolve(scheme: Scheme, gesture: Gesture, scene: Scene, pick: Pick | null): Command[] {
  const binding = bindingFor(scheme, gesture);
  if (!binding) return [];
  const { command } = binding;
  switch (command.kind) {
    case 'move':
      if (gesture.kind === 'drag') return dragged(scheme, binding, command.does, gesture, scene, pick);
      if (gesture.kind === 'wheel' && gesture.notches !== 0) {
        const notches = gesture.notches * (binding.gain ?? 1) * (binding.invert ? -1 : 1);
        return [zoomBy(exact.pow(scheme.options.notch, notches), scheme, scene, gesture.at, pick)];
      }
      return gesture.kind === 'axes' ? resolveAxes(scheme, gesture.axes, gesture.dt, scene) : [];
    case 'command':
      return [scaled(command.command, scene)];
    case 'atPointer':
      return atPointer(command.does, scene, pick);
    case 'selection':
      return onSelection(command.does, scene);
    case 'toggle':
      if (command.does === 'projection') return [{ kind: 'projection', projection: scene.view.projection === 'perspective' ? 'orthographic' : 'perspective' }];
      return [{ kind: 'style', style: STYLES[(STYLES.indexOf(scene.style) + 1) % STYLES.length] ?? 'shaded' }];
  }
}

/** Why a bound gesture that gave no command did nothing, in words that say what to do; null where silence is right. */
export function whyNothing(scheme: Scheme, gesture: Gesture): string | null {
  if (gesture.kind === 'drag' || gesture.kind === 'axes') return null;
  const command = bindingFor(scheme, gesture)?.command;
  if (command?.kind === 'selection') return 'Nothing is picked: click a part first.';
  if (command?.kind !== 'atPointer') return null;
  return command.does === 'normalTo' || command.does === 'section'
    ? 'No face is meant: point at one, or pick it first.'
    : 'No point is meant: point at the model, or pick a part first.';
}
