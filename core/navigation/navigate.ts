import {
  aboutX,
  aboutZ,
  add,
  addScaled,
  backOf,
  between,
  conjugate,
  exact,
  fromAxisAngle,
  length,
  multiply,
  normalise,
  type Quat,
  rightOf,
  rotate,
  sub,
  unit,
  upOf,
  type Vec3,
} from '../math';
import {
  anglesOf,
  centre,
  clampDistance,
  fit,
  frameHeightAt,
  lookAt,
  nearestStandard,
  orientationFrom,
  pointAt,
  standardOrientation,
  type View,
} from '../view';
import type { Command } from './command';
import type { Context } from './context';
import { initialScene } from './scene';

export const DEFAULT_MARGIN = 0.05;
/** `opposite` treats a view this close to straight up or down as a plan view, radians. */
const PLAN_TOLERANCE = 1e-6;

/** Turns the camera about a fixed world point, which keeps its place on the screen. */
function turnAbout(view: View, pivot: Vec3, orientation: Quat): View {
  const { target, distance, projection, fovY } = view;
  if (pivot === target) return { target, orientation, distance, projection, fovY };
  const q = multiply(orientation, conjugate(view.orientation));
  return { target: add(pivot, rotate(q, sub(target, pivot))), orientation, distance, projection, fovY };
}

/**
 * The orientation with azimuth and elevation changed and roll kept, stopping at the poles. The roll is read off the
 * screen's own vertical, so that no angle has to be taken apart and put together again.
 */
function turned(q: Quat, right: number, up: number): Quat {
  // World up in camera axes; its part in the screen's plane is as long as the cosine of the elevation.
  const ux = 2 * (q[0] * q[2] - q[3] * q[1]);
  const uy = 2 * (q[1] * q[2] + q[3] * q[0]);
  const uz = 1 - 2 * (q[0] * q[0] + q[1] * q[1]);
  const flat = Math.sqrt(ux * ux + uy * uy);
  if (flat < 1e-10) {
    const now = anglesOf(q);
    return orientationFrom({ azimuth: now.azimuth + right, elevation: Math.min(Math.PI / 2, Math.max(-Math.PI / 2, now.elevation + up)), roll: now.roll });
  }
  let rise = up;
  if (up !== 0) {
    const elevation = exact.atan2(uz, flat);
    rise = Math.min(Math.PI / 2, Math.max(-Math.PI / 2, elevation + up)) - elevation;
  }
  // About world up, then about the level axis of the screen.
  const sa = exact.sin(right / 2);
  const ca = exact.cos(right / 2);
  const sr = exact.sin(-rise / 2) / flat;
  const cr = exact.cos(rise / 2);
  const bx = uy * sr;
  const by = -ux * sr;
  const ax = ca * q[0] - sa * q[1];
  const ay = ca * q[1] + sa * q[0];
  const az = ca * q[2] + sa * q[3];
  const aw = ca * q[3] - sa * q[2];
  const x = ax * cr + aw * bx - az * by;
  const y = ay * cr + aw * by + az * bx;
  const z = az * cr + ax * by - ay * bx;
  const w = aw * cr - ax * bx - ay * by;
  const k = 1 / Math.sqrt(x * x + y * y + z * z + w * w);
  return [x * k, y * k, z * k, w * k];
}

function orbit(view: View, dx: number, dy: number, mode: 'turntable' | 'trackball', pivot: Vec3, height: number): View {
  const right = (-dx * Math.PI) / height;
  const up = (dy * Math.PI) / height;
  if (mode === 'trackball') {
    const angle = length([up, right, 0]);
    const axis = unit([-up, right, 0]);
    return axis ? turnAbout(view, pivot, normalise(multiply(view.orientation, fromAxisAngle(axis, angle)))) : view;
  }
  return turnAbout(view, pivot, turned(view.orientation, right, up));
}

function turn(view: View, axis: 'left' | 'right' | 'up' | 'down', angle: number): View {
  const orientation =
    axis === 'right' || axis === 'left'
      ? multiply(aboutZ(axis === 'right' ? angle : -angle), view.orientation)
      : multiply(view.orientation, aboutX(axis === 'up' ? -angle : angle));
  return { ...view, orientation: normalise(orientation) };
}

function pan(view: View, dx: number, dy: number, depth: number, height: number): View {
  const metres = frameHeightAt(view, depth) / height;
  return { ...view, target: addScaled(addScaled(view.target, rightOf(view.orientation), -dx * metres), upOf(view.orientation), dy * metres) };
}

function zoom(view: View, factor: number, at: { u: number; v: number; depth: number } | undefined): View {
  const distance = clampDistance(view.distance / factor);
  if (!at) return { ...view, distance };
  const shrink = distance / view.distance;
  const fixed = pointAt(view, at.u, at.v, at.depth);
  return { ...view, distance, target: addScaled(fixed, sub(view.target, fixed), shrink) };
}

