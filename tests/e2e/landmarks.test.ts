import { By, Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { button, clickAt, field, keys, picturing, press, signInAs, stage, waitFor, write } from './browser';
import { handIn, openExercise } from './screens';
import { base } from './stored';
import { useBrowser } from './useBrowser';

const browser = useBrowser('Maren Holt');
const { stored } = browser;

const labels = async (): Promise<string[]> => {
  const found = await browser.driver.findElements(By.css('[data-landmark]'));
  return Promise.all(found.map((each) => each.getAttribute('data-landmark') as Promise<string>));
};

describe('landmarks', () => {
  it('are marked by an instructor on the model, said when a name is taken, and taken away', async () => {
    const { driver } = browser;
    await picturing(driver, 'marking', async () => {
      await driver.get(`${base()}/library`);
      await press(driver, 'Lens drive');
      await stage(driver);
      await waitFor(driver, 'the labels', async () => (await labels()).includes('Sloped lid'));
      await clickAt(driver, [-0.1, 0.05]);
      await waitFor(driver, 'what was picked', async () =>
        /Picked on the stage: .*door/.test(await driver.findElement(By.css('[aria-label=Landmarks]')).getText()),
      );
      await driver.findElement(By.xpath("//label[normalize-space()='the face']")).click();
      await write(driver, 'Name of the landmark', 'sloped LID');
      await press(driver, 'Mark');
      await waitFor(driver, 'the refusal', async () => (await driver.findElement(By.css('[role=alert]')).getText()).includes('choose another name'));
      await write(driver, 'Name of the landmark', 'Door glass');
      await press(driver, 'Mark');
      await waitFor(driver, 'the new label', async () => (await labels()).includes('Door glass'));
      await driver.navigate().refresh();
      await stage(driver);
      await waitFor(driver, 'the label again', async () => (await labels()).includes('Door glass'));
      await field(driver, 'Name of Door glass');
      await press(driver, 'Remove Door glass');
      await waitFor(driver, 'it to be gone', async () => !(await labels()).includes('Door glass'));
      await driver.navigate().refresh();
      await stage(driver);
      await button(driver, 'Undo');
      await driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
      await waitFor(driver, 'the label that is back', async () => (await labels()).includes('Door glass'));
      await press(driver, 'Remove Door glass');
      await waitFor(driver, 'it to be gone again', async () => !(await labels()).includes('Door glass'));
    });
  });

  it('are one key away for a trainee, found by name, and can be looked at squarely', async () => {
    const { driver } = browser;
    await picturing(driver, 'landmarks', async () => {
      await press(driver, 'Sign out');
      await waitFor(driver, 'the sign-in', async () => (await driver.findElements(By.css('input[type=password]'))).length > 0);
      await signInAs(driver, base(), 'Ruth Ferris');
      await openExercise(driver, stored, 'Square on the lid');
      expect(await labels()).toEqual([]);
      await driver.actions({ async: true }).keyDown(Key.ALT).sendKeys('a').keyUp(Key.ALT).perform();
      await waitFor(driver, 'the label', async () => (await labels()).includes('Sloped lid'));
      await press(driver, 'Parts');
      await write(driver, 'Find a part', 'sloped');
      await press(driver, 'Sloped lid');
      await press(driver, 'Put the parts away');
      await keys(driver, 'q');
      await press(driver, 'That is it');
      const attempt = await handIn(driver, stored);
      expect(attempt.trace.moves.map((m) => m.command.kind)).toEqual(['select', 'normalTo']);
      const goal = attempt.version.content.steps[0]?.goal;
      const call = goal?.kind === 'callView' ? goal.calls[0] : null;
      const squared = attempt.trace.moves[1]?.command;
      if (call?.kind !== 'face' || squared?.kind !== 'normalTo') throw new Error('another call than was meant');
      expect(squared.normal.map((n) => n.toFixed(2))).toEqual(call.normal.map((n) => n.toFixed(2)));
    });
  });
});
