/** The session cookie: not for scripts, not from other sites. */
export const COOKIE = { httpOnly: true, sameSite: 'lax', path: '/', maxAge: 14 * 86_400 } as const;
