import { type Application, startApplication } from '../../scripts/setup/application.mjs';
import { freePort } from '../../scripts/setup/mariaDb.mjs';

/** The built application in a process of its own. */
export interface AppProcess extends Application {
  readonly base: string;
}

/** Starts the application on the database and files that `env` names, and waits until it listens. */
export async function startApp(env: Readonly<Record<string, string>>): Promise<AppProcess> {
  const PORT = env.PORT ?? String(await freePort());
  const application = await startApplication({ LOG_LEVEL: 'silent', ...env, PORT }, { quiet: true });
  return { ...application, base: `http://127.0.0.1:${PORT}` };
}

/** The environment of the browser tests' own application. */
export const testEnv = (): Record<string, string> => ({
  DATABASE_URL: process.env.E2E_DATABASE_URL as string,
  DIALHOME_FILES: process.env.E2E_FILES as string,
  DIALHOME_DEMO: '1',
});
