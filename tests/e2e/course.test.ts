import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { placesOf } from '@server/tests/placesOf';
import { By } from 'selenium-webdriver';
import { afterAll, expect, it } from 'vitest';
import { field, find, keys, link, openBrowser, PATIENCE, picturing, press, signInAs, stage, textOf, waitFor, write } from './browser';
import { choose, handIn, idIn } from './screens';
import { base } from './stored';
import { useBrowser } from './useBrowser';

const browser = useBrowser();
const folder = mkdtempSync(join(tmpdir(), 'dial-home-people-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A class as a school's office writes it: semicolons, letters of Windows, and three lines that are wrong. */
const CLASS = `Name;Sign-in;Group;Role
J\u00fcrgen Vail;;Autumn watch;
Mila Strand;mila;Autumn watch;
Maren Holt;maren;Autumn watch;instructor
Wim Tessel;tomas;Autumn watch;
=Rob Anker;;Autumn watch;
Mila Strand;mila;Autumn watch;
`;
const bytesOf = (text: string): Uint8Array => Uint8Array.from(text, (letter) => letter.charCodeAt(0));
const PASSWORD = 'a long password';

it('a class is imported, somebody joins by code, a course is made and given, its first unit is practised and the next one opens, and a person is deleted', async () => {
  const { driver, stored } = browser;
  const other = await openBrowser();
  const learner = other.driver;
  try {
    await picturing(driver, 'course', async () => {
      // The lead imports the class: what is wrong is told line by line before anything happens.
      writeFileSync(join(folder, 'class.csv'), bytesOf(CLASS));
      await signInAs(driver, base(), 'Edda Quist');
      await driver.get(`${base()}/people/import`);
      const input = await driver.wait(async () => (await driver.findElements(By.css('input[type=file]')))[0] ?? null, PATIENCE);
      await input?.sendKeys(join(folder, 'class.csv'));
      const rows = async (): Promise<string[]> => Promise.all((await driver.findElements(By.css('[data-testid=plan] tbody tr'))).map((row) => row.getText()));
      await waitFor(driver, 'the preview', async () => (await rows()).length === 6);
      const wrong = (await rows()).slice(0, 3).join('\n');
      expect(wrong).toContain('Tomas Beck signs in as “tomas” already.');
      expect(wrong).toContain('looks like a formula');
      expect(wrong).toContain('The same sign-in name stands in line 3.');
      expect((await rows()).join('\n')).toContain('Jürgen Vail');
      expect(await (await field(driver, 'Read as')).getAttribute('value')).toBe('windows-1252');
      expect(await (await find(driver, 'button', /^Import 3 people$/)).isEnabled()).toBe(false);
      expect(await stored.db('groups').where({ name: 'Autumn watch' })).toEqual([]);
      await (await driver.findElement(By.css('section input[type=checkbox]'))).click();
      await press(driver, 'Import 3 people');
      const passwords = await textOf(driver, '[data-testid=imported] table');
      expect(passwords).toMatch(/Mila Strand Autumn watch mila \S{14}/);

      // The instructor puts a code on the board, makes a course of two units and gives it.
      await signInAs(driver, base(), 'Maren Holt');
      await driver.get(`${base()}/groups`);
      await (await link(driver, /^Autumn watch/)).click();
      await press(driver, 'Join by code');
      await press(driver, 'Make a code');
      const code = await textOf(driver, '[data-testid=join-code]');

      await driver.get(`${base()}/courses`);
      await press(driver, 'New course');
      await write(driver, 'Name', 'Autumn course');
      await press(driver, 'Make it');
      await waitFor(driver, 'the course', async () => /\/courses\/[0-9a-f-]{36}$/.test(await driver.getCurrentUrl()));
      const add = async (unit: number, title: string): Promise<void> => {
        await press(driver, 'Add a unit');
        await press(driver, `Add exercises to unit ${unit}`);
        await press(driver, title, '[role=dialog] input[type=checkbox]');
        await press(driver, 'Add it');
      };
      await add(1, 'Make room');
      await add(2, 'Round to the ladder');
      // The easier one goes first: its unit is moved by keys, then waits for nothing, and the other one for it.
      await press(driver, 'Move unit 2 up');
      await press(driver, 'Edit unit 2');
      await choose(driver, 'It opens', 'after a flash in every exercise of unit 1, Unit 2');
      await press(driver, 'Save');
      await waitFor(
        driver,
        'that it is saved',
        async () => (await stored.db('course_units').where({ name: 'Unit 1' }).whereNotNull('opens_after')).length === 1,
      );
      await press(driver, 'Give it to a group');
      await choose(driver, 'Group', 'Autumn watch');
      await write(driver, 'Days for a unit', '5');
      await press(driver, 'Give it');
      await waitFor(driver, 'the group', async () => (await driver.findElements(By.css('[data-testid=course] details'))).length === 2);

      // Somebody joins, finds the course, and what is closed says why.
      await learner.get(`${base()}/join`);
      await write(learner, 'Code', code);
      await write(learner, 'Your name', 'Ulla Brandt');
      await write(learner, /^A password of your own/, PASSWORD);
      await press(learner, 'Join', 'button');
      await press(learner, 'Go to Today');
      await waitFor(learner, 'the course', async () => (await learner.findElements(By.css('[data-testid=unit]'))).length === 2);
      expect(await textOf(learner, '[data-testid=course]')).toContain('closed');
      const { id } = await stored.db('people').where({ name: 'Ulla Brandt' }).first('id');
      const idOf = async (title: string): Promise<string> => (await stored.db('exercise_versions').where({ title }).first('exercise_id')).exercise_id;
      const [first, second] = [await idOf('Round to the ladder'), await idOf('Make room')];
      await learner.get(`${base()}/practise/${second}`);
      expect(await textOf(learner, '[role=alert]')).toContain('It opens when every exercise of “Unit 2” has a flash.');

      // What comes next is practised: the level is there, and the day to practise it again; the other unit opens.
      await learner.get(`${base()}/today`);
      await (await link(learner, 'Start practising')).click();
      await stage(learner);
      expect(await idIn(learner)).toBe(first);
      for (let turned = 0; turned < 45; turned += 15) await keys(learner, '\uE014');
      const { card } = await handIn(learner, stored);
      expect(await stored.db('skill_levels').where({ person_id: id, skill: 'orbit' }).first('count')).toEqual({ count: 1 });
      const { due_at: due } = await stored.db('schedules').where({ person_id: id, skill: 'orbit' }).first('due_at');
      expect(due.getTime()).toBeGreaterThan(Date.now());
      expect(card.flashes, `scored ${card.score}`).toBeGreaterThan(0);
      await learner.get(`${base()}/practise/${second}`);
      await stage(learner);

      // The instructor sees it, and writes; it is answered.
      await driver.navigate().refresh();
      await waitFor(driver, 'the attempt', async () => (await textOf(driver, '[aria-labelledby=recent]')).includes('Ulla Brandt'));
      await choose(driver, 'Columns show', 'By unit');
      await waitFor(driver, 'the unit', async () => (await textOf(driver, '[aria-labelledby=learners] table')).includes('1 of 1'));
      await press(driver, 'Choose Ulla Brandt', 'input[type=checkbox]');
      await press(driver, 'Write to them');
      await write(driver, 'What you want to say', 'Well done. Friday at ten?');
      await press(driver, 'Send');
      await waitFor(driver, 'that it is sent', async () => (await textOf(driver, '[data-testid=chosen]')).includes('Sent to Ulla Brandt'));
      await learner.get(`${base()}/today`);
      expect(await textOf(learner, '[data-testid=notices]')).toContain('Maren Holt writes');
      await write(learner, 'Answer Maren Holt', 'I am there');
      await press(learner, 'Send');
      await waitFor(learner, 'that it is answered', async () => (await learner.findElements(By.css('[data-testid=notices]'))).length === 0);
      await driver.navigate().refresh();
      expect(await textOf(driver, '[data-testid=notices]')).toContain('Ulla Brandt writes');

      // The lead deletes them: nothing is left.
      await signInAs(driver, base(), 'Edda Quist');
      await driver.get(`${base()}/people`);
      await press(driver, 'Ulla Brandt');
      await press(driver, 'Delete with all data …');
      await write(driver, 'Type “Ulla Brandt” to delete them', 'Ulla Brandt');
      await press(driver, 'Delete for good');
      await waitFor(driver, 'that they are gone', async () => (await stored.db('people').where({ id })).length === 0);
      expect(await placesOf(stored.db, id)).toEqual([]);
      expect(await placesOf(stored.db, 'Ulla Brandt')).toEqual([]);
      await driver.get(`${base()}/people/changes`);
      expect(await textOf(driver, '[data-testid=changes]')).toContain('Edda Quist deleted a person who was trainee, with all data.');
      await learner.get(`${base()}/today`);
      await waitFor(learner, 'to be signed out', async () => new URL(await learner.getCurrentUrl()).pathname === '/');
    });
  } finally {
    await other.close();
    await tidy();
  }
});

/** The station is as it was for the tests that come after. */
async function tidy(): Promise<void> {
  const { db } = browser.stored;
  const group = await db('groups').where({ name: 'Autumn watch' }).first('id');
  if (group) await db('groups').where({ id: group.id }).delete();
  await db('courses').where({ name: 'Autumn course' }).delete();
  await db('people').whereIn('name', ['Jürgen Vail', 'Mila Strand', 'Ulla Brandt']).delete();
}
