import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, it } from 'vitest';
import { signInAs, stage, waitFor } from './browser';
import { base, exerciseNamed } from './stored';
import { useBrowser } from './useBrowser';

const browser = useBrowser();
const { stored } = browser;
const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

async function problems(): Promise<string[]> {
  const { driver } = browser;
  await driver.executeScript(axe);
  return driver.executeAsyncScript<string[]>(`
    const done = arguments[arguments.length - 1];
    axe.run(document, { runOnly: ['wcag2a', 'wcag2aa'] }).then((r) => done(r.violations.flatMap((v) => v.nodes.map((n) => v.id + ': ' + n.target.join(' ') + ' ' + n.failureSummary.slice(0, 200)))), (e) => done([String(e)]));
  `);
}

it.each([
  ['-', '/', 'day'],
  ['Ida Sorrel', '/today', 'day'],
  ['Ida Sorrel', '/today', 'night'],
  ['Ida Sorrel', '/progress', 'day'],
  ['Ida Sorrel', 'practise', 'day'],
  ['Ida Sorrel', 'practise', 'night'],
  ['Ida Sorrel', 'card', 'day'],
  ['Ida Sorrel', 'review', 'night'],
  ['Maren Holt', 'review', 'day'],
  ['Maren Holt', '/groups', 'day'],
  ['Maren Holt', '/library', 'day'],
  ['Maren Holt', 'build', 'day'],
  ['Maren Holt', '/schemes', 'night'],
  ['Maren Holt', '/courses', 'day'],
  ['Maren Holt', 'course', 'night'],
  ['Maren Holt', 'fares', 'day'],
  ['Edda Quist', '/people', 'night'],
  ['Edda Quist', '/people/import', 'day'],
  ['Edda Quist', '/people/changes', 'day'],
])('%s at %s by %s has no accessibility faults of level A or AA', async (who, path, theme) => {
  const { driver } = browser;
  if (who === '-') await driver.get(`${base()}/`);
  else await signInAs(driver, base(), who);
  await driver.manage().addCookie({ name: 'dh_theme', value: theme });
  const exercise = await exerciseNamed(stored, 'Round to the ladder');
  const attempt = await stored.db('attempts as a').join('people as p', 'p.id', 'a.person_id').where('p.sign_in', 'ida').whereNotNull('a.card').first('a.id');
  const at =
    path === 'practise'
      ? `/practise/${exercise}`
      : path === 'build'
        ? `/build/${exercise}`
        : path === 'card'
          ? `/attempts/${attempt.id}`
          : path === 'review'
            ? `/attempts/${attempt.id}/review`
            : path === 'course'
              ? `/courses/${(await stored.db('courses').where({ name: 'First watch' }).first('id')).id}`
              : path === 'fares'
                ? `/exercises/${exercise}`
                : path;
  await driver.get(`${base()}${at}`);
  if (path === 'practise' || path === 'build') await stage(driver);
  if (path === 'course')
    await waitFor(
      driver,
      'the units',
      async () => (await driver.executeScript<number>("return document.querySelectorAll('[data-testid=unit]').length")) === 12,
    );
  if (path === 'card')
    await waitFor(driver, 'the card', async () => (await driver.executeScript<number>("return document.querySelectorAll('[data-testid=score]').length")) === 1);
  if (path === 'review')
    await waitFor(
      driver,
      'what happened',
      async () => (await driver.executeScript<number>("return document.querySelectorAll('[data-testid=jumps] li').length")) > 0,
    );
  await waitFor(driver, 'the islands', async () => (await driver.executeScript<number>("return document.querySelectorAll('astro-island[ssr]').length")) === 0);
  expect(await problems()).toEqual([]);
});
