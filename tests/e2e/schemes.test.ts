import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BUILT_IN_SCHEMES, TWO_BUTTON_MOUSE } from '@core';
import { writeSchemeFile } from '@formats';
import { By, Key, type WebElement } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { button, drag, field, find, keys, PATIENCE, picturing, press, stage, waitFor } from './browser';
import { choose, handIn, openExercise } from './screens';
import { base } from './stored';
import { useBrowser } from './useBrowser';

const browser = useBrowser('Pim Aalders');
const { stored } = browser;
const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** In the middle of the window, where no bar lies over it. */
async function pressInMiddle(name: string | RegExp): Promise<void> {
  const { driver } = browser;
  await driver.wait(async () => {
    try {
      const element = await button(driver, name);
      await driver.executeScript("arguments[0].scrollIntoView({ block: 'center' })", element);
      await element.click();
      return true;
    } catch (error) {
      if (/stale|intercepted|not clickable/i.test(String(error))) return false;
      throw error;
    }
  }, PATIENCE);
}
const pad = async (): Promise<WebElement> => find(browser.driver, '[role=group]', /^Show the gesture for/);
const says = (words: RegExp): Promise<unknown> =>
  waitFor(browser.driver, String(words), async () => words.test(await browser.driver.executeScript<string>('return document.body.innerText')));
const idOf = async (name: string): Promise<string> => {
  const row = await stored.db('scheme_revisions').whereRaw("json_value(content, '$.name') = ?", [name]).orderBy('revision', 'desc').first('id');
  return row.id;
};

describe('a scheme of one’s own', () => {
  it('is duplicated, set by showing gestures, its conflict swapped in place, saved, and practised with', async () => {
    const { driver } = browser;
    await picturing(driver, 'own scheme', async () => {
      await driver.get(`${base()}/schemes`);
      await press(driver, /^Two-button mouse/);
      await press(driver, 'Duplicate');
      const name = await field(driver, 'Name of the scheme');
      await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'For my left hand');

      // Sliding is set to the gesture that orbits already: said at the row, and the two change hands.
      await pressInMiddle(/^Set Pan: slide the view: now right drag/);
      const shown = await pad();
      await driver
        .actions({ async: true })
        .move({ origin: shown, x: -80, y: 0, duration: 0 })
        .press()
        .move({ origin: shown, x: -20, y: 0, duration: 40 })
        .move({ origin: shown, x: 60, y: 0, duration: 40 })
        .release()
        .perform();
      await says(/left drag is set twice/);
      await pressInMiddle(/^Set Orbit: now left drag/);
      await driver.actions({ async: true }).sendKeys(Key.ESCAPE).perform();
      // Orbit is given the other button.
      await pressInMiddle('Mirror for the other hand');
      await says(/right drag is set twice/);
      await pressInMiddle(/^Clear Orbit: right drag/);
      await says(/none in another/);

      // A key by the keyboard alone; one that the browser keeps is refused in words.
      const home = await button(driver, /^Set Home: now Home/);
      await driver.executeScript("arguments[0].scrollIntoView({ block: 'center' }); arguments[0].focus()", home);
      await driver.actions({ async: true }).sendKeys(Key.ENTER).perform();
      await pad();
      await driver.actions({ async: true }).sendKeys(Key.F6).perform();
      await says(/Browsers keep the function keys/);
      await driver.actions({ async: true }).sendKeys(Key.END).perform();
      await button(driver, /^Set Home: now End/);
      await press(driver, 'Save');
      await says(/Saved\. Attempts from now on/);

      const id = await idOf('For my left hand');
      await openExercise(driver, stored, 'Make room');
      await choose(driver, 'Scheme', 'For my left hand');
      await stage(driver);
      await drag(driver, [0, 0.1], [0.2, 0.1], 'right');
      await keys(driver, Key.END);
      const attempt = await handIn(driver, stored);
      expect(attempt.trace.scheme).toEqual({ id, revision: 2 });
      const kinds = attempt.trace.moves.map((m) => m.command.kind);
      expect([kinds[0], kinds.at(-1)]).toEqual(['pan', 'home']);
    });
  });

  it('comes from a file; a broken one is said at its line and keeps nothing; another window’s change is not overwritten', async () => {
    const { driver } = browser;
    const folder = mkdtempSync(join(tmpdir(), 'dial-home-scheme-'));
    await picturing(driver, 'scheme file', async () => {
      const text = writeSchemeFile({ ...TWO_BUTTON_MOUSE, name: 'From a file' });
      writeFileSync(join(folder, 'broken.json'), text.replace('"notch": 1.15', '"notch": 99'));
      writeFileSync(join(folder, 'good.json'), text);
      await driver.get(`${base()}/schemes`);
      await button(driver, 'Import a file');
      const before = (await stored.db('schemes')).length;
      await (await driver.findElement(By.css('input[type=file]'))).sendKeys(join(folder, 'broken.json'));
      await says(/Line \d+, scheme\.options\.notch/);
      expect((await stored.db('schemes')).length).toBe(before);
      await (await driver.findElement(By.css('input[type=file]'))).sendKeys(join(folder, 'good.json'));
      await waitFor(driver, 'the scheme to be opened', async () => (await (await field(driver, 'Name of the scheme')).getAttribute('value')) === 'From a file');

      const id = await idOf('From a file');
      const { content } = await stored.db('scheme_revisions').where({ id }).first('content');
      const scheme = typeof content === 'string' ? JSON.parse(content) : content;
      await stored
        .db('scheme_revisions')
        .insert({ id, revision: 2, owner_id: null, family: 'mouse', content: JSON.stringify({ ...scheme, revision: 2, name: 'Elsewhere' }) });
      await (await field(driver, 'Name of the scheme')).sendKeys(' and mine');
      await press(driver, 'Save');
      await says(/changed elsewhere meanwhile/);
      expect(await (await field(driver, 'Name of the scheme')).getAttribute('value')).toBe('From a file and mine');
      await press(driver, 'Save');
      await says(/Saved\. Attempts from now on/);
      expect((await stored.db('scheme_revisions').where({ id })).length).toBe(3);
    });
    rmSync(folder, { recursive: true, force: true });
  });

  it('the editor and the test bench have names for a screen reader, and the bench tells what a device sends', async () => {
    const { driver } = browser;
    await picturing(driver, 'bench', async () => {
      await driver.get(`${base()}/schemes`);
      const check = async (): Promise<string[]> => {
        await driver.executeScript(axe);
        return driver.executeAsyncScript(
          "const done = arguments[0]; axe.run(document, { runOnly: ['wcag2a', 'wcag2aa'] }).then((r) => done(r.violations.map((v) => v.id + ': ' + v.nodes.map((n) => n.html).join(' | ').slice(0, 300))))",
        );
      };
      await press(driver, /^For my left hand/);
      await press(driver, 'Change it');
      await button(driver, 'Mirror for the other hand');
      expect(await check()).toEqual([]);
      await press(driver, /^Two-button mouse ships/);
      await press(driver, 'Test bench');
      const bench = await find(driver, '[role=application]', /^Test bench/);
      await driver.executeScript("arguments[0].scrollIntoView({ block: 'center' })", bench);
      await driver
        .actions({ async: true })
        .move({ origin: bench, x: -80, y: 0, duration: 0 })
        .press()
        .move({ origin: bench, x: 40, y: 0, duration: 40 })
        .release()
        .perform();
      await driver.actions({ async: true }).sendKeys('e').perform();
      await says(/left drag\s+Orbit/);
      await says(/E \(KeyE\)\s+Fit all/);
      expect(await check()).toEqual([]);
    });
  });
});

