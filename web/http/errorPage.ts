import { isAway, ServiceError } from '@server/errors';

const escaped = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** A page that stands by itself, for when no other can be made. */
export function errorPage(error: unknown, id: string): Response {
  const away = isAway(error);
  const status = away ? 503 : error instanceof ServiceError ? error.status : 500;
  const [title, words] = away
    ? ['The database does not answer', 'Nothing is lost. It usually comes back by itself: load this page again in half a minute.']
    : error instanceof ServiceError
      ? ['This cannot be shown', error.message]
      : ['Something went wrong on the server', `Nothing is lost. Load this page again; if it happens again, tell your instructor the number ${id}.`];
  const html = `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${escaped(title)} · Dial Home</title>
<style>body{font:18px/1.5 system-ui,sans-serif;background:#f4efe3;color:#1d2940;max-width:36rem;margin:15vh auto;padding:0 1.5rem}a{color:inherit}</style></head>
<body><main><h1>${escaped(title)}</h1><p>${escaped(words)}</p><p><a href="">Load it again</a> · <a href="/">To the start</a></p></main></body></html>`;
  return new Response(html, { status, headers: { 'Content-Type': 'text/html; charset=utf-8', 'Cache-Control': 'no-store' } });
}
