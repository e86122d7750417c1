import { isRecovered, measuredOf, shortestWayBack } from '../../criteria';
import { isAllowed } from '../../exercise/commandGroups';
import type { Actor } from '../../simulation/actor';
import { turnTo } from '../../simulation/actor';
import { anglesOf } from '../../view';
import { getBackAim } from './aim';
import type { GetBack } from './kind';

/** What is tried by hand before one gives up, movements. */
const BY_HAND = 6;

/** Looks about as one who is lost does, the clumsier the longer; then takes the shortest way that is known. */
export function simulateGetBack(actor: Actor, goal: GetBack): void {
  const { recorder, hand, learner, random, model, allowed } = actor;
  const aim = getBackAim.aim(goal, 'recover');
  const now = () => measuredOf(aim, model, recorder.scene(), null);
  for (let i = 0; i < BY_HAND && random.next() < learner.slips * 2; i++) {
    hand.react();
    hand.orbit(random.normal(), 0.3 * random.normal());
  }
  hand.react();
  const way = shortestWayBack(now(), ({ kind }) => isAllowed(kind, allowed));
  for (const command of way ?? []) hand.press(command);
  if (!isRecovered(now()) && isAllowed('orbit', allowed)) {
    const { azimuth } = anglesOf(recorder.scene().view.orientation);
    turnTo(actor, azimuth, 0.4, learner.corrections);
  }
  recorder.wait(1.2);
}
