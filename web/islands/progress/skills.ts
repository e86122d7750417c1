import type { SchemeFamily } from '@core/input';
import type { LevelShown, SkillState } from '@core/progress';

/** A skill under a family of schemes, as pages get it. */
export interface SkillLine {
  readonly skill: string;
  readonly family: SchemeFamily;
  readonly shown: LevelShown;
  readonly state: SkillState;
  readonly count: number;
  readonly lastDay: string;
  readonly due: boolean;
}

/** How a skill stands, in a word; nothing where a figure says it. */
export const STATE_WORDS: Record<SkillState, string> = { few: 'few', learning: '', mastered: 'mastered', fading: 'fading' };

/** Colour, and with it a pattern of the bar, of a level. */
export const levelLook = (level: number): string => (level >= 80 ? 'bg-sea' : level >= 60 ? 'bg-amber' : 'hatch');
