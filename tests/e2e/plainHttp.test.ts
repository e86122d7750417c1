import { afterAll, beforeAll, expect, it } from 'vitest';
import { type AppProcess, startApp, testEnv } from './appProcess';
import { type Browser, drag, find, openBrowser, picturing, press, signInByButton, stage, textOf, waitFor } from './browser';
import { choose, handIn } from './screens';
import { exerciseNamed, openStored } from './stored';

/** A phone or a laptop in the same network, over plain http: no secure context, and so without much that browsers else give. */
const stored = openStored();
let app: AppProcess;
let browser: Browser;
let base: string;

beforeAll(async () => {
  app = await startApp({ ...testEnv(), HOST: '0.0.0.0' });
  base = `http://class.test:${app.port}`;
  browser = await openBrowser(1280, 800, 1, '--host-resolver-rules=MAP class.test 127.0.0.1');
  await signInByButton(browser.driver, base, 'June Okoro');
});
afterAll(async () => {
  await browser?.close();
  await app?.stop();
  await stored.close();
});

it('everything works from another computer but a real 3D mouse, and the page says what that needs', async () => {
  const { driver } = browser;
  await picturing(driver, 'plain-http', async () => {
    expect(await driver.executeScript('return [isSecureContext, typeof navigator.locks, typeof crypto.subtle]')).toEqual([false, 'undefined', 'undefined']);
    const id = await exerciseNamed(stored, 'Round to the ladder');
    await driver.get(`${base}/practise/${id}`);
    await stage(driver);
    await choose(driver, 'Scheme', '3D mouse');
    await stage(driver);
    await press(driver, 'Connect a real one');
    await waitFor(driver, 'the word about TLS', async () => /needs this page over TLS/.test(await textOf(driver, '[aria-label="Simulated 3D mouse"]')));
    await choose(driver, 'Scheme', 'Two-button mouse');
    await stage(driver);
    await drag(driver, [0, 0.1], [-0.2, 0.12]);
    await waitFor(driver, 'closeness, from a worker', async () => /Direction/.test(await textOf(driver, '[data-testid=closeness]')));
    // Kept here too, and held by this tab.
    await new Promise((done) => setTimeout(done, 2000));
    await driver.navigate().refresh();
    await find(driver, '[data-testid=go-on] button', 'Go on');
    await press(driver, 'Go on');
    await stage(driver);
    const attempt = await handIn(driver, stored);
    expect(attempt.trace.moves.length).toBeGreaterThan(5);
    await press(driver, 'Sign out');
    await waitFor(driver, 'the sign-in page', async () => new URL(await driver.getCurrentUrl()).pathname === '/');
  });
});
