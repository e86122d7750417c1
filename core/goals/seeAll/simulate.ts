import { createSeenSoFar } from '../../criteria';
import { isAllowed } from '../../exercise/commandGroups';
import { type Actor, turnTo } from '../../simulation/actor';
import { type StandardName, standardAngles } from '../../view';
import { seeAllAim } from './aim';
import type { SeeAll } from './kind';

/** Once round at eye level, over and under, then the corners. */
const TOUR: readonly StandardName[] = [
  'front',
  'right',
  'rear',
  'left',
  'top',
  'bottom',
  'top-front-right',
  'top-rear-left',
  'top-rear-right',
  'top-front-left',
  'bottom-front-right',
  'bottom-rear-left',
  'bottom-rear-right',
  'bottom-front-left',
];

/** Goes round until content; who is clumsy is content early. */
export function simulateSeeAll(actor: Actor, goal: SeeAll): void {
  const { recorder, hand, random, learner, model, allowed } = actor;
  const toSee = seeAllAim.aim(goal, 'orbit').see;
  if (!toSee) return;
  const seen = createSeenSoFar(model, toSee);
  seen.add(recorder.scene());
  const content = 0.02 + 0.7 * learner.slips;
  for (const name of TOUR) {
    if (seen.unseen() <= content) break;
    const { azimuth, elevation } = standardAngles(name);
    hand.react();
    if (isAllowed('standard', allowed) && random.next() > learner.slips) hand.press({ kind: 'standard', name });
    else turnTo(actor, azimuth, elevation, learner.corrections);
    if (goal.parts.length === 0 && isAllowed('fit', allowed)) hand.press({ kind: 'fit', what: 'all' });
    else if (isAllowed('fit', allowed)) {
      hand.press({ kind: 'select', parts: goal.parts });
      hand.press({ kind: 'fit', what: 'selection' });
    }
    recorder.wait(0.6);
    seen.add(recorder.scene());
  }
}
