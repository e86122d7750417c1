import type { AstroCookies } from 'astro';

const LIFE = 14 * 86_400;

/** Whether the browser speaks to us over TLS; a proxy's word for it reaches us only from one that is trusted. */
export const isSecure = (request: Request): boolean => new URL(request.url).protocol === 'https:' || request.headers.get('x-forwarded-proto') === 'https';

/** Over TLS the cookie is bound to this very host, and sent over nothing else. */
const nameFor = (request: Request): string => (isSecure(request) ? '__Host-dh_session' : 'dh_session');

export const sessionToken = (request: Request, cookies: AstroCookies): string | null => cookies.get(nameFor(request))?.value ?? null;

/** Gives the session's cookie: not for scripts, not from other sites. */
export const giveSession = (request: Request, cookies: AstroCookies, token: string): void =>
  cookies.set(nameFor(request), token, { httpOnly: true, sameSite: 'lax', path: '/', maxAge: LIFE, secure: isSecure(request) });

export const takeSession = (request: Request, cookies: AstroCookies): void => cookies.delete(nameFor(request), { path: '/', secure: isSecure(request) });
