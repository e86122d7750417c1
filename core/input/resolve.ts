import { backOf, dot, exact, type Vec3 } from '../math';
import { type Command, commandsToStand, navigate, type Scene } from '../navigation';
import { FRAME, FRAME_ASPECT, frameHeightAt, nearestStandard, project } from '../view';
import { heldSpeed, repeatedStep } from './acceleration';
import { resolveAxes } from './axes';
import { bindingFor } from './bindings';
import type { FramePoint, FrameRectangle, Gesture, Pick, Surroundings } from './gesture';
import { pivotFor } from './pivot';
import type { Binding, Scheme } from './schemeSchema';

/** A drag of one frame height zooms by this many octaves. */
const DRAG_OCTAVES = 3;
const px = (frameHeights: number): number => frameHeights * FRAME.height;

/** Octaves a second of a zoom key that is held. */
const HELD_OCTAVES = 1.5;
/** Radians a second of a key that turns while it is held. */
const HELD_TURN = 1;
/** Share of the way to the picked point that one approach goes. */
const APPROACH = 0.5;
/** The step that turning bindings are written for, radians. */
const STEP = Math.PI / 12;
/** A rectangle smaller than this, frame heights, is a slip of the hand. */
const SMALLEST = 0.01;

type DragGesture = Extract<Gesture, { kind: 'drag' }>;

/** The rectangle between two points. */
export function rectangleOf(from: FramePoint, to: FramePoint): FrameRectangle {
  return { u0: Math.min(from.u, to.u), u1: Math.max(from.u, to.u), v0: Math.min(from.v, to.v), v1: Math.max(from.v, to.v) };
}

/** Drawn to the right, a rectangle is zoomed into; drawn to the left, what fills the frame goes into it. */
export const zoomsOut = (gesture: { readonly from: FramePoint; readonly to: FramePoint }): boolean => gesture.to.u < gesture.from.u;

/** The rectangle that has to fill the frame so that the present frame lands in `r`. */
function outOf(r: FrameRectangle): FrameRectangle {
  const share = Math.max((r.u1 - r.u0) / FRAME_ASPECT, r.v1 - r.v0);
  const u = -(r.u0 + r.u1) / 2 / share;
  const v = -(r.v0 + r.v1) / 2 / share;
  return { u0: u - FRAME_ASPECT / 2 / share, u1: u + FRAME_ASPECT / 2 / share, v0: v - 0.5 / share, v1: v + 0.5 / share };
}

function boxed(does: string, gesture: DragGesture, scene: Scene, pick: Pick | null, now: Surroundings): Command[] {
  const r = rectangleOf(gesture.from, gesture.to);
  if (!gesture.done || r.u1 - r.u0 < SMALLEST || r.v1 - r.v0 < SMALLEST) return [];
  if (does !== 'zoomRegion') return now.partsInBox ? [{ kind: 'select', parts: now.partsInBox(r, does === 'boxInside') }] : [];
  return [{ kind: 'zoomRegion', ...(zoomsOut(gesture) ? outOf(r) : r), depth: pick?.depth ?? scene.view.distance }];
}

function dragged(scheme: Scheme, binding: Binding, does: string, gesture: DragGesture, scene: Scene, pick: Pick | null, now: Surroundings): Command[] {
  const gain = binding.gain ?? 1;
  const du = (gesture.to.u - gesture.last.u) * gain * (binding.invert === true || binding.invert === 'across' ? -1 : 1);
  const dv = (gesture.to.v - gesture.last.v) * gain * (binding.invert === true || binding.invert === 'upDown' ? -1 : 1);
  if (does === 'zoomRegion' || does === 'boxTouching' || does === 'boxInside') return boxed(does, gesture, scene, pick, now);
  if (does === 'orbit') return orbited(scheme, du, dv, gesture.done, scene, pick, now);
  if (du === 0 && dv === 0) return [];
  switch (does) {
    case 'pan':
      return [{ kind: 'pan', dx: px(du), dy: px(-dv), ...(pick ? { depth: pick.depth } : {}) }];
    case 'zoom': {
      const along = scheme.options.zoomAxis === 'horizontal' ? du : dv;
      return along === 0 ? [] : [zoomBy(exact.pow(2, along * DRAG_OCTAVES), scheme, scene, gesture.from, pick)];
    }
    case 'roll': {
      const angle = exact.atan2(gesture.to.v, gesture.to.u) - exact.atan2(gesture.last.v, gesture.last.u);
      // The model turns with the hand, so the camera rolls the other way.
      return [{ kind: 'roll', angle: -exact.atan2(exact.sin(angle), exact.cos(angle)) * gain * (binding.invert ? -1 : 1) }];
    }
    case 'look':
      return [{ kind: 'look', yaw: (du * Math.PI) / 2, pitch: (-dv * Math.PI) / 2 }];
    default:
      return [];
  }
}

