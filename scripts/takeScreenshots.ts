/** Takes one picture of each main view, and of each part that docs/look.md tells of; called by `npm run screenshots`. */
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, type WebElement } from 'selenium-webdriver';
import { button, drag, find, hoverAt, keys, openBrowser, press, saveScreenshot, setWindow, signInAs, stage, waitFor, write } from '../tests/e2e/browser';
import setup from '../tests/e2e/globalSetup';
import { choose, handIn, openExercise } from '../tests/e2e/screens';
import { base, exerciseNamed, openStored } from '../tests/e2e/stored';

/** A class as it may be written, with three lines that are wrong. */
const CLASS = `name,sign-in,group,role
Mila Strand,mila,Autumn watch,
Wim Tessel,tomas,Autumn watch,
=Rob Anker,,Autumn watch,
Mila Strand,mila,Autumn watch,
Maren Holt,maren,Autumn watch,instructor
Jonas Vail,,Autumn watch,
Anna Reuter,,Autumn watch,
`;
const FOLDER = 'docs/screenshots';
const PARTS = 'docs/look';
for (const folder of [FOLDER, PARTS]) mkdirSync(folder, { recursive: true });
const tearDown = await setup();
const stored = openStored();
const { driver, close } = await openBrowser();
const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

async function shot(name: string): Promise<void> {
  await waitFor(driver, 'pictures and fonts', async () =>
    driver.executeScript<boolean>("return document.fonts.status === 'loaded' && [...document.images].every((i) => i.complete)"),
  );
  await pause(1500);
  await saveScreenshot(driver, `${FOLDER}/${name}.png`);
  process.stdout.write(`${name}\n`);
}
/** The picture of one part of the page, from where it is in sight. */
async function part(name: string, selector: string): Promise<void> {
  const element = await find(driver, selector, /^/);
  await driver.executeScript("arguments[0].scrollIntoView({ block: 'center' })", element);
  await pause(700);
  writeFileSync(`${PARTS}/${name}.png`, await element.takeScreenshot(), 'base64');
  process.stdout.write(`part: ${name}\n`);
}
const hover = (element: WebElement): Promise<void> => driver.actions({ async: true }).move({ origin: element, duration: 20 }).perform();
const across = (element: WebElement): Promise<void> =>
  driver
    .actions({ async: true })
    .move({ origin: element, x: -80, y: 0, duration: 0 })
    .press()
    .move({ origin: element, x: 0, y: 0, duration: 40 })
    .move({ origin: element, x: 60, y: 0, duration: 40 })
    .release()
    .perform();
/** Shows a drag where the editor asks for a gesture. */
async function showDrag(name: RegExp): Promise<void> {
  const set = await button(driver, name);
  await driver.executeScript("arguments[0].scrollIntoView({ block: 'center' })", set);
  await set.click();
  await across(await driver.findElement(By.css('[aria-label^="Show the gesture"]')));
}
const practise = (title: string): Promise<string> => openExercise(driver, stored, title);
const scheme = async (name: string): Promise<void> => {
  await choose(driver, 'Scheme', name);
  await stage(driver);
};
/** The card of a learner's worst attempt at an exercise, where most is to be seen. */
const card = async (person: string, title: string): Promise<void> => {
  const row = await stored
    .db('attempts as a')
    .join('people as p', 'p.id', 'a.person_id')
    .where({ 'p.name': person, exercise_id: await exerciseNamed(stored, title) })
    .whereNotNull('a.card')
    .orderBy('a.score')
    .first('a.id');
  await driver.get(`${base()}/attempts/${row.id}`);
  await waitFor(driver, 'the pictures of the card', async () => (await driver.findElements(By.css('figure img, figure svg'))).length >= 1);
};

