import { GROUP } from '@demo/people';
import { FIRST_WATCH } from '@demo/units';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { base, openStored } from './stored';

/** Every endpoint and page over HTTP: who gets in, who does not, and what protects each answer. */
const stored = openStored();
const cookies: Record<string, string> = {};
let ids: { attempt: string; exercise: string; model: string; mesh: string; group: string; course: string; ida: string };

async function call(path: string, options: { as?: string; method?: string; body?: unknown; origin?: string | null } = {}): Promise<Response> {
  const headers: Record<string, string> = { 'Content-Type': 'application/json' };
  if (options.as) headers.Cookie = cookies[options.as] as string;
  if (options.origin !== null) headers.Origin = options.origin ?? base();
  return fetch(`${base()}${path}`, {
    method: options.method ?? 'GET',
    headers,
    redirect: 'manual',
    ...(options.body === undefined ? {} : { body: JSON.stringify(options.body) }),
  });
}

beforeAll(async () => {
  for (const name of ['ida', 'viktor', 'maren', 'edda']) {
    const response = await call('/api/demo-sign-in', { method: 'POST', body: { name } });
    cookies[name] = (response.headers.get('set-cookie') ?? '').split(';')[0] as string;
  }
  const attempt = await stored.db('attempts as a').join('people as p', 'p.id', 'a.person_id').where('p.sign_in', 'ida').whereNotNull('a.card').first('a.*');
  const revision = await stored.db('model_revisions').where({ model_id: attempt.model_id }).first();
  const group = await stored.db('groups').where({ name: GROUP }).first();
  const course = await stored.db('courses').where({ name: FIRST_WATCH.name }).first('id');
  ids = {
    attempt: attempt.id,
    exercise: attempt.exercise_id,
    model: attempt.model_id,
    mesh: revision.mesh_hash,
    group: group.id,
    course: course.id,
    ida: attempt.person_id,
  };
});
afterAll(() => stored.close());

