import { deleteGroup, renameGroup } from '@server/services/people';
import { serve } from '@web/http/serve';

export const PATCH = serve('renameGroup', (who, { params, body }) => renameGroup(who, params.id, body.name).then(() => ({})));
export const DELETE = serve('deleteGroup', (who, { params }) => deleteGroup(who, params.id).then(() => ({})));
