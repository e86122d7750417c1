import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, it } from 'vitest';
import { askBrowser, keys, setWindow, signInAs, stage, waitFor } from './browser';
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

/** So many stops of the keyboard are looked at on each page. */
const STOPS = 45;
/** What is wrong with where the keyboard stands; null: it left the page. */
const STOP = `
  const e = document.activeElement;
  if (!e || e === document.body) return null;
  const { left, top, right, bottom } = e.getBoundingClientRect();
  const style = getComputedStyle(e);
  // A mark of the dial is drawn round itself.
  const marked = [...e.querySelectorAll('circle')].some((c) => parseFloat(getComputedStyle(c).strokeWidth) >= 2.5);
  const drawn = (s) => (s.outlineStyle !== 'none' && parseFloat(s.outlineWidth) > 0) || s.boxShadow !== 'none' || marked;
  const faults = [];
  if (right - left < 1 || bottom - top < 1) faults.push('has no size');
  else if (right < 0 || bottom < 0 || left > innerWidth || top > innerHeight) faults.push('is out of sight');
  if (!drawn(style)) faults.push('does not show that it has the keyboard');
  window.stops ??= new Map();
  if (!window.stops.has(e)) window.stops.set(e, window.stops.size);
  const name = e.getAttribute('aria-label') ?? e.textContent ?? '';
  // A date has a stop for its day, its month and its year.
  return { number: window.stops.get(e), inner: e.type === 'date', at: e.tagName + ' ' + name.trim().slice(0, 40), faults };
`;

/** Goes through the page by Tab alone, and tells of stops that cannot be seen, and of those that one does not get away from. */
async function keyboardFaults(): Promise<string[]> {
  const { driver } = browser;
  const faults: string[] = [];
  await driver.executeScript('document.activeElement?.blur(); window.scrollTo(0, 0);');
  let before = -1;
  for (let n = 0; n < STOPS; n++) {
    const key = { key: 'Tab', code: 'Tab', windowsVirtualKeyCode: 9 };
    await askBrowser(driver, 'Input.dispatchKeyEvent', { type: 'rawKeyDown', ...key });
    await askBrowser(driver, 'Input.dispatchKeyEvent', { type: 'keyUp', ...key });
    const stop = await driver.executeScript<{ number: number; inner: boolean; at: string; faults: string[] } | null>(STOP);
    if (!stop) break;
    // Within a date it is the browser's own piece that shows it, such as the calendar's mark.
    if (stop.number === before && stop.inner) continue;
    if (stop.number === before) faults.push(`${stop.at}: Tab does not leave it`);
    else faults.push(...stop.faults.map((fault) => `${stop.at}: ${fault}`));
    before = stop.number;
  }
  if (before < 2) faults.push('the keyboard reaches next to nothing');
  return [...new Set(faults)];
}

/** What does not fit where everything is twice as large. */
async function largeFaults(): Promise<string[]> {
  const { driver } = browser;
  await setWindow(driver, { width: 640, height: 400, scale: 2 });
  const measured = (): Promise<[number, number]> => driver.executeScript('return [document.documentElement.scrollWidth, innerWidth]');
  let [wide, room] = await measured();
  // Charts take the new width with the next picture.
  for (let n = 0; n < 10 && wide > room; n++) {
    await driver.sleep(100);
    [wide, room] = await measured();
  }
  await setWindow(driver, null);
  return wide > room ? [`at 200 % the page is ${wide} wide in a window of ${room}`] : [];
}

it.each([
  ['-', '/', 'day'],
  ['-', '/join', 'night'],
  ['Ida Sorrel', '/account', 'day'],
  ['Maren Holt', 'learner', 'day'],
  ['Maren Holt', '/build', 'night'],
  ['Maren Holt', 'sheet', 'day'],
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
])('%s at %s by %s has no faults of level A or AA, is gone through by keys, and fits twice as large', async (who, path, theme) => {
  const { driver } = browser;
  if (who === '-') await driver.get(`${base()}${path}`);
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
                : path === 'sheet'
                  ? `/exercises/${exercise}/sheet`
                  : path === 'learner'
                    ? `/learners/${(await stored.db('people').where({ sign_in: 'ida' }).first('id')).id}`
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
  expect(await keyboardFaults()).toEqual([]);
  expect(await largeFaults()).toEqual([]);
});

/** What a wish of the browser is, for those who see or move otherwise. */
const wishes = (wished: Readonly<Record<string, string>>): Promise<unknown> =>
  askBrowser(browser.driver, 'Emulation.setEmulatedMedia', { features: Object.entries(wished).map(([name, value]) => ({ name, value })) });
const colour = (token: string): Promise<string> =>
  browser.driver.executeScript<string>(
    "const e = document.body.appendChild(document.createElement('i')); e.style.color = 'var(' + arguments[0] + ')'; const { color } = getComputedStyle(e); e.remove(); return color;",
    token,
  );

it('who asks for less motion sees a view where it goes, and none on the way', async () => {
  const { driver } = browser;
  await signInAs(driver, base(), 'Ida Sorrel');
  try {
    await wishes({ 'prefers-reduced-motion': 'reduce' });
    await driver.get(`${base()}/practise/${await exerciseNamed(stored, 'Round to the ladder')}`);
    await stage(driver);
    await driver.executeScript(`
      const figures = () => [...document.querySelectorAll('[data-figure]')].map((e) => e.value).join(' ');
      window.passed = [figures()];
      const look = () => { if (figures() !== window.passed.at(-1)) window.passed.push(figures()); requestAnimationFrame(look); };
      look();
    `);
    const passed = (): Promise<string[]> => driver.executeScript<string[]>('return window.passed');
    await keys(driver, '3');
    await waitFor(driver, 'the other view', async () => (await passed()).length > 1);
    await driver.sleep(800);
    expect(await passed()).toHaveLength(2);
  } finally {
    await wishes({ 'prefers-reduced-motion': '' });
  }
});

it('who asks for more contrast gets no half tones, and who has colours of their own gets those', async () => {
  const { driver } = browser;
  await signInAs(driver, base(), 'Ida Sorrel');
  await driver.get(`${base()}/today`);
  try {
    expect(await colour('--color-ink-soft')).not.toBe(await colour('--color-ink'));
    await wishes({ 'prefers-contrast': 'more' });
    for (const token of ['--color-ink-soft', '--color-rule']) expect(await colour(token)).toBe(await colour('--color-ink'));
    await wishes({ 'prefers-contrast': '', 'forced-colors': 'active' });
    expect(await colour('--color-ink')).toBe(await colour('--color-ink-soft'));
    expect(await colour('--color-paper')).not.toBe(await colour('--color-ink'));
  } finally {
    await wishes({ 'prefers-contrast': '', 'forced-colors': '' });
  }
});
