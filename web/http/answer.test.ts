import { ServiceError } from '@server/errors';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { answerError, asked, csv, endpoint, immutable, orNull, readJson } from './answer';

const bodyOf = async (response: Response): Promise<{ error: { code: string; message: string; field?: string } }> => (await response.json()) as never;
const request = (body: string, headers: Record<string, string> = {}): Request => new Request('http://localhost/api', { method: 'POST', body, headers });

describe('answers', () => {
  it('a refusal keeps its status, code, words and field', async () => {
    const response = answerError(new ServiceError(422, 'invalid', 'Write a name.', 'name'));
    expect(response.status).toBe(422);
    expect(await bodyOf(response)).toEqual({ error: { code: 'invalid', message: 'Write a name.', field: 'name' } });
  });

  it('what a schema refuses is told with its place', async () => {
    const { error } = z.object({ person: z.object({ name: z.string() }) }).safeParse({ person: { name: 5 } });
    const response = answerError(error);
    expect(response.status).toBe(422);
    expect((await bodyOf(response)).error).toMatchObject({ field: 'person.name', message: expect.stringContaining('person.name') });
  });

  it('an unexpected error tells nothing of the inside', async () => {
    const response = answerError(new Error('select * from secrets'));
    expect(response.status).toBe(500);
    expect((await bodyOf(response)).error.message).not.toContain('secrets');
  });

  it('a stranger is sent away with 401', () => {
    expect(() => asked({ locals: { who: null, token: null, service: {} as never } })).toThrow(/signed out/);
  });

  it('JSON that is none, or too much, is refused', async () => {
    await expect(readJson(request('{'), z.object({}))).rejects.toMatchObject({ status: 400 });
    await expect(readJson(request('{}', { 'content-length': String(30 * 1024 * 1024) }), z.object({}))).rejects.toMatchObject({ status: 413 });
    await expect(readJson(request('{"a": 1}'), z.object({ a: z.number() }))).resolves.toEqual({ a: 1 });
    await expect(readJson(request(''), z.object({}))).resolves.toEqual({});
  });

  it('an endpoint gives JSON, hands a response through, and turns what is thrown into an answer', async () => {
    const context = { locals: { who: { id: 'a', name: 'A', signIn: 'a', role: 'lead' }, token: null, service: {} } } as never;
    const call = (work: Parameters<typeof endpoint>[0]): Promise<Response> => endpoint(work)(context);
    expect(await (await call(async (who) => ({ name: who.who.name }))).json()).toEqual({ name: 'A' });
    expect(await (await call(async () => undefined)).json()).toEqual({});
    expect((await call(async () => csv('a,b', 'table'))).headers.get('content-disposition')).toBe('attachment; filename="table.csv"');
    expect((await call(async () => Promise.reject(new ServiceError(404, 'not-found', 'Gone.')))).status).toBe(404);
  });

  it('bytes under their hash may be kept for ever, by this browser alone', () => {
    expect(immutable(new Uint8Array([1]), 'image/png').headers.get('cache-control')).toMatch(/^private, .*immutable$/);
  });

  it('a page takes what is missing or forbidden as nothing, and nothing else', async () => {
    expect(await orNull(Promise.reject(new ServiceError(404, 'not-found', 'x')))).toBeNull();
    expect(await orNull(Promise.reject(new ServiceError(403, 'forbidden', 'x')))).toBeNull();
    await expect(orNull(Promise.reject(new ServiceError(422, 'invalid', 'x')))).rejects.toBeDefined();
    expect(await orNull(Promise.resolve(5))).toBe(5);
  });
});
