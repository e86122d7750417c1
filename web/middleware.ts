import { defineMiddleware } from 'astro:middleware';
import { randomBytes } from 'node:crypto';
import { whoIs } from '@server/services/signIn';
import { answerError, json } from './http/answer';
import { sessionToken } from './http/cookie';
import { errorPage } from './http/errorPage';
import { log } from './http/log';
import { methodsOf } from './http/methods';
import { requestErrors, requestSeconds } from './http/metrics';
import { theService } from './http/service';

const OPEN_PAGES = new Set(['/', '/sign-in', '/join']);
/** What looks after the server asks these; they need neither a person nor the database. */
const WATCHED = new Set(['/healthz', '/metrics']);

declare const __SCRIPT_HASHES__: readonly string[];

/** A change must come from this site's own pages: browsers say where a request comes from. */
function fromHere(request: Request, url: URL): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site) return site === 'same-origin';
  const origin = request.headers.get('origin');
  if (!origin) return false;
  try {
    return new URL(origin).host === (request.headers.get('host') ?? url.host);
  } catch {
    return false;
  }
}

/** Scripts are this site's own files, and the framework's own lines by their hash; styles that packages inject need their rule. */
const POLICY = [
  "default-src 'none'",
  // While one develops, pages hold more scripts, and ask for changes.
  import.meta.env.DEV ? "script-src 'self' 'unsafe-inline'" : `script-src 'self' ${__SCRIPT_HASHES__.map((hash) => `'${hash}'`).join(' ')}`,
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self' data:",
  `connect-src 'self'${import.meta.env.DEV ? ' ws:' : ''}`,
  "worker-src 'self'",
  "form-action 'self'",
  "base-uri 'none'",
  "frame-ancestors 'none'",
].join('; ');

/** The shape of a path, without what names single things: so that figures can be added up. */
const routeOf = (path: string): string =>
  path.startsWith('/api/') || WATCHED.has(path) ? path.replace(/\/(?:[0-9a-f-]{36}|[0-9a-f]{64}|\d+)(?=\/|$)/g, '/:id').slice(0, 60) : 'page';

export const onRequest = defineMiddleware(async (context, next) => {
  const { request, url, cookies, locals } = context;
  const began = performance.now();
  const { method } = request;
  const id = randomBytes(5).toString('hex');
  const api = url.pathname.startsWith('/api/');
  locals.requestId = id;
  locals.who = null;
  locals.token = null;

  const answer = async (): Promise<Response> => {
    if (WATCHED.has(url.pathname)) {
      locals.service = theService();
      return next();
    }
    const changes = method !== 'GET' && method !== 'HEAD';
    if (changes && !fromHere(request, url)) return json({ error: { code: 'origin', message: 'This request did not come from Dial Home itself.' } }, 403);
    locals.service = theService();
    locals.token = sessionToken(request, cookies);
    locals.who = locals.token ? await whoIs(locals.service, locals.token) : null;
    if (!locals.who && !api && !OPEN_PAGES.has(url.pathname)) return context.redirect(`/?next=${encodeURIComponent(url.pathname)}`);
    const made = await next();
    if (!made.headers.get('content-type')?.startsWith('text/html')) return made;
    // Read here to its end, so that a page which breaks off in the middle is answered by one that says so.
    const html = await made.text();
    made.headers.set('Cache-Control', 'no-store');
    return new Response(html, { status: made.status, headers: made.headers });
  };

  let response: Response;
  try {
    response = await answer();
    if (api && response.status === 404 && !response.headers.get('content-type')?.startsWith('application/json')) {
      const allowed = await methodsOf(url.pathname);
      response = allowed
        ? json({ error: { code: 'method', message: `This address answers ${allowed.join(', ')} only.` } }, 405, { Allow: allowed.join(', ') })
        : json({ error: { code: 'not-found', message: 'There is nothing at this address.' } }, 404);
    }
  } catch (error) {
    if (api) response = answerError(error, id);
    else {
      log.error({ id, err: error }, 'page failed');
      response = errorPage(error, id);
    }
  }
  response.headers.set('Content-Security-Policy', POLICY);
  response.headers.set('X-Request-Id', id);
  const ms = performance.now() - began;
  if (response.status >= 500) requestErrors.inc();
  requestSeconds.observe({ method, route: routeOf(url.pathname), status: `${Math.floor(response.status / 100)}xx` }, ms / 1000);
  if (!WATCHED.has(url.pathname))
    log.info({ id, person: (locals.who as { id: string } | null)?.id, method, path: url.pathname, status: response.status, ms: Math.round(ms) });
  return response;
});
