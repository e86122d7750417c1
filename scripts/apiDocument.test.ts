import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { ANSWERS, type EndpointName, pathOf } from '../web/http/answers';
import { CONTRACT } from '../web/http/contract';
import { apiDocument } from './apiDocument';

it('docs/api.json is what the contract says', () => {
  expect(JSON.parse(readFileSync('docs/api.json', 'utf8'))).toEqual(JSON.parse(JSON.stringify(apiDocument())));
});

it('every endpoint that there is stands in the contract, and none besides', () => {
  const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', 'web/pages/api'], { encoding: 'utf8' }).trim().split('\n');
  const served = files.flatMap((file) => {
    const path = file
      .replace('web/pages', '')
      .replace(/\.ts$/, '')
      .replace(/\/index$/, '')
      .replace(/\[(\w+)\]/g, ':$1');
    return [...readFileSync(file, 'utf8').matchAll(/export const (GET|POST|PUT|PATCH|DELETE)\b/g)].map((m) => `${m[1]} ${path}`);
  });
  const said = (Object.keys(ANSWERS) as EndpointName[]).map((name) => `${ANSWERS[name].method} ${ANSWERS[name].path}`);
  expect(served.sort()).toEqual(said.sort());
});

it('an answer is parsed as strictly as its page needs, and parameters are put into a path safely', () => {
  expect(ANSWERS.openAttempt.answer.safeParse({ id: 'a', seed: 1 }).success).toBe(true);
  for (const none of [null, {}, { id: '', seed: 1 }, { id: 'a', seed: '1' }]) expect(ANSWERS.openAttempt.answer.safeParse(none).success).toBe(false);
  expect(pathOf('/api/pictures/:exercise/:version/:step', { exercise: 'a/b', version: '1', step: '0' })).toBe('/api/pictures/a%2Fb/1/0');
  expect(CONTRACT.publish.request.safeParse({ pictures: ['not base64 !'] }).success).toBe(false);
});
