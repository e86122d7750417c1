import { ServiceError } from './errors';

/** JSON columns come back as text from MariaDB; longtext always does. */
export const parseColumn = (value: unknown): unknown => (typeof value === 'string' ? JSON.parse(value) : value);

/** A JSON text as it was sent, nothing standing for an empty object; its shape is not yet known. */
export function parseSent(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes) || '{}');
  } catch {
    throw new ServiceError(400, 'not-json', 'The request could not be read.');
  }
}
