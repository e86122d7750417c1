import { unlikeAHand } from '@core/trace';
import { By } from 'selenium-webdriver';
import { expect, it } from 'vitest';
import { askBrowser, dialFigure, drag, find, keys, picturing, press, signInAs, stage, textOf, waitFor } from './browser';
import { handIn, idIn, openExercise } from './screens';
import { base, storedAttempt } from './stored';
import { useBrowser } from './useBrowser';

/** What happens to an attempt when the page, the browser or the server goes away. */
const browser = useBrowser('Viktor Dahl');

const round = (): Promise<string> => dialFigure(browser.driver, 'round');
const pieces = (): Promise<number> =>
  browser.driver.executeAsyncScript<number>(`
    const done = arguments[0];
    const asked = indexedDB.open('dial-home');
    asked.onsuccess = () => {
      const db = asked.result;
      if (!db.objectStoreNames.contains('attempts')) return done(0);
      const keys = db.transaction('attempts').objectStore('attempts').getAllKeys();
      keys.onsuccess = () => { db.close(); done(keys.result.filter((k) => k.includes('/piece/')).length); };
    };
    asked.onerror = () => done(-1);
  `);
/** Waits until all that was done is written down: then nothing more is. */
async function written(): Promise<void> {
  let last = -1;
  await waitFor(browser.driver, 'the attempt to be written down', async () => {
    const now = await pieces();
    const settled = now > 0 && now === last;
    last = now;
    await new Promise((done) => setTimeout(done, 1600));
    return settled;
  });
}
/** Keeps the page's requests from the server, as when the network is away, or lets them through again. */
async function offline(away: boolean): Promise<void> {
  await askBrowser(browser.driver, 'Network.enable');
  await askBrowser(browser.driver, 'Network.setBlockedURLs', { urls: away ? ['*/api/*'] : [] });
}

it('after a reload one goes on where one was, in the same attempt, and the time between is a pause', async () => {
  const { driver, stored } = browser;
  await picturing(driver, 'go-on', async () => {
    await openExercise(driver, stored, 'Round to the ladder');
    await drag(driver, [0, 0.1], [-0.2, 0.12]);
    await drag(driver, [0, 0.1], [-0.1, 0.1]);
    await written();
    const before = await round();
    await driver.navigate().refresh();
    await find(driver, '[data-testid=go-on] button', 'Go on');
    await press(driver, 'Go on');
    await waitFor(driver, 'the view to be as it was', async () => (await round()) === before);
    await stage(driver);
    await drag(driver, [0, 0.1], [0.05, 0.1]);
    const attempt = await handIn(driver, stored);
    expect(new Set(attempt.trace.moves.map((m) => m.gesture?.id)).size).toBe(3);
    const kinds = attempt.trace.events.map((e) => e.kind);
    expect(kinds.filter((kind) => kind === 'begin' || kind === 'handIn')).toEqual(['begin', 'handIn']);
    expect(kinds).toEqual(expect.arrayContaining(['pause', 'resume']));
    expect(unlikeAHand(attempt.trace, 1, attempt.scheme)).toEqual([]);
    expect(await pieces()).toBe(0);
  });
});

it('with the server away before anything was done a tip is left out, and the stage goes on', async () => {
  const { driver, stored } = browser;
  await picturing(driver, 'no-tip', async () => {
    await openExercise(driver, stored, 'Make room');
    const before = await round();
    try {
      await askBrowser(driver, 'Network.enable');
      await askBrowser(driver, 'Network.setBlockedURLs', { urls: ['*'] });
      await driver
        .actions()
        .move({ origin: await driver.findElement(By.css('.dial-mark')) })
        .perform();
      await driver.sleep(1200);
      expect(await driver.findElements(By.css('[role=tooltip]'))).toEqual([]);
      await keys(driver, '3');
      await waitFor(driver, 'the stage to turn', async () => (await round()) !== before);
    } finally {
      await offline(false);
    }
  });
});

it('a finished attempt waits for the server, is sent from another page, once, and says that it came later', async () => {
  const { driver, stored } = browser;
  await picturing(driver, 'waits', async () => {
    await openExercise(driver, stored, 'Make room');
    await drag(driver, [0, 0.1], [0.1, 0.1]);
    await offline(true);
    await press(driver, 'Hand in');
    await press(driver, 'Hand in anyway');
    expect(await textOf(driver, '[data-testid=waiting-to-send]')).toMatch(/kept in this browser/);
    // A new attempt does not cost the one that waits.
    await press(driver, 'Start again', 'main button');
    await press(driver, 'Start again', '[role=dialog] button');
    const before = Number((await stored.db('attempts').whereNotNull('handed_in_at').count({ n: '*' }).first())?.n);
    await offline(false);
    await driver.get(`${base()}/today`);
    const said = await find(driver, '[data-testid=kept] a', 'See its card');
    const id = (await said.getAttribute('href'))?.split('/').at(-1) ?? '';
    const attempt = await storedAttempt(stored, id);
    expect(attempt.trace.moves.length).toBeGreaterThan(5);
    const after = Number((await stored.db('attempts').whereNotNull('handed_in_at').count({ n: '*' }).first())?.n);
    expect(after).toBe(before + 1);
    // It was opened and finished within moments here; one that was late by minutes says so on its card.
    await stored.db('attempts').where({ id }).update({ late: true });
    await said.click();
    await waitFor(driver, 'the card to say so', async () => /handed in later/.test(await textOf(driver, 'main')));
    expect(await idIn(driver)).toBe(id);
    expect(await pieces()).toBe(0);
  });
});

it('what was broken off stands on Today, and can be handed in as it is or discarded', async () => {
  const { driver, stored } = browser;
  await picturing(driver, 'broken-off', async () => {
    await openExercise(driver, stored, 'Make room');
    await drag(driver, [0, 0.1], [0.1, 0.1]);
    await written();
    await driver.get(`${base()}/today`);
    expect(await textOf(driver, '[data-testid=kept]')).toMatch(/in the middle of “Make room”/);
    await press(driver, 'Discard');
    await press(driver, 'Discard it');
    await waitFor(driver, 'it to be gone', async () => (await pieces()) === 0);
  });
});

it('signing out asks before it removes what was not handed in, and leaves nothing behind', async () => {
  const { driver, stored } = browser;
  await picturing(driver, 'sign-out', async () => {
    await openExercise(driver, stored, 'Make room');
    await keys(driver, '1');
    await written();
    await press(driver, 'Sign out');
    await find(driver, '[role=dialog] button', 'Sign out anyway');
    await press(driver, 'Stay');
    expect(await pieces()).toBeGreaterThan(0);
    await press(driver, 'Sign out');
    await press(driver, 'Sign out anyway');
    await waitFor(driver, 'the sign-in page', async () => new URL(await driver.getCurrentUrl()).pathname === '/');
    expect(await pieces()).toBe(0);
    expect(await driver.executeAsyncScript<string[]>('caches.keys().then(arguments[0])')).toEqual([]);
    await signInAs(driver, base(), 'Viktor Dahl');
  });
});
