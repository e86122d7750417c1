import { z } from 'zod';
import { partsUnder } from '../../geometry';
import { pictureOf, showsAny } from '../../measures';
import { sceneSchema } from '../../navigation/sceneSchema';
import type { GoalKind } from '../goalKind';
import { partsSchema } from '../parts';
import { matchViewAim } from './aim';
import { matchViewCriteria } from './criteria';

/** Reach the recorded scene. `subject`: what size and placement look at. */
export const matchViewSchema = z.object({ kind: z.literal('matchView'), target: sceneSchema, subject: partsSchema });
export type MatchView = z.infer<typeof matchViewSchema>;

const redactedSchema = z.strictObject({ kind: z.literal('matchView') });

export const matchView: GoalKind<MatchView, z.infer<typeof redactedSchema>> = {
  id: 'matchView',
  label: 'Match a view',
  says: 'Reach the view that you record.',
  skill: 'orbit',
  schema: matchViewSchema,
  redactedSchema,
  create: (scene) => ({ kind: 'matchView', target: scene, subject: [] }),
  ...matchViewAim,
  criteria: matchViewCriteria,
  partsNamed: ({ target, subject }) => [...subject, ...Object.keys(target.visibility)],
  faults: () => [],
  doubts: ({ target, subject }, _, { mesh }) =>
    showsAny(pictureOf(mesh, target), partsUnder(mesh, subject))
      ? []
      : [{ message: 'the target shows nothing of the subject: set another target, or another subject', field: 'goal' }],
  redact: () => ({ kind: 'matchView' }),
};
