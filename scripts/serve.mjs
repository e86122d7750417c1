/** Serves the built application on loopback; static files get the same protecting headers as pages. */
import { createReadStream, existsSync, statSync } from 'node:fs';
import { createServer } from 'node:http';
import { extname, join, normalize, resolve } from 'node:path';

process.env.ASTRO_NODE_AUTOSTART = 'disabled';
const { handler } = await import('../dist/server/entry.mjs');

const CLIENT = resolve('dist/client');
const TYPES = {
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.svg': 'image/svg+xml',
  '.woff2': 'font/woff2',
  '.png': 'image/png',
  '.ico': 'image/x-icon',
  '.json': 'application/json',
};
const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  'Referrer-Policy': 'same-origin',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Embedder-Policy': 'require-corp',
  'Cross-Origin-Resource-Policy': 'same-origin',
};

function staticFile(url) {
  let path;
  try {
    path = decodeURIComponent(new URL(url, 'http://localhost').pathname);
  } catch {
    return null;
  }
  const file = normalize(join(CLIENT, path));
  return file.startsWith(CLIENT) && existsSync(file) && statSync(file).isFile() ? file : null;
}

const server = createServer((request, response) => {
  for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
  const file = request.method === 'GET' || request.method === 'HEAD' ? staticFile(request.url ?? '/') : null;
  if (!file) return handler(request, response);
  response.setHeader('Content-Type', TYPES[extname(file)] ?? 'application/octet-stream');
  response.setHeader('Content-Length', statSync(file).size);
  // Built names carry a hash of their content.
  response.setHeader('Cache-Control', file.includes('/_astro/') ? 'public, max-age=31536000, immutable' : 'no-cache');
  if (request.method === 'HEAD') return response.end();
  createReadStream(file).pipe(response);
});

const port = Number(process.env.PORT ?? 4310);
server.on('error', (error) => {
  process.stderr.write(error.code === 'EADDRINUSE' ? `Port ${port} is in use: stop what uses it, or set PORT to another.\n` : `${error.stack}\n`);
  process.exit(1);
});
server.listen(port, '127.0.0.1', () => {
  process.stdout.write(`\nDial Home is ready: http://127.0.0.1:${port}\n`);
  if (process.env.DIALHOME_DEMO)
    process.stdout.write('Demo sign-ins: the buttons on the sign-in page, or edda, maren, ida, tomas … with the password "lighthouse".\n');
  process.stdout.write('Ctrl-C stops everything.\n');
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.close(() => process.exit(0)) && server.closeAllConnections());
