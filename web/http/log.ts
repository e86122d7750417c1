import pino from 'pino';

/** One line of JSON for each request and each error, to `LOG_FILE` or to standard output. */
export const log = pino(
  { level: process.env.LOG_LEVEL ?? 'info', base: null, timestamp: pino.stdTimeFunctions.isoTime },
  pino.destination({ dest: process.env.LOG_FILE || 1, mkdir: true, sync: false }),
);
