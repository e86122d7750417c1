import { addScaled, backOf, dot, exact, rightOf, scale, sub, unit, upOf, type Vec3 } from '../math';
import { eyeOf, type View } from './view';

/** Height in metres of the frame at focal distance, in both projections. */
export const frameHeightAtTarget = (view: View): number => 2 * view.distance * exact.tan(view.fovY / 2);

/** Height in metres of the frame at `depth` from the eye. */
export function frameHeightAt(view: View, depth: number): number {
  return view.projection === 'perspective' ? 2 * depth * exact.tan(view.fovY / 2) : frameHeightAtTarget(view);
}

/**
 * Where a world point appears: u, v in frame heights from the frame's centre, v up; depth in metres from the eye along
 * the view axis. At depth <= 0 in perspective u and v mean nothing. One unit is the frame's height, so the aspect does
 * not enter; it is an argument because every frame function takes it.
 */
export function project(view: View, point: Vec3, _aspect: number): { u: number; v: number; depth: number } {
  return projector(view)(point);
}

/** `project` for many points of one view. */
export function projector(view: View): (point: Vec3) => { u: number; v: number; depth: number } {
  const eye = eyeOf(view);
  const [right, up, back] = [rightOf(view.orientation), upOf(view.orientation), backOf(view.orientation)];
  const tangent = exact.tan(view.fovY / 2);
  const flat = view.projection === 'orthographic' ? frameHeightAtTarget(view) : null;
  return (point) => {
    const d = sub(point, eye);
    const depth = -dot(d, back);
    const height = flat ?? 2 * depth * tangent;
    return { u: dot(d, right) / height, v: dot(d, up) / height, depth };
  };
}

/** World ray through a frame point; unit direction. Perspective starts at the eye, orthographic on the plane through it. */
export function rayThrough(view: View, u: number, v: number, _aspect: number): { origin: Vec3; direction: Vec3 } {
  const right = rightOf(view.orientation);
  const up = upOf(view.orientation);
  const forward = scale(backOf(view.orientation), -1);
  const height = frameHeightAtTarget(view);
  if (view.projection === 'orthographic') {
    return { origin: addScaled(addScaled(eyeOf(view), right, u * height), up, v * height), direction: forward };
  }
  const k = height / view.distance;
  return { origin: eyeOf(view), direction: unit(addScaled(addScaled(forward, right, u * k), up, v * k)) ?? forward };
}

/** World point seen at (u, v) at `depth` metres from the eye along the view axis. */
export function pointAt(view: View, u: number, v: number, depth: number): Vec3 {
  const height = frameHeightAt(view, depth);
  const onAxis = addScaled(eyeOf(view), backOf(view.orientation), -depth);
  return addScaled(addScaled(onAxis, rightOf(view.orientation), u * height), upOf(view.orientation), v * height);
}