const everything = (): readonly { path: string; method?: string; body?: unknown; open: readonly string[] }[] => [
  {
    path: '/api/attempts',
    method: 'POST',
    body: { exerciseId: ids.exercise, version: 1, schemeId: 'two-button-mouse' },
    open: ['ida', 'viktor', 'maren', 'edda'],
  },
  { path: `/api/attempts/${ids.attempt}/trace`, open: ['ida', 'maren', 'edda'] },
  { path: `/api/attempts/${ids.attempt}`, open: ['ida'] },
  { path: `/api/attempts/${ids.attempt}/hand-in`, method: 'POST', body: {}, open: ['ida'] },
  { path: `/api/attempts/${ids.attempt}/hints`, method: 'POST', body: { step: 0, number: 0 }, open: [] },
  { path: '/api/try', method: 'POST', body: {}, open: [] },
  { path: `/api/meshes/${ids.mesh}`, open: ['ida', 'viktor', 'maren', 'edda'] },
  { path: `/api/meshes/${'0'.repeat(64)}`, open: [] },
  { path: '/api/meshes/..%2f..%2fetc%2fpasswd', open: [] },
  { path: `/api/pictures/${ids.exercise}/1/0`, open: [] },
  { path: `/api/exercises/${ids.exercise}/1/picture`, open: ['maren', 'edda'] },
  { path: `/api/exercises/${ids.exercise}/99/picture`, open: [] },
  { path: `/api/models/${ids.model}/1/picture`, open: ['ida', 'viktor', 'maren', 'edda'] },
  { path: `/api/models/${ids.model}/no/picture`, open: [] },
  { path: `/api/models/${ids.model}`, method: 'PATCH', body: { name: 'Buoy' }, open: ['maren', 'edda'] },
  { path: `/api/models/${ids.model}/landmarks`, open: ['ida', 'viktor', 'maren', 'edda'] },
  { path: `/api/models/${ids.model}/landmarks`, method: 'POST', body: {}, open: [] },
  { path: '/api/landmarks/none', method: 'PATCH', body: { name: 'Bell' }, open: [] },
  { path: '/api/landmarks/none', method: 'DELETE', body: {}, open: [] },
  { path: '/api/landmarks/none/back', method: 'POST', body: {}, open: [] },
  { path: `/api/models/${ids.model}/revisions`, method: 'POST', body: {}, open: [] },
  { path: `/api/models/${ids.model}/parts`, method: 'POST', body: { names: {}, merges: [] }, open: ['maren', 'edda'] },
  { path: `/api/models/${ids.model}/views`, open: ['ida', 'viktor', 'maren', 'edda'] },
  { path: '/api/views/none', method: 'PATCH', body: {}, open: [] },
  { path: '/api/views/none/back', method: 'POST', body: {}, open: [] },
  { path: '/api/schemes', open: ['ida', 'viktor', 'maren', 'edda'] },
  { path: '/api/schemes', method: 'POST', body: { file: '{}' }, open: [] },
  { path: '/api/finder/two-button-mouse', open: ['ida', 'viktor', 'maren', 'edda'] },
  { path: '/api/exercises', open: ['maren', 'edda'] },
  { path: '/api/exercises', method: 'POST', body: { modelId: ids.model }, open: ['maren', 'edda'] },
  { path: `/api/exercises/${ids.exercise}`, method: 'PUT', body: {}, open: [] },
  { path: `/api/exercises/${ids.exercise}`, method: 'PATCH', body: {}, open: [] },
  { path: `/api/exercises/${ids.exercise}/copy`, method: 'POST', body: {}, open: ['maren', 'edda'] },
  { path: `/api/exercises/${ids.exercise}/publish`, method: 'POST', body: {}, open: [] },
  { path: `/api/exercises/${ids.exercise}/editing`, method: 'POST', body: { page: 'a page' }, open: ['maren', 'edda'] },
  { path: '/api/groups', method: 'POST', body: { name: 'Made by a test' }, open: ['edda'] },
  { path: '/api/groups/none', method: 'PATCH', body: { name: 'Other' }, open: [] },
  { path: '/api/groups/none', method: 'DELETE', open: [] },
  { path: `/api/groups/${ids.group}/assignments`, method: 'POST', body: { exerciseId: ids.exercise }, open: ['maren', 'edda'] },
  { path: `/api/groups/${ids.group}/assignments`, method: 'PATCH', body: { exerciseId: 'none' }, open: [] },
  { path: `/api/groups/${ids.group}/assignments`, method: 'DELETE', body: { exerciseId: 'none' }, open: [] },
  { path: '/api/notices/none', method: 'DELETE', body: {}, open: [] },
  { path: '/api/notices/none/answer', method: 'POST', body: { words: 'Yes' }, open: [] },
  { path: '/api/messages', method: 'POST', body: { personIds: ['none'], words: 'Hello' }, open: [] },
  { path: '/api/courses', method: 'POST', body: { name: '' }, open: [] },
  { path: `/api/courses/${ids.course}`, method: 'PUT', body: {}, open: [] },
  { path: `/api/courses/${ids.course}`, method: 'PATCH', body: { archived: true }, open: [] },
  // Of no course: a copy would keep its exercises from being put away by the tests that follow.
  { path: '/api/courses/none/copy', method: 'POST', body: {}, open: [] },
  { path: `/api/groups/${ids.group}/courses`, method: 'PUT', body: { courseId: 'none', startsOn: '2031-01-01', pace: null }, open: [] },
  { path: `/api/groups/${ids.group}/courses`, method: 'DELETE', body: { courseId: 'none' }, open: [] },
  { path: '/api/people/preview', method: 'POST', body: { file: '' }, open: ['edda'] },
  { path: '/api/people/import', open: ['maren', 'edda'] },
  { path: '/api/people/import', method: 'POST', body: { file: '', name: '', leaveOut: false }, open: [] },
  { path: '/api/people/passwords', method: 'POST', body: { personIds: ['none'] }, open: [] },
  { path: '/api/people/exercises', method: 'POST', body: { personIds: ['none'], exerciseId: ids.exercise }, open: [] },
  { path: `/api/people/${ids.ida}/exercises`, method: 'DELETE', body: { exerciseId: 'none' }, open: [] },
  { path: '/api/people/move', method: 'POST', body: { personIds: ['none'], from: null, to: ids.group }, open: [] },
  { path: '/api/people/none', method: 'PATCH', body: { active: true }, open: [] },
  { path: '/api/people/none', method: 'DELETE', body: { heirId: null }, open: [] },
  { path: `/api/people/${ids.ida}/leaving`, open: ['edda'] },
  { path: `/api/people/${ids.ida}/everything`, open: ['ida', 'maren', 'edda'] },
  { path: `/api/people/${ids.ida}/notes`, method: 'POST', body: { words: '' }, open: [] },
  { path: `/api/people/${ids.ida}/extra-time`, method: 'PUT', body: { days: 3, why: '' }, open: [] },
  { path: '/api/notes/none', method: 'DELETE', body: {}, open: [] },
  { path: `/api/groups/${ids.group}/people`, method: 'POST', body: { name: '', signIn: '', password: '', role: 'trainee' }, open: [] },
  { path: `/api/groups/${ids.group}/skills.csv`, open: ['maren', 'edda'] },
  { path: `/api/people/${ids.ida}/attempts.csv`, open: ['ida', 'maren', 'edda'] },
  { path: `/api/people/${ids.ida}/password`, method: 'POST', body: { password: 'short' }, open: [] },
  { path: `/attempts/${ids.attempt}`, open: ['ida', 'maren', 'edda'] },
  { path: `/practise/${ids.exercise}`, open: ['ida', 'viktor', 'maren', 'edda'] },
  { path: `/build/${ids.exercise}`, open: ['maren', 'edda'] },
  { path: '/build', open: ['maren', 'edda'] },
  { path: `/exercises/${ids.exercise}`, open: ['maren', 'edda'] },
  { path: `/exercises/${ids.exercise}/sheet`, open: ['maren', 'edda'] },
  { path: '/courses', open: ['maren', 'edda'] },
  { path: `/courses/${ids.course}`, open: ['maren', 'edda'] },
  { path: '/people', open: ['edda'] },
  { path: '/people/import', open: ['edda'] },
  { path: '/people/changes', open: ['edda'] },
  { path: '/library', open: ['maren', 'edda'] },
  { path: `/library/${ids.model}`, open: ['maren', 'edda'] },
  { path: '/library/import', open: ['maren', 'edda'] },
  { path: `/groups/${ids.group}`, open: ['maren', 'edda'] },
  { path: `/learners/${ids.ida}`, open: ['maren', 'edda'] },
  { path: '/progress', open: ['ida', 'viktor', 'maren', 'edda'] },
  { path: '/account', open: ['ida', 'viktor', 'maren', 'edda'] },
  { path: '/schemes', open: ['ida', 'viktor', 'maren', 'edda'] },
];

