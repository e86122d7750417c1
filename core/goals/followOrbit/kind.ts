import { z } from 'zod';
import { partName, partRound } from '../../geometry';
import { eyeOf } from '../../view';
import { vec3Schema, viewSchema } from '../../view/viewSchema';
import type { GoalKind } from '../goalKind';
import { followOrbitAim } from './aim';
import { followOrbitCriteria } from './criteria';

/** Repeat a recorded way round a pivot. `path`: seconds and views, as the author went. */
export const followOrbitSchema = z.object({
  kind: z.literal('followOrbit'),
  pivot: vec3Schema,
  path: z
    .array(z.object({ t: z.number().min(0).max(3600), view: viewSchema }))
    .min(2)
    .max(4000),
});
export type FollowOrbit = z.infer<typeof followOrbitSchema>;

const redactedSchema = z.strictObject({ kind: z.literal('followOrbit') });

export const followOrbit: GoalKind<FollowOrbit, z.infer<typeof redactedSchema>> = {
  id: 'followOrbit',
  label: 'Follow an orbit',
  says: 'Repeat a way round that you record.',
  skill: 'pivot',
  schema: followOrbitSchema,
  redactedSchema,
  create: ({ view }) => ({
    kind: 'followOrbit',
    pivot: view.target,
    path: [
      { t: 0, view },
      { t: 1, view },
    ],
  }),
  ...followOrbitAim,
  criteria: followOrbitCriteria,
  partsNamed: () => [],
  faults: () => [],
  doubts: ({ path }, _, { mesh }) => {
    const part = path.map(({ view }) => partRound(mesh, eyeOf(view))).find((number) => number >= 0);
    const id = part === undefined ? undefined : mesh.parts[part]?.id;
    return id === undefined
      ? []
      : [{ message: `the line passes inside “${partName(mesh.parts, id)}”, where nothing of it is seen: record it farther out`, field: 'goal' }];
  },
  redact: () => ({ kind: 'followOrbit' }),
};