/** Fingers on the screen do what a drag does; two or more may slide, spread and turn the picture at once. */
function touched(
  scheme: Scheme,
  binding: Binding,
  does: string,
  gesture: Extract<Gesture, { kind: 'touch' }>,
  scene: Scene,
  pick: Pick | null,
  now: Surroundings,
): Command[] {
  const drag: DragGesture = { ...gesture, kind: 'drag', button: 'left', modifiers: [] };
  if (does !== 'fingers') return dragged(scheme, binding, does, drag, scene, pick, now);
  const commands = dragged(scheme, binding, 'pan', drag, scene, pick, now);
  if (gesture.spread > 0 && gesture.spread !== 1) commands.push(zoomBy(gesture.spread, scheme, scene, gesture.to, pick));
  // The picture turns with the hand, so the camera rolls the other way.
  if (gesture.twist !== 0) commands.push({ kind: 'roll', angle: -gesture.twist });
  return commands;
}

/** A slide of two fingers on a touchpad is a drag without a button; the model goes with the fingers. */
function scrolled(
  scheme: Scheme,
  binding: Binding,
  does: string,
  gesture: Extract<Gesture, { kind: 'scroll' }>,
  scene: Scene,
  pick: Pick | null,
  now: Surroundings,
): Command[] {
  const to = { u: gesture.at.u + gesture.du, v: gesture.at.v + gesture.dv };
  return dragged(
    scheme,
    binding,
    does,
    { kind: 'drag', button: 'left', modifiers: gesture.modifiers, from: gesture.at, last: gesture.at, to, done: false },
    scene,
    pick,
    now,
  );
}

function orbited(scheme: Scheme, du: number, dv: number, done: boolean, scene: Scene, pick: Pick | null, now: Surroundings): Command[] {
  const commands: Command[] = [];
  let { view } = scene;
  if (du !== 0 || dv !== 0) {
    const pivot = pivotFor(scheme, scene, pick, now);
    const command: Command = { kind: 'orbit', dx: px(du), dy: px(-dv), mode: scheme.options.orbit, ...(pivot ? { pivot } : {}) };
    commands.push(command);
    view = navigate(view, command, { frame: FRAME });
  }
  const { snapWithin } = scheme.options;
  if (done && snapWithin !== undefined) {
    const { angle } = nearestStandard(view.orientation);
    if (angle > 1e-9 && angle < snapWithin) commands.push({ kind: 'snap' });
  }
  return commands;
}

function zoomBy(factor: number, scheme: Scheme, scene: Scene, at: FramePoint | null, pick: Pick | null): Command {
  if (scheme.options.zoomTo === 'target' || !at) return { kind: 'zoom', factor };
  return { kind: 'zoom', factor, at: { u: at.u, v: at.v, depth: pick?.depth ?? scene.view.distance } };
}

/** A flat face faces the eye whichever way its triangles are wound. */
function towardsEye(pick: Pick, scene: Scene): Vec3 {
  return dot(pick.normal, backOf(scene.view.orientation)) >= 0 ? pick.normal : [-pick.normal[0], -pick.normal[1], -pick.normal[2]];
}

function selected(does: string, scene: Scene, pick: Pick | null): Command {
  const { parts } = scene.selection;
  if (!pick) return does === 'selectMore' ? { kind: 'select', ...scene.selection, parts: [...parts] } : { kind: 'select', parts: [] };
  const more = does === 'selectMore' ? (parts.includes(pick.part) ? parts.filter((id) => id !== pick.part) : [...parts, pick.part]) : [pick.part];
  return { kind: 'select', parts: more, point: pick.point, normal: pick.normal };
}

function atPointer(does: string, scene: Scene, pick: Pick | null): Command[] {
  if (does === 'select' || does === 'selectMore') return [selected(does, scene, pick)];
  const point = pick?.point ?? scene.selection.point;
  if (!point) return [];
  if (does === 'centre') return [{ kind: 'centre', point }];
  if (does === 'lookAt') return [{ kind: 'lookAt', point }];
  if (does === 'stand') return commandsToStand(scene.view, point);
  if (does === 'approach') {
    const at = project(scene.view, point, FRAME_ASPECT);
    return scene.view.projection === 'perspective' && at.depth <= 0 ? [] : [{ kind: 'zoom', factor: 1 / (1 - APPROACH), at }];
  }
  const normal = pick ? towardsEye(pick, scene) : scene.selection.normal;
  if (!normal) return [];
  if (does === 'normalTo') return [{ kind: 'normalTo', point, normal }];
  return [{ kind: 'section', plane: { normal, offset: dot(normal, point) } }];
}

