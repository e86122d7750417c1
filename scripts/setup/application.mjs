import { fork } from 'node:child_process';
import { Advice } from './say.mjs';

/**
 * The built application in a process of its own, once it listens. `env`: what is set beside the present environment, `PORT`
 * among it. What it prints goes to the terminal; `quiet`: only errors.
 */
export function startApplication(env, { quiet = false } = {}) {
  return new Promise((done, fail) => {
    const child = fork('scripts/serve.mjs', {
      stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit', 'ipc'],
      env: { ...process.env, ...env, NODE_ENV: 'production' },
    });
    const ended = new Promise((over) => child.once('exit', (code, signal) => over(signal ?? `code ${code}`)));
    ended.then((why) => fail(new Advice(`The server did not start (${why}).`)));
    child.once('message', () =>
      done({
        port: Number(env.PORT),
        pid: child.pid,
        ended,
        async stop(signal = 'SIGTERM') {
          child.kill(signal);
          await ended;
        },
      }),
    );
  });
}
