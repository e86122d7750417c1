import { type Exercise, startFor } from '../exercise';
import { ownStarts } from '../goals/ownStarts';
import { simulateGoal } from '../goals/simulation';
import type { Scheme } from '../input';
import { randomFrom } from '../math';
import { contextFor, type ScoredModel } from '../model';
import { TRACE_FORMAT, type Trace } from '../trace';
import { createRecorder } from './recorder';
import { createHand, type SimulatedLearner } from './simulatedHand';

export type { SimulatedLearner } from './simulatedHand';

/**
 * An attempt as a learner might make it: minimum-jerk movements (Flash & Hogan 1985) whose ends miss by a share of
 * their length, followed by corrective ones (Meyer et al. 1988), with lognormal reaction times. The same seed gives the
 * same trace.
 */
export function simulateAttempt(
  exercise: Pick<Exercise, 'start' | 'variants' | 'steps' | 'allowed' | 'model'> & { id: string; version: number },
  model: ScoredModel,
  scheme: Scheme,
  learner: SimulatedLearner,
  seed: number,
): Trace {
  const random = randomFrom(seed);
  const start = startFor(exercise, seed >>> 0);
  const recorder = createRecorder(start, contextFor(model, start), scheme);
  const hand = createHand(recorder, scheme, learner, random);
  const own = ownStarts(exercise.steps, model, start, seed >>> 0);
  recorder.wait(1.5 + 2 * random.next());
  recorder.event({ kind: 'begin' });
  exercise.steps.forEach((step, index) => {
    recorder.begin(own(index));
    hand.react();
    simulateGoal({ recorder, hand, random, learner, model, allowed: exercise.allowed, step: { index, skill: step.skill, seed } }, step.goal);
    recorder.wait(0.8);
    if (index < exercise.steps.length - 1) recorder.event({ kind: 'stepDone', step: index });
  });
  recorder.event({ kind: 'handIn' });
  return {
    format: TRACE_FORMAT,
    exercise: { id: exercise.id, version: exercise.version },
    model: exercise.model,
    scheme: { id: scheme.id, revision: scheme.revision },
    start,
    seed: seed >>> 0,
    moves: recorder.moves,
    events: recorder.events,
    end: recorder.time(),
  };
}
