import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { anglesOf, scoreAttempt, shapeAxes, USUAL_PUCK, wrapAngle } from '@core';
import { findVersion } from '@server/repositories/exercises';
import { By, Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { button, dialFigure, drag, field, find, hoverAt, keys, PATIENCE, picturing, press, stage, textOf, waitFor, wheel, write } from './browser';
import { choose, handIn, openExercise } from './screens';
import { useBrowser } from './useBrowser';

const browser = useBrowser('Ruth Ferris');
const { stored } = browser;

const open = (title: string): Promise<string> => openExercise(browser.driver, stored, title);

async function scheme(name: string): Promise<void> {
  await choose(browser.driver, 'Scheme', name);
  await stage(browser.driver);
}

const frames = async (): Promise<number> => Number(await (await browser.driver.findElement(By.css('canvas[role=application]'))).getAttribute('data-frames'));

/** Waits until the stage has drawn all there was to draw. */
const settled = async (): Promise<void> => {
  await browser.driver.wait(async () => {
    const now = await frames();
    await new Promise((done) => setTimeout(done, 2500));
    return (await frames()) === now;
  }, PATIENCE);
};

describe('practising', () => {
  it('by keyboard alone: each called side is shown by its key and answered by standing still', async () => {
    const { driver } = browser;
    await picturing(driver, 'keyboard', async () => {
      await open('Call the sides');
      await scheme('Keyboard alone');
      const keyFor: Record<string, string> = {
        'the front': '1',
        'the right': '2',
        'the rear': '3',
        'the left': '4',
        'the top': '5',
        'the bottom': '6',
        'the top front left': '8',
        'the opposite of this': 'o',
      };
      for (let i = 1; i <= 6; i++) {
        await waitFor(driver, `call ${i}`, async () => (await driver.findElement(By.css('[aria-label="The call"]')).getText()).includes(`Call ${i} of 6`));
        const call = await textOf(driver, '[data-testid=call]');
        await keys(driver, keyFor[call] ?? '1');
      }
      await waitFor(driver, 'all calls answered', async () => (await driver.findElement(By.css('[aria-label="The call"]')).getText()).includes('All called'));
      const attempt = await handIn(driver, stored);
      expect(attempt.trace.moves.every((m) => m.gesture?.device === 'keyboard')).toBe(true);
      expect(attempt.card.steps[0]?.criteria.find((c) => c.id === 'standardAngle')?.points).toBe(1);
      expect(attempt.card.score).toBeGreaterThan(60);
    });
  });

  it('by the puck panel: the cap turns the model, springs back, and the trace says it was the puck', async () => {
    const { driver } = browser;
    await picturing(driver, 'puck', async () => {
      await open('Round to the ladder');
      await scheme('3D mouse');
      const round = async (): Promise<string> => dialFigure(driver, 'round');
      await settled();
      const before = await round();
      const pad = await find(driver, '[role=slider]', /^Twist and tilt/);
      const actions = driver.actions({ async: true }).move({ origin: pad, duration: 0 }).press();
      for (let i = 1; i <= 10; i++) actions.move({ origin: pad, x: -4 * i, y: 0, duration: 30 });
      await actions.perform();
      await waitFor(driver, 'the model to turn', async () => (await round()) !== before);
      await driver.actions({ async: true }).release().perform();
      expect(await pad.getAttribute('aria-valuetext')).toBe('at rest');
      const attempt = await handIn(driver, stored);
      expect(attempt.trace.moves.some((m) => m.command.kind === 'orbit' && m.gesture?.device === 'puck')).toBe(true);
      expect(attempt.trace.scheme.id).toBe('six-axis-puck');
      expect(JSON.parse(JSON.stringify(scoreAttempt(attempt.version.content, attempt.model, attempt.trace, attempt.scheme)))).toEqual(attempt.card);
    });
  });

  it('by a script of motions on the simulated 3D mouse: a whole exercise, and a script that is none is said at its line', async () => {
    const { driver } = browser;
    await picturing(driver, 'script', async () => {
      const id = await open('Round to the ladder');
      await scheme('3D mouse');
      const play = async (script: string): Promise<void> => {
        await press(driver, 'Play a script …');
        await write(driver, 'Motions', script);
        await press(driver, 'Play');
      };
      await play('[\n{"shove": 1, "seconds": 1}\n]');
      await waitFor(driver, 'the line', async () => (await textOf(driver, '[role=dialog] [role=alert]')).startsWith('Line 2, 0:'));
      await keys(driver, Key.ESCAPE);
      const goal = (await findVersion(stored.db, id, 1))?.content.steps[0]?.goal;
      if (goal?.kind !== 'matchView') throw new Error('another goal than was meant');
      const wanted = anglesOf(goal.target.view.orientation);
      const figure = async (name: 'round' | 'height'): Promise<number> => (Number.parseFloat(await dialFigure(driver, name)) * Math.PI) / 180;
      // As a person would: look how far it still is, and push the cap for about as long as that takes.
      const rate = 0.8 * Math.abs(shapeAxes([0, 0, 0, 0, 0, 0.5], USUAL_PUCK, 1)[5]) * 1.4;
      for (let tries = 0; tries < 8; tries++) {
        const round = wrapAngle(wanted.azimuth - (await figure('round')));
        const height = wanted.elevation - (await figure('height'));
        if (Math.abs(round) < 0.03 && Math.abs(height) < 0.03) break;
        const seconds = (angle: number): number => Math.min(4, Math.max(0.15, Math.abs(angle) / rate));
        await play(
          JSON.stringify([
            { twist: -0.5 * Math.sign(round), seconds: seconds(round) },
            { tilt: 0.5 * Math.sign(height), seconds: seconds(height) },
          ]),
        );
        await button(driver, 'Play a script …');
        await settled();
      }
      const attempt = await handIn(driver, stored);
      expect(attempt.trace.moves.length).toBeGreaterThan(5);
      expect(new Set(attempt.trace.moves.map((m) => m.gesture?.device))).toEqual(new Set(['puck']));
      expect(attempt.card.steps[0]?.criteria.find((c) => c.id === 'direction')?.points).toBeGreaterThan(0.8);
      expect(attempt.card.score).toBeGreaterThan(60);
    });
  });

  it('a tool tells its shortcut while it is hovered or has the focus', async () => {
    const { driver } = browser;
    await picturing(driver, 'tips', async () => {
      await open('Call the sides');
      await scheme('Two-button mouse');
      const tip = async (): Promise<string> => (await driver.findElement(By.css('[role=tooltip]')).getAttribute('textContent')) ?? '';
      const mark = await find(driver, '[role=button]', 'Look from the right');
      await driver.actions({ async: true }).move({ origin: mark, duration: 0 }).perform();
      await waitFor(driver, 'the tip of a mark', async () => (await tip()) === 'Look from the right2');
      await keys(driver, Key.ESCAPE);
      await press(driver, 'Parts');
      await driver.executeScript('arguments[0].focus()', await button(driver, 'Show all'));
      await waitFor(driver, 'the tip of a button', async () => (await tip()) === 'Show everythingU');
    });
  });

  it('the stage: a drag orbits, Escape takes it back, a fix of the wake goes back, and nothing is drawn while nothing changes', async () => {
    const { driver } = browser;
    await picturing(driver, 'stage', async () => {
      await open('Behind and above');
      await scheme('Two-button mouse');
      const round = async (): Promise<string> => dialFigure(driver, 'round');
      await settled();
      const home = await round();
      await drag(driver, [0, 0.1], [0.15, 0.1]);
      await waitFor(driver, 'the view to turn', async () => (await round()) !== home);
      await settled();
      const turned = await round();

      // A drag that is taken back with Escape while the button is still down.
      const element = await stage(driver);
      await driver
        .actions({ async: true })
        .move({ origin: element, duration: 0 })
        .press()
        .move({ origin: element, x: 60, y: 10, duration: 100 })
        .move({ origin: element, x: 120, y: 20, duration: 100 })
        .perform();
      await waitFor(driver, 'the drag to turn it', async () => (await round()) !== turned);
      await driver.actions({ async: true }).keyDown(Key.ESCAPE).keyUp(Key.ESCAPE).perform();
      await waitFor(driver, 'the drag to be taken back', async () => (await round()) === turned);
      await driver.actions({ async: true }).release().perform();
      await settled();
      expect(await round()).toBe(turned);

      await press(driver, /^Go back to start/);
      await waitFor(driver, 'the start view', async () => (await round()) === home);

      // A standard view is not allowed here: the key says so.
      await hoverAt(driver, [0, 0]);
      await keys(driver, '1');
      await waitFor(driver, 'the refusal', async () => (await driver.findElement(By.css('body')).getText()).includes('is not allowed in this exercise'));

      await settled();
    });
  });

  it('what the hand does is in the very next picture', async () => {
    const { driver } = browser;
    await picturing(driver, 'next picture', async () => {
      await open('Make room');
      await scheme('Two-button mouse');
      await settled();
      // Counts the browser's frames from the event to the picture that shows it.
      const waited = await driver.executeAsyncScript<number[]>(
        `const done = arguments[arguments.length - 1];
         const c = document.querySelector('canvas[role=application]');
         const box = c.getBoundingClientRect();
         const found = [];
         const turn = () => {
           if (found.length === 5) return done(found);
           const before = Number(c.dataset.frames);
           let frames = 0;
           c.dispatchEvent(new WheelEvent('wheel', { deltaY: -100, clientX: box.x + box.width / 2, clientY: box.y + box.height / 2, cancelable: true, bubbles: true }));
           const look = () => {
             frames++;
             if (Number(c.dataset.frames) > before) {
               found.push(frames);
               setTimeout(turn, 1500);
             } else requestAnimationFrame(look);
           };
           requestAnimationFrame(look);
         };
         turn();`,
      );
      expect(waited).toEqual([1, 1, 1, 1, 1]);
    });
  });

  it('starts again only when asked twice, and asks before a far hand-in', async () => {
    const { driver } = browser;
    await picturing(driver, 'asks', async () => {
      await open('Behind and above');
      await wheel(driver, [0, 0], 1);
      await press(driver, 'Start again');
      await press(driver, 'Go on');
      await press(driver, 'Hand in');
      await find(driver, '[role=dialog]', 'Hand it in as it is?');
      await press(driver, 'Go on');
      await press(driver, 'Start again', 'main button');
      await press(driver, 'Start again', '[role=dialog] button');
      await waitFor(driver, 'a new attempt', async () => (await driver.findElements(By.css('[aria-label="Wake: views you came through"] li'))).length === 1);
      await button(driver, 'Hand in');
    });
  });

  it('the scheme card is one key away and can be searched', async () => {
    const { driver } = browser;
    await picturing(driver, 'scheme-card', async () => {
      await open('Behind and above');
      await keys(driver, '?');
      await (await field(driver, 'Search the scheme card')).sendKeys('square');
      await waitFor(driver, 'the row', async () => (await driver.findElement(By.css('[role=dialog]')).getText()).includes('Square on to the face'));
    });
  });

  it('a line of the scheme card is tried right there, by keys and by the pointer, and nothing of it comes into the attempt', async () => {
    const { driver } = browser;
    await picturing(driver, 'scheme-try', async () => {
      await open('Behind and above');
      await scheme('Two-button mouse');
      const home = await dialFigure(driver, 'round');
      await keys(driver, '?');
      await press(driver, 'Try Orbit');
      const words = async (): Promise<string> => textOf(driver, '[role=dialog]:last-of-type [role=status]');
      await waitFor(driver, 'what to do', async () => (await words()).startsWith('Now you'));
      const piece = await driver.findElement(By.css('canvas[aria-label="Piece to practise with"]'));
      await waitFor(driver, 'the piece', async () => Number(await piece.getAttribute('data-frames')) > 0);
      await driver.actions({ async: true }).move({ origin: piece }).press(2).move({ origin: piece, x: 60, y: 10, duration: 200 }).release(2).perform();
      await waitFor(driver, 'what it was', async () => (await words()).startsWith('That was “Pan'));
      await driver.actions({ async: true }).move({ origin: piece }).press().move({ origin: piece, x: 60, y: 10, duration: 200 }).release().perform();
      await waitFor(driver, 'that it was right', async () => (await words()) === 'That was it.');
      await press(driver, 'Done');
      await press(driver, 'Close');
      expect(await dialFigure(driver, 'round')).toBe(home);
      expect(await driver.findElements(By.css('[aria-label="Wake: views you came through"] li'))).toHaveLength(1);
      // The stage itself tells in words what it shows.
      await press(driver, 'Aids');
      await press(driver, 'Tell in words what is seen');
      await waitFor(driver, 'the words', async () =>
        /Seen .*upright; perspective\. What is shown takes/.test(await driver.findElement(By.css('body')).getText()),
      );
    });
  });

  it('ships at most 450 kB of compressed script', async () => {
    const { driver } = browser;
    await open('Behind and above');
    await waitFor(driver, 'closeness', async () => (await driver.findElements(By.css('[data-testid=closeness]'))).length > 0);
    const names = await driver.executeScript<string[]>("return performance.getEntriesByType('resource').map((e) => e.name).filter((n) => n.endsWith('.js'))");
    const sizes = [...new Set(names)].map((name) => gzipSync(readFileSync(join('dist/client', new URL(name).pathname)), { level: 9 }).length);
    const total = sizes.reduce((sum, size) => sum + size, 0);
    expect(sizes.length).toBeGreaterThan(3);
    expect(total).toBeLessThanOrEqual(450 * 1024);
  });
});
