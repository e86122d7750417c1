import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { scoreAttempt } from '@core';
import { boxes } from '@core/tests/meshes';
import { writeGlb } from '@formats';
import { shownPoints } from '@web/ui/points';
import { By } from 'selenium-webdriver';
import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  type Browser,
  drag,
  field,
  find,
  hoverAt,
  keys,
  link,
  openBrowser,
  PATIENCE,
  picturing,
  press,
  signInAs,
  signInByButton,
  stage,
  textOf,
  waitFor,
  wheel,
  write,
} from './browser';
import { handIn, idIn } from './screens';
import { base, openStored } from './stored';

let browser: Browser;
const stored = openStored();
const folder = mkdtempSync(join(tmpdir(), 'dial-home-model-'));

beforeAll(async () => {
  browser = await openBrowser();
  const toolbox = boxes([
    { id: 'body', min: [-0.4, -0.2, 0], max: [0.4, 0.2, 0.3] },
    { id: 'lid', min: [-0.42, -0.22, 0.3], max: [0.42, 0.22, 0.36] },
    { id: 'lock', min: [-0.05, -0.25, 0.2], max: [0.05, -0.2, 0.32] },
  ]);
  writeFileSync(join(folder, 'toolbox.glb'), await writeGlb(toolbox));
  writeFileSync(join(folder, 'broken.glb'), (await writeGlb(toolbox)).subarray(0, 500));
});
afterAll(async () => {
  await browser?.close();
  await stored.close();
  rmSync(folder, { recursive: true, force: true });
});

it('a model is imported, an exercise built, published and assigned, practised by pointer, wheel and keys, scored and seen in the progress', async () => {
  const { driver } = browser;
  await picturing(driver, 'journey', async () => {
    await signInByButton(driver, base(), 'Maren Holt');

    // A broken file says what is wrong and leaves nothing behind.
    await driver.get(`${base()}/library/import`);
    const input = await driver.wait(async () => (await driver.findElements(By.css('input[type=file]')))[0] ?? null, PATIENCE);
    await input?.sendKeys(join(folder, 'broken.glb'));
    expect(await textOf(driver, '[role=alert]')).toMatch(/cut off/);
    await driver.navigate().refresh();

    const again = await driver.wait(async () => (await driver.findElements(By.css('input[type=file]')))[0] ?? null, PATIENCE);
    await again?.sendKeys(join(folder, 'toolbox.glb'));
    await stage(driver);
    expect(await (await field(driver, 'Name')).getAttribute('value')).toBe('toolbox');
    await press(driver, 'Save to the library');
    await waitFor(driver, 'the model page', async () => /\/library\/[0-9a-f-]{36}$/.test(await driver.getCurrentUrl()));
    await stage(driver);
    await press(driver, 'Build an exercise on it');
    await waitFor(driver, 'the builder', async () => /\/build\/[0-9a-f-]{36}$/.test(await driver.getCurrentUrl()));
    const exerciseId = await idIn(driver);

    await stage(driver);
    await write(driver, 'Title', 'Behind the toolbox');
    await write(driver, 'What to do', 'Find the hinge side');
    await drag(driver, [-0.1, 0], [0.2, 0.06]);
    await press(driver, 'Set target from this view');
    await press(driver, 'Publish');
    await press(driver, 'Assign', '[role=dialog] button');
    await waitFor(driver, 'the assignment', async () => (await stored.db('assignments').where({ exercise_id: exerciseId })).length === 1);

    await signInAs(driver, base(), 'Ida Sorrel');
    await driver.get(`${base()}/today`);
    await (await link(driver, /Behind the toolbox/)).click();
    await stage(driver);
    await wheel(driver, [0, 0], 2);
    await drag(driver, [-0.1, 0], [0.15, 0.05]);
    await wheel(driver, [0, 0], -2);
    await hoverAt(driver, [0, 0]);
    await keys(driver, '\uE012');
    const attempt = await handIn(driver, stored);
    const score = Number(await textOf(driver, '[data-testid=score]'));

    expect(attempt.trace.moves.map((m) => m.command.kind)).toEqual(expect.arrayContaining(['zoom', 'orbit', 'turn']));
    const computed = scoreAttempt(attempt.version.content, attempt.model, attempt.trace, attempt.scheme);
    expect(JSON.parse(JSON.stringify(computed))).toEqual(attempt.card);
    expect(score).toBe(shownPoints(attempt.card.score));

    await driver.get(`${base()}/progress`);
    await find(driver, 'a', new RegExp(`Behind the toolbox.*${score}`));

    await signInAs(driver, base(), 'Maren Holt');
    await driver.get(`${base()}/groups`);
    await (await link(driver, /Ida Sorrel.*Behind the toolbox/)).click();
    await press(driver, 'Score card');
    expect(Number(await textOf(driver, '[data-testid=score]'))).toBe(score);
  });
});
