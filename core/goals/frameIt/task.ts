import { contextFor, subjectOf } from '../../model';
import { apply } from '../../navigation';
import type { GoalTask } from '../goalKind';
import type { RedactedOf } from '../kinds';
import { plainTask } from '../plainTask';
import { fitBetween } from './fitBetween';

/** The inner lines on the stage say what is asked, and a fit means them. */
export const frameItTask: GoalTask<RedactedOf<'frameIt'>, boolean> = {
  ...plainTask,
  meant(goal, command, scene, model) {
    if (command.kind !== 'fit') return null;
    const fitted = apply(scene, command, contextFor(model, scene));
    return { commands: [command, ...fitBetween(fitted.view, subjectOf(model.mesh, goal.subject), goal.margins)], binding: 'fit between the lines' };
  },
};
