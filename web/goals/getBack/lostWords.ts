import type { GoalOf } from '@core/goals';

/** How one is lost, as an author chooses it. */
export const LOST: readonly { readonly id: GoalOf<'getBack'>['lost']; readonly label: string }[] = [
  { id: 'any', label: 'Any of these, another each time' },
  { id: 'inside', label: 'The eye inside a part' },
  { id: 'beyond', label: 'The model out of the frame' },
  { id: 'beneath', label: 'Beneath the model, too near' },
  { id: 'tiny', label: 'Too far off to be seen' },
  { id: 'upsideDown', label: 'Head down' },
];
