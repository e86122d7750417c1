import { viewSchema } from '@core';
import { changeModel } from '@server/services/models';
import { endpoint, param, readJson } from '@web/http/answer';
import { z } from 'zod';

const body = z.object({ name: z.string().max(200).optional(), shared: z.boolean().optional(), home: viewSchema.optional() });

export const PATCH = endpoint(async (who, context) => changeModel(who, param(context, 'id'), await readJson(context.request, body)));
