import { draftSchema, saveDraft } from '@server/services/exercises';
import { endpoint, param, readJson } from '@web/http/answer';

export const PUT = endpoint(async (who, context) => saveDraft(who, param(context, 'id'), await readJson(context.request, draftSchema)));