function zoomRegion(view: View, r: { u0: number; v0: number; u1: number; v1: number; depth: number }, aspect: number): View {
  const wanted = Math.min(aspect / (r.u1 - r.u0), 1 / (r.v1 - r.v0));
  const distance = clampDistance(view.distance / wanted);
  const shrink = distance / view.distance;
  const middle = pointAt(view, (r.u0 + r.u1) / 2, (r.v0 + r.v1) / 2, r.depth);
  return { ...view, distance, target: addScaled(middle, backOf(view.orientation), r.depth * shrink - distance) };
}

function opposite(view: View): View {
  const now = anglesOf(view.orientation);
  const plan = Math.PI / 2 - Math.abs(now.elevation) < PLAN_TOLERANCE;
  if (plan) return { ...view, orientation: orientationFrom({ ...now, elevation: -now.elevation }) };
  return { ...view, orientation: normalise(multiply([0, 0, 1, 0], view.orientation)) };
}

function normalTo(view: View, point: Vec3, normal: Vec3): View {
  const wanted = unit(normal);
  if (!wanted) return view;
  const q = between(backOf(view.orientation), wanted, upOf(view.orientation));
  return { ...view, target: point, orientation: normalise(multiply(q, view.orientation)) };
}

function look(view: View, yaw: number, pitch: number): View {
  const now = anglesOf(view.orientation);
  const elevation = Math.min(Math.PI / 2, Math.max(-Math.PI / 2, now.elevation - pitch));
  const orientation = orientationFrom({ azimuth: now.azimuth + yaw, elevation, roll: now.roll });
  const eye = addScaled(view.target, backOf(view.orientation), view.distance);
  return { ...view, orientation, target: addScaled(eye, backOf(orientation), -view.distance) };
}

function walk(view: View, forward: number, right: number, onGround: boolean): View {
  if (!onGround) {
    return { ...view, target: addScaled(addScaled(view.target, backOf(view.orientation), -forward), rightOf(view.orientation), right) };
  }
  const { azimuth } = anglesOf(view.orientation);
  const s = exact.sin(azimuth);
  const c = exact.cos(azimuth);
  return { ...view, target: add(view.target, [-s * forward + c * right, c * forward + s * right, 0]) };
}

/**
 * The camera part of every command: pure, total and deterministic. Commands on the scene and on the history leave the
 * view as it is; see `apply`. Pixel arguments refer to `context.frame`.
 */
export function navigate(view: View, command: Command, context: Context): View {
  const { width, height } = context.frame;
  switch (command.kind) {
    case 'orbit':
      return orbit(view, command.dx, command.dy, command.mode, command.pivot ?? view.target, height);
    case 'turn':
      return turn(view, command.axis, command.angle);
    case 'roll':
      return { ...view, orientation: normalise(multiply(view.orientation, aboutZ(command.angle))) };
    case 'pan':
      return pan(view, command.dx, command.dy, command.depth ?? view.distance, height);
    case 'zoom':
      return zoom(view, command.factor, command.at);
    case 'dolly':
      return { ...view, target: addScaled(view.target, backOf(view.orientation), -command.metres) };
    case 'zoomRegion':
      return zoomRegion(view, command, width / height);
    case 'fit': {
      const points = context.points?.(command.what, initialScene(view)) ?? [];
      return fit(view, points, width / height, command.margin ?? DEFAULT_MARGIN);
    }
    case 'centre':
      return centre(view, command.point);
    case 'lookAt':
      return lookAt(view, command.point);
    case 'standard':
      return { ...view, orientation: standardOrientation(command.name) };
    case 'opposite':
      return opposite(view);
    case 'home':
      return context.home ?? view;
    case 'normalTo':
      return normalTo(view, command.point, command.normal);
    case 'snap':
      return { ...view, orientation: nearestStandard(view.orientation).orientation };
    case 'level': {
      const now = anglesOf(view.orientation);
      return { ...view, orientation: orientationFrom({ azimuth: now.azimuth, elevation: command.verticals ? 0 : now.elevation, roll: 0 }) };
    }
    case 'reset':
      return context.start?.view ?? context.home ?? view;
    case 'look':
      return look(view, command.yaw, command.pitch);
    case 'walk':
      return walk(view, command.forward * command.dt, command.right * command.dt, command.onGround);
    case 'rise':
      return { ...view, target: add(view.target, [0, 0, command.metres]) };
    case 'projection':
      return { ...view, projection: command.projection };
    case 'fieldOfView': {
      const distance = clampDistance((view.distance * exact.tan(view.fovY / 2)) / exact.tan(command.angle / 2));
      return { ...view, fovY: command.angle, distance };
    }
    default:
      return view;
  }
}
