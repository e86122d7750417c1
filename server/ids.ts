import { createHash, randomBytes, randomUUID } from 'node:crypto';

export const newId = (): string => randomUUID();
export const newToken = (): string => randomBytes(32).toString('base64url');
export const sha256 = (data: string | Uint8Array): string => createHash('sha256').update(data).digest('hex');
