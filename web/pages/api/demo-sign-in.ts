import { demoSignIn } from '@server/services/signIn';
import { answerError, json, readJson, SESSION_COOKIE } from '@web/http/answer';
import { COOKIE } from '@web/http/cookie';
import { isDemo } from '@web/http/service';
import type { APIRoute } from 'astro';
import { z } from 'zod';

export const POST: APIRoute = async ({ request, cookies, locals }) => {
  try {
    const { name } = await readJson(request, z.object({ name: z.string().max(60) }));
    const { token, person } = await demoSignIn(locals.service, name, isDemo());
    cookies.set(SESSION_COOKIE, token, COOKIE);
    return json({ role: person.role });
  } catch (error) {
    return answerError(error);
  }
};
