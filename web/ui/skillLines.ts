import type { SkillSeen } from '@server/services/progress';
import type { Spread } from '@server/services/spread';
import type { SkillLine } from '@web/islands/progress/skills';

/** Skills of a learner as islands get them. `spreads`: where others are, by `skill family`. */
export const skillLines = (skills: readonly SkillSeen[], now: Date, spreads?: ReadonlyMap<string, Spread>): SkillLine[] =>
  skills.map(({ skill, family, shown, state, count, lastDay, dueAt }) => {
    const spread = spreads?.get(`${skill} ${family}`);
    return { skill, family, shown, state, count, lastDay, due: dueAt <= now, ...(spread ? { spread } : {}) };
  });
