import { ServiceError } from '@server/errors';
import type { Asked } from '@server/service';
import type { APIContext } from 'astro';
import pino from 'pino';
import { type ZodType, z } from 'zod';

const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

export const SESSION_COOKIE = 'dh_session';
const LARGEST_JSON = 24 * 1024 * 1024;

export const json = (value: unknown, status = 200): Response =>
  new Response(JSON.stringify(value), { status, headers: { 'Content-Type': 'application/json', 'Cache-Control': 'no-store' } });

/** Every error as `{error: {code, message, field?}}` with a status that fits. */
export function answerError(error: unknown): Response {
  if (error instanceof ServiceError) return json({ error: { code: error.code, message: error.message, field: error.field } }, error.status);
  if (error instanceof z.ZodError) {
    const issue = error.issues[0];
    return json(
      {
        error: {
          code: 'invalid',
          message: `${issue?.path.length ? `${issue.path.join('.')}: ` : ''}${issue?.message ?? 'This could not be read.'}`,
          field: issue?.path.join('.'),
        },
      },
      422,
    );
  }
  log.error(error);
  return json({ error: { code: 'internal', message: 'Something went wrong on the server. Your work is still here: try again in a moment.' } }, 500);
}

/** The one who asks, or 401. */
export function asked(context: Pick<APIContext, 'locals'>): Asked {
  const { who, service } = context.locals;
  if (!who) throw new ServiceError(401, 'signed-out', 'You are signed out. Sign in again; this page keeps what you did.');
  return { ...service, who };
}

export async function readJson<T>(request: Request, schema: ZodType<T>): Promise<T> {
  const length = Number(request.headers.get('content-length') ?? 0);
  if (length > LARGEST_JSON) throw new ServiceError(413, 'too-large', 'This is more than the server takes at once.');
  const text = await request.text();
  if (text.length > LARGEST_JSON) throw new ServiceError(413, 'too-large', 'This is more than the server takes at once.');
  let value: unknown;
  try {
    value = JSON.parse(text || '{}');
  } catch {
    throw new ServiceError(400, 'not-json', 'The request could not be read.');
  }
  return schema.parse(value);
}

/** An endpoint for signed-in people: what `work` gives is answered as JSON; a Response goes out as it is. */
export const endpoint =
  (work: (who: Asked, context: APIContext) => Promise<unknown>) =>
  async (context: APIContext): Promise<Response> => {
    try {
      const result = await work(asked(context), context);
      return result instanceof Response ? result : json(result ?? {});
    } catch (error) {
      return answerError(error);
    }
  };

export const param = (context: APIContext, name: string): string => context.params[name] ?? '';

/** Bytes that never change under their name. */
export const immutable = (bytes: Uint8Array, type: string): Response =>
  new Response(new Uint8Array(bytes), { headers: { 'Content-Type': type, 'Cache-Control': 'private, max-age=31536000, immutable' } });

export const csv = (text: string, name: string): Response =>
  new Response(text, {
    headers: { 'Content-Type': 'text/csv; charset=utf-8', 'Content-Disposition': `attachment; filename="${name}.csv"`, 'Cache-Control': 'no-store' },
  });

/** A page's own look-up: what is missing or not allowed becomes null, so that the page can say so. */
export async function orNull<T>(work: Promise<T>): Promise<T | null> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof ServiceError && (error.status === 404 || error.status === 403)) return null;
    throw error;
  }
}
