import { By, Key } from 'selenium-webdriver';
import { expect, it } from 'vitest';
import { button, drag, field, find, link, picturing, press, signInAs, stage, textOf, waitFor, write } from './browser';
import { idIn } from './screens';
import { base, exerciseNamed } from './stored';
import { useBrowser } from './useBrowser';

/** What keeps an author's work: two windows on one draft, taking back, correcting what was given, putting away. */
const browser = useBrowser();
const { stored } = browser;

const saved = (): Promise<unknown> =>
  waitFor(browser.driver, 'the draft to be saved', async () => /^Saved/.test(await textOf(browser.driver, '[data-testid=draft-state]')));
const valueIn = async (name: string): Promise<string> => (await (await field(browser.driver, name)).getAttribute('value')) ?? '';
const draftOf = async (id: string): Promise<{ title: string; brief: string; steps: { brief: string }[] }> => {
  const { draft } = await stored.db('exercises').where({ id }).first('draft');
  return typeof draft === 'string' ? JSON.parse(draft) : draft;
};

/** An instructor opens an exercise in Build; returns its id. */
async function build(title: string): Promise<string> {
  const { driver } = browser;
  await signInAs(driver, base(), 'Maren Holt');
  const id = await exerciseNamed(stored, title);
  await driver.get(`${base()}/build/${id}`);
  await stage(driver);
  return id;
}

it('who loads Build anew does not have it open elsewhere', async () => {
  const { driver } = browser;
  await picturing(driver, 'loaded-anew', async () => {
    const id = await build('Make room');
    const pages = (): Promise<string[]> => stored.db('editing').where({ exercise_id: id }).pluck('page');
    await waitFor(driver, 'that it is open', async () => (await pages()).length === 1);
    const [before] = await pages();
    await driver.navigate().refresh();
    await stage(driver);
    // Sooner than a page that says nothing is forgotten, which takes 45 s.
    await driver.wait(async () => (await pages()).length === 1 && (await pages())[0] !== before, 15_000, 'the page that was left still counts as open');
  });
});

it('two windows on one exercise: nobody’s words disappear', async () => {
  const { driver } = browser;
  await picturing(driver, 'two-windows', async () => {
    const id = await build('Behind and above');
    const first = await driver.getWindowHandle();
    await driver.switchTo().newWindow('tab');
    await driver.get(`${base()}/build/${id}`);
    await stage(driver);
    const second = await driver.getWindowHandle();
    await waitFor(driver, 'who else is here', async () =>
      (await textOf(driver, '[data-testid=others-here]')).startsWith('You have it open elsewhere as well.'),
    );
    await write(driver, 'Brief', 'Written in the second window');
    await saved();

    await driver.switchTo().window(first);
    await write(driver, 'What to do', 'Written in the first window');
    await saved();
    await waitFor(driver, 'the other window’s words', async () => (await valueIn('Brief')) === 'Written in the second window');
    expect(await draftOf(id)).toMatchObject({ brief: 'Written in the second window', steps: [{ brief: 'Written in the first window' }] });

    // Both change the same field: both are shown, and one’s own can be taken.
    await write(driver, 'Title', 'Behind, first');
    await saved();
    await driver.switchTo().window(second);
    await write(driver, 'Title', 'Behind, second');
    const told = await find(driver, '[role=alert]', 'Changed in two places');
    expect(await told.getText()).toMatch(/Behind, second[\s\S]*Behind, first/);
    expect(await valueIn('Title')).toBe('Behind, first');
    await press(driver, 'Use yours');
    await waitFor(driver, 'one’s own title', async () => (await valueIn('Title')) === 'Behind, second');
    await saved();
    expect((await draftOf(id)).title).toBe('Behind, second');
    await write(driver, 'Title', 'Behind and above');
    await saved();
    await driver.close();
    await driver.switchTo().window(first);
  });
});

