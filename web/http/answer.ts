import { isAway, isOrphan, ServiceError, shapeRefused } from '@server/errors';
import type { RequestContext } from '@server/service';
import { isStaff } from '@server/services/people';
import type { APIContext } from 'astro';
import { z } from 'zod';
import { log } from './log';

export const json = (value: unknown, status = 200, headers: Record<string, string> = {}): Response =>
  new Response(JSON.stringify(value), { status, headers: { 'Content-Type': 'application/json', 'Cache-Control': 'no-store', ...headers } });

const AWAY = new ServiceError(503, 'database-away', 'The database does not answer. What you did is still here: try again in half a minute.');

const GONE = new ServiceError(404, 'not-found', 'What this belongs to was deleted at the same moment. Load the page again.');

/** Every error as `{error: {code, message, field?, id?}}` with a status that fits; `id` is that of the request, to find it in the log. */
export function answerError(error: unknown, id?: string): Response {
  // A body that was not read to its end must not be read on: the connection ends with the answer.
  if (error instanceof ServiceError)
    return json({ error: { code: error.code, message: error.message, field: error.field } }, error.status, error.status === 413 ? { Connection: 'close' } : {});
  if (error instanceof z.ZodError) return answerError(shapeRefused(error));
  log.error({ id, err: error }, 'request failed');
  if (isAway(error)) return json({ error: { code: AWAY.code, message: AWAY.message, id } }, AWAY.status);
  if (isOrphan(error)) return answerError(GONE);
  const named = id ? ` If it happens again, tell your instructor the number ${id}.` : '';
  return json({ error: { code: 'internal', message: `Something went wrong on the server. Your work is still here: try again in a moment.${named}`, id } }, 500);
}

/** The one who asks, or 401. */
export function asked(context: Pick<APIContext, 'locals'>): RequestContext {
  const { who, service } = context.locals;
  if (!who) throw new ServiceError(401, 'signed-out', 'You are signed out. Sign in again; this page keeps what you did.');
  return { ...service, who };
}

type Work = (who: RequestContext, context: APIContext) => Promise<unknown>;

/**
 * An endpoint for signed-in people: what `work` gives is answered as JSON; a Response goes out as it is. Who asks and how
 * often is looked at before anything of the body is read.
 */
export const endpoint =
  (work: Work, { staff = false }: { readonly staff?: boolean } = {}) =>
  async (context: APIContext): Promise<Response> => {
    try {
      const who = asked(context);
      if (staff && !isStaff(who.who)) throw new ServiceError(404, 'not-found', 'This does not exist, or is not yours to see.');
      if (context.request.method !== 'GET') await who.limits.change(who.who.id);
      const result = await work(who, context);
      return result instanceof Response ? result : json(result ?? {});
    } catch (error) {
      return answerError(error, context.locals.requestId);
    }
  };

/** An endpoint for instructors and leads. */
export const staffEndpoint = (work: Work): ((context: APIContext) => Promise<Response>) => endpoint(work, { staff: true });

export const param = (context: APIContext, name: string): string => context.params[name] ?? '';

/** Bytes that never change under their name, all at once or as they are read. */
export const immutable = (body: Uint8Array | ReadableStream<Uint8Array>, type: string, size?: number): Response =>
  new Response(body instanceof Uint8Array ? new Uint8Array(body) : body, {
    headers: {
      'Content-Type': type,
      'Cache-Control': 'private, max-age=31536000, immutable',
      ...(size === undefined ? {} : { 'Content-Length': String(size) }),
    },
  });

export const csv = (text: string, name: string): Response =>
  new Response(text, {
    headers: { 'Content-Type': 'text/csv; charset=utf-8', 'Content-Disposition': `attachment; filename="${name}.csv"`, 'Cache-Control': 'no-store' },
  });

/** A page's own look-up: the refusal of what is missing or not allowed, so that the page can say so. */
export async function orRefusal<T>(work: Promise<T>): Promise<T | ServiceError> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof ServiceError && (error.status === 404 || error.status === 403)) return error;
    throw error;
  }
}

/** A page's own look-up: what is missing or not allowed becomes null. */
export async function orNull<T>(work: Promise<T>): Promise<T | null> {
  const found = await orRefusal(work);
  return found instanceof ServiceError ? null : found;
}
