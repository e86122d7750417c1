import { draftSchema } from '@core';
import { saveDraft } from '@server/services/exercises';
import { param, staffEndpoint } from '@web/http/answer';
import { MOST, readJson } from '@web/http/body';

export const PUT = staffEndpoint(async (who, context) => saveDraft(who, param(context, 'id'), await readJson(context.request, draftSchema, MOST.draft)));
