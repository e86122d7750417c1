import { fork } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { freePort } from '../../scripts/setup/mariaDb.mjs';

/** One process of the application on a node of the database. `DATABASE_SYNC`: a page sees what its reader wrote through another process. */
export async function startApplication(url, files) {
  mkdirSync(files, { recursive: true });
  const port = await freePort();
  const child = fork('scripts/serve.mjs', {
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    env: {
      ...process.env,
      DATABASE_URL: url,
      DATABASE_SYNC: '1',
      DIALHOME_FILES: files,
      DIALHOME_DEMO: '1',
      TRUSTED_PROXY: 'loopback',
      LOG_LEVEL: process.env.LOG_LEVEL ?? 'error',
      PORT: String(port),
      NODE_ENV: 'production',
    },
  });
  const ended = new Promise((done) => child.once('exit', done));
  await new Promise((done, fail) => {
    child.once('message', done);
    child.once('exit', () => fail(new Error('a process of the application did not start')));
  });
  return {
    port,
    async stop(signal = 'SIGTERM') {
      child.kill(signal);
      await ended;
    },
  };
}
