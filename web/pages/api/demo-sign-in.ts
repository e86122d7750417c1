import { demoSignIn } from '@server/services/signIn';
import { answerError, json } from '@web/http/answer';
import { MOST, readJson } from '@web/http/body';
import { CONTRACT } from '@web/http/contract';
import { giveSession } from '@web/http/cookie';
import { isDemo } from '@web/http/service';
import type { APIRoute } from 'astro';

export const POST: APIRoute = async ({ request, cookies, locals }) => {
  try {
    const { name } = await readJson(request, CONTRACT.demoSignIn.request, MOST.signIn);
    const { token, person } = await demoSignIn(locals.service, name, isDemo());
    giveSession(request, cookies, token);
    return json({ role: person.role });
  } catch (error) {
    return answerError(error, locals.requestId);
  }
};
