import { NO_AIM } from '../../criteria/aim';
import { contextFor, type ScoredModel } from '../../model';
import { apply, initialScene, type Scene } from '../../navigation';
import type { GoalAim } from '../goalAim';
import type { WhichWay } from './kind';

/** A question as the stage shows it: nothing cut, nothing picked, and of the model only the part that is asked about. */
export function questionScene({ questions, part }: Pick<WhichWay, 'questions' | 'part'>, model: ScoredModel, number: number): Scene | null {
  const view = questions[number];
  if (!view) return null;
  const scene = initialScene(view);
  return part === undefined ? scene : apply(scene, { kind: 'isolate', parts: [part] }, contextFor(model, scene));
}

/** The views of which it is asked from where they are seen. */
export const whichWayAim: GoalAim<WhichWay> = {
  aim: ({ questions, ask, part }) => ({ ...NO_AIM, subject: part === undefined ? [] : [part], ways: { questions, ask } }),
  pictured: () => null,
  shown: (goal, model) => goal.questions.flatMap((_, number) => questionScene(goal, model, number) ?? []),
};
