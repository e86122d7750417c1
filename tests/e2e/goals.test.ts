import { shownPoints } from '@web/ui/points';
import { By, Key, until } from 'selenium-webdriver';
import { beforeEach, describe, expect, it } from 'vitest';
import { button, clickAt, drag, field, hoverAt, keys, link, PATIENCE, picturing, press, signInAs, stage, textOf, waitFor, wheel, write } from './browser';
import { choose, handIn, startAfresh } from './screens';
import { base, exerciseNamed, type StoredAttempt } from './stored';
import { useBrowser } from './useBrowser';

/** Each goal kind, built by an instructor and done by a trainee, with real gestures. */
const browser = useBrowser();
const { stored } = browser;

/** A second try builds an exercise of its own: the first one's attempt may be done already. */
let again = '';
beforeEach(({ task }) => {
  again = task.result?.retryCount ? ` again ${task.result.retryCount}` : '';
});

/** A new exercise on a model, with its title and what to do. */
async function begin(model: RegExp, title: string): Promise<void> {
  const { driver } = browser;
  await signInAs(driver, base(), 'Maren Holt');
  await driver.get(`${base()}/build`);
  await press(driver, 'New exercise');
  await press(driver, model, '[role=dialog] button');
  await waitFor(driver, 'the builder', async () => /\/build\/[0-9a-f-]{36}$/.test(await driver.getCurrentUrl()));
  await stage(driver);
  await write(driver, 'Title', title + again);
  await write(driver, 'What to do', 'Do what is asked');
}

async function publishAndAssign(title: string): Promise<void> {
  const { driver } = browser;
  await press(driver, 'Publish');
  await press(driver, 'Assign', '[role=dialog] button');
  await waitFor(driver, 'the assignment', async () => {
    const id = await exerciseNamed(stored, title + again);
    return (await stored.db('assignments').where({ exercise_id: id })).length === 1;
  });
}

async function practise(title: string): Promise<void> {
  const { driver } = browser;
  await signInAs(driver, base(), 'Ida Sorrel');
  await driver.get(`${base()}/today`);
  await (await link(driver, new RegExp(title + again))).click();
  await startAfresh(driver);
}

async function scored(): Promise<StoredAttempt> {
  const { driver } = browser;
  const attempt = await handIn(driver, stored);
  expect(Number(await textOf(driver, '[data-testid=score]'))).toBe(shownPoints(attempt.card.score));
  return attempt;
}

const points = (attempt: StoredAttempt, id: string): number | undefined => attempt.card.steps[0]?.criteria.find((c) => c.id === id)?.points;

