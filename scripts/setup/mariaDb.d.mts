export function freePort(wanted?: number): Promise<number>;
/** A private MariaDB in `folder`; the address has no database name. */
export function startMariaDb(folder: string, options?: { relaxed?: boolean }): Promise<{ url: string; stop: () => Promise<void> }>;
