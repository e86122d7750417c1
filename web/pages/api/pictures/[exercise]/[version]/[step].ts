import { pictureBytes } from '@server/services/exercises';
import { endpoint, immutable, param } from '@web/http/answer';

export const GET = endpoint(async (who, context) =>
  immutable(await pictureBytes(who, param(context, 'exercise'), Number(param(context, 'version')), Number(param(context, 'step'))), 'image/png'),
);
