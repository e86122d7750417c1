import { signIn } from '@server/services/signIn';
import { answerError, json } from '@web/http/answer';
import { MOST, readJson } from '@web/http/body';
import { CONTRACT } from '@web/http/contract';
import { giveSession } from '@web/http/cookie';
import type { APIRoute } from 'astro';

export const POST: APIRoute = async ({ request, cookies, locals, clientAddress }) => {
  try {
    const { name, password } = await readJson(request, CONTRACT.signIn.request, MOST.signIn);
    const { token, person } = await signIn(locals.service, name, password, clientAddress);
    giveSession(request, cookies, token);
    return json({ role: person.role });
  } catch (error) {
    return answerError(error, locals.requestId);
  }
};
