import { viewSchema } from '@core';
import { changeModel } from '@server/services/models';
import { param, staffEndpoint } from '@web/http/answer';
import { readJson } from '@web/http/body';
import { z } from 'zod';

const body = z.object({ name: z.string().max(200).optional(), shared: z.boolean().optional(), home: viewSchema.optional() });

export const PATCH = staffEndpoint(async (who, context) => changeModel(who, param(context, 'id'), await readJson(context.request, body)));
