import { archiveExercise, saveDraft } from '@server/services/exercises';
import { serve } from '@web/http/serve';

export const PUT = serve('saveDraft', async (who, { params, body: { draft, base, window } }) => {
  const { conflicts, ...saved } = await saveDraft(who, params.id, draft, { base, window });
  return { ...saved, conflicts: [...conflicts] };
});
export const PATCH = serve('archiveExercise', async (who, { params, body }) => {
  await archiveExercise(who, params.id, body.archived);
  return {};
});