it('each scheme card prints on one page', async () => {
  const { driver } = browser;
  await driver.get(`${base()}/schemes`);
  for (const scheme of BUILT_IN_SCHEMES) {
    await press(driver, new RegExp(`^${scheme.name} ships`));
    await waitFor(driver, 'the card', async () => (await driver.findElement(By.css('[aria-label=Scheme]')).getText()).includes(scheme.about));
    const { data } = (await (
      driver as unknown as { sendAndGetDevToolsCommand(name: string, options: object): Promise<{ data: string }> }
    ).sendAndGetDevToolsCommand('Page.printToPDF', { preferCSSPageSize: true })) as { data: string };
    const pages =
      Buffer.from(data, 'base64')
        .toString('latin1')
        .match(/\/Type\s*\/Page\b(?!s)/g) ?? [];
    expect(pages.length, scheme.name).toBe(1);
  }
});

it('who comes from another scheme is told when an old habit slips in, and finds it on the card', async () => {
  const { driver } = browser;
  await picturing(driver, 'slips', async () => {
    await openExercise(driver, stored, 'Make room');
    await choose(driver, 'Scheme', 'Three-button mouse');
    await stage(driver);
    await press(driver, /^Scheme card/);
    await choose(driver, /^I come from/, 'Two-button mouse');
    await press(driver, 'Close');
    // Sliding is asked for. With two buttons the right one slides; with three it zooms.
    await drag(driver, [0, 0.1], [0, 0.05], 'right');
    await says(/In this scheme right drag is for: Zoom/);
    const attempt = await handIn(driver, stored);
    expect(attempt.card.slips).toEqual([{ gesture: 'right drag', wanted: 'pan', times: 1 }]);
    await says(/Old habits: right drag for pan, 1 time/);
    await driver.executeScript("localStorage.removeItem('dial-home-earlier-scheme')");
  });
});

