import { tryOut } from '@server/services/attempts';
import type { AnswerOf } from '@web/http/answers';
import { MOST, readBytes } from '@web/http/body';
import { serve } from '@web/http/serve';

export const POST = serve(
  'tryOut',
  async (who, { context }) => (await tryOut(who, await readBytes(context.request, MOST.try))) as unknown as AnswerOf<'tryOut'>,
);
