import type { Goal } from '@core/exercise';
import { initialScene, type Scene } from '@core/navigation';

/** The scene that a goal's picture shows: its target, or its cut from the start view; null where a picture tells nothing. */
export function targetSceneOf(goal: Goal, start: Scene): Scene | null {
  if (goal.kind === 'matchView') return goal.target;
  if (goal.kind === 'cutToReveal' && goal.plane) return { ...initialScene(start.view), section: goal.plane };
  return null;
}
