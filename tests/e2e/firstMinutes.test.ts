import { Key } from 'selenium-webdriver';
import { expect, it } from 'vitest';
import { drag, field, picturing, press, stage, textOf, waitFor } from './browser';
import { openExercise } from './screens';
import { base } from './stored';
import { useBrowser } from './useBrowser';

/** What helps who does not know their way: the first notes, and the finder. */
const browser = useBrowser('Ida Sorrel');

const note = (): Promise<string> => textOf(browser.driver, '[data-testid=first-note] p');
const says = (title: string): Promise<unknown> => waitFor(browser.driver, `the note “${title}”`, async () => (await note()) === title);
const none = (): Promise<unknown> =>
  waitFor(browser.driver, 'no note', async () => (await browser.driver.findElements({ css: '[data-testid=first-note]' })).length === 0);

it('the first notes are called back, go on with what the hand does, and stay away once they were put away', async () => {
  const { driver, stored } = browser;
  await picturing(driver, 'first-notes', async () => {
    await openExercise(driver, stored, 'Behind and above');
    await none();
    await press(driver, /^Scheme card/);
    await press(driver, 'What stage, dial and wake are');
    await says('This is the stage');
    // The stage goes on meanwhile, and a gesture made is the first note read.
    await drag(driver, [0, -0.1], [-0.1, -0.1]);
    await says('The dial tells where you look from');
    await press(driver, 'Next');
    await says('Your wake');
    await press(driver, 'No more notes');
    await none();
    // Called back in mid attempt they begin with the first.
    await press(driver, /^Scheme card/);
    await press(driver, 'What stage, dial and wake are');
    await says('This is the stage');
    await press(driver, 'No more notes');
    await none();
    await driver.navigate().refresh();
    await press(driver, 'Start again', '[data-testid=go-on] button');
    await stage(driver);
    await none();
  });
});

it('Ctrl+K finds a gesture by what one would call it, and goes to an exercise', async () => {
  const { driver, stored } = browser;
  await picturing(driver, 'finder', async () => {
    await openExercise(driver, stored, 'Behind and above');
    await driver.actions().keyDown(Key.CONTROL).sendKeys('k').keyUp(Key.CONTROL).perform();
    const words = await field(driver, 'Find');
    const list = (): Promise<string> => textOf(driver, '[role=dialog] [role=listbox]');
    await words.sendKeys('rotate');
    await waitFor(driver, 'the gesture', async () => /Orbit\s+left drag/.test(await list()));
    expect(await list()).not.toMatch(/Exercise/);
    await words.sendKeys(Key.chord(Key.CONTROL, 'a'), 'make room');
    await waitFor(driver, 'the exercise', async () => /Make room/.test(await list()));
    await words.sendKeys(Key.ENTER);
    await waitFor(driver, 'the exercise to open', async () => (await driver.getTitle()).startsWith('Make room'));
    expect(new URL(await driver.getCurrentUrl()).origin).toBe(base());
  });
});
