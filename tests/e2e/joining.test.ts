import { By } from 'selenium-webdriver';
import { expect, it } from 'vitest';
import { button, field, openBrowser, picturing, press, signInAs, textOf, waitFor, write } from './browser';
import { base } from './stored';
import { useBrowser } from './useBrowser';

const browser = useBrowser();

it('an instructor puts a code on the board; somebody joins by it, finds the course, and the instructor sees who came', async () => {
  const { driver } = browser;
  await picturing(driver, 'joining', async () => {
    await signInAs(driver, base(), 'Maren Holt');
    await driver.get(`${base()}/groups`);
    await press(driver, 'Join by code');
    await press(driver, 'Make a code');
    const code = await textOf(driver, '[data-testid=join-code]');
    expect(code).toMatch(/^[A-Z2-9]{4}-[A-Z2-9]{4}$/);

    const other = await openBrowser(390, 844);
    try {
      const phone = other.driver;
      await phone.get(`${base()}/join`);
      await write(phone, 'Code', 'AAAA-BBBB');
      await write(phone, 'Your name', 'Wim Tessel');
      await write(phone, /^A password of your own/, 'a long password');
      await press(phone, 'Join', 'button');
      await waitFor(phone, 'that it opens nothing', async () => (await textOf(phone, '[role=alert]')).includes('opens no group'));
      // What was written is still there.
      expect(await (await field(phone, 'Your name')).getAttribute('value')).toBe('Wim Tessel');
      await write(phone, 'Code', code.toLowerCase());
      await press(phone, 'Join', 'button');
      await waitFor(phone, 'to be in', async () => (await phone.findElements(By.css('[role=status] h1'))).length === 1);
      expect(await textOf(phone, '[role=status]')).toContain('wim.tessel');
      await press(phone, 'Go to Today');
      await waitFor(phone, 'the course', async () => (await phone.findElements(By.css('[data-testid=course] li'))).length > 5);
    } finally {
      await other.close();
    }

    await driver.get(`${base()}/groups`);
    await press(driver, `Code ${code}`);
    await waitFor(driver, 'who came', async () => (await driver.findElement(By.css('[role=dialog]')).getText()).includes('Wim Tessel'));
    await press(driver, 'Close it');
    await waitFor(driver, 'that none is open', async () => (await driver.findElements(By.xpath("//*[@role='dialog']//p[.='No code is open.']"))).length === 1);
    expect(await (await button(driver, 'Make a code')).isEnabled()).toBe(true);
    // The class is as it was for the tests that come after.
    const { id } = await browser.stored.db('people').where({ sign_in: 'wim.tessel' }).first('id');
    for (const table of ['memberships', 'sessions']) await browser.stored.db(table).where({ person_id: id }).delete();
    await browser.stored.db('people').where({ id }).delete();
  });
});