it('a first exercise takes eight actions from the library until a group has it', async () => {
  const { driver } = browser;
  await picturing(driver, 'eight-actions', async () => {
    await signInAs(driver, base(), 'Maren Holt');
    await driver.get(`${base()}/library`);
    let actions = 0;
    const act = async (work: Promise<unknown>): Promise<void> => {
      await work;
      actions += 1;
    };
    await act((await link(driver, 'Lantern room')).click());
    await act(press(driver, 'Build an exercise on it'));
    await waitFor(driver, 'the builder', async () => /\/build\/[0-9a-f-]{36}$/.test(await driver.getCurrentUrl()));
    const id = await idIn(driver);
    await stage(driver);
    await act(write(driver, 'Title', 'Once round, quickly'));
    await act(write(driver, 'What to do', 'Go round to the door'));
    await act(drag(driver, [-0.1, 0], [0.2, 0.06]));
    await act(press(driver, 'Set target from this view'));
    await act(press(driver, 'Publish'));
    await act(press(driver, 'Assign', '[role=dialog] button'));
    await waitFor(driver, 'the group to have it', async () => (await stored.db('assignments').where({ exercise_id: id })).length === 1);
    expect(actions).toBeLessThanOrEqual(8);
    // The other tests find the group as it was.
    await stored.db('assignments').where({ exercise_id: id }).delete();
  });
});

it('a removed step comes back: by the word that tells of it, by the keys, and after a reload', async () => {
  const { driver } = browser;
  await picturing(driver, 'taking-back', async () => {
    await build('Round to the ladder');
    const steps = async (): Promise<number> => (await driver.findElements(By.css('[aria-label=Steps] ol li'))).length;
    const count = (n: number): Promise<unknown> => waitFor(driver, `${n} steps`, async () => (await steps()) === n);
    const before = await steps();
    await press(driver, 'Add a step');
    await count(before + 1);
    await write(driver, 'What to do', 'A second step');
    await press(driver, 'Remove the step');
    await count(before);
    await press(driver, 'Undo');
    await count(before + 1);
    expect(await valueIn('What to do')).toBe('A second step');
    await press(driver, 'Remove the step');
    await count(before);
    await saved();
    // A moment later it is written down in the browser, too.
    await driver.sleep(1500);
    await driver.navigate().refresh();
    await stage(driver);
    await count(before);
    await waitFor(driver, 'what can be taken back', async () => (await button(driver, 'Undo')).isEnabled());
    await driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
    await count(before + 1);
    await press(driver, 'Redo');
    await count(before);
    await saved();
  });
});

it('steps are copied, moved by their grip with keys and with the pointer, and switched off', async () => {
  const { driver } = browser;
  await picturing(driver, 'steps', async () => {
    await build('Round to the ladder');
    const list = async (): Promise<string[]> =>
      Promise.all((await driver.findElements(By.css('[aria-label=Steps] ol li'))).map(async (li) => (await li.getText()).replace(/\s+/g, ' ')));
    const before = await list();
    const count = (n: number): Promise<unknown> => waitFor(driver, `${n} steps`, async () => (await list()).length === n);
    await press(driver, 'Copy the step');
    await count(before.length + 1);
    await write(driver, 'What to do', 'The copy');
    const place = (n: number) => waitFor(driver, `the copy to be step ${n}`, async () => (await list())[n - 1] === `${n} The copy`);
    await place(2);
    // Words are Markdown: the list has them plain, the preview as they will be read.
    await (await field(driver, 'What to do')).sendKeys(Key.chord(Key.CONTROL, 'a'), Key.chord(Key.CONTROL, 'b'));
    expect(await (await field(driver, 'What to do')).getAttribute('value')).toBe('**The copy**');
    await place(2);
    const look = (): Promise<void> => driver.findElement(By.xpath("//label[normalize-space()='What to do']/following-sibling::button")).click();
    await look();
    expect(await driver.findElement(By.css('section[aria-label="What to do: preview"] strong')).getText()).toBe('The copy');
    await look();
    // A machine that is slow needs a moment between the keys.
    for (const pause of [300, 1000, 3000]) {
      if ((await list())[0] === '1 The copy') break;
      const grip = await button(driver, /^Move step 2/);
      await driver.executeScript('arguments[0].focus()', grip);
      for (const key of [Key.SPACE, Key.ARROW_LEFT, Key.SPACE]) {
        await driver.actions().sendKeys(key).perform();
        await driver.sleep(pause);
      }
    }
    await place(1);
    const handle = await button(driver, /^Move step 1/);
    await driver
      .actions({ async: true })
      .move({ origin: handle })
      .press()
      .move({ origin: handle, x: 12, duration: 100 })
      .move({ origin: handle, x: 140, duration: 300 })
      .release()
      .perform();
    await place(2);
    await press(driver, 'Switch the step off');
    await waitFor(driver, 'it to be off', async () => (await list())[1] === '2 The copy off');
    await press(driver, 'Remove the step');
    await count(before.length);
    await saved();
  });
});

