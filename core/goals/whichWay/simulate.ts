import { exact } from '../../math';
import type { Actor } from '../../simulation/actor';
import { anglesOf } from '../../view';
import type { WhichWay } from './kind';
import { whichWayTask } from './task';

/** Answers each view after a look at it; a clumsy learner takes it for its mirror picture now and then. */
export function simulateWhichWay({ recorder, random, learner, step }: Actor, goal: WhichWay): void {
  const now = () => ({ t: recorder.time(), scene: recorder.scene() });
  const written = (made: ReturnType<typeof whichWayTask.next>): typeof made => {
    for (const event of made.events) recorder.event({ ...event, step: step.index });
    return made;
  };
  let asked = written(whichWayTask.next(goal, whichWayTask.begin(goal, step.seed), { ...now(), confirm: true }));
  for (const { orientation } of goal.questions) {
    recorder.wait(2 + learner.reaction * 3 * exact.exp(0.3 * random.normal()));
    const truth = anglesOf(orientation);
    const mirrored = random.next() < learner.slips;
    const azimuth = (mirrored ? Math.PI - truth.azimuth : truth.azimuth) + learner.noise * random.normal();
    const elevation = truth.elevation + learner.noise * random.normal();
    asked = written(whichWayTask.next(goal, asked.state, { ...now(), answer: { azimuth, elevation } }));
  }
}
