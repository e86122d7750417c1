import { plainly } from '@formats/plainly';
import type { z } from 'zod';

export { plainly };

/** A refusal with a status, a code for programs and a sentence for people; `field` names the input at fault. */
export class ServiceError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly field?: string,
  ) {
    super(message);
  }
}

export const notFound = (what: string): ServiceError => new ServiceError(404, 'not-found', `${what} does not exist, or is not yours to see.`);
export const forbidden = (why: string): ServiceError => new ServiceError(403, 'forbidden', why);
export const invalid = (message: string, field?: string): ServiceError => new ServiceError(422, 'invalid', message, field);

/** What a schema refuses, told with its place. */
export function shapeRefused(error: z.ZodError): ServiceError {
  const issue = error.issues[0];
  const place = issue?.path.join('.');
  const words = issue ? plainly(issue) : 'this could not be read';
  return invalid(`${place ? `${place}: ${words}` : `${words[0]?.toUpperCase()}${words.slice(1)}`}.`.replace(/\.\.$/, '.'), place);
}

/** What the driver and the pool say when no database answers. */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ENOTFOUND',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
  'ER_UNKNOWN_COM_ERROR',
]);

/** True for an error that a database gives which is away, and may come back. */
export const isAway = (error: unknown): boolean => {
  const { code, name, message } = (error ?? {}) as { code?: string; name?: string; message?: string };
  return AWAY.has(code ?? '') || name === 'KnexTimeoutError' || /Connection lost|closed state|Can't add new command/i.test(message ?? '');
};

/** True for the error that a database gives when what a row belongs to is not there, or no longer. */
export const isOrphan = (error: unknown): boolean => (error as { code?: string } | null)?.code === 'ER_NO_REFERENCED_ROW_2';
