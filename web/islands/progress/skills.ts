import type { SkillState } from '@core/progress';
import type { SkillSeen } from '@server/services/progress';
import type { Spread } from '@server/services/spread';

/** A skill under a family of schemes, as pages get it. */
export type SkillLine = Omit<SkillSeen, 'dueAt'> & {
  readonly due: boolean;
  /** Where the middle half of the others in the group are; left out where there are too few, or for the learner's own eyes. */
  readonly spread?: Spread;
};

/** How a skill stands, in a word; nothing where a figure says it. */
export const STATE_WORDS: Record<SkillState, string> = { few: 'few', learning: '', mastered: 'mastered', fading: 'fading' };

/** Colour, and with it a pattern of the bar, of a level. */
export const levelLook = (level: number): string => (level >= 80 ? 'bg-sea' : level >= 60 ? 'bg-amber' : 'hatch');
