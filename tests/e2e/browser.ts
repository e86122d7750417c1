import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, By, Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js';

/** Conditions are waited for this long: no test fails because a machine is slow. */
export const PATIENCE = Number(process.env.DIALHOME_PATIENCE ?? 60_000);

export interface Browser {
  readonly driver: WebDriver;
  close(): Promise<void>;
}

/** A headless Chromium with a window whose page is exactly this large; `more`: further switches. */
export async function openBrowser(width = 1280, height = 800, scale = 1, ...more: readonly string[]): Promise<Browser> {
  process.env.SE_OFFLINE = 'true';
  process.env.SE_AVOID_STATS = 'true';
  const profile = mkdtempSync(join(tmpdir(), 'dial-home-browser-'));
  const options = new Options();
  options.setChromeBinaryPath('/usr/bin/chromium');
  options.addArguments(
    '--headless=new',
    '--no-sandbox',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-dev-shm-usage',
    `--user-data-dir=${profile}`,
    `--window-size=${width},${height}`,
    `--force-device-scale-factor=${scale}`,
    '--hide-scrollbars',
    '--use-gl=angle',
    '--use-angle=swiftshader',
    '--enable-unsafe-swiftshader',
    ...more,
  );
  const driver = await new Builder().forBrowser('chrome').setChromeOptions(options).setChromeService(new ServiceBuilder('/usr/bin/chromedriver')).build();
  await driver.manage().setTimeouts({ pageLoad: PATIENCE, script: PATIENCE });
  const extra = await driver.executeScript<{ w: number; h: number }>('return {w: outerWidth - innerWidth, h: outerHeight - innerHeight}');
  await driver
    .manage()
    .window()
    .setRect({ width: width + extra.w, height: height + extra.h });
  return {
    driver,
    async close() {
      await driver.quit().catch(() => {});
      rmSync(profile, { recursive: true, force: true });
    },
  };
}

/** Elements that a selector meets, each with what is most likely its accessible name: asked for in one go. */
const CANDIDATES = `
  const nameOf = (e) => e.getAttribute('aria-label') || [...(e.labels ?? [])].map((label) => label.innerText).join(' ') || e.innerText || e.title || e.placeholder || '';
  return [...document.querySelectorAll(arguments[0])].filter((e) => e.checkVisibility()).map((e) => [e, nameOf(e).replace(/\\s+/g, ' ').trim()]);
`;
/** After so many looks in vain the likely names are not trusted any more, and every element is asked. */
const LOOKS = 3;

/** Elements by role and accessible name, as a person finds them. */
export async function find(driver: WebDriver, selector: string, name: string | RegExp): Promise<WebElement> {
  let seen: string[] = [];
  let looks = 0;
  const matches = (text: string): boolean => (typeof name === 'string' ? text === name : name.test(text));
  const found = await driver
    .wait(async () => {
      looks += 1;
      const candidates = await driver.executeScript<[WebElement, string][]>(CANDIDATES, selector);
      seen = candidates.map(([, likely]) => likely);
      for (const [element, likely] of candidates) {
        if (!matches(likely) && looks % LOOKS !== 0) continue;
        try {
          if ((await element.isDisplayed()) && matches((await element.getAccessibleName()).trim())) return element;
        } catch {
          // The page changed meanwhile: look again.
        }
      }
      return null;
    }, PATIENCE)
    .catch(() => null);
  if (!found) throw new Error(`no ${selector} named ${name}; there were: ${seen.join(' | ')}`);
  return found;
}

export const button = (driver: WebDriver, name: string | RegExp): Promise<WebElement> => find(driver, 'button, [role=button]', name);
export const link = (driver: WebDriver, name: string | RegExp): Promise<WebElement> => find(driver, 'a', name);
export const field = (driver: WebDriver, name: string | RegExp): Promise<WebElement> => find(driver, 'input, textarea, select', name);

/** Whether an element stands there as the server drew it, and nothing listens to it yet: a press would be lost. */
const isAsleep = (driver: WebDriver, element: WebElement): Promise<boolean> =>
  driver.executeScript<boolean>("return arguments[0].closest('astro-island[ssr]') !== null", element);