try {
  await signInAs(driver, base(), 'Tomas Beck');
  await driver.get(`${base()}/today`);
  await shot('today');
  await practise('Round to the ladder');
  await drag(driver, [0, 0.12], [-0.09, 0.15]);
  await drag(driver, [0, 0.12], [-0.02, 0.1]);
  await drag(driver, [0, 0.12], [-0.03, 0.16]);
  await hover(await driver.findElement(By.css('nav[aria-label^=Wake] li:nth-child(2) button')));
  await waitFor(driver, 'the picture of a fix', async () => (await driver.findElements(By.css('nav[aria-label^=Wake] img'))).length === 1);
  await shot('practise');
  await part('stage', '.graduated');
  await part('dial', '[data-note=dial]');
  await part('wake', '[data-note=wake]');
  await part('closeness', '[data-testid=closeness]');
  await part('buttons', '[data-note=actions]');
  await setWindow(driver, { width: 390, height: 844, mobile: true });
  await practise('Round to the ladder');
  await pause(1500);
  await saveScreenshot(driver, `${PARTS}/phone.png`);
  await setWindow(driver, { width: 820, height: 1180, mobile: true });
  await practise('Round to the ladder');
  await pause(1500);
  await saveScreenshot(driver, `${PARTS}/tablet.png`);
  await setWindow(driver, null);
  await practise('Round to the ladder');
  await scheme('3D mouse');
  await shot('practise-puck');
  await scheme('Two-button mouse');
  await practise('Inspect the whole buoy');
  for (const view of ['1', '2', '3', '4']) {
    await keys(driver, view);
    await pause(700);
  }
  await handIn(driver, stored);
  await waitFor(driver, 'the six sides', async () => (await driver.findElements(By.css('img[alt*="places seen"]'))).length === 6);
  await shot('card-seen');
  await practise('Which side is on the photograph');
  await press(driver, 'I am ready');
  await waitFor(driver, 'the dial', async () => (await driver.findElements(By.css('[data-dial=answer]'))).length === 1);
  const ring = await driver.findElement(By.css('[data-dial=answer]'));
  await driver.actions({ async: true }).move({ origin: ring, x: 42, y: 52 }).click().perform();
  await shot('practise-way');
  await practise('Down to the gear train');
  await hoverAt(driver, [-0.12, 0.1]);
  await keys(driver, 'k');
  await waitFor(driver, 'the cut', async () => (await driver.findElements(By.css('[data-arrow=section]'))).length === 1);
  for (let i = 0; i < 6; i++) await keys(driver, '[');
  // What stands before the train is made glass.
  await press(driver, 'Parts');
  await write(driver, 'Find a part', 'great wheel');
  await driver.findElement(By.css('[data-part="drive/train/great wheel"]')).click();
  await press(driver, 'Glass');
  await press(driver, 'Put the parts away');
  await shot('practise-section');
  await practise('Up to the living room');
  await keys(driver, 'y');
  await waitFor(driver, 'to stand', async () => (await driver.findElements(By.css('[data-testid=eye-rule]'))).length === 1);
  await waitFor(driver, 'the word to go', async () => (await driver.findElements(By.css('[data-sonner-toast]'))).length === 0);
  await shot('practise-standing');
  await card('Tomas Beck', 'Round to the ladder');
  await shot('card-match');
  await part('points', 'main ol.divide-y');

  await signInAs(driver, base(), 'Maren Holt');
  await driver.get(`${base()}/groups`);
  await shot('group');
  const ruth = await stored.db('people').where({ name: 'Ruth Ferris' }).first('id');
  await driver.get(`${base()}/learners/${ruth.id}`);
  await shot('learner');
  await part('levels', '[data-testid=skills]');
  await (await driver.findElement(By.css('[data-level^="orbit "]'))).click();
  await waitFor(driver, 'the curve', async () => (await driver.findElements(By.css('[data-testid=skill-opened] canvas'))).length > 0);
  await driver.executeScript("document.querySelector('[data-testid=skill-opened]').scrollIntoView({ block: 'start' })");
  await shot('skill');
  await part('chart', '[data-testid=skill-opened] canvas');
  const spoken = await stored.db('comments').whereNull('answers_id').whereNotNull('understood_at').first('attempt_id');
  await driver.get(`${base()}/attempts/${spoken.attempt_id}/review`);
  await waitFor(driver, 'what happened', async () => (await driver.findElements(By.css('[data-testid=jumps] li'))).length > 0);
  await shot('review');
  await (await driver.findElement(By.xpath("//label[contains(., 'Compare with')]//option[2]"))).click();
  await choose(driver, 'How it is shown', 'side by side');
  await waitFor(driver, 'two stages', async () => (await driver.findElements(By.css('canvas[role=application]'))).length === 2);
  await shot('review-beside');
  await driver.get(`${base()}/library`);
  await shot('library');
  await driver.get(`${base()}/build/${await exerciseNamed(stored, 'Behind and above')}`);
  await stage(driver);
  await drag(driver, [0, 0.1], [0.2, 0.16]);
  await shot('build');
  await part('storyboard', '[data-note=steps]');
  await part('fields', '[aria-label=Recipe] label');
  await press(driver, 'How this works');
  await part('note', '[data-testid=first-note]');
  /** The recipe of an exercise at its goal, with the stage from a side. */
  const building = async (title: string, side: string): Promise<void> => {
    await driver.get(`${base()}/build/${await exerciseNamed(stored, title)}`);
    await stage(driver);
    await keys(driver, side);
    await driver.executeScript(`
      const heading = [...document.querySelectorAll('[aria-label=Recipe] h2')].find((h2) => h2.textContent === 'Step 1');
      const scroller = heading.closest('.overflow-y-auto');
      scroller.scrollTop += heading.getBoundingClientRect().top - scroller.getBoundingClientRect().top - 16;
    `);
    await pause(700);
  };
  await building('Left behind by the fitter', '3');
  await shot('build-find');
  const { id: course } = await stored.db('courses').where({ name: 'First watch' }).first('id');
  await driver.get(`${base()}/courses/${course}`);
  await waitFor(driver, 'the units', async () => (await driver.findElements(By.css('[data-testid=unit]'))).length === 12);
  await shot('course');
  await driver.get(`${base()}/schemes`);
  await press(driver, /^Two-button mouse/);
  await press(driver, 'Duplicate');
  await press(driver, 'Restore what ships for this device');
  await showDrag(/^Set Pan: slide the view: now right drag/);
  await driver.executeScript("document.querySelector('[role=alert]').scrollIntoView({ block: 'center' })");
  await shot('schemes');
  await signInAs(driver, base(), 'Edda Quist');
  await driver.get(`${base()}/people/import`);
  const list = join(mkdtempSync(join(tmpdir(), 'dial-home-class-')), 'class.csv');
  writeFileSync(list, CLASS);
  await (await driver.findElement(By.css('input[type=file]'))).sendKeys(list);
  await waitFor(driver, 'the preview', async () => (await driver.findElements(By.css('[data-testid=plan]'))).length === 1);
  await shot('people-import');
} finally {
  await close();
  await stored.close();
  await tearDown();
}
process.exit(0);
