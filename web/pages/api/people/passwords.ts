import { newPasswords } from '@server/services/passwords';
import { serve } from '@web/http/serve';

export const POST = serve('newPasswords', async (who, { body: { personIds } }) => ({ people: await newPasswords(who, [...new Set(personIds)]) }));
