import { eyeOf, replay } from '@core';
import { contextFor } from '@core/model';
import { By, Key } from 'selenium-webdriver';
import { expect, it } from 'vitest';
import { dialFigure, field, hoverAt, keys, picturing, press, stage, waitFor, wheel } from './browser';
import { choose, handIn, openExercise } from './screens';
import { useBrowser } from './useBrowser';

const browser = useBrowser('Ruth Ferris');

const round = async (): Promise<number> => Number.parseFloat(await dialFigure(browser.driver, 'round'));
async function turnTo(degrees: number): Promise<void> {
  const figure = await browser.driver.findElement(By.css('[data-figure=round]'));
  await figure.click();
  await figure.sendKeys(Key.chord(Key.CONTROL, 'a'), String(degrees), Key.ENTER);
  await waitFor(browser.driver, `the gaze to turn to ${degrees}°`, async () => Math.abs((await round()) - degrees) < 0.1);
}

/** Walks with these keys held until the gaze has come round into this range of degrees. */
async function walkRound(from: number, to: number): Promise<void> {
  const { driver } = browser;
  await driver.executeScript('arguments[0].focus()', await stage(driver));
  await driver.actions({ async: true }).keyDown(Key.ARROW_UP).keyDown(Key.ARROW_LEFT).perform();
  await waitFor(driver, 'the turn to be walked', async () => {
    const now = await round();
    return now > from && now < to;
  });
  await driver.actions({ async: true }).keyUp(Key.ARROW_LEFT).keyUp(Key.ARROW_UP).perform();
}

it('a trainee walks up the stair of the tower, two storeys, to an exact eye height; the trace holds every step', async () => {
  const { driver, stored } = browser;
  await picturing(driver, 'standing', async () => {
    await openExercise(driver, stored, 'Up to the living room');
    await choose(driver, 'Scheme', 'Two-button mouse');
    await keys(driver, 'y');
    await waitFor(driver, 'to stand inside', async () => (await driver.findElements(By.css('[data-testid=eye-rule]'))).length === 1);

    // To the right lies the foot of the stair: stand on its first step, and look along it.
    await turnTo(-47);
    await hoverAt(driver, [0, 0.38]);
    await keys(driver, 'Y');
    await turnTo(9);
    // So fast that the arc that is walked is as wide as the stair.
    await wheel(driver, [0, 0], 2);
    await walkRound(-170, -60);
    // Round the first landing, and on up the second flight to the living room, and perhaps a step or two further.
    await walkRound(15, 170);
    await walkRound(-170, -62);
    await walkRound(-60, 90);

    const height = await field(driver, 'Eye height, metres');
    await height.click();
    await height.sendKeys(Key.chord(Key.CONTROL, 'a'), '1.5', Key.ENTER);
    await waitFor(driver, 'the rule to say so', async () => (await height.getAttribute('value')) === '1.50');

    const attempt = await handIn(driver, stored);
    const scenes = replay(attempt.trace, contextFor(attempt.model, attempt.trace.start));
    const eye = eyeOf((scenes.at(-1) as (typeof scenes)[number]).view);
    // The model stands on the ground: its floors are 40 cm above the foot of its plinth.
    const ground = Math.min(...attempt.model.mesh.positions.filter((_, i) => i % 3 === 2));
    const steps = (eye[2] - ground - 0.4 - (6 + 1.5)) / 0.1875;
    expect(steps).toBeGreaterThan(-1e-4);
    expect(steps).toBeCloseTo(Math.round(steps), 4);
    expect(Math.hypot(eye[0], eye[1])).toBeLessThan(2.4);
    const kinds = new Set(attempt.trace.moves.map((m) => m.command.kind));
    expect([...kinds]).toEqual(expect.arrayContaining(['walk', 'rise', 'look']));
    for (const { command } of attempt.trace.moves) if (command.kind === 'walk') expect(command.onGround).toBe(true);
  });
});

it('stands out again, flies, and a place without a floor says what to do', async () => {
  const { driver, stored } = browser;
  await picturing(driver, 'stepping out', async () => {
    await openExercise(driver, stored, 'From the tower to one bolt');
    await hoverAt(driver, [-0.45, -0.3]);
    await keys(driver, 'y');
    await waitFor(driver, 'the word about floors', async () => /no floor to stand on/.test(await driver.findElement(By.css('body')).getText()));
    await openExercise(driver, stored, 'Up to the living room');
    await keys(driver, 'y', 'j');
    await waitFor(driver, 'to fly', async () => /Flying/.test(await driver.findElement(By.css('[aria-label="Standing inside"]')).getText()));
    await press(driver, /^Step out/);
    await waitFor(driver, 'to stand outside again', async () => (await driver.findElements(By.css('[data-testid=eye-rule]'))).length === 0);
  });
});
