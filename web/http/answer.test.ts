import { ServiceError } from '@server/errors';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { answerError, asked, csv, endpoint, immutable, orNull, staffEndpoint } from './answer';
import { readBytes, readJson } from './body';
import { ownPath } from './ownPath';

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

  it('what belongs to something that was deleted meanwhile is told as missing', async () => {
    const response = answerError(Object.assign(new Error('a foreign key fails'), { code: 'ER_NO_REFERENCED_ROW_2' }));
    expect([response.status, (await bodyOf(response)).error.message]).toEqual([404, expect.stringMatching(/deleted at the same moment/)]);
  });

  it('a stranger is sent away with 401', () => {
    expect(() => asked({ locals: { who: null, token: null, service: {} as never, requestId: 'r' } })).toThrow(/signed out/);
  });

  it('JSON that is none, or too much, is refused', async () => {
    await expect(readJson(request('{'), z.object({}))).rejects.toMatchObject({ status: 400 });
    await expect(readJson(request('{}', { 'content-length': String(300 * 1024) }), z.object({}))).rejects.toMatchObject({ status: 413 });
    await expect(readJson(request('{"a": 1}'), z.object({ a: z.number() }))).resolves.toEqual({ a: 1 });
    await expect(readJson(request(''), z.object({}))).resolves.toEqual({});
  });

  it('a body is counted as it arrives, and no more of it is asked for once it is too much', async () => {
    let given = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull(controller) {
        given += 1000;
        controller.enqueue(new Uint8Array(1000));
      },
    });
    const asked = new Request('http://localhost/api', { method: 'POST', body: endless, duplex: 'half' } as RequestInit);
    await expect(readBytes(asked, 8000)).rejects.toMatchObject({ status: 413 });
    expect(given).toBeLessThan(12_000);
    expect(answerError(await readBytes(request('x'.repeat(9000)), 8000).catch((e) => e)).headers.get('connection')).toBe('close');
    expect((await readBytes(request('x'.repeat(8000)), 8000)).length).toBe(8000);
  });

  it('who is no instructor, or sends too often, is told so before the body is looked at', async () => {
    const body = new ReadableStream({ pull: () => Promise.reject(new Error('the body was read')) }, { highWaterMark: 0 });
    const context = (role: string, change: () => Promise<void>): never =>
      ({
        locals: { who: { id: 'a', role }, service: { limits: { change } } },
        request: new Request('http://localhost/', { method: 'POST', body, duplex: 'half' } as RequestInit),
      }) as never;
    const work = staffEndpoint(async (_, { request: asked }) => readBytes(asked, 10));
    expect((await work(context('trainee', async () => {}))).status).toBe(404);
    const tooOften = () => Promise.reject(new ServiceError(429, 'too-many', 'Wait.'));
    expect((await work(context('lead', tooOften))).status).toBe(429);
  });

  it('an endpoint gives JSON, hands a response through, and turns what is thrown into an answer', async () => {
    const context = {
      locals: { who: { id: 'a', name: 'A', signIn: 'a', role: 'lead' }, token: null, service: { limits: { change: async () => {} } } },
      request: new Request('http://localhost/'),
    } as never;
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

it.each([
  ['/practise/1?step=2', '/practise/1?step=2'],
  ['/groups', '/groups'],
  ['//host/a', ''],
  ['/\\host', ''],
  ['\\/host', ''],
  ['/\t/host', ''],
  ['/\n/host', ''],
  ['https://host/', ''],
  ['javascript:alert(1)', ''],
  ['/..//host', ''],
  ['', ''],
])('after sign-in %j leads to %j', (wanted, path) => {
  expect(ownPath(wanted)).toBe(path);
});
