import { defineMiddleware } from 'astro:middleware';
import { randomBytes } from 'node:crypto';
import { whoIs } from '@server/services/signIn';
import { json, SESSION_COOKIE } from './http/answer';
import { openService } from './http/service';

const OPEN_PAGES = new Set(['/', '/sign-in']);

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

function policy(nonce: string): string {
  return [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "connect-src 'self'",
    "worker-src 'self'",
    "form-action 'self'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
  ].join('; ');
}

export const onRequest = defineMiddleware(async (context, next) => {
  const { request, url, cookies, locals } = context;
  const changes = request.method !== 'GET' && request.method !== 'HEAD';
  if (changes && !fromHere(request, url)) return json({ error: { code: 'origin', message: 'This request did not come from Dial Home itself.' } }, 403);
  locals.service = openService();
  locals.token = cookies.get(SESSION_COOKIE)?.value ?? null;
  locals.who = locals.token ? await whoIs(locals.service, locals.token) : null;
  if (!locals.who && !url.pathname.startsWith('/api/') && !OPEN_PAGES.has(url.pathname)) return context.redirect(`/?next=${encodeURIComponent(url.pathname)}`);
  const response = await next();
  const nonce = randomBytes(16).toString('base64');
  response.headers.set('Content-Security-Policy', policy(nonce));
  if (!response.headers.get('content-type')?.startsWith('text/html')) return response;
  response.headers.set('Cache-Control', 'no-store');
  // The framework's own inline scripts get the nonce; text of people is escaped and cannot hold a tag.
  const html = (await response.text()).replace(/<script(?=[\s>])/g, `<script nonce="${nonce}"`);
  return new Response(html, { status: response.status, headers: response.headers });
});
