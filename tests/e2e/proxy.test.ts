import { type ChildProcess, execFileSync, spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { freePort } from '../../scripts/setup/mariaDb.mjs';
import { type AppProcess, startApp, testEnv } from './appProcess';

/** The configuration that ships for nginx, tried on loopback with a certificate made for it. */
let app: AppProcess;
let nginx: ChildProcess;
let folder: string;
let port: number;

interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly text: string;
}

function https(
  path: string,
  { method = 'GET', headers = {}, body = '' }: { method?: string; headers?: Record<string, string>; body?: string } = {},
): Promise<Answer> {
  return new Promise((done, fail) => {
    const sent = request(
      { host: '127.0.0.1', port, path, method, servername: 'dial-home.example', rejectUnauthorized: false, headers: { Host: 'dial-home.example', ...headers } },
      (response) => {
        let text = '';
        response.setEncoding('utf8');
        response.on('data', (piece) => {
          text += piece;
        });
        response.on('end', () => done({ status: response.statusCode ?? 0, headers: response.headers, text }));
      },
    );
    sent.on('error', fail);
    sent.end(body);
  });
}

beforeAll(async () => {
  app = await startApp({ ...testEnv(), TRUSTED_PROXY: 'loopback', PUBLIC_URL: 'https://dial-home.example', METRICS_TOKEN: 'for the test' });
  folder = mkdtempSync(join(tmpdir(), 'dial-home-nginx-'));
  port = await freePort();
  const plain = await freePort();
  const [cert, key] = [join(folder, 'fullchain.pem'), join(folder, 'privkey.pem')];
  execFileSync('openssl', ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '1', '-subj', '/CN=dial-home.example', '-keyout', key, '-out', cert], {
    stdio: 'ignore',
  });
  const site = readFileSync('deploy/nginx.conf', 'utf8')
    .replace('/etc/ssl/dial-home/fullchain.pem', cert)
    .replace('/etc/ssl/dial-home/privkey.pem', key)
    .replace('127.0.0.1:4310', `127.0.0.1:${app.port}`)
    .replace('listen 443 ', `listen 127.0.0.1:${port} `)
    .replace('listen 80;', `listen 127.0.0.1:${plain};`);
  writeFileSync(join(folder, 'site.conf'), site);
  writeFileSync(
    join(folder, 'nginx.conf'),
    `user root;\nworker_processes 1;\npid ${folder}/nginx.pid;\nerror_log ${folder}/error.log;\nevents {}\nhttp {\n  access_log off;\n  client_body_temp_path ${folder}/body;\n  proxy_temp_path ${folder}/proxy;\n  fastcgi_temp_path ${folder}/f;\n  uwsgi_temp_path ${folder}/u;\n  scgi_temp_path ${folder}/s;\n  include ${folder}/site.conf;\n}\n`,
  );
  const config = ['-c', join(folder, 'nginx.conf'), '-p', folder];
  const checked = spawnSync('/usr/sbin/nginx', ['-t', ...config], { encoding: 'utf8' });
  expect(checked.stderr).toMatch(/test is successful/);
  nginx = spawn('/usr/sbin/nginx', [...config, '-g', 'daemon off;'], { stdio: 'ignore' });
  while (
    (await https('/healthz').then(
      (answer) => answer.status,
      () => 0,
    )) !== 200
  )
    await new Promise((done) => setTimeout(done, 100));
});
afterAll(async () => {
  nginx?.kill('SIGTERM');
  await app?.stop();
  if (folder) rmSync(folder, { recursive: true, force: true });
});

const origin = { Origin: 'https://dial-home.example', 'Content-Type': 'application/json' };

it('signs in over TLS with a cookie that is bound to this host and sent over nothing else', async () => {
  const signedIn = await https('/api/demo-sign-in', { method: 'POST', headers: origin, body: '{"name":"ida"}' });
  expect(signedIn.status, signedIn.text).toBe(200);
  const cookie = String(signedIn.headers['set-cookie']);
  expect(cookie).toMatch(/^__Host-dh_session=/);
  expect(cookie).toMatch(/Secure/);
  expect(cookie).toMatch(/HttpOnly/);
  expect(cookie).toMatch(/SameSite=Lax/i);
  expect(cookie).not.toMatch(/Domain/);
  const [pair] = cookie.split(';') as [string];
  const today = await https('/today', { headers: { Cookie: pair } });
  expect(today.status).toBe(200);
  expect(today.text).toContain('Ida Sorrel');
  expect(today.headers['strict-transport-security']).toBeDefined();
  // The name that plain http uses is nobody's here.
  expect((await https('/today', { headers: { Cookie: pair.replace('__Host-', '') } })).status).toBe(302);
  const other = await https('/api/demo-sign-in', { method: 'POST', headers: { ...origin, Origin: 'https://elsewhere.example' }, body: '{"name":"ida"}' });
  expect(other.status).toBe(403);
});

it('an address that a visitor makes up does not count: tries are limited by the one that nginx sees', async () => {
  const statuses: number[] = [];
  for (let i = 0; i < 10; i++) {
    const headers = { ...origin, 'X-Forwarded-For': `203.0.113.${i}` };
    statuses.push((await https('/api/sign-in', { method: 'POST', headers, body: '{"name":"viktor","password":"a wrong one"}' })).status);
  }
  expect(statuses).toEqual([...Array(8).fill(401), 429, 429]);
});

it('without a trusted proxy in between nobody’s word about addresses or TLS is taken', async () => {
  const open = await startApp(testEnv());
  try {
    const claimed = {
      Origin: open.base,
      'Content-Type': 'application/json',
      'X-Forwarded-For': '127.0.0.1',
      'X-Forwarded-Proto': 'https',
      'X-Forwarded-Host': 'elsewhere.example',
    };
    const signedIn = await fetch(`${open.base}/api/demo-sign-in`, { method: 'POST', headers: claimed, body: '{"name":"ida"}' });
    expect(signedIn.status).toBe(200);
    expect(signedIn.headers.get('set-cookie')).toMatch(/^dh_session=/);
    // Nor does one who comes through some proxy count as this computer.
    expect((await fetch(`${open.base}/metrics`, { headers: { 'X-Forwarded-For': '127.0.0.1' } })).status).toBe(403);
    expect((await fetch(`${open.base}/metrics`)).status).toBe(200);
  } finally {
    await open.stop();
  }
});

it('figures are not for visitors; with the token, or from this computer, they are', async () => {
  expect((await https('/metrics')).status).toBe(403);
  expect(await (await fetch(`${app.base}/metrics`)).text()).toMatch(/dialhome_request_seconds_bucket/);
  const through = { 'X-Forwarded-For': '203.0.113.9' };
  expect((await fetch(`${app.base}/metrics`, { headers: through })).status).toBe(403);
  expect((await fetch(`${app.base}/metrics`, { headers: { ...through, Authorization: 'Bearer for the test' } })).status).toBe(200);
  expect((await fetch(`${app.base}/metrics`, { headers: { ...through, Authorization: 'Bearer for the tesT' } })).status).toBe(403);
});
