import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { GOAL_KINDS } from '@core';
import { expect, it } from 'vitest';

/** Folders that know the kinds of goals: their own rooms, what is made up for the demo, and tests. */
const ROOMS = /^(core\/goals|web\/goals|demo|tests|bench)\/|\/tests\/|\.test\.tsx?$/;
/** The server makes a new exercise of one kind, and the builder a new step. */
const BEGINNINGS = new Map([
  ['server/services/exercises.ts', "kindById('matchView').create"],
  ['web/islands/author/BuildScreen.tsx', "kindById('matchView').create"],
]);

const sources = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', 'core', 'formats', 'server', 'web', 'scripts'], {
  encoding: 'utf8',
})
  .split('\n')
  .filter((file) => /\.(ts|tsx|astro)$/.test(file) && !ROOMS.test(file));

it('no kind of goal is named outside its rooms, and nothing asks which kind a goal is', () => {
  const names = new RegExp(`['"\`](${GOAL_KINDS.join('|')})['"\`]`);
  const asks = /goal\??\.kind\s*[!=]==|switch \((\w+\.)*goal\.kind\)|\.startsWith\('section/;
  const found = sources.flatMap((file) =>
    readFileSync(file, 'utf8')
      .split('\n')
      .flatMap((line, i) => {
        const allowed = BEGINNINGS.get(file);
        const text = allowed ? line.replace(allowed, '') : line;
        return names.test(text) || asks.test(text.replace('goal.kind !== step.goal.kind', '')) ? [`${file}:${i + 1}: ${line.trim()}`] : [];
      }),
  );
  expect(sources.length).toBeGreaterThan(200);
  expect(found).toEqual([]);
});