describe('each goal, built and done', () => {
  it('match a view, with projection and what is hidden as part of the target', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-match', async () => {
      await begin(/^Lantern buoy/, 'Flat and open');
      await keys(driver, '1', 'p');
      await clickAt(driver, [0, -0.28]);
      await waitFor(driver, 'a part to be picked', async () => !(await driver.findElement(By.css('body')).getText()).includes('Picked: nothing'));
      await keys(driver, 'h');
      await press(driver, 'Set target from this view');
      await publishAndAssign('Flat and open');
      await practise('Flat and open');
      await keys(driver, '1', 'p');
      await clickAt(driver, [0, -0.28]);
      await keys(driver, 'h');
      const attempt = await scored();
      expect(attempt.trace.moves.map((m) => m.command.kind)).toEqual(['standard', 'projection', 'select', 'show']);
      for (const id of ['direction', 'projection', 'visibility', 'overlap']) expect(points(attempt, id), id).toBe(1);
      expect(attempt.card.flashes).toBe(3);
    });
  });

  it('watch it first: the author’s own way is recorded, played before the first try and as the last hint, with its gestures', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-watch', async () => {
      await begin(/^Lantern buoy/, 'Seen and done');
      await press(driver, 'Record how it is done');
      await drag(driver, [0, 0.1], [0.2, 0.1]);
      await keys(driver, '2');
      await press(driver, 'Stop recording');
      await press(driver, 'Set target from this view');
      await button(driver, 'Remove it');
      await (await driver.findElement(By.xpath("//label[contains(., 'Free look round')]//input"))).click();
      await publishAndAssign('Seen and done');
      await practise('Seen and done');
      await press(driver, 'Watch it first');
      const said = async (): Promise<string> => driver.findElement(By.css('[aria-label="Watch how it is done"]')).getText();
      await waitFor(driver, 'the drag in words', async () => /Orbit: .*drag/.test(await said()));
      await press(driver, 'Slowly');
      await waitFor(driver, 'the key in words', async () => /Look from the right: 2/.test(await said()));
      await waitFor(driver, 'its end', async () => (await driver.findElements(By.css('[aria-label="Play"]'))).length === 1);
      // What is shown cannot be touched.
      await keys(driver, '3');
      await press(driver, 'Close');
      // Looking round counts for nothing: the step begins where it began.
      await drag(driver, [0, 0], [0.2, -0.1]);
      await press(driver, 'Begin');
      await press(driver, 'Hint 1 of 1');
      await waitFor(driver, 'it again', async () => /Orbit/.test(await said()));
      await press(driver, 'Close');
      await keys(driver, '2');
      const attempt = await scored();
      const looked = attempt.trace.events.find(({ kind }) => kind === 'looked')?.t ?? 0;
      expect(attempt.trace.moves.filter(({ t }) => t <= looked).length).toBeGreaterThan(0);
      expect(attempt.trace.moves.filter(({ t }) => t > looked).map(({ command }) => command)).toEqual([{ kind: 'standard', name: 'right' }]);
      expect(attempt.card.steps[0]?.criteria.find(({ id }) => id === 'gestures')?.value).toBe(1);
      expect(attempt.trace.events.filter(({ kind }) => kind === 'hint')).toHaveLength(1);
      expect(points(attempt, 'direction')).toBe(1);
    });
  });

  it('call the view: standard views by the dial, the opposite, and a face to be looked at squarely', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-call', async () => {
      await begin(/^Lens drive/, 'Called sides');
      await choose(driver, 'Goal', 'Call the view');
      await choose(driver, 'Add a standard view', 'right');
      await press(driver, 'The opposite');
      await clickAt(driver, [-0.05, 0.1]);
      await write(driver, 'Name of the face', 'square on the door');
      await press(driver, 'Call the picked face');
      await publishAndAssign('Called sides');
      await practise('Called sides');
      const call = async (n: number): Promise<unknown> =>
        waitFor(driver, `call ${n}`, async () => (await driver.findElement(By.css('[aria-label="The call"]')).getText()).includes(`Call ${n} of 4`));
      await call(1);
      await press(driver, 'Look from the front');
      await call(2);
      await press(driver, 'Look from the right');
      await call(3);
      await keys(driver, 'o');
      await call(4);
      // Confirmed where one stands, which is not square on the door.
      await driver.wait(async () => {
        if ((await driver.findElement(By.css('[aria-label="The call"]')).getText()).includes('All called')) return true;
        // A press right after an answer still means the call before and is not taken.
        await press(driver, 'That is it');
        return false;
      }, PATIENCE);
      const attempt = await scored();
      expect(points(attempt, 'standardAngle')).toBe(1);
      expect(attempt.trace.events.filter((e) => e.kind === 'answer')).toHaveLength(4);
      expect(points(attempt, 'normalAngle')).toBe(0);
      // What a card draws of a goal is loaded when the card needs it.
      const table = await driver.wait(until.elementLocated(By.css('table')), PATIENCE);
      expect((await table.getText()).split('\n').length).toBe(5);
    });
  });

  it('follow an orbit: recorded about a pivot, trimmed, and repeated along the line', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-orbit', async () => {
      await begin(/^Lantern buoy/, 'Follow me');
      await choose(driver, 'Goal', 'Follow an orbit');
      await press(driver, 'Record orbit');
      await drag(driver, [0, 0.1], [0.2, 0.1]);
      await press(driver, 'Stop recording');
      await waitFor(driver, 'the line', async () => /The line takes [\d.]+ s/.test(await driver.findElement(By.css('aside')).getText()));
      const end = await driver.findElement(By.css('[role=slider][aria-label="End of the line"]'));
      await end.sendKeys(Key.ARROW_LEFT);
      await press(driver, 'Trim');
      await publishAndAssign('Follow me');
      await practise('Follow me');
      await driver.findElement(By.css('svg[aria-label^="The line to follow"]'));
      await drag(driver, [0, 0.1], [0.2, 0.1]);
      const attempt = await scored();
      expect(points(attempt, 'orbitPath')).toBeGreaterThan(0.9);
      expect(points(attempt, 'pivotDrift')).toBeGreaterThan(0.9);
      await waitFor(driver, 'the drawing', async () => (await driver.findElements(By.css('svg[aria-label^="Your way and the line"]'))).length === 1);
    });
  });

  it('frame it: the inner lines dragged, the part picked and fitted', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-frame', async () => {
      await begin(/^Lantern buoy/, 'Framed lantern');
      await choose(driver, 'Goal', 'Frame it');
      await choose(driver, 'Subject: what must fill the frame: add a part', 'lantern');
      const line = await driver.findElement(By.css('line[data-side=top]'));
      const before = await (await field(driver, 'top %')).getAttribute('value');
      const box = await driver.executeScript<{ x: number; y: number; width: number }>('return arguments[0].getBoundingClientRect().toJSON()', line);
      const from = { x: Math.round(box.x + box.width / 4), y: Math.round(box.y + 8) };
      const actions = driver
        .actions({ async: true })
        .move({ ...from, duration: 0 })
        .press();
      for (let i = 1; i <= 8; i++) actions.move({ x: from.x, y: from.y + 4 * i, duration: 30 });
      await actions.release().perform();
      await waitFor(driver, 'the inner line to move', async () => (await (await field(driver, 'top %')).getAttribute('value')) !== before);
      await publishAndAssign('Framed lantern');
      await practise('Framed lantern');
      // Two clicks on the lens bring it to the middle, the keys make it large.
      await hoverAt(driver, [0, -0.28]);
      await keys(driver, 'c', '=', '=', '=', '=');
      const attempt = await scored();
      expect(points(attempt, 'clipped')).toBe(1);
      expect(attempt.card.steps[0]?.criteria.find((c) => c.id === 'fill')?.value).not.toBeNull();
      await waitFor(driver, 'the drawing', async () => (await driver.findElements(By.css('svg[aria-label^="The subject"]'))).length === 1);
    });
  });

  it('cut to reveal: along a picked face, moved by its arrow, its figure and its keys', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-cut', async () => {
      await begin(/^Lens drive/, 'Cut open');
      await choose(driver, 'Goal', 'Cut to reveal');
      await keys(driver, '1');
      await hoverAt(driver, [-0.12, 0.12]);
      await keys(driver, 'k');
      const distance = await field(driver, /^Distance/);
      await distance.clear();
      await distance.sendKeys('220', Key.ENTER);
      await waitFor(driver, 'the cut to move', async () => (await (await field(driver, /^Distance/)).getAttribute('value')) === '220');
      await press(driver, 'Set section');
      await waitFor(driver, 'the target', async () => (await driver.findElement(By.css('aside')).getText()).includes('cut at 220 mm'));
      await publishAndAssign('Cut open');
      await practise('Cut open');
      await keys(driver, '1');
      await hoverAt(driver, [-0.12, 0.12]);
      await keys(driver, 'k', 'j');
      await button(driver, 'Flip');
      await keys(driver, 'j');
      const arrow = await driver.findElement(By.css('[data-arrow=section] line'));
      const before = await (await field(driver, /^Distance/)).getAttribute('value');
      const box = await driver.executeScript<{ x: number; y: number; width: number; height: number }>(
        'return arguments[0].getBoundingClientRect().toJSON()',
        arrow,
      );
      const from = { x: Math.round(box.x + box.width / 2), y: Math.round(box.y + box.height / 2) };
      const actions = driver
        .actions({ async: true })
        .move({ ...from, duration: 0 })
        .press();
      for (let i = 1; i <= 6; i++) actions.move({ x: from.x, y: from.y + 3 * i, duration: 30 });
      await actions.release().perform();
      await waitFor(driver, 'the arrow to move the cut', async () => (await (await field(driver, /^Distance/)).getAttribute('value')) !== before);
      const typed = await field(driver, /^Distance/);
      await typed.clear();
      await typed.sendKeys('220', Key.ENTER);
      const attempt = await scored();
      for (const id of ['sectionAngle', 'sectionOffset', 'sectionSide', 'sectionOverlap']) expect(points(attempt, id), id).toBe(1);
      await waitFor(driver, 'the drawing', async () => (await driver.findElements(By.css('svg[aria-label^="Your cut"]'))).length === 1);
    });
  });

  it('what was done moves the progress table', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-progress', async () => {
      await signInAs(driver, base(), 'Viktor Dahl');
      await driver.get(`${base()}/progress`);
      expect(await driver.findElements(By.css('[data-level]'))).toHaveLength(0);
      const id = await exerciseNamed(stored, `Lost at sea${again}`);
      for (let i = 0; i < 3; i++) {
        await driver.get(`${base()}/practise/${id}`);
        await keys(driver, Key.HOME);
        await scored();
      }
      await driver.get(`${base()}/progress`);
      await driver.wait(async () => (await driver.findElements(By.css('[data-level="recover mouse"]'))).length === 1, PATIENCE);
      const told = await driver.findElement(By.css('[data-level="recover mouse"]')).getAttribute('aria-label');
      expect(told).toMatch(/^Recover, Mouse: 9\d, between \d+ and \d+, from 3 attempts/);
    });
  });

  it('stand here: the place and the gaze that were set are reached by walking and looking', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-stand', async () => {
      /** A key with Shift, Alt or both. */
      const held = async (key: string, ...modifiers: readonly string[]): Promise<void> => {
        const actions = driver.actions();
        for (const modifier of modifiers) actions.keyDown(modifier);
        actions.sendKeys(key);
        for (const modifier of modifiers) actions.keyUp(modifier);
        await actions.perform();
      };
      const go = async (): Promise<void> => {
        await driver.executeScript('arguments[0].focus()', await stage(driver));
        for (let i = 0; i < 3; i++) await held(Key.PAGE_UP, Key.ALT);
        for (let i = 0; i < 4; i++) await held(Key.ARROW_RIGHT, Key.SHIFT, Key.ALT);
        for (let i = 0; i < 2; i++) await held(Key.PAGE_DOWN, Key.SHIFT);
      };
      await begin(/^Lantern buoy/, 'By the mooring');
      await choose(driver, 'Goal', 'Stand here');
      expect(await (await field(driver, 'Main skill')).getAttribute('value')).toBe('stand');
      await go();
      await press(driver, 'Set place and gaze from this view');
      await publishAndAssign('By the mooring');
      await practise('By the mooring');
      expect(await driver.findElement(By.css('main')).getText()).toMatch(/walk to the mark on the floor/);
      await go();
      const attempt = await scored();
      for (const id of ['eyePlace', 'eyeHeight', 'direction', 'roll']) expect(points(attempt, id), id).toBe(1);
      expect(attempt.card.score).toBeGreaterThan(99);
    });
  });

  it('get back: lost in a view that was drawn for this attempt, and back by one key', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-back', async () => {
      await begin(/^Lens drive/, 'Out of the deep');
      await choose(driver, 'Goal', 'Get back');
      await choose(driver, 'How one is lost', 'Too far off to be seen');
      await publishAndAssign('Out of the deep');

      await practise('Out of the deep');
      await waitFor(driver, 'the task', async () => (await driver.findElement(By.css('body')).getText()).includes('You are lost.'));
      // A turn by hand does not help: the drive is a dot.
      await hoverAt(driver, [0, 0]);
      await drag(driver, [-0.2, 0], [0.1, 0]);
      await keys(driver, Key.HOME);
      await new Promise((resolve) => setTimeout(resolve, 1300));
      const attempt = await scored();
      expect(points(attempt, 'recoverTime')).toBeGreaterThan(0.3);
      expect(attempt.trace.moves.at(-1)?.command.kind).toBe('home');
      await waitFor(driver, 'the way back', async () => /back after \d+\.\d s, 2 gestures/.test(await driver.findElement(By.css('main')).getText()));
    });
  });

  it('quick calls: one after the other, by keys, wheel and drag, with one of them wrong', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-quick', async () => {
      await begin(/^Lantern buoy/, 'On the word');
      await choose(driver, 'Goal', 'Quick calls');
      await press(driver, 'Do not call round to the left');
      await choose(driver, 'Add a call', 'the top');
      await choose(driver, 'Add a call', 'home');
      await write(driver, 'Rounds', '1');
      await publishAndAssign('On the word');

      await practise('On the word');
      await press(driver, 'I am ready');
      const make: Record<string, () => Promise<void>> = {
        'round to the right': () => drag(driver, [0.1, 0], [-0.2, 0]),
        // One notch: a second one might come when the next call is there already, and be its answer.
        closer: () => wheel(driver, [0, 0], 1),
        'fit all': () => keys(driver, 'e'),
        'the top': () => keys(driver, '5'),
        // The wrong one.
        home: () => keys(driver, 'e'),
      };
      // Nothing is called between two calls and after the last: that is not waited for.
      const called = async (): Promise<string> => (await driver.findElements(By.css('[data-testid=call]')))[0]?.getText().catch(() => '') ?? '';
      for (let heard = 0; heard < 5; heard++) {
        await waitFor(driver, 'a call', async () => (await called()) !== '');
        const call = await called();
        const way = make[call];
        if (!way) throw new Error(`called: “${call}”`);
        await way();
        await waitFor(driver, `the call after “${call}”`, async () => (await called()) !== call);
        expect(await driver.findElement(By.css('[aria-label="The call"]')).getText()).toContain(
          call === 'home' ? (heard < 4 ? 'another gesture' : 'All called') : '',
        );
      }
      const attempt = await scored();
      const wrong = attempt.card.steps[0]?.criteria.find(({ id }) => id === 'wrongGestures');
      expect(wrong?.value).toBeCloseTo(0.2, 6);
      await waitFor(driver, 'the calls', async () => /home\s+fit all/.test(await driver.findElement(By.css('main')).getText()));
    });
  });

  it('which way: views stand still, and are answered by pointing, by keys and by typing', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-way', async () => {
      await begin(/^Lens drive/, 'Told by the crank');
      await choose(driver, 'Goal', 'Which way');
      await keys(driver, '2');
      await press(driver, 'Ask about this view');
      await keys(driver, '3');
      await press(driver, 'Ask about this view');
      await press(driver, 'Views that look alike');
      await waitFor(driver, 'the pairs', async () => /top and bottom/.test(await driver.findElement(By.css('[aria-label=Recipe]')).getText()));
      await press(driver, 'Remove question 1');
      await publishAndAssign('Told by the crank');

      await practise('Told by the crank');
      await waitFor(driver, 'the cover', async () => (await driver.findElements(By.css('[data-testid=cover]'))).length === 1);
      await press(driver, 'I am ready');
      const asked = async (): Promise<string> => driver.findElement(By.css('[aria-label="The question"]')).getText();
      await waitFor(driver, 'the first view', async () => (await asked()).includes('View 1 of 2'));
      // Nothing moves what is asked about.
      await drag(driver, [0, 0], [0.2, 0.1]);
      await keys(driver, '1');
      // The right side is at the right of the ring: pointed at.
      await waitFor(driver, 'the dial', async () => (await driver.findElements(By.css('[data-dial=answer]'))).length === 1);
      const ring = await driver.findElement(By.css('[data-dial=answer]'));
      const { width } = await ring.getRect();
      await driver
        .actions()
        .move({ origin: ring, x: Math.round(width * 0.4), y: 0 })
        .click()
        .perform();
      await press(driver, 'From here');
      await waitFor(driver, 'the second view', async () => (await asked()).includes('View 2 of 2'));
      // The rear: half a turn, as twelve steps of the arrow key, then Enter; the first step is typed.
      const figure = await driver.findElement(By.css('[data-figure=round]'));
      await figure.click();
      await figure.sendKeys('150', Key.ENTER);
      await driver.executeScript(`document.querySelector('[data-dial=answer]').focus()`);
      await driver.actions().sendKeys(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ENTER).perform();
      await waitFor(driver, 'the end', async () => (await driver.findElement(By.css('main')).getText()).includes('All questions are answered'));
      const attempt = await scored();
      expect(attempt.trace.moves).toEqual([]);
      expect(points(attempt, 'wrongAnswers')).toBe(1);
      expect(points(attempt, 'facingError')).toBe(1);
      expect(attempt.card.steps[0]?.criteria.find(({ id }) => id === 'facingError')?.value).toBeLessThan(0.01);
      await waitFor(driver, 'the answers', async () => /Seen from the rear, as you said/.test(await driver.findElement(By.css('main')).getText()));
    });
  });

  it('find it: an object is placed on the stage and a part is named, and both are picked, with a wrong pick before', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-find', async () => {
      await begin(/^Lens drive/, 'Behind and before');
      await choose(driver, 'Goal', 'Find it');
      await keys(driver, '3');
      await clickAt(driver, [0, 0]);
      await press(driver, 'Place it at the picked spot');
      await write(driver, 'Name of thing 1', 'the chalk');
      // Its knobs turn and size it: by the hand, and by an arrow key.
      const grip = async (name: string) => driver.findElement(By.css(`[role=slider][aria-label="${name} the chalk"]`));
      const before = Number(await (await field(driver, 'Size mm')).getAttribute('value'));
      await driver
        .actions()
        .move({ origin: await grip('Size of') })
        .press()
        .move({ origin: await grip('Size of'), x: 14, y: -14, duration: 200 })
        .release()
        .perform();
      await waitFor(driver, 'a larger one', async () => Number(await (await field(driver, 'Size mm')).getAttribute('value')) > before);
      await (await grip('Turn')).sendKeys(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ARROW_RIGHT);
      await waitFor(driver, 'that it is turned', async () => (await (await field(driver, 'Turned °')).getAttribute('value')) === '15');
      // The escape wheel is inside the case: nobody gets there without opening it.
      await choose(driver, 'Seek a landmark', 'Escape wheel');
      for (const group of ['Hide, glass, style', 'Section', 'Look and walk']) {
        const tick = await driver.findElement(By.xpath(`//label[contains(., '${group}')]//input`));
        if (await tick.isSelected()) await tick.click();
      }
      await press(driver, 'Look it through');
      const recipe = async (): Promise<string> => driver.findElement(By.css('[aria-label=Recipe]')).getText();
      await waitFor(driver, 'the finding', async () => (await recipe()).includes('“Escape wheel” is behind other parts'));
      await press(driver, 'Publish');
      await waitFor(driver, 'that it is kept back', async () => (await driver.findElement(By.css('body')).getText()).includes('say below why'));
      await press(driver, 'Remove thing 2');
      await choose(driver, 'Seek a landmark', 'Nameplate');
      await press(driver, 'Look it through');
      await waitFor(driver, 'that all is well', async () => (await recipe()).includes('All that is asked can be reached'));
      await publishAndAssign('Behind and before');

      await practise('Behind and before');
      const row = async (): Promise<string> => driver.findElement(By.css('[aria-label="What is sought"]')).getText();
      await keys(driver, '1');
      await clickAt(driver, [0.1, -0.05]);
      await waitFor(driver, 'a gentle word', async () => /That is .*: look on/.test(await row()));
      // The nameplate is in the middle over the doors.
      await clickAt(driver, [-0.02, -0.19]);
      await waitFor(driver, 'the first find', async () => (await row()).includes('1 of 2'));
      await keys(driver, '3');
      await clickAt(driver, [0, 0]);
      await waitFor(driver, 'all', async () => (await driver.findElement(By.css('main')).getText()).includes('All is found'));
      const attempt = await scored();
      expect(points(attempt, 'missed')).toBe(1);
      expect(attempt.card.steps[0]?.criteria.find(({ id }) => id === 'wrongPicks')?.value).toBe(1);
      await waitFor(driver, 'where each was', async () => (await driver.findElements(By.css('figure img[alt^="Where "]'))).length === 2);
    });
  });

  it('measure: a distance and a diameter are asked for, and measured with pointer and keys; Escape takes away', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-measure', async () => {
      const recipe = async (): Promise<string> => driver.findElement(By.css('[aria-label=Recipe]')).getText();
      const tool = async (): Promise<string> => driver.findElement(By.css('section[aria-label=Measure]')).getText();
      const depth = async (): Promise<void> => {
        await keys(driver, '1');
        await clickAt(driver, [-0.15, 0]);
        await waitFor(driver, 'the first pick', async () => (await tool()).includes('Now the second'));
        await keys(driver, '3');
        await clickAt(driver, [0.1, 0]);
      };
      await begin(/^Lens drive/, 'How deep');
      await choose(driver, 'Goal', 'Measure');
      await press(driver, 'Measure on the stage');
      await waitFor(driver, 'the tool', async () => (await driver.findElements(By.css('section[aria-label=Measure]'))).length === 1);
      await depth();
      await waitFor(driver, 'the value', async () => (await tool()).includes('710.00 mm'));
      await press(driver, /^Ask for the distance/);
      await press(driver, 'Diameter', 'section[aria-label=Measure] button');
      await keys(driver, '1');
      // A flat face has no diameter; the crank's handle has.
      await clickAt(driver, [-0.15, 0]);
      await waitFor(driver, 'why not', async () => (await tool()).includes('is not there'));
      await clickAt(driver, [0.232, 0.002]);
      await waitFor(driver, 'the diameter', async () => (await tool()).includes('40.00 mm'));
      await press(driver, /^Ask for the diameter/);
      await waitFor(driver, 'both', async () => /710\.00 mm[\s\S]*40\.00 mm/.test(await recipe()));
      await publishAndAssign('How deep');

      await practise('How deep');
      await press(driver, /the distance/);
      await waitFor(driver, 'the tool', async () => (await driver.findElements(By.css('section[aria-label=Measure]'))).length === 1);
      await depth();
      await waitFor(driver, 'the value', async () => (await driver.findElements(By.css('[data-testid=measured]'))).length === 1);
      await press(driver, /the diameter/);
      await keys(driver, '1');
      await clickAt(driver, [0.232, 0.002]);
      await waitFor(driver, 'the end', async () => (await driver.findElement(By.css('main')).getText()).includes('All is measured'));
      await keys(driver, Key.ESCAPE);
      await waitFor(driver, 'one value left', async () => (await driver.findElements(By.css('[data-testid=measured]'))).length === 1);
      const attempt = await scored();
      expect(points(attempt, 'valueError')).toBe(1);
      expect(points(attempt, 'wrongPicks')).toBe(1);
      await waitFor(driver, 'the values', async () => /40\.00 mm\s*right/.test(await driver.findElement(By.css('main')).getText()));
    });
  });

  it('see all of it: the live help tells what is left, and the card what was never seen', async () => {
    const { driver } = browser;
    await picturing(driver, 'goal-see', async () => {
      await begin(/^Lantern buoy/, 'All the paint');
      await choose(driver, 'Goal', 'See all of it');
      await publishAndAssign('All the paint');

      await practise('All the paint');
      const told = async (): Promise<string> => driver.findElement(By.css('main')).getText();
      await waitFor(driver, 'what is left', async () => /\d+ % seen; .* is left/.test(await told()));
      for (const view of ['1', '2', '3', '4', '5']) {
        await keys(driver, view);
        await driver.sleep(700);
      }
      await waitFor(driver, 'the underside to be told of', async () => /% seen; the underside is left/.test(await told()));
      await drag(driver, [0, 0.1], [0, -0.35]);
      await keys(driver, '6');
      await driver.sleep(700);
      const attempt = await scored();
      const unseen = attempt.card.steps[0]?.criteria.find(({ id }) => id === 'unseen');
      expect(unseen?.value).toBeLessThan(0.25);
      expect(unseen?.value).toBeGreaterThan(0);
      await waitFor(driver, 'the six sides', async () => (await driver.findElements(By.css('img[alt*="places seen"]'))).length === 6);
    });
  });
});
