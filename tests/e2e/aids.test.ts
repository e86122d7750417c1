import { framingOf } from '@core/measures';
import { contextFor, subjectOf } from '@core/model';
import { apply } from '@core/navigation';
import { By, Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { button, clickAt, dialFigure, drag, hoverAt, keys, picturing, press, stage, waitFor, wheel, write } from './browser';
import { handIn, openExercise } from './screens';
import { useBrowser } from './useBrowser';

const browser = useBrowser('Ruth Ferris');
const { stored } = browser;
const shown = (css: string): Promise<boolean> => browser.driver.findElements(By.css(css)).then((found) => found.length > 0);
const says = (words: RegExp): Promise<unknown> =>
  waitFor(browser.driver, String(words), async () => words.test(await browser.driver.findElement(By.css('body')).getText()));
/** Colour of the stage's picture at shares of it from its middle, 0 … 255. */
const colourAt = (u: number, v: number): Promise<number[]> =>
  browser.driver.executeScript<number[]>(
    `const c = document.querySelector('canvas[role=application]'); const d = document.createElement('canvas'); d.width = c.width; d.height = c.height;
     const x = d.getContext('2d'); x.drawImage(c, 0, 0); return [...x.getImageData(Math.round((0.5 + arguments[0]) * c.width), Math.round((0.5 + arguments[1]) * c.height), 1, 1).data]`,
    u,
    v,
  );

describe('what helps the eye', () => {
  it('grid, names, loupe and four views are one key away, say what they are, and leave no trace', async () => {
    const { driver } = browser;
    await picturing(driver, 'aids', async () => {
      await openExercise(driver, stored, 'Down to the gear train');
      await hoverAt(driver, [-0.1, 0.1]);
      await keys(driver, 'a');
      await says(/Grid: 10 cm a line/);
      await keys(driver, 'A');
      await waitFor(driver, 'nameplates', () => shown('[aria-label=Nameplates] li'));
      await keys(driver, 'x');
      await hoverAt(driver, [0.1, 0.1]);
      await hoverAt(driver, [0.11, 0.1]);
      await waitFor(driver, 'the loupe', () => shown('[data-mark=loupe]'));
      await keys(driver, 'x', 'm');
      await button(driver, 'Enlarge the view: Top');
      await press(driver, 'Enlarge the view: Right');
      await press(driver, 'Show all four views');
      // A drag in the front view slides it and turns nothing.
      const before = await dialFigure(driver, 'round');
      await drag(driver, [-0.25, 0.25], [-0.15, 0.25]);
      await press(driver, 'Fit all four');
      await keys(driver, 'm', 'z');
      await waitFor(driver, 'the panels to fold', async () => !(await (await driver.findElement(By.css('[aria-label="View dial"]'))).isDisplayed()));
      await keys(driver, 'z');
      expect(await dialFigure(driver, 'round')).toBe(before);
      const attempt = await handIn(driver, stored);
      expect(attempt.trace.moves.map((m) => m.command.kind)).toEqual(['fit']);
    });
  });

  it('a view is saved with its cut and style, gone away from, and recalled', async () => {
    const { driver } = browser;
    await picturing(driver, 'saved view', async () => {
      await openExercise(driver, stored, 'Down to the gear train');
      await hoverAt(driver, [-0.12, 0.1]);
      await keys(driver, 'k', Key.ARROW_LEFT, 'w');
      const there = '15.0°';
      await waitFor(driver, 'the turn', async () => (await dialFigure(driver, 'round')) === there);
      await press(driver, 'Views');
      await write(driver, 'Name of this view', 'The train, open');
      await press(driver, 'Save');
      await button(driver, 'The train, open');
      expect(await stored.db('saved_views').where({ name: 'The train, open' })).toHaveLength(1);
      await keys(driver, 'K', '3');
      await waitFor(driver, 'the rear', async () => (await dialFigure(driver, 'round')) === '180.0°');
      await press(driver, 'The train, open');
      await waitFor(driver, 'the way back', async () => (await dialFigure(driver, 'round')) === there);
      await waitFor(driver, 'the cut', () => shown('[data-arrow=section]'));
      await press(driver, /^Change The train/);
      await press(driver, 'Remove The train, open');
      await says(/None yet/);
      // It comes back by key, also after the page was loaded again.
      await driver.navigate().refresh();
      await press(driver, /^Go on/);
      await press(driver, 'Views');
      await says(/The train, open. is removed/);
      await driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
      await button(driver, 'The train, open');
      const attempt = await handIn(driver, stored);
      const last = attempt.trace.moves.at(-1);
      // One gesture, and a view that nobody could tell from the one that was saved.
      const recalled = attempt.trace.moves.filter((m) => m.gesture?.id === last?.gesture?.id);
      expect(recalled.map((m) => m.command.kind)).toEqual(expect.arrayContaining(['standard', 'turn', 'section']));
    });
  });

  it('a box picks what it touches, a click with Shift adds, and the far side is seen in wireframe', async () => {
    const { driver } = browser;
    await picturing(driver, 'box', async () => {
      await openExercise(driver, stored, 'Make room');
      const element = await stage(driver);
      const { width, height } = await element.getRect();
      const at = (x: number, y: number) => ({ origin: element, x: Math.round(x * width), y: Math.round(y * height) });
      await driver
        .actions({ async: true })
        .keyDown(Key.CONTROL)
        .move({ ...at(-0.2, -0.4), duration: 0 })
        .press()
        .move({ ...at(0.1, -0.2), duration: 60 })
        .move({ ...at(0.2, -0.15), duration: 60 })
        .perform();
      await waitFor(driver, 'the word at the corner', () => shown('[data-mark=rectangle]'));
      await driver.actions({ async: true }).release().keyUp(Key.CONTROL).perform();
      await driver.actions({ async: true }).keyDown(Key.SHIFT).perform();
      await clickAt(driver, [0, 0.3]);
      await driver.actions({ async: true }).keyUp(Key.SHIFT).perform();
      const solid = await colourAt(0, 0.3);
      await keys(driver, 'w', 'w', 'w', 'w');
      await waitFor(driver, 'the hull to become see-through', async () => (await colourAt(0.001, 0.301)).join() !== solid.join());
      const attempt = await handIn(driver, stored);
      const commands = attempt.trace.moves.map((m) => m.command);
      const [box, more] = commands.filter((c) => c.kind === 'select');
      expect(box?.parts.length).toBeGreaterThan(2);
      expect(box?.parts.every((id) => id.startsWith('buoy/'))).toBe(true);
      expect(more?.parts.length).toBe((box?.parts.length ?? 0) + 1);
      expect(commands.filter((c) => c.kind === 'style').at(-1)).toEqual({ kind: 'style', style: 'wireframe' });
    });
  });
});

it('from the whole tower to one bolt and back: every step is worth the same, and nothing is cut off by the eye', async () => {
  const { driver } = browser;
  await picturing(driver, 'bolt', async () => {
    await openExercise(driver, stored, 'From the tower to one bolt');
    await press(driver, 'Parts');
    await write(driver, 'Find a part', 'bolt 4');
    await driver.findElement(By.css('[data-part="tower/name board/bolt 4"]')).click();
    await press(driver, 'Put the parts away');
    await keys(driver, 's');
    await driver.executeScript('arguments[0].blur()', await stage(driver));
    await hoverAt(driver, [0, 0]);
    for (let i = 0; i < 4; i++) await wheel(driver, [0, 0], 1);
    // Brass, not the stage's paper: the bolt is there, right before the eye.
    await waitFor(driver, 'the bolt to fill the middle', async () => {
      const [r = 0, g = 0, b = 0, a = 0] = await colourAt(0, 0);
      return a === 255 && r > g && g > b && r - b > 40;
    });
    for (let i = 0; i < 30; i++) await wheel(driver, [0, 0], -1);
    const attempt = await handIn(driver, stored);
    const context = contextFor(attempt.model, attempt.trace.start);
    const points = subjectOf(attempt.model.mesh, ['tower/name board/bolt 4']);
    let scene = attempt.trace.start;
    const sizes: number[] = [];
    for (const { command, gesture } of attempt.trace.moves) {
      const before = framingOf(scene.view, points)?.radius ?? 0;
      scene = apply(scene, command, { ...context, ...(gesture ? { gesture: gesture.id } : {}) });
      const after = framingOf(scene.view, points)?.radius ?? 0;
      // The point under the pointer lies on the bolt: what is zoomed by a factor grows by it.
      if (command.kind === 'zoom') expect(after / before / command.factor).toBeGreaterThan(0.7);
      if (command.kind === 'zoom') expect(after / before / command.factor).toBeLessThan(1.4);
      sizes.push(after);
    }
    expect(Math.max(...sizes) / Math.min(...sizes)).toBeGreaterThan(100);
    expect(
      attempt.trace.moves.filter((m) => m.command.kind === 'zoom').reduce((sum, m) => sum + (m.command.kind === 'zoom' ? Math.log(m.command.factor) : 0), 0),
    ).toBeCloseTo(-26 * Math.log(1.15), 6);
  });
});

it('a lost graphics context comes back with the picture, and what was done is still there', async () => {
  const { driver } = browser;
  await picturing(driver, 'context', async () => {
    await openExercise(driver, stored, 'Make room');
    await keys(driver, Key.ARROW_LEFT);
    await waitFor(driver, 'the turn', async () => (await dialFigure(driver, 'round')) === '15.0°');
    const before = await colourAt(0, 0.25);
    await driver.executeScript(
      "window.lost = document.querySelector('canvas[role=application]').getContext('webgl2').getExtension('WEBGL_lose_context'); window.lost.loseContext()",
    );
    await waitFor(driver, 'an empty stage', async () => (await colourAt(0, 0.25)).join() !== before.join());
    await driver.executeScript('window.lost.restoreContext()');
    await waitFor(driver, 'the picture', async () => (await colourAt(0, 0.25)).join() === before.join());
    await keys(driver, Key.ARROW_RIGHT);
    await waitFor(driver, 'the way back', async () => (await dialFigure(driver, 'round')) === '30.0°');
    const attempt = await handIn(driver, stored);
    expect(attempt.trace.moves.map((m) => m.command.kind)).toEqual(['turn', 'turn']);
  });
});
