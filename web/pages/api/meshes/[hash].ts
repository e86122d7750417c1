import { openMeshFile } from '@server/services/models';
import { endpoint, immutable, param } from '@web/http/answer';

export const GET = endpoint(async (who, context) => {
  const { size, stream } = await openMeshFile(who, param(context, 'hash'));
  return immutable(stream, 'application/octet-stream', size);
});
