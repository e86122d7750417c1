import { join } from '@server/services/joining';
import { answerError, json } from '@web/http/answer';
import { MOST, readJson } from '@web/http/body';
import { CONTRACT } from '@web/http/contract';
import { giveSession } from '@web/http/cookie';
import type { APIRoute } from 'astro';

export const POST: APIRoute = async ({ request, cookies, locals, clientAddress }) => {
  try {
    const { token, person } = await join(locals.service, await readJson(request, CONTRACT.join.request, MOST.signIn), clientAddress);
    giveSession(request, cookies, token);
    return json({ signIn: person.signIn });
  } catch (error) {
    return answerError(error, locals.requestId);
  }
};
