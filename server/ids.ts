import { createHash, randomBytes, randomInt, randomUUID } from 'node:crypto';

export const newId = (): string => randomUUID();
export const newToken = (): string => randomBytes(32).toString('base64url');
/** So many of these letters, by chance. */
export const byChance = (letters: string, count: number): string => Array.from({ length: count }, () => letters[randomInt(letters.length)]).join('');
export const sha256 = (data: string | Uint8Array): string => createHash('sha256').update(data).digest('hex');
