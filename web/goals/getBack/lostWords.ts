import type { GoalOf } from '@core/goals';

/** How one is lost, as an author chooses it. */
export const LOST_WORDS: Record<GoalOf<'getBack'>['lost'], string> = {
  any: 'Any of these, another each time',
  inside: 'The eye inside a part',
  beyond: 'The model out of the frame',
  beneath: 'Beneath the model, too near',
  tiny: 'Too far off to be seen',
  upsideDown: 'Head down',
};