describe('a whole exercise', () => {
  it('by fingers on a touch screen: orbited, spread, the near hand by a long press', async () => {
    const { driver } = browser;
    await picturing(driver, 'touch', async () => {
      await openExercise(driver, stored, 'Round to the ladder');
      await choose(driver, 'Scheme', 'Touch screen');
      const element = await stage(driver);
      const { width, height } = await element.getRect();
      const box = await driver.executeScript<{ x: number; y: number }>('return arguments[0].getBoundingClientRect().toJSON()', element);
      const at = (x: number, y: number) => ({ x: Math.round(box.x + (0.5 + x) * width), y: Math.round(box.y + (0.5 + y) * height) });
      // The driver's own touch pointer, by its protocol: each step is [x, y, ms].
      const touch = async (...fingers: readonly (readonly (readonly [number, number, number])[])[]): Promise<void> => {
        // biome-ignore lint/suspicious/noExplicitAny: the type list lacks the command that sends raw pointer actions.
        const command = new ((await import('selenium-webdriver/lib/command.js')) as any).Command('actions').setParameter(
          'actions',
          fingers.map((steps, i) => ({
            type: 'pointer',
            id: `finger ${i}`,
            parameters: { pointerType: 'touch' },
            actions: [
              {
                type: 'pointerMove',
                duration: 0,
                origin: 'viewport',
                ...at((steps[0] as readonly number[])[0] as number, (steps[0] as readonly number[])[1] as number),
              },
              { type: 'pointerDown', button: 0 },
              ...steps.slice(1).map(([x, y, duration]) => ({ type: 'pointerMove', duration, origin: 'viewport', ...at(x, y) })),
              { type: 'pointerUp', button: 0 },
            ],
          })),
        );
        await driver.execute(command);
      };
      await touch([
        [0, 0.15, 0],
        [-0.05, 0.16, 60],
        [-0.11, 0.17, 60],
        [-0.165, 0.18, 60],
      ]);
      await touch(
        [
          [-0.05, 0, 0],
          [-0.08, 0, 80],
          [-0.1, 0, 80],
        ],
        [
          [0.05, 0, 0],
          [0.08, 0, 80],
          [0.1, 0, 80],
        ],
      );
      // A finger that stays shows the near hand; a word of it is pressed.
      await touch([
        [0.05, 0.1, 0],
        [0.05, 0.1, 1500],
      ]);
      await find(driver, '[role=toolbar]', 'Near hand');
      await press(driver, /^Fit all/, '[role=toolbar] button');
      const attempt = await handIn(driver, stored);
      const kinds = attempt.trace.moves.map((m) => m.command.kind);
      expect(kinds[0]).toBe('orbit');
      expect(kinds).toContain('zoom');
      expect(kinds.at(-1)).toBe('fit');
      expect(attempt.trace.moves[0]?.gesture?.device).toBe('touch');
      expect(attempt.trace.scheme.id).toBe('touch-screen');
      const direction = attempt.card.steps[0]?.criteria.find((c) => c.id === 'direction');
      expect(direction?.points).toBeGreaterThan(0.5);
    });
  });

  it('with a pen: the tip orbits, the barrel button slides', async () => {
    const { driver } = browser;
    await picturing(driver, 'pen', async () => {
      await openExercise(driver, stored, 'Make room');
      await choose(driver, 'Scheme', 'Pen');
      const element = await stage(driver);
      const { width, height } = await element.getRect();
      const box = await driver.executeScript<{ x: number; y: number }>('return arguments[0].getBoundingClientRect().toJSON()', element);
      const at = (x: number, y: number) => ({ x: Math.round(box.x + (0.5 + x) * width), y: Math.round(box.y + (0.5 + y) * height) });
      // biome-ignore lint/suspicious/noExplicitAny: as above.
      const command = new ((await import('selenium-webdriver/lib/command.js')) as any).Command('actions').setParameter('actions', [
        {
          type: 'pointer',
          id: 'pen',
          parameters: { pointerType: 'pen' },
          actions: [
            { type: 'pointerMove', duration: 0, origin: 'viewport', ...at(0, 0.1) },
            { type: 'pointerDown', button: 2 },
            { type: 'pointerMove', duration: 60, origin: 'viewport', ...at(0.1, 0.1) },
            { type: 'pointerMove', duration: 60, origin: 'viewport', ...at(0.2, 0.12) },
            { type: 'pointerMove', duration: 60, origin: 'viewport', ...at(0.275, 0.16) },
            { type: 'pointerUp', button: 2 },
          ],
        },
      ]);
      await driver.execute(command);
      const attempt = await handIn(driver, stored);
      expect(new Set(attempt.trace.moves.map((m) => m.command.kind))).toEqual(new Set(['pan']));
      expect(attempt.trace.moves[0]?.gesture?.device).toBe('pen');
      expect(attempt.card.score).toBeGreaterThan(60);
    });
  });
});
