import { changeRole, deletePerson, renamePerson, setActive } from '@server/services/roster';
import { serve } from '@web/http/serve';

export const PATCH = serve('changePerson', async (who, { params, body: { name, role, active } }) => {
  if (name !== undefined) await renamePerson(who, params.id, name);
  if (role !== undefined) await changeRole(who, params.id, role);
  if (active !== undefined) await setActive(who, params.id, active);
  return {};
});
export const DELETE = serve('deletePerson', async (who, { params, body }) => {
  await deletePerson(who, params.id, body.heirId);
  return {};
});
