export function freePort(wanted?: number, host?: string): Promise<number>;

export interface OwnMariaDb {
  /** Without a database name. */
  readonly url: string;
  readonly port: number;
  stop(): Promise<void>;
  /** Why it ended. */
  readonly ended: Promise<string>;
}

/** A private MariaDB in `folder`. `port`: the one it must have again. */
export function startMariaDb(folder: string, options?: { relaxed?: boolean; port?: number }): Promise<OwnMariaDb>;
