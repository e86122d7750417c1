import { signOut } from '@server/services/signIn';
import { json, SESSION_COOKIE } from '@web/http/answer';
import type { APIRoute } from 'astro';

export const POST: APIRoute = async ({ cookies, locals }) => {
  if (locals.token) await signOut(locals.service, locals.token);
  cookies.delete(SESSION_COOKIE, { path: '/' });
  return json({});
};
