import type { WebDriver } from 'selenium-webdriver';
import { afterAll, beforeAll } from 'vitest';
import { type Browser, openBrowser, signInByButton } from './browser';
import { base, openStored } from './stored';

/** A browser for the tests of a file, signed in as a person of the demo if named, and what the database holds. */
export function useBrowser(person?: string): { readonly driver: WebDriver; readonly stored: ReturnType<typeof openStored> } {
  const stored = openStored();
  let browser: Browser | undefined;
  beforeAll(async () => {
    browser = await openBrowser();
    if (person) await signInByButton(browser.driver, base(), person);
  });
  afterAll(async () => {
    await browser?.close();
    await stored.close();
  });
  return {
    stored,
    get driver() {
      if (!browser) throw new Error('The browser is open while tests run.');
      return browser.driver;
    },
  };
}
