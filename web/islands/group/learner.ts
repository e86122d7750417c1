import type { Concern } from '@core/progress';
import type { SkillLine } from '@web/islands/progress/skills';

/** How a learner stands with one exercise. */
export interface StandingLine {
  readonly exerciseId: string;
  readonly attempts: number;
  readonly best: number | null;
  /** The attempt that was the best. */
  readonly bestId: string | null;
  readonly flashes: number;
  readonly stuck: boolean;
}

/** A learner as the group's page gets them. */
export interface Learner {
  readonly id: string;
  readonly name: string;
  readonly skills: readonly SkillLine[];
  readonly standings: readonly StandingLine[];
  /** Scores of the latest attempts that count, oldest first. */
  readonly latest: readonly number[];
  readonly lastAt: string | null;
  readonly concerns: readonly Concern[];
}

/** An exercise that a group was given. */
export interface AssignmentLine {
  readonly exerciseId: string;
  readonly title: string;
  readonly version: number;
  readonly newest: number;
  /** Given by itself, not only within a course. */
  readonly alone: boolean;
}
