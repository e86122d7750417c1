import type { z } from 'zod';

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

const KINDS: Record<string, (n: number | bigint) => string> = {
  string: (n) => `${n} ${n === 1 ? 'character' : 'characters'}`,
  array: (n) => `${n} of them`,
  number: (n) => String(n),
};
const counted = (origin: string, n: number | bigint): string => (KINDS[origin] ?? String)(n);

/** What a schema refuses, as a person would say it. What was written for people in the schema stays as it is. */
export function plainly(issue: z.core.$ZodIssue): string {
  if (issue.message && !/^(Too (big|small)|Invalid|Unrecognized)/.test(issue.message)) return issue.message;
  switch (issue.code) {
    case 'too_big':
      return `at most ${counted(issue.origin, issue.maximum)}`;
    case 'too_small':
      return issue.origin === 'string' && issue.minimum === 1 ? 'write at least one character' : `at least ${counted(issue.origin, issue.minimum)}`;
    case 'invalid_type':
      return /received undefined/.test(issue.message)
        ? 'this is missing'
        : `this should be ${issue.expected === 'array' || issue.expected === 'int' ? 'an' : 'a'} ${NOUNS[issue.expected] ?? issue.expected}`;
    case 'invalid_value':
      return 'this is none of what can be chosen';
    case 'unrecognized_keys':
      return `nothing is known of ${issue.keys.map((key) => `"${key}"`).join(', ')}`;
    default:
      return 'this could not be read';
  }
}

const NOUNS: Record<string, string> = { string: 'text', array: 'ordered list', object: 'group of values', boolean: 'yes or no', int: 'integer number' };

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
