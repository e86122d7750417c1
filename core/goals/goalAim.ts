import type { Aim } from '../criteria';
import type { SkillId } from '../exercise/skills';
import type { ScoredModel } from '../model';
import type { Scene } from '../navigation';

/** What a goal asks for, in the terms of the criteria; apart from its kind, so that a page ships no schemas for it. */
export interface GoalAim<G> {
  aim(goal: G, skill: SkillId): Aim;
  /** The scene that its target picture shows, and that the next step begins near; null where a picture tells nothing. */
  pictured(goal: G, start: Scene): Scene | null;
  /** Scenes that the stage itself shows one after the other; while they are secret a browser has pictures of them. */
  readonly shown?: (goal: G, model: ScoredModel) => readonly Scene[];
}
