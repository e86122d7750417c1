export interface Application {
  readonly port: number;
  readonly pid: number;
  /** Why it ended. */
  readonly ended: Promise<string>;
  /** Ends it, in order or by a signal, and waits until it has ended. */
  stop(signal?: NodeJS.Signals): Promise<void>;
}

export function startApplication(env: Readonly<Record<string, string>>, options?: { quiet?: boolean }): Promise<Application>;
