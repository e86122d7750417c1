import { angleBetween, backOf, type Vec3 } from '../../math';
import type { View } from '../../view';
import type { GoalTask, TaskStep } from '../goalKind';
import type { RedactedOf } from '../kinds';
import { plainTask } from '../plainTask';
import type { FollowOrbit } from './kind';

/** So near to an end of the line one has reached it, radians. */
const AT_END = (6 * Math.PI) / 180;
/** Of the line's own angles this share must have been turned since its start before its end counts: a line may end where it began. */
const UNDER_WAY = 0.5;

export interface LineState {
  /** The line's angles in all, radians. */
  readonly length: number;
  /** Whether anything was done yet: all that is known where the line is secret. */
  readonly tried: boolean;
  readonly next: 'ring' | 'square' | 'there';
  /** Present direction from the pivot to the eye. */
  readonly direction: Vec3 | null;
  /** What was turned since the start of the line was left, radians. */
  readonly turned: number;
}

const directionOf = (view: View): Vec3 => backOf(view.orientation);

function lengthOf(path: FollowOrbit['path']): number {
  return path.reduce((sum, { view }, i) => sum + (i === 0 ? 0 : angleBetween(directionOf((path[i - 1] as (typeof path)[number]).view), directionOf(view))), 0);
}

/** To the start of the line, and along it to its end: what comes next is said. */
export const followOrbitTask: GoalTask<RedactedOf<'followOrbit'>, LineState> = {
  begin: (goal) => ({ length: lengthOf((goal as Partial<FollowOrbit>).path ?? []), tried: false, next: 'ring', direction: null, turned: 0 }),
  next(goal, before, input): TaskStep<LineState> {
    const { path } = goal as Partial<FollowOrbit>;
    const direction = directionOf(input.scene.view);
    if (!path) {
      const { state: tried, done } = plainTask.next(goal, before.tried, input);
      return { state: { ...before, tried, direction }, events: [], prompt: null, done, again: null };
    }
    const [first, last] = [path[0], path.at(-1)].map((entry) => directionOf((entry as (typeof path)[number]).view)) as [Vec3, Vec3];
    const turned = before.turned + (before.direction ? angleBetween(before.direction, direction) : 0);
    let state: LineState = { ...before, tried: before.tried || input.command !== undefined, direction, turned };
    const underWay = state.next !== 'ring' && turned >= UNDER_WAY * before.length;
    if (state.next === 'square' && underWay && angleBetween(direction, last) <= AT_END) state = { ...state, next: 'there' };
    // Whoever comes back to the start begins anew.
    else if (!underWay && angleBetween(direction, first) <= AT_END) state = { ...state, next: 'square', turned: 0 };
    return { state, events: [], prompt: { code: 'line', next: state.next }, done: state.next === 'there', again: null };
  },
};