describe('every endpoint and page', () => {
  it('answers those who may, and refuses the others with 403, 404 or 422 and words', async () => {
    for (const { path, method = 'GET', body, open } of everything()) {
      for (const as of ['ida', 'viktor', 'maren', 'edda']) {
        const response = await call(path, { as, method, body });
        const text = await response.text();
        const where = `${as}: ${method} ${path} gave ${response.status} ${text.slice(0, 120)}`;
        if (open.includes(as)) expect(response.status, where).toBeLessThan(300);
        else {
          expect([403, 404, 415, 422], where).toContain(response.status);
          if (path.startsWith('/api/')) expect(JSON.parse(text).error.message.length, where).toBeGreaterThan(10);
        }
        if (path === `/attempts/${ids.attempt}` && !open.includes(as)) expect(text).not.toContain('"score"');
      }
    }
  });

  it('sends strangers to the sign-in, and refuses them data', async () => {
    for (const { path, method = 'GET', body } of everything()) {
      const response = await call(path, { method, body });
      if (path.startsWith('/api/')) expect(response.status, path).toBe(401);
      else expect(response.headers.get('location'), path).toMatch(/^\/\?next=/);
    }
  });

  it('takes changes from its own pages only', async () => {
    for (const origin of ['http://evil.example', 'null', null]) {
      const response = await call('/api/groups', { as: 'edda', method: 'POST', body: { name: 'From elsewhere' }, origin });
      expect(response.status).toBe(403);
    }
    expect(await stored.db('groups').where({ name: 'From elsewhere' })).toEqual([]);
  });

  it('says which methods an address answers, and what is not there, in words', async () => {
    const wrong = await call(`/api/attempts/${ids.attempt}/hand-in`, { method: 'DELETE', as: 'ida' });
    expect([wrong.status, wrong.headers.get('allow')]).toEqual([405, 'POST']);
    expect((await call('/api/landmarks/x', { method: 'PUT', as: 'maren', body: {} })).headers.get('allow')).toBe('PATCH, DELETE');
    for (const path of ['/api/nothing', `/api/pictures/${ids.exercise}/abc/0`, `/api/pictures/${ids.exercise}/1/-1`]) {
      const response = await call(path, { as: 'ida' });
      expect(response.status, path).toBe(404);
      expect(((await response.json()) as { error: { message: string } }).error.message).toMatch(/\w/);
    }
  });

  it('protects every answer with its headers, and the session cookie from scripts', async () => {
    for (const path of ['/', '/today', '/mark.svg', '/api/meshes/x', '/nowhere']) {
      const { headers } = await call(path, { as: 'ida' });
      expect(headers.get('x-content-type-options'), path).toBe('nosniff');
      expect(headers.get('x-frame-options'), path).toBe('DENY');
    }
    const page = await call('/today', { as: 'ida' });
    expect(page.headers.get('content-security-policy')).toMatch(/default-src 'none'; script-src 'self' 'sha256-/);
    const signedIn = await call('/api/demo-sign-in', { method: 'POST', body: { name: 'ida' } });
    expect(signedIn.headers.get('set-cookie')).toMatch(/HttpOnly.*SameSite=Lax/i);
  });

  it('says what is wrong with what cannot be read', async () => {
    for (const body of ['{', '[]', '{"name": 5}', JSON.stringify({ name: 'x'.repeat(300) })]) {
      const response = await fetch(`${base()}/api/groups`, {
        method: 'POST',
        headers: { Cookie: cookies.edda as string, Origin: base(), 'Content-Type': 'application/json' },
        body,
      });
      expect([400, 422]).toContain(response.status);
      expect((await response.json()).error.message).toBeTruthy();
    }
  });

  it('limits guessing: the ninth wrong password of an account is refused as too many', async () => {
    const statuses: number[] = [];
    for (let i = 0; i < 9; i++) statuses.push((await call('/api/sign-in', { method: 'POST', body: { name: 'lena', password: 'a wrong one' } })).status);
    expect(statuses.slice(0, 8)).toEqual(Array(8).fill(401));
    expect(statuses[8]).toBe(429);
  });
});