/** What a key gives that is kept down, for another `dt` seconds. */
function steady(
  does: string,
  way: number,
  gesture: Extract<Gesture, { kind: 'held' }>,
  scheme: Scheme,
  scene: Scene,
  pick: Pick | null,
  now: Surroundings,
): Command[] {
  const { dt } = gesture;
  if (dt <= 0) return [];
  const speed = now.speed ?? frameHeightAt(scene.view, scene.view.distance) / 2;
  const onGround = now.onFloor ?? true;
  // Walking and turning keep their speed, so that together they make an even arc.
  const eased = scheme.options.accelerate && gesture.age !== undefined ? dt * heldSpeed(gesture.age) : dt;
  switch (does) {
    case 'zoom':
      return [zoomBy(exact.pow(2, way * HELD_OCTAVES * eased), scheme, scene, gesture.at, pick)];
    case 'forward':
      return [{ kind: 'walk', forward: way * speed, right: 0, dt, onGround }];
    case 'slide':
      return [{ kind: 'walk', forward: 0, right: way * speed, dt, onGround }];
    case 'rise':
      return [{ kind: 'rise', metres: way * speed * eased }];
    default:
      return [{ kind: 'look', yaw: -way * HELD_TURN * dt, pitch: 0 }];
  }
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
 * looks the same on a buoy and on a watch; a slide is as long as it says at the depth under the pointer; turns are written
 * for steps of 15° and go by the scheme's own; the field of view changes by a factor.
 */
function scaled(command: Command, scheme: Scheme, scene: Scene, pick: Pick | null): Command {
  const frame = frameHeightAt(scene.view, scene.view.distance);
  switch (command.kind) {
    case 'pan':
      return pick ? { ...command, depth: pick.depth } : command;
    case 'turn':
      return { ...command, angle: command.angle * ((scheme.options.step ?? STEP) / STEP) };
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

/** A step of a key that repeats: slides and changes of size grow, turns stay exact. */
function grown(command: Command, repeats: number): Command {
  if (repeats === 0) return command;
  const times = repeatedStep(repeats);
  switch (command.kind) {
    case 'pan':
      return { ...command, dx: command.dx * times, dy: command.dy * times };
    case 'zoom':
      return { ...command, factor: exact.pow(command.factor, times) };
    case 'dolly':
    case 'rise':
    case 'shiftSection':
      return { ...command, metres: command.metres * times };
    case 'walk':
      return { ...command, forward: command.forward * times, right: command.right * times };
    default:
      return command;
  }
}

const STYLES = ['shadedEdges', 'shaded', 'hiddenLine', 'outline', 'wireframe'] as const;

/**
 * What a gesture means in a scheme: the commands to apply, none when it is not bound or only helps the eye. `pick`: what
 * lies under the pointer where the gesture began; `now`: what else the stage found; `binding`: what the gesture is bound to,
 * where that is known already or is none of the scheme's own.
 */
export function resolve(
  scheme: Scheme,
  gesture: Gesture,
  scene: Scene,
  pick: Pick | null,
  now: Surroundings = {},
  binding: Binding | null = bindingFor(scheme, gesture, now.standing),
): Command[] {
  if (!binding) return [];
  const { command } = binding;
  switch (command.kind) {
    case 'move':
      if (gesture.kind === 'drag') return dragged(scheme, binding, command.does, gesture, scene, pick, now);
      if (gesture.kind === 'wheel' && gesture.notches !== 0) {
        const notches = gesture.notches * (binding.gain ?? 1) * (binding.invert ? -1 : 1);
        return [zoomBy(exact.pow(scheme.options.notch, notches), scheme, scene, gesture.at, pick)];
      }
      if (gesture.kind === 'touch') return touched(scheme, binding, command.does, gesture, scene, pick, now);
      if (gesture.kind === 'scroll') return scrolled(scheme, binding, command.does, gesture, scene, pick, now);
      if (gesture.kind === 'pinch') return gesture.factor > 0 && gesture.factor !== 1 ? [zoomBy(gesture.factor, scheme, scene, gesture.at, pick)] : [];
      return gesture.kind === 'axes' ? resolveAxes(scheme, gesture.axes, gesture.dt, scene) : [];
    case 'steady':
      return gesture.kind === 'held' ? steady(command.does, command.way * (binding.gain ?? 1), gesture, scheme, scene, pick, now) : [];
    case 'command':
      return [grown(scaled(command.command, scheme, scene, pick), gesture.kind === 'key' && scheme.options.accelerate ? (gesture.repeats ?? 0) : 0)];
    case 'atPointer':
      return atPointer(command.does, scene, pick);
    case 'selection':
      return onSelection(command.does, scene);
    case 'toggle':
      if (command.does === 'projection') return [{ kind: 'projection', projection: scene.view.projection === 'perspective' ? 'orthographic' : 'perspective' }];
      return [{ kind: 'style', style: STYLES[(STYLES.indexOf(scene.style) + 1) % STYLES.length] ?? 'shaded' }];
    case 'aid':
      return [];
  }
}

/** Why a bound gesture that gave no command did nothing, in words that say what to do; null where silence is right. */
export function whyNothing({ command }: { readonly command: Binding['command'] }, gesture: Gesture): string | null {
  if (gesture.kind === 'drag' || gesture.kind === 'axes' || gesture.kind === 'held') return null;
  if (command.kind === 'selection') return 'Nothing is picked: click a part first.';
  if (command.kind !== 'atPointer') return null;
  if (command.does === 'normalTo' || command.does === 'section') return 'No face is meant: point at one, or pick it first.';
  if (command.does === 'stand') return 'No place is meant: point at a floor, or pick it first.';
  return 'No point is meant: point at the model, or pick a part first.';
}
