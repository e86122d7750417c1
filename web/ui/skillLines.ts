import type { SkillSeen } from '@server/services/progress';
import type { SkillLine } from '@web/islands/progress/skills';

/** Skills of a learner as islands get them. */
export const skillLines = (skills: readonly SkillSeen[], now: Date): SkillLine[] =>
  skills.map(({ skill, family, shown, state, count, lastDay, dueAt }) => ({ skill, family, shown, state, count, lastDay, due: dueAt <= now }));
