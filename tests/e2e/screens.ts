import { unlikeAHand } from '@core/trace';
import { By, type WebDriver } from 'selenium-webdriver';
import { expect } from 'vitest';
import { field, PATIENCE, press, stage, waitFor } from './browser';
import { base, exerciseNamed, type openStored, type StoredAttempt, storedAttempt } from './stored';

type Stored = ReturnType<typeof openStored>;

/** Id at the end of the present address. */
export const idIn = async (driver: WebDriver): Promise<string> => new URL(await driver.getCurrentUrl()).pathname.split('/').at(-1) ?? '';

/** Chooses an option of a list by its words. */
export async function choose(driver: WebDriver, label: string | RegExp, option: string): Promise<void> {
  // Parts of a model are indented by wide spaces.
  await (await field(driver, label)).findElement(By.xpath(`.//option[normalize-space(translate(., '\u2003', ' '))='${option}']`)).click();
}

/** Waits for the stage; what an earlier test broke off here is not gone on with. */
export async function startAfresh(driver: WebDriver): Promise<void> {
  const again = By.xpath("//*[@data-testid='go-on']//button[normalize-space()='Start again']");
  await waitFor(driver, 'the stage, or an attempt to go on with', async () => {
    for (const button of await driver.findElements(again)) await button.click();
    const wait = await driver.findElements(By.css('[data-stage-wait], [data-testid=go-on]'));
    // Drawn: before that it may still come to be asked whether to go on.
    return wait.length === 0 && Number(await driver.executeScript("return document.querySelector('canvas[role=application]')?.dataset.frames ?? '0'")) > 0;
  });
  await stage(driver);
}

export async function openExercise(driver: WebDriver, stored: Stored, title: string): Promise<string> {
  const id = await exerciseNamed(stored, title);
  await driver.get(`${base()}/practise/${id}`);
  await startAfresh(driver);
  return id;
}

/** Hands in, far from the target or near, and gives what the database then holds. */
export async function handIn(driver: WebDriver, stored: Stored): Promise<StoredAttempt> {
  await press(driver, 'Hand in');
  await driver.wait(async () => {
    const sure = await driver.findElements(By.xpath("//button[normalize-space()='Hand in anyway']"));
    if (sure[0]) await sure[0].click().catch(() => {});
    return /\/attempts\/[0-9a-f-]{36}$/.test(await driver.getCurrentUrl());
  }, PATIENCE);
  const attempt = await storedAttempt(stored, await idIn(driver));
  // Whatever a test does by real input is what a hand does.
  expect(unlikeAHand(attempt.trace, attempt.version.content.steps.length, attempt.scheme)).toEqual([]);
  return attempt;
}
