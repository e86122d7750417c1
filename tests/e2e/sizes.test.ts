import { By } from 'selenium-webdriver';
import { afterAll, expect, it } from 'vitest';
import { askBrowser, dialFigure, find, picturing, press, setWindow, signInAs, stage, waitFor } from './browser';
import { handIn, openExercise } from './screens';
import { base } from './stored';
import { useBrowser } from './useBrowser';

/** Windows of phones, tablets and large screens; by touch where they are held in the hand. */
const browser = useBrowser('Ida Sorrel');

type Size = readonly [width: number, height: number, touch: boolean];
const SIZES: readonly Size[] = [
  [360, 740, true],
  [390, 844, true],
  [844, 390, true],
  [820, 1180, true],
  [1024, 768, false],
  [2560, 1440, false],
];

async function setSize([width, height, touch]: Size): Promise<void> {
  await setWindow(browser.driver, { width, height, mobile: touch });
  await askBrowser(browser.driver, 'Emulation.setTouchEmulationEnabled', { enabled: touch });
}
afterAll(async () => {
  await setWindow(browser.driver, null);
  await askBrowser(browser.driver, 'Emulation.setTouchEmulationEnabled', { enabled: false });
});

interface Box {
  readonly name: string;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Where elements of a selector stand, those that are seen. */
const boxesOf = (selector: string): Promise<Box[]> =>
  browser.driver.executeScript<Box[]>(
    `return [...document.querySelectorAll(arguments[0])].flatMap((e) => {
      const { left, top, right, bottom, width } = e.getBoundingClientRect();
      return width > 1 ? [{ name: e.getAttribute('aria-label') ?? e.textContent.trim(), left, top, right, bottom }] : [];
    })`,
    selector,
  );

/** Pairs that lie over each other. */
const overlapping = (boxes: readonly Box[]): string[] =>
  boxes.flatMap((a, i) =>
    boxes
      .slice(i + 1)
      .filter((b) => a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom - 1 && b.top < a.bottom - 1)
      .map((b) => `${a.name} and ${b.name}`),
  );

/** A finger goes from point to point of the window, some ms each. */
async function finger(points: readonly (readonly [x: number, y: number])[], ms = 60): Promise<void> {
  const send = (type: string, at: readonly [number, number] | null): Promise<unknown> =>
    askBrowser(browser.driver, 'Input.dispatchTouchEvent', { type, touchPoints: at ? [{ x: at[0], y: at[1] }] : [] });
  const [first, ...rest] = points;
  await send('touchStart', first ?? null);
  for (const point of rest) {
    await browser.driver.sleep(ms);
    await send('touchMove', point);
  }
  await browser.driver.sleep(ms);
  await send('touchEnd', null);
}

it.each(SIZES)('at %d x %d the whole stage, what it says and the way to hand in are in sight, and nothing lies over another', async (...size) => {
  const { driver, stored } = browser;
  const [width, height] = size;
  await picturing(driver, `size-${width}`, async () => {
    await setSize(size);
    await openExercise(driver, stored, 'Behind and above');
    await stage(driver);
    await waitFor(driver, 'how near it is', async () => (await boxesOf('[data-testid=closeness] > *')).length === 5);
    const [canvas] = await boxesOf('canvas[role=application]');
    if (!canvas) throw new Error('There is a stage.');
    expect((canvas.right - canvas.left) / (canvas.bottom - canvas.top)).toBeCloseTo(1.6, 1);
    // Large enough to see something: half of what the smaller side allows.
    expect(canvas.right - canvas.left).toBeGreaterThan(Math.min(width, height * 1.6) / 2);
    const [handInButton] = (await boxesOf('[data-note=actions] button')).filter(({ name }) => name === 'Hand in');
    for (const box of [canvas, handInButton as Box]) {
      expect(box.left).toBeGreaterThanOrEqual(0);
      expect(box.top).toBeGreaterThanOrEqual(0);
      expect(box.right).toBeLessThanOrEqual(width);
      expect(box.bottom).toBeLessThanOrEqual(height);
    }
    expect(await driver.executeScript('return document.documentElement.scrollWidth')).toBe(width);
    expect(overlapping(await boxesOf('[data-testid=closeness] > *'))).toEqual([]);
    expect(overlapping(await boxesOf('header a, header button, header select'))).toEqual([]);
    expect(overlapping(await boxesOf('[data-note=actions] button, canvas[role=application]'))).toEqual([]);
  });
});

it.each([
  ['Square on the roof', 820, 1180],
  ['Square on the roof', 390, 844],
  ['Left behind by the fitter', 768, 1024],
  ['Name the wheels', 820, 1180],
] as const)('what %s asks stands clear of the stage at %d x %d', async (title, width, height) => {
  const { driver, stored } = browser;
  await picturing(driver, `asks-${width}`, async () => {
    await setSize([width, height, true]);
    await openExercise(driver, stored, title);
    await stage(driver);
    const boxes = await boxesOf('.graduated, main section[aria-label]');
    expect(boxes.length).toBeGreaterThan(1);
    expect(overlapping(boxes)).toEqual([]);
  });
});

it('on a phone the other pages are reached from the stage', async () => {
  const { driver, stored } = browser;
  await picturing(driver, 'phone-pages', async () => {
    await setSize([390, 844, true]);
    await openExercise(driver, stored, 'Behind and above');
    await stage(driver);
    await press(driver, 'Pages');
    const places = await boxesOf('nav[aria-label=Pages] a');
    expect(places.map(({ name }) => name)).toEqual(['Today', 'My progress', 'Schemes', 'Ida Sorrel']);
    for (const { left, right, bottom } of places) expect([left >= 0, right <= 390, bottom <= 844]).toEqual([true, true, true]);
    await (await find(driver, 'nav[aria-label=Pages] a', 'My progress')).click();
    await waitFor(driver, 'the other page', async () => new URL(await driver.getCurrentUrl()).pathname === '/progress');
    // One signs out there too; nothing waits to be sent.
    await openExercise(driver, stored, 'Behind and above');
    await stage(driver);
    await press(driver, 'Pages');
    await press(driver, 'Sign out', 'nav[aria-label=Pages] button');
    await waitFor(driver, 'the way in', async () => new URL(await driver.getCurrentUrl()).pathname === '/');
    await signInAs(driver, base(), 'Ida Sorrel');
  });
});

it('on a phone a whole exercise by fingers: the target large and laid over, an orbit, the hand-in', async () => {
  const { driver, stored } = browser;
  await picturing(driver, 'phone', async () => {
    await setSize([390, 844, true]);
    await driver.executeScript("localStorage.removeItem('dial-home-scheme')");
    await openExercise(driver, stored, 'Behind and above');
    const element = await stage(driver);
    // Who points with a finger begins with the scheme for it.
    expect(await (await find(driver, 'select', 'Scheme')).getAttribute('value')).toBe('touch-screen');
    const centreOf = async (selector: string, name: string): Promise<readonly [number, number]> => {
      const box = (await boxesOf(selector)).find((each) => each.name === name);
      if (!box) throw new Error(`There is no ${name}.`);
      return [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
    };
    await finger([await centreOf('button', 'Show the target large')]);
    await find(driver, '[role=dialog] img', 'The target view');
    await finger([await centreOf('[role=dialog] button', 'Close')]);
    await waitFor(driver, 'the target to be put away', async () => (await boxesOf('[role=dialog]')).length === 0);
    const laidOver = async (): Promise<boolean> => (await driver.findElements(By.css('.graduated img'))).length > 0;
    const holding = finger([await centreOf('button', 'hold T to lay over')], 1500);
    await waitFor(driver, 'the target to lie over the stage', laidOver);
    await holding;
    await waitFor(driver, 'the stage alone again', async () => !(await laidOver()));
    const before = await dialFigure(driver, 'round');
    const { x, y, width, height } = await driver.executeScript<DOMRect>('return arguments[0].getBoundingClientRect().toJSON()', element);
    const at = (u: number, v: number): readonly [number, number] => [x + (0.5 + u) * width, y + (0.5 + v) * height];
    await finger([at(-0.2, 0.1), at(-0.1, 0.15), at(0, 0.2), at(0.1, 0.25), at(0.2, 0.3)]);
    await waitFor(driver, 'the stage to turn', async () => (await dialFigure(driver, 'round')) !== before);
    const attempt = await handIn(driver, stored);
    expect(attempt.trace.moves.map(({ command }) => command.kind)).toContain('orbit');
    expect(new Set(attempt.trace.moves.map(({ gesture }) => gesture?.device))).toEqual(new Set(['touch']));
  });
});
