import type { Aim } from '../criteria';
import type { SkillId } from '../exercise/skills';
import type { Scene } from '../navigation';

/** What a goal asks for, in the terms of the criteria; apart from its kind, so that a page ships no schemas for it. */
export interface GoalAim<G> {
  aim(goal: G, skill: SkillId): Aim;
  /** The scene that its target picture shows, and that the next step begins near; null where a picture tells nothing. */
  pictured(goal: G, start: Scene): Scene | null;
}
