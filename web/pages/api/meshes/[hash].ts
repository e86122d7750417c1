import { openMeshFile } from '@server/services/models';
import { immutable } from '@web/http/answer';
import { serve } from '@web/http/serve';

export const GET = serve('mesh', async (who, { params }) => {
  const { size, stream } = await openMeshFile(who, params.hash);
  return immutable(stream, 'application/octet-stream', size);
});
