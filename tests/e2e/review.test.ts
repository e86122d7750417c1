import { By, Key, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { button, drag, openBrowser, picturing, press, signInAs, signInByButton, textOf, waitFor, write } from './browser';
import { handIn, openExercise } from './screens';
import { base } from './stored';
import { useBrowser } from './useBrowser';

/** The learner of this file; the instructor has a browser beside. */
const browser = useBrowser('Tomas Beck');

const jumps = async (driver: WebDriver): Promise<string[]> => {
  await waitFor(driver, 'what happened', async () => (await driver.findElements(By.css('[data-testid=jumps] li'))).length > 0);
  return Promise.all((await driver.findElements(By.css('[data-testid=jumps] li'))).map((li) => li.getText()));
};
const moment = (driver: WebDriver): Promise<string> => textOf(driver, '[data-testid=moment]');
const comments = (driver: WebDriver): Promise<string> => textOf(driver, '[data-testid=comments]');

/** Turns away from the ladder, rests, and turns to it: the attempt's id. */
async function astray(): Promise<string> {
  const { driver, stored } = browser;
  await openExercise(driver, stored, 'Round to the ladder');
  await drag(driver, [0, 0.12], [0.25, 0.12]);
  await driver.sleep(500);
  await drag(driver, [0, 0.12], [-0.2, 0.12]);
  await driver.sleep(300);
  return (await handIn(driver, stored)).id;
}

describe('looking at an attempt again', () => {
  it('an instructor opens it where it went wrong and says so; the learner sees that moment, plays it and answers; neither loads anew', async () => {
    const { driver } = browser;
    await picturing(driver, 'review', async () => {
      const id = await astray();
      const other = await openBrowser();
      try {
        const teacher = other.driver;
        await signInByButton(teacher, base(), 'Maren Holt');
        // The newest attempt of the group.
        const newest = await teacher.findElement(By.css(`section[aria-labelledby=recent] a[href="/attempts/${id}/review"]`));
        expect(await newest.getText()).toMatch(/^Tomas Beck\s+Round to the ladder/);
        await newest.click();
        await waitFor(teacher, 'that attempt', async () => (await teacher.getCurrentUrl()).includes(`/attempts/${id}/review`));
        const found = await jumps(teacher);
        expect(found.find((words) => /wrong way/i.test(words))).toMatch(/Turned \d+° left while the target lay \d+° right/);
        await press(teacher, /Wrong way/i, '[data-testid=jumps] li > button:first-child');
        const at = await moment(teacher);
        await write(teacher, 'Say something about this moment', 'The ladder is on the <b>right</b>: look at the dial first.');
        await press(teacher, 'Say it here');
        await waitFor(teacher, 'the comment', async () => (await comments(teacher)).includes('<b>right</b>'));

        await driver.get(`${base()}/today`);
        expect(await textOf(driver, '[data-testid=unread]')).toContain('Maren Holt on Round to the ladder');
        await press(driver, /The ladder is on the/, 'a');
        await waitFor(driver, 'the comment', async () => (await comments(driver)).includes('<b>right</b>'));
        await jumps(driver);
        expect((await moment(driver)).split(' ')[0]).toBe(at.split(' ')[0]);
        await press(driver, /^Play wrong way/);
        await waitFor(driver, 'that it plays on', async () => (await driver.findElements(By.css('button[aria-label=Stop]'))).length === 1);
        await waitFor(driver, 'that it ends by itself', async () => /^(\S+) of \1$/.test(await moment(driver)));
        await press(driver, 'Answer comment 1');
        await write(driver, 'Answer comment 1', 'I see: it lay right.');
        await press(driver, 'Send the answer');
        await press(driver, 'I understand this');
        await waitFor(
          teacher,
          'the answer, without loading anew',
          async () => /I see: it lay right[\s\S]*/.test(await comments(teacher)) && (await comments(teacher)).includes('understood'),
        );
        await press(teacher, 'Answer comment 1');
        await write(teacher, 'Answer comment 1', 'Well done.');
        await press(teacher, 'Send the answer');
        await waitFor(driver, 'the second answer', async () => (await comments(driver)).includes('Well done.'));
        await driver.get(`${base()}/today`);
        expect(await driver.findElements(By.css('[data-testid=unread]'))).toEqual([]);
        // The card shows the moment's picture.
        await driver.get(`${base()}/attempts/${id}`);
        await waitFor(
          driver,
          'the picture of the moment',
          async () => (await driver.findElements(By.css('img[alt="The moment of the comment"]'))).length === 1,
        );

        // Nobody else.
        await signInAs(teacher, base(), 'Ida Sorrel');
        for (const path of [`/attempts/${id}/review`, `/api/attempts/${id}/comments`, `/api/attempts/${id}/trace`]) {
          const status = await teacher.executeAsyncScript<number>('fetch(arguments[0]).then((r) => arguments[1](r.status))', `${base()}${path}`);
          expect([path, status]).toEqual([path, 404]);
        }
      } finally {
        await other.close();
      }
    });
  });

  it('goes by keys alone: from moment to moment, gesture to gesture, command to command', async () => {
    const { driver } = browser;
    await picturing(driver, 'review-keys', async () => {
      const id = await astray();
      await driver.get(`${base()}/attempts/${id}/review`);
      await jumps(driver);
      const at = async (...pressed: string[]): Promise<number> => {
        await keysOn(driver, ...pressed);
        const [minutes = '0', seconds = '0'] = (await moment(driver)).split(' ')[0]?.split(':') ?? [];
        return 60 * Number(minutes) + Number(seconds);
      };
      expect(await at(Key.HOME)).toBe(0);
      const first = await at(Key.ARROW_RIGHT);
      const second = await at(Key.ARROW_RIGHT);
      expect(second).toBeGreaterThan(first);
      const back = await at(Key.chord(Key.SHIFT, Key.ARROW_LEFT));
      expect(back).toBeLessThanOrEqual(second);
      expect(back).toBeGreaterThanOrEqual(first);
      const end = await at(Key.END);
      expect(end).toBeGreaterThan(second);
      expect(await at(Key.PAGE_UP)).toBeLessThan(end);
      await at(Key.HOME, ' ');
      await waitFor(driver, 'that it plays', async () => (await driver.findElements(By.css('button[aria-label=Stop]'))).length === 1);
      await at(' ');
      await button(driver, 'Play');
      // Side by side with an earlier one, and the table for those who do not see the line.
      expect(await driver.findElements(By.css('canvas[role=application]'))).toHaveLength(1);
      await (await driver.findElement(By.xpath("//label[contains(., 'Compare with')]//option[starts-with(., 'Attempt')]"))).click();
      // Its frame stands on the stage, also while it plays and between two moves of either.
      await at(Key.HOME, ' ');
      await driver.sleep(1500);
      await at(' ');
      await waitFor(driver, 'the frame of the other', async () => (await driver.findElements(By.css('[aria-label="Frame of the reference"]'))).length === 1);
      await (await driver.findElement(By.xpath("//select[@aria-label='How it is shown']/option[.='side by side']"))).click();
      await waitFor(driver, 'two stages', async () => (await driver.findElements(By.css('canvas[role=application]'))).length === 2);
      await press(driver, 'The same as a table', 'summary');
      await waitFor(driver, 'the facts', async () => /orbit by left drag, mouse\s+direction \d+/.test(await textOf(driver, 'details[open] table')));
    });
  });

  it('an instructor leaves an attempt out with a reason; the learner sees it, and it counts again when that is taken back', async () => {
    const { driver, stored } = browser;
    await picturing(driver, 'review-verdict', async () => {
      const id = await astray();
      await signInAs(driver, base(), 'Maren Holt');
      await driver.get(`${base()}/attempts/${id}/review`);
      await jumps(driver);
      // To say something needs no pointer: to a moment, to the field, and sent.
      await keysOn(driver, Key.HOME, Key.PAGE_DOWN);
      await tabTo(driver, 'Say something about this moment');
      await driver.actions().sendKeys('By keys alone.').perform();
      await tabTo(driver, 'Say it here');
      await driver.actions().sendKeys(Key.ENTER).perform();
      await waitFor(driver, 'the comment', async () => (await comments(driver)).includes('By keys alone.'));
      await press(driver, 'Leave it out, or set its score', 'summary');
      await write(driver, 'Why (the learner sees it)', 'The mouse was broken');
      await press(driver, 'Leave it out');
      await waitFor(driver, 'that it says so', async () => (await textOf(driver, '[data-testid=verdict]')).includes('does not count'));
      await write(driver, 'Why (the learner sees it)', 'Right by another way');
      await write(driver, 'Points, 0 to 100', '82.5');
      await press(driver, 'Set the score');
      await waitFor(driver, 'the score', async () => (await textOf(driver, '[data-testid=verdict]')).includes('Right by another way'));
      expect(await stored.db('attempts').where({ id }).first('score', 'counts')).toEqual({ score: 82.5, counts: 0 });
      await signInAs(driver, base(), 'Tomas Beck');
      await driver.get(`${base()}/attempts/${id}`);
      expect(await textOf(driver, '[data-testid=verdict]')).toMatch(/does not count[\s\S]*The mouse was broken[\s\S]*was set to 8[23]/);
      await signInAs(driver, base(), 'Maren Holt');
      await driver.get(`${base()}/attempts/${id}/review`);
      await jumps(driver);
      await press(driver, 'Leave it out, or set its score', 'summary');
      await press(driver, 'Let it count again');
      await press(driver, 'Back to the computed score');
      await waitFor(driver, 'that nothing is decided', async () => (await driver.findElements(By.css('[data-testid=verdict]'))).length === 0);
      expect((await stored.db('attempts').where({ id }).first('counts')).counts).toBe(1);
    });
  });
});

/** Keys where no field has the focus. */
async function keysOn(driver: WebDriver, ...list: readonly string[]): Promise<void> {
  await driver.executeScript('document.activeElement?.blur?.()');
  for (const key of list) await driver.actions().sendKeys(key).perform();
}

/** Most things between the top of a page and what is sought. */
const STOPS = 80;

/** Goes by the tabulator to what has this name. */
async function tabTo(driver: WebDriver, name: string): Promise<void> {
  for (let stop = 0; stop < STOPS; stop++) {
    await driver.actions().sendKeys(Key.TAB).perform();
    const here = await driver.executeScript<string>(
      'const e = document.activeElement; return e.ariaLabel ?? e.labels?.[0]?.textContent?.trim() ?? e.textContent.trim()',
    );
    if (here === name) return;
  }
  throw new Error(`"${name}" is not reached by the tabulator`);
}