/** Presses a button or link; looked for again while the page is still being drawn. */
export async function press(driver: WebDriver, name: string | RegExp, selector = 'button, [role=button], a'): Promise<void> {
  await driver.wait(async () => {
    try {
      const element = await find(driver, selector, name);
      if (!(await element.isEnabled()) || (await isAsleep(driver, element))) return false;
      await element.click();
      return true;
    } catch (error) {
      if (/stale|not clickable|intercepted|not interactable/i.test(String(error))) return false;
      throw error;
    }
  }, PATIENCE);
}

/** Writes into a field in place of what is there. */
export async function write(driver: WebDriver, name: string | RegExp, text: string): Promise<void> {
  const element = await field(driver, name);
  // Where the page has drawn the field anew meanwhile, what was there stands there again: before the text, or without it.
  const valueNow = (): Promise<string | null> => element.getAttribute('value');
  for (let tries = 0; tries < 3; tries++) {
    await element.clear();
    if (await valueNow()) await element.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.DELETE);
    await element.sendKeys(text);
    const value = (await valueNow()) ?? '';
    if (value === text || !value.endsWith(text)) return;
  }
}

export async function textOf(driver: WebDriver, css: string): Promise<string> {
  return driver.wait(async () => {
    try {
      return (await driver.findElement(By.css(css)).getText()) || null;
    } catch {
      return null;
    }
  }, PATIENCE) as Promise<string>;
}

/** What the view dial says, such as "12.5°". */
export const dialFigure = async (driver: WebDriver, name: 'round' | 'height' | 'roll'): Promise<string> =>
  (await driver.findElement(By.css(`[data-figure=${name}]`)).getAttribute('value')) ?? '';

export const waitFor = (driver: WebDriver, what: string, test: () => Promise<boolean>): Promise<unknown> =>
  driver.wait(async () => test().catch(() => false), PATIENCE, `waited in vain for: ${what}`);

/** The stage, once it has drawn its first picture. */
export async function stage(driver: WebDriver): Promise<WebElement> {
  await waitFor(
    driver,
    'the stage to draw',
    async () =>
      Number(await driver.executeScript<string>("return document.querySelector('canvas[role=application]')?.dataset.frames ?? '0'")) > 0 &&
      (await driver.findElements(By.css('[data-stage-wait]'))).length === 0,
  );
  return driver.findElement(By.css('canvas[role=application]'));
}

const BUTTON_NUMBER = { left: 0, middle: 1, right: 2 } as const;
type ButtonName = keyof typeof BUTTON_NUMBER;

/** A drag by hand-like small moves; positions are shares of the stage from its middle, -0.5 … 0.5. */
export async function drag(driver: WebDriver, from: readonly [number, number], to: readonly [number, number], which: ButtonName = 'left'): Promise<void> {
  const element = await stage(driver);
  const { width, height } = await element.getRect();
  const at = (p: readonly [number, number]): { x: number; y: number } => ({ x: Math.round(p[0] * width), y: Math.round(p[1] * height) });
  const a = at(from);
  const b = at(to);
  const actions = driver.actions({ async: true }).move({ origin: element, ...a, duration: 0 });
  // biome-ignore lint/suspicious/noExplicitAny: the type list lacks the button enumeration's numbers.
  actions.press(BUTTON_NUMBER[which] as any);
  const steps = 20;
  for (let i = 1; i <= steps; i++)
    actions.move({ origin: element, x: Math.round(a.x + ((b.x - a.x) * i) / steps), y: Math.round(a.y + ((b.y - a.y) * i) / steps), duration: 16 });
  // biome-ignore lint/suspicious/noExplicitAny: as above.
  actions.release(BUTTON_NUMBER[which] as any);
  await actions.perform();
}

export async function clickAt(driver: WebDriver, p: readonly [number, number]): Promise<void> {
  const element = await stage(driver);
  const { width, height } = await element.getRect();
  await driver
    .actions({ async: true })
    .move({ origin: element, x: Math.round(p[0] * width), y: Math.round(p[1] * height), duration: 0 })
    .click()
    .perform();
}

