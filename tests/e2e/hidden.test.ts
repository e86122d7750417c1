import {
  COMMAND_GROUP_IDS,
  defaultCriteria,
  EMPTY_HISTORY,
  type Exercise,
  FRAME,
  GOAL_KINDS,
  type Goal,
  type GoalKindId,
  initialScene,
  kindOf,
  minimumJerkPath,
  orientationFrom,
  type View,
} from '@core';
import { findRevision } from '@server/repositories/models';
import { By, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { askBrowser, picturing, press, signInAs, stage, waitFor } from './browser';
import { handIn } from './screens';
import { base, exerciseNamed } from './stored';
import { useBrowser } from './useBrowser';

/** What a trainee's browser is given of an exercise whose target is hidden: everything that it got is looked through. */
const browser = useBrowser();
const { stored } = browser;

/** Keeps what every answer to the page holds, from before its first script runs. */
const LISTEN = `
  window.answers = [];
  const fetched = window.fetch;
  window.fetch = async (...asked) => {
    const answer = await fetched(...asked);
    answer.clone().text().then((text) => window.answers.push(answer.url + ' ' + text), () => {});
    return answer;
  };
`;

/** Gives what the present page got: its HTML as it was sent and as it is now, what its requests were answered, and every file but scripts. */
async function got(driver: WebDriver): Promise<string> {
  return driver.executeAsyncScript<string>(`
    const done = arguments[arguments.length - 1];
    const files = performance.getEntriesByType('resource').map((entry) => entry.name).filter((name) => !/\\.(js|css|woff2)$/.test(name));
    const again = async (url) => {
      const bytes = new Uint8Array(await (await fetch(url)).arrayBuffer());
      let text = '';
      for (const byte of bytes) text += String.fromCharCode(byte);
      return url + ' ' + text;
    };
    Promise.all([location.href, ...new Set(files)].map((url) => again(url).catch(() => ''))).then((texts) =>
      done([document.documentElement.outerHTML, ...window.answers, ...texts].join('\\n')));
  `);
}

/** The numbers with four digits or more behind the point, cut to five digits, as they stand in a text. */
const numbersIn = (text: string): ReadonlySet<string> => new Set([...text.matchAll(/\d+\.\d{4,}/g)].map(([found]) => found.slice(0, found.indexOf('.') + 6)));

const look = (home: View, azimuth: number, elevation: number): View => ({
  ...home,
  orientation: orientationFrom({ azimuth, elevation, roll: 0 }),
  distance: home.distance * 0.83127,
});

/** A goal of each kind whose every number is its own. */
const goalsFor = (home: View): { readonly [K in GoalKindId]: Goal } => ({
  matchView: { kind: 'matchView', target: { ...initialScene(look(home, -0.61237, 0.35719)), history: EMPTY_HISTORY }, subject: [] },
  callView: {
    kind: 'callView',
    order: 'asGiven',
    calls: [{ kind: 'face', name: 'the marked face', point: [0.12347, 0.23459, 0.34567], normal: [-0.48123, 0.36234, 0.79819] }],
  },
  followOrbit: {
    kind: 'followOrbit',
    pivot: [0.01239, 0.02347, 0.51239],
    path: minimumJerkPath(look(home, -0.31237, 0.32719), home.target, [{ round: 1.61239, higher: 0.31237, seconds: 3 }], { frame: FRAME }),
  },
  frameIt: { kind: 'frameIt', subject: [], margins: { left: 0.31239, right: 0.25127, top: 0.30129, bottom: 0.20317 } },
  standHere: { kind: 'standHere', eye: [0.41239, -3.12347, 1.51239], orientation: look(home, 0.31239, 0.12347).orientation, fovY: 1.05123, level: false },
  getBack: { kind: 'getBack', subject: [], lost: 'any' },
  quickCalls: { kind: 'quickCalls', calls: [{ kind: 'home' }], rounds: 2, seconds: null },
  seeAll: { kind: 'seeAll', parts: [], sides: true, near: 0.5 },
  whichWay: { kind: 'whichWay', questions: [look(home, 0.71237, 0.21719)], ask: 'side' },
  findIt: {
    kind: 'findIt',
    items: [{ id: 'a', name: 'a ball', of: 'object', object: { shape: 'ball', point: [0.12347, -3.23459, 1.34567], turn: [0, 0, 0, 1], size: 0.21239 } }],
  },
  measureIt: {
    kind: 'measureIt',
    asks: [
      {
        id: 'far',
        name: 'how far',
        what: 'distance',
        a: { part: 'buoy/tower/number board', point: [0.12347, -0.23459, 0.34567], normal: [0, -1, 0], as: 'point' },
        b: { part: 'buoy/tower/number board', point: [0.41239, 0.51243, 0.61253], normal: [0, 1, 0], as: 'point' },
      },
    ],
  },
  cutToReveal: { kind: 'cutToReveal', plane: { normal: [0.48123, 0.36234, 0.79819], offset: 0.41237 }, reveal: [] },
});

/** Kinds whose goal is told openly: nothing of it is a place that has to be found. */
const OPEN_KINDS: ReadonlySet<GoalKindId> = new Set(['frameIt', 'getBack', 'quickCalls', 'seeAll', 'findIt']);

/** A picture of one pixel. */
const PIXEL = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAIAAACQd1PeAAAADElEQVR4nGMwTusAAAHxASJSZyEiAAAAAElFTkSuQmCC';

async function asMaren(): Promise<(method: string, path: string, body: unknown) => Promise<Record<string, unknown>>> {
  const headers = { Origin: base(), 'Content-Type': 'application/json' };
  const signedIn = await fetch(`${base()}/api/demo-sign-in`, { method: 'POST', headers, body: JSON.stringify({ name: 'maren' }) });
  const Cookie = signedIn.headers.get('set-cookie')?.split(';')[0] ?? '';
  return async (method, path, body) => {
    const answer = await fetch(`${base()}${path}`, { method, headers: { ...headers, Cookie }, body: JSON.stringify(body) });
    if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
    return answer.headers.get('content-type')?.includes('json') ? ((await answer.json()) as Record<string, unknown>) : {};
  };
}

describe('a hidden target', () => {
  it.each(GOAL_KINDS)('%s: no answer, page or picture that its trainee gets holds its numbers', async (kind) => {
    const { driver } = browser;
    const like = await stored
      .db('exercise_versions')
      .where({ exercise_id: await exerciseNamed(stored, 'Round to the ladder') })
      .first('content');
    const other: Exercise = typeof like.content === 'string' ? JSON.parse(like.content) : like.content;
    const revision = await findRevision(stored.db, other.model.id, other.model.revision);
    if (!revision) throw new Error('the model of the demo is not there');
    const goal = goalsFor(revision.home)[kind];
    const [step] = other.steps;
    if (!step) throw new Error('the exercise of the demo has no step');
    const title = `Hidden ${kind}`;
    const content: Exercise = {
      ...other,
      title,
      showTarget: false,
      liveHelp: true,
      allowed: [...COMMAND_GROUP_IDS],
      steps: [{ ...step, goal, criteria: defaultCriteria(goal), hints: [] }],
    };
    const maren = await asMaren();
    const { id } = (await maren('POST', '/api/exercises', { modelId: other.model.id })) as { id: string };
    await maren('PUT', `/api/exercises/${id}`, { draft: content, base: 1, window: 'test' });
    await maren('POST', `/api/exercises/${id}/publish`, { pictures: [PIXEL] });
    const group = await stored
      .db('assignments')
      .where({ exercise_id: await exerciseNamed(stored, 'Round to the ladder') })
      .first('group_id');
    await maren('POST', `/api/groups/${group.group_id}/assignments`, { exerciseId: id });

    // Its own numbers: those that stand neither in what is told of it openly nor in the rest of the exercise.
    const open = numbersIn(JSON.stringify([kindOf(goal).redact(goal, other.start), other.start, revision.home]));
    const secret = [...numbersIn(JSON.stringify(goal))].filter((number) => !open.has(number));
    expect(secret.length > 0).toBe(!OPEN_KINDS.has(kind));

    await picturing(driver, `hidden-${kind}`, async () => {
      await askBrowser(driver, 'Page.addScriptToEvaluateOnNewDocument', { source: LISTEN });
      await signInAs(driver, base(), 'Ida Sorrel');
      await driver.get(`${base()}/today`);
      const told = [await got(driver)];
      await driver.get(`${base()}/practise/${id}`);
      await stage(driver);
      await driver.sleep(1000);
      told.push(await got(driver));
      await handIn(driver, stored);
      told.push(await got(driver));
      await press(driver, 'See how it went');
      await waitFor(driver, 'what happened', async () => (await driver.findElements(By.css('[data-testid=jumps] li'))).length > 0);
      // No curve, and of what happened nothing that tells of the target.
      expect(await driver.findElements(By.css('[aria-label=Curves]'))).toEqual([]);
      await driver.sleep(500);
      told.push(await got(driver));
      await driver.get(`${base()}/progress`);
      told.push(await got(driver));
      const seen = numbersIn(told.join('\n'));
      expect(seen.size).toBeGreaterThan(10);
      expect(secret.filter((number) => seen.has(number))).toEqual([]);

      // The same look finds them where they are meant to be.
      await signInAs(driver, base(), 'Maren Holt');
      await driver.get(`${base()}/build/${id}`);
      await stage(driver);
      const forAuthor = numbersIn(await got(driver));
      expect(secret.filter((number) => forAuthor.has(number))).toEqual(secret);
    });
  });
});
