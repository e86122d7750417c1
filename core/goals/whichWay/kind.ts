import { z } from 'zod';
import { partsUnder } from '../../geometry';
import { pictureOf, samePicture, shapePicture, showsAny } from '../../measures';
import type { ScoredModel } from '../../model';
import { anglesOf } from '../../view';
import { viewSchema } from '../../view/viewSchema';
import type { Fault, GoalKind } from '../goalKind';
import { questionScene, whichWayAim } from './aim';
import { whichWayCriteria } from './criteria';

/** Most views that are asked about in one step. */
export const MOST_QUESTIONS = 12;
/** From steeper than this there is no side to tell, radians. */
const STEEP = (75 * Math.PI) / 180;

const askSchema = z.enum(['side', 'side and height']);
const partSchema = z.string().min(1).max(1000).optional();

/** From where is it seen: views are shown one after the other, and the direction to the eye is answered. `part`: all that is shown; left out, the model. */
export const whichWaySchema = z.object({
  kind: z.literal('whichWay'),
  questions: z.array(viewSchema).min(1, 'ask about at least one view').max(MOST_QUESTIONS, `at most ${MOST_QUESTIONS} questions`),
  ask: askSchema,
  part: partSchema,
});
export type WhichWay = z.infer<typeof whichWaySchema>;

/** The views are the answers: a browser knows how many there are. The whole goal has them itself, and no `count`. */
const redactedSchema = z.strictObject({ kind: z.literal('whichWay'), count: z.number().int().optional(), ask: askSchema, part: partSchema });

/** What is wrong with each view by itself, and which two nobody can tell apart. */
function questionFaults(goal: WhichWay, model: ScoredModel): Fault[] {
  const subject = partsUnder(model.mesh, goal.part === undefined ? [] : [goal.part]);
  const scenes = goal.questions.flatMap((_, number) => questionScene(goal, model, number) ?? []);
  const fault = (message: string): Fault => ({ message, field: 'goal' });
  const blank = scenes.findIndex((scene) => !showsAny(pictureOf(model.mesh, scene), subject));
  if (blank >= 0) return [fault(`question ${blank + 1} shows nothing of what is asked about: set another view`)];
  const steep = goal.ask === 'side' ? scenes.findIndex(({ view }) => Math.abs(anglesOf(view.orientation).elevation) > STEEP) : -1;
  if (steep >= 0)
    return [fault(`question ${steep + 1} is seen from straight above or beneath, where there is no side: ask for side and height, or set another view`)];
  const pictures = scenes.map((scene) => shapePicture(model.mesh, scene));
  for (let i = 0; i < pictures.length; i++) {
    for (let k = i + 1; k < pictures.length; k++) {
      if (samePicture(pictures[i] as Uint16Array, pictures[k] as Uint16Array))
        return [fault(`questions ${i + 1} and ${k + 1} show the same picture, and nobody can tell them apart: set another view`)];
    }
  }
  return [];
}

export const whichWay: GoalKind<WhichWay, z.infer<typeof redactedSchema>> = {
  id: 'whichWay',
  label: 'Which way',
  says: 'A view is shown and stands still: tell from which side it is seen.',
  skill: 'facing',
  schema: whichWaySchema,
  redactedSchema,
  create: ({ view }) => ({ kind: 'whichWay', questions: [view], ask: 'side' }),
  ...whichWayAim,
  criteria: whichWayCriteria,
  partsNamed: ({ part }) => (part === undefined ? [] : [part]),
  faults: (goal, _, model) => questionFaults(goal, model),
  redact: ({ kind, questions, ask, part }) => ({ kind, count: questions.length, ask, ...(part === undefined ? {} : { part }) }),
};