export async function hoverAt(driver: WebDriver, p: readonly [number, number]): Promise<void> {
  const element = await stage(driver);
  const { width, height } = await element.getRect();
  await driver
    .actions({ async: true })
    .move({ origin: element, x: Math.round(p[0] * width), y: Math.round(p[1] * height), duration: 20 })
    .perform();
}

/** Turns the wheel over the stage; notches > 0 away from oneself. */
export async function wheel(driver: WebDriver, p: readonly [number, number], notches: number): Promise<void> {
  const element = await stage(driver);
  const box = await driver.executeScript<{ x: number; y: number; width: number; height: number }>(
    'return arguments[0].getBoundingClientRect().toJSON()',
    element,
  );
  const actions = driver.actions({ async: true }) as unknown as { scroll(x: number, y: number, dx: number, dy: number): { perform(): Promise<void> } };
  for (let i = 0; i < Math.abs(notches); i++)
    await actions.scroll(Math.round(box.x + (p[0] + 0.5) * box.width), Math.round(box.y + (p[1] + 0.5) * box.height), 0, -100 * Math.sign(notches)).perform();
}

export async function keys(driver: WebDriver, ...list: readonly string[]): Promise<void> {
  const element = await stage(driver);
  await driver.executeScript('arguments[0].focus()', element);
  for (const key of list) await driver.actions({ async: true }).sendKeys(key).perform();
}

const FAILURES = 'tests/e2e/failures';

/** Runs a piece of a test; when it fails, a picture of the page is left behind. */
export async function picturing<T>(driver: WebDriver, name: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    mkdirSync(FAILURES, { recursive: true });
    const file = join(FAILURES, `${name.replace(/\W+/g, '-')}.png`);
    writeFileSync(file, await driver.takeScreenshot().catch(() => ''), 'base64');
    const where = await driver.getCurrentUrl().catch(() => '');
    throw new Error(`${error instanceof Error ? error.message : String(error)} (at ${where}; picture: ${file})`, { cause: error });
  }
}

export async function saveScreenshot(driver: WebDriver, file: string): Promise<void> {
  writeFileSync(file, await driver.takeScreenshot(), 'base64');
}

/** Signs in with one of the demo's buttons. */
export async function signInByButton(driver: WebDriver, base: string, name: string): Promise<void> {
  await driver.manage().deleteAllCookies();
  await driver.get(`${base}/`);
  await press(driver, new RegExp(`^${name}`));
  await waitFor(driver, 'being signed in', async () => !/\/$/.test(new URL(await driver.getCurrentUrl()).pathname));
}

/** Signs in as somebody of the demo without the page for it; the browser is left where nothing else is. */
export async function signInAs(driver: WebDriver, base: string, name: string): Promise<void> {
  await driver.get(`${base}/mark.svg`);
  await driver.manage().deleteAllCookies();
  const status = await driver.executeAsyncScript<number>(
    `const [name, done] = arguments;
    fetch('/api/demo-sign-in', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ name }) }).then(
      (answer) => done(answer.status),
      () => done(0),
    );`,
    name.split(' ')[0]?.toLowerCase(),
  );
  if (status !== 200) throw new Error(`${name} could not sign in: ${status}`);
}

/** The window as a device has it; null: as it was opened. */
export const setWindow = (
  driver: WebDriver,
  size: { readonly width: number; readonly height: number; readonly scale?: number; readonly mobile?: boolean } | null,
): Promise<unknown> =>
  size
    ? askBrowser(driver, 'Emulation.setDeviceMetricsOverride', {
        width: size.width,
        height: size.height,
        deviceScaleFactor: size.scale ?? 1,
        mobile: size.mobile ?? false,
      })
    : askBrowser(driver, 'Emulation.clearDeviceMetricsOverride');

/** Asks the browser itself for something, by its protocol for developers. */
export const askBrowser = (driver: WebDriver, name: string, params: object = {}): Promise<unknown> =>
  // The types lack what drivers of Chromium can do more.
  (driver as unknown as { sendDevToolsCommand(name: string, params: object): Promise<unknown> }).sendDevToolsCommand(name, params);
