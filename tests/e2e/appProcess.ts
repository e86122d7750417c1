import { type ChildProcess, fork } from 'node:child_process';
import { freePort } from '../../scripts/setup/mariaDb.mjs';

/** The built application in a process of its own. */
export interface AppProcess {
  readonly base: string;
  readonly port: number;
  readonly process: ChildProcess;
  /** Ends it, in order or by a signal, and waits until it has ended. */
  end(signal?: NodeJS.Signals): Promise<void>;
}

/** Starts the application on the database and files that `env` names, and waits until it listens. */
export async function startApp(env: Readonly<Record<string, string>>): Promise<AppProcess> {
  const port = Number(env.PORT ?? (await freePort()));
  const child = fork('scripts/serve.mjs', {
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: { ...process.env, LOG_LEVEL: 'silent', ...env, PORT: String(port), NODE_ENV: 'production' },
  });
  const ended = new Promise<void>((done) => child.once('exit', () => done()));
  await new Promise<void>((done, fail) => {
    child.once('message', () => done());
    child.once('exit', (code) => fail(new Error(`The application ended with code ${code} before it listened.`)));
  });
  return {
    base: `http://127.0.0.1:${port}`,
    port,
    process: child,
    async end(signal = 'SIGTERM') {
      child.kill(signal);
      await ended;
    },
  };
}

/** The environment of the browser tests' own application. */
export const testEnv = (): Record<string, string> => ({
  DATABASE_URL: process.env.E2E_DATABASE_URL as string,
  DIALHOME_FILES: process.env.E2E_FILES as string,
  DIALHOME_DEMO: '1',
});
