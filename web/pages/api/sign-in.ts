import { signIn } from '@server/services/signIn';
import { answerError, json, readJson, SESSION_COOKIE } from '@web/http/answer';
import { COOKIE } from '@web/http/cookie';
import type { APIRoute } from 'astro';
import { z } from 'zod';

const body = z.object({ name: z.string().min(1, 'write your name').max(200), password: z.string().min(1, 'write your password').max(200) });

export const POST: APIRoute = async ({ request, cookies, locals, clientAddress }) => {
  try {
    const { name, password } = await readJson(request, body);
    const { token, person } = await signIn(locals.service, name, password, clientAddress);
    cookies.set(SESSION_COOKIE, token, COOKIE);
    return json({ role: person.role });
  } catch (error) {
    return answerError(error);
  }
};