it('what a group was given is taken back, and those who had it are told', async () => {
  const { driver } = browser;
  await picturing(driver, 'taken-back', async () => {
    await signInAs(driver, base(), 'Maren Holt');
    const id = await exerciseNamed(stored, 'Make room');
    const course = (await stored.db('courses').where({ name: 'First watch' }).first('id')).id;
    const given = async (times: number): Promise<boolean> => (await stored.db('assignments').where({ exercise_id: id })).length === times;
    // Taken out of the course the group has it no more; then it is given by itself.
    await driver.get(`${base()}/courses/${course}`);
    await press(driver, 'Take Make room out of the course');
    await press(driver, 'Save');
    await waitFor(driver, 'the assignment to be gone', () => given(0));
    const assign = async (): Promise<void> => {
      await driver.get(`${base()}/build/${id}`);
      await stage(driver);
      await press(driver, 'Assign');
      await press(driver, 'Assign', '[role=dialog] button');
      await waitFor(driver, 'the assignment', () => given(1));
    };
    await assign();
    await driver.get(`${base()}/groups`);
    await press(driver, /: Make room$/);
    await write(driver, /^What they are told/, 'The lines were too narrow');
    await press(driver, 'Take it back from the group');
    await waitFor(driver, 'the assignment to be gone', () => given(0));
    await driver.get(`${base()}/build`);
    const listed = async (): Promise<string> => driver.findElement(By.css('main [role=status]')).getText();
    const all = await listed();
    await write(driver, 'Search exercises', 'make ROOM');
    await waitFor(driver, 'one to be left', async () => /^1 of /.test(await listed()));
    await press(driver, 'Show all');
    await waitFor(driver, 'all again', async () => (await listed()) === all);
    await waitFor(driver, 'a picture drawn by the server', async () =>
      driver.executeScript<boolean>('return [...document.querySelectorAll("main li img")].some((image) => image.complete && image.naturalWidth === 320)'),
    );
    await press(driver, 'Put away Make room');
    await find(driver, 'summary', 'Put away: 1');
    await signInAs(driver, base(), 'Ida Sorrel');
    await driver.get(`${base()}/today`);
    // The newest stands first.
    expect(await textOf(driver, '[data-testid=notices] > div')).toBe('Maren Holt took back “Make room”. The lines were too narrow.');
    await press(driver, 'I have read this');
    await waitFor(driver, 'the message to go', async () => !(await driver.findElement(By.css('main')).getText()).includes('took back'));
    expect(await driver.findElement(By.css('main')).getText()).not.toMatch(/Make room/);

    // Brought back and given again, it is there for the tests that follow.
    await signInAs(driver, base(), 'Maren Holt');
    await driver.get(`${base()}/build`);
    await (await find(driver, 'summary', 'Put away: 1')).click();
    await press(driver, 'Bring back Make room');
    await waitFor(driver, 'nothing to be put away', async () => (await driver.findElements(By.xpath("//summary[contains(., 'Put away')]"))).length === 0);
    await driver.get(`${base()}/courses/${course}`);
    // Away from the bar at the foot, which would lie over it.
    await driver.executeScript("arguments[0].scrollIntoView({ block: 'center' })", await find(driver, 'button', 'Add exercises to unit 2'));
    await press(driver, 'Add exercises to unit 2');
    await press(driver, 'Make room', '[role=dialog] input[type=checkbox]');
    await press(driver, 'Add it');
    await press(driver, 'Save');
    await waitFor(driver, 'the assignment', () => given(1));
  });
});
