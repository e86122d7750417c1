import { signOut } from '@server/services/signIn';
import { answerError, json } from '@web/http/answer';
import { takeSession } from '@web/http/cookie';
import type { APIRoute } from 'astro';

export const POST: APIRoute = async ({ request, cookies, locals }) => {
  try {
    if (locals.token) await signOut(locals.service, locals.token);
    takeSession(request, cookies);
    return json({});
  } catch (error) {
    return answerError(error, locals.requestId);
  }
};
