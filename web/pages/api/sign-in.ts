import { signIn } from '@server/services/signIn';
import { answerError, json } from '@web/http/answer';
import { MOST, readJson } from '@web/http/body';
import { giveSession } from '@web/http/cookie';
import type { APIRoute } from 'astro';
import { z } from 'zod';

const body = z.object({ name: z.string().min(1, 'write your name').max(200), password: z.string().min(1, 'write your password').max(200) });

export const POST: APIRoute = async ({ request, cookies, locals, clientAddress }) => {
  try {
    const { name, password } = await readJson(request, body, MOST.signIn);
    const { token, person } = await signIn(locals.service, name, password, clientAddress);
    giveSession(request, cookies, token);
    return json({ role: person.role });
  } catch (error) {
    return answerError(error, locals.requestId);
  }
};
