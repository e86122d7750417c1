/**
 * Serves the built application: static files as they were compressed when they were built, all else by the application.
 * Settings are read from the environment; docs/running.md lists them.
 */
import { readdirSync } from 'node:fs';
import { createServer } from 'node:http';
import { isIP } from 'node:net';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import proxyAddr from 'proxy-addr';
import sirv from 'sirv';

process.env.ASTRO_NODE_AUTOSTART = 'disabled';
const { handler } = await import('../dist/server/entry.mjs');
// Pages are loaded before the first visitor comes: loading one holds up all others.
for (const page of modulesIn('dist/server/pages')) await import(pathToFileURL(page).href);

const HOST = process.env.HOST || '127.0.0.1';
const PORT = Number(process.env.PORT ?? 4310);
/** Proxies whose word about addresses and TLS is taken: addresses, ranges, or names such as `loopback`. */
const trusts = proxyAddr.compile((process.env.TRUSTED_PROXY ?? '').split(/[\s,]+/).filter(Boolean));
/** Milliseconds that requests may still take when the server is asked to end. */
const GRACE = 10_000;

const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  'Referrer-Policy': 'same-origin',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Embedder-Policy': 'require-corp',
  'Cross-Origin-Resource-Policy': 'same-origin',
};

const files = sirv(resolve('dist/client'), {
  brotli: true,
  gzip: true,
  etag: true,
  // Built names carry a hash of their content.
  setHeaders: (response, path) => response.setHeader('Cache-Control', path.startsWith('/_astro/') ? 'public, max-age=31536000, immutable' : 'no-cache'),
});

function modulesIn(folder) {
  return readdirSync(folder, { recursive: true })
    .filter((name) => name.endsWith('.mjs'))
    .map((name) => join(folder, name));
}

/** Leaves of a request's forwarding headers only what a trusted proxy says. */
function settleAddress(request) {
  const peer = request.socket.remoteAddress ?? '';
  const { headers } = request;
  delete headers['x-dialhome-proxied'];
  if ('x-forwarded-for' in headers || 'forwarded' in headers || 'x-real-ip' in headers) headers['x-dialhome-proxied'] = '1';
  const trusted = isIP(peer) > 0 && trusts(peer, 0);
  const address = trusted ? proxyAddr(request, trusts) : peer;
  if (!trusted) for (const name of ['x-forwarded-proto', 'x-forwarded-host', 'x-forwarded-port', 'forwarded']) delete headers[name];
  // Where the port is not given, it is part of the host that the browser asked for.
  delete headers['x-forwarded-port'];
  headers['x-forwarded-for'] = isIP(address) ? address : peer;
}

const server = createServer((request, response) => {
  settleAddress(request);
  for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
  // Who breaks off a download leaves its file open unless it is closed here.
  response.on('pipe', (source) => response.once('close', () => source.destroy?.()));
  const dynamic = () => handler(request, response);
  if (request.method === 'GET' || request.method === 'HEAD') files(request, response, dynamic);
  else dynamic();
});
server.headersTimeout = 30_000;
server.requestTimeout = 180_000;
server.keepAliveTimeout = 65_000;
server.maxRequestsPerSocket = 10_000;

server.on('error', (error) => {
  process.stderr.write(
    error.code === 'EADDRINUSE'
      ? `Port ${PORT} is in use: stop what uses it, or set PORT to another.\n`
      : error.code === 'EADDRNOTAVAIL'
        ? `This computer has no address ${HOST}: set HOST to 0.0.0.0 or to one of its own.\n`
        : `${error.stack}\n`,
  );
  process.exit(78);
});
process.on('unhandledRejection', (error) => process.stderr.write(`${new Date().toISOString()} a promise failed unheard: ${error?.stack ?? error}\n`));

server.listen(PORT, HOST, () => process.send?.('ready'));

let ending = false;
function end() {
  if (ending) return;
  ending = true;
  server.close(() => process.exit(0));
  server.closeIdleConnections();
  setTimeout(() => {
    server.closeAllConnections();
    process.exit(0);
  }, GRACE).unref();
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, end);
process.on('disconnect', end);
