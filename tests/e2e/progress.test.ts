import { By, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { picturing, signInAs, waitFor } from './browser';
import { choose } from './screens';
import { base } from './stored';
import { useBrowser } from './useBrowser';

/**
 * Levels, standings and reasons on the pages, beside the same figures computed here from the attempts: by other queries
 * and without the services and the code that keeps them.
 */

const browser = useBrowser();

const DAY = 86_400_000;
const points = (score: number): string => String(Math.floor(score + 1e-9));

interface Told {
  readonly skill: string;
  readonly family: string;
  readonly theta: number;
  readonly variance: number;
  readonly count: number;
}

/** Levels of a learner, by the recursion of the filter written out. */
async function levelsOf(personId: string): Promise<Told[]> {
  const rows: { skill: string; family: string; score: number; set_score: number | null; at: Date; difficulty: number; helped: number }[] = await browser.stored
    .db('attempt_steps as t')
    .join('attempts as a', 'a.id', 't.attempt_id')
    .join('scheme_revisions as s', (on) => on.on('s.id', 'a.scheme_id').andOn('s.revision', 'a.scheme_revision'))
    .join('skill_observations as o', (on) => on.on('o.attempt_id', 'a.id').andOn('o.skill', 't.skill'))
    .where({ 'a.person_id': personId, 'a.counts': 1 })
    .groupBy('a.id', 't.skill')
    .orderBy(['o.at', 'a.id'])
    .select('t.skill', 's.family', 'a.set_score', 'o.at', 'o.difficulty', 'o.helped')
    .avg({ score: 't.score' });
  const told = new Map<string, Told & { at: number }>();
  for (const row of rows) {
    const key = `${row.skill} ${row.family}`;
    const at = row.at.getTime() / DAY;
    const score = row.set_score ?? Number(row.score);
    const before = told.get(key);
    const predicted = before ? before.variance + 0.02 * (at - before.at) + 0.06 : 4;
    const gain = predicted / (predicted + (row.helped ? 2 : 1) * 0.64);
    const theta = before?.theta ?? 0;
    told.set(key, {
      skill: row.skill,
      family: row.family,
      theta: theta + gain * (Math.log((score + 2) / (102 - score)) + row.difficulty - theta),
      variance: predicted * (1 - gain),
      count: (before?.count ?? 0) + 1,
      at,
    });
  }
  return [...told.values()];
}

const levelOf = ({ theta }: Told): number => Math.min(100, Math.max(0, 104 / (1 + Math.exp(-theta)) - 2));

/** The cells of the group's table: by learner, by column. */
const cellsOf = (driver: WebDriver): Promise<Record<string, Record<string, string>>> =>
  driver.executeScript(`
    const table = document.querySelector('[aria-labelledby=learners] table');
    const heads = [...table.querySelectorAll('thead th')].map((th) => th.textContent.trim());
    return Object.fromEntries([...table.querySelectorAll('tbody tr')].filter((tr) => !tr.ariaHidden).map((tr) => {
      const cells = [...tr.children].map((td) => td.innerText.trim());
      return [cells[heads.indexOf('Learner')], Object.fromEntries(heads.map((head, i) => [head, cells[i]]))];
    }));
  `);

const SKILL_OF: Record<string, string> = {
  Orbit: 'orbit',
  Pan: 'pan',
  Zoom: 'zoom',
  Recover: 'recover',
  'Standard views': 'standardViews',
  Pivot: 'pivot',
  Framing: 'framing',
  Projection: 'projection',
  'See-through': 'seeThrough',
  Section: 'section',
  'Square on': 'squareOn',
};

const demoPeople = (): Promise<{ id: string; name: string }[]> => browser.stored.db('people').where({ role: 'trainee', made_up: 1 }).select('id', 'name');

describe('figures of the demo', () => {
  it('on the group’s page are those of the attempts, by skill and by exercise', async () => {
    const { driver } = browser;
    await picturing(driver, 'figures', async () => {
      await signInAs(driver, base(), 'Maren Holt');
      await driver.get(`${base()}/groups`);
      await waitFor(driver, 'the table', async () => (await driver.findElements(By.css('[aria-labelledby=learners] tbody tr'))).length > 5);
      // The one who gets no further is told first, and the attempt that shows it is one press away.
      const [stalled] = await driver.findElements(
        By.xpath("//section[@aria-labelledby='concerns']//li[contains(., 'Oskar Lind') and contains(., 'without getting further')]/a[2]"),
      );
      const path = new URL((await stalled?.getAttribute('href')) ?? '').pathname;
      const shown = await browser.stored
        .db('attempts as a')
        .join('people as p', 'p.id', 'a.person_id')
        .where({ 'a.id': path.split('/')[2] })
        .first('p.name', 'a.score');
      expect(shown).toMatchObject({ name: 'Oskar Lind' });
      expect(shown.score).toBeLessThan(60);
      const bySkill = await cellsOf(driver);
      let compared = 0;
      for (const { id, name } of await demoPeople()) {
        const row = bySkill[name];
        if (!row) continue;
        const told = await levelsOf(id);
        for (const [label, skill] of Object.entries(SKILL_OF)) {
          if (row[label] === undefined) continue;
          const mine = told.filter((each) => each.skill === skill).sort((a, b) => b.count - a.count || a.family.localeCompare(b.family))[0];
          expect(row[label], `${name}, ${label}`).toBe(mine ? (mine.count < 3 ? 'few' : points(levelOf(mine))) : '·');
          compared += 1;
        }
      }
      expect(compared).toBeGreaterThan(100);
      await choose(driver, 'Columns show', 'By exercise');
      const byExercise = await cellsOf(driver);
      const bests: { name: string; title: string; best: number }[] = await browser.stored
        .db('attempts as a')
        .join('people as p', 'p.id', 'a.person_id')
        .join('assignments as g', 'g.exercise_id', 'a.exercise_id')
        .join('exercise_versions as v', (on) => on.on('v.exercise_id', 'g.exercise_id').andOn('v.version', 'g.version'))
        .where({ 'p.made_up': 1, 'a.counts': 1 })
        .whereNotNull('a.handed_in_at')
        .groupBy('p.name', 'v.title')
        .select('p.name', 'v.title')
        .max({ best: 'a.score' });
      // A test before this one may have copied an exercise: its name tells them apart no more.
      const titles: string[] = await driver.executeScript(
        "return [...document.querySelectorAll('[aria-labelledby=learners] thead th')].map((th) => th.textContent.trim())",
      );
      const once = new Set(titles.filter((title) => titles.indexOf(title) === titles.lastIndexOf(title)));
      for (const { name, title, best } of bests)
        if (once.has(title) && byExercise[name]?.[title] !== undefined) expect(byExercise[name]?.[title], `${name}, ${title}`).toBe(points(best));
    });
  });

  it('on My progress and Today are those of the attempts; a skill opens with its curve', async () => {
    const { driver } = browser;
    await picturing(driver, 'own-figures', async () => {
      await signInAs(driver, base(), 'Emil Roux');
      const { id } = await browser.stored.db('people').where({ name: 'Emil Roux' }).first('id');
      await driver.get(`${base()}/progress`);
      const told = await levelsOf(id);
      await waitFor(driver, 'the skills', async () => (await driver.findElements(By.css('[data-level]'))).length === told.length);
      for (const each of told) {
        const words = await driver.findElement(By.css(`[data-level="${each.skill} ${each.family}"]`)).getAttribute('aria-label');
        const half = (now: number): number => 1.2816 * Math.sqrt(each.variance + 0.02 * now);
        expect(words, each.skill).toContain(each.count < 3 ? `too few attempts, from ${each.count}` : `: ${points(levelOf(each))}, between`);
        expect(half(0)).toBeGreaterThan(0);
      }
      const rich = told.filter(({ count }) => count >= 3)[0] as Told;
      await waitFor(driver, 'the skill opened', async () => {
        const opened = await driver.findElements(By.css('[data-testid=skill-opened] canvas'));
        if (opened.length === 0)
          await driver
            .findElement(By.css(`[data-level="${rich.skill} ${rich.family}"][aria-expanded=false]`))
            .click()
            .catch(() => {});
        return opened.length > 0;
      });
      await driver.findElement(By.css('select[aria-label="What is drawn"] option:nth-child(2)')).click();
      await waitFor(driver, 'the forecast', async () => (await driver.findElements(By.css('[data-testid=forecast]'))).length === 1);

      // Today: what is overdue stands first, the earliest date before the others.
      await driver.get(`${base()}/today`);
      const today = new Intl.DateTimeFormat('en-CA', { timeZone: browser.stored.zone }).format(new Date());
      const units: { id: string; title: string; starts: string; pace: number; position: number }[] = await browser.stored
        .db('group_courses as c')
        .join('memberships as m', 'm.group_id', 'c.group_id')
        .join('course_units as u', 'u.course_id', 'c.course_id')
        .join('course_exercises as e', (on) => on.on('e.course_id', 'u.course_id').andOn('e.unit_id', 'u.id'))
        .join('exercise_versions as v', 'v.exercise_id', 'e.exercise_id')
        .where({ 'm.person_id': id, 'v.version': 1 })
        .orderBy(['u.position', 'e.position'])
        .select('e.exercise_id as id', 'v.title', 'c.pace', 'u.position', browser.stored.db.raw("date_format(c.starts_on, '%Y-%m-%d') as starts"));
      const flashed: string[] = await browser.stored.db('attempts').where({ person_id: id, counts: 1 }).where('flashes', '>', 0).pluck('exercise_id');
      // A unit is due on the last of its days.
      const overdue = units
        .filter(({ starts, pace, position }) => new Date(Date.parse(starts) + (pace * (position + 1) - 1) * DAY).toISOString().slice(0, 10) < today)
        .filter((unit) => !flashed.includes(unit.id))
        .map(({ title }) => title);
      const shown: string[] = await driver.executeScript(
        `return [...document.querySelectorAll('main h2.text-2xl, [data-testid=reasons] li .font-semibold')].map((e) => e.textContent.trim())`,
      );
      expect(overdue.length).toBeGreaterThan(0);
      expect(shown.slice(0, overdue.length)).toEqual(overdue);
    });
  });

  it('schemes compared are those of the attempts; what is to be done begins with its scheme', async () => {
    const { driver, stored } = browser;
    await picturing(driver, 'compared', async () => {
      await signInAs(driver, base(), 'Ruth Ferris');
      await driver.get(`${base()}/progress`);
      const section = await driver.findElement(By.css('[data-testid=schemes-compared]'));
      await section.findElement(By.css('summary')).click();
      const told = await driver.executeScript<string[][]>(
        'return [...arguments[0].querySelectorAll("tbody tr")].map((row) => [...row.children].map((cell) => cell.textContent))',
        section,
      );
      expect(told.length).toBeGreaterThanOrEqual(4);
      const { id } = await stored.db('people').where({ name: 'Ruth Ferris' }).first('id');
      const mean = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / list.length;
      const exerciseIds = new Map<string, string>();
      /** Bits a second, written out from what is kept of each attempt. */
      const throughput = async (title: string, scheme: string): Promise<number> => {
        const rows: {
          id: string;
          exercise_id: string;
          version: number;
          step: number;
          criterion: string;
          value: number;
          start_value: number;
          seconds: number;
          content: string;
        }[] = await stored
          .db('attempt_criteria as c')
          .join('attempts as a', 'a.id', 'c.attempt_id')
          .join('attempt_steps as t', (on) => on.on('t.attempt_id', 'a.id').andOn('t.step', 'c.step'))
          .join('exercise_versions as v', (on) => on.on('v.exercise_id', 'a.exercise_id').andOn('v.version', 'a.version'))
          .where({ 'a.person_id': id, 'a.scheme_id': scheme, 'v.title': title, 'a.counts': 1 })
          .whereIn('c.criterion', ['direction', 'roll', 'placement', 'size'])
          .whereNotNull('c.value')
          .orderBy(['a.handed_in_at', 'a.id'])
          .select('a.id', 'a.exercise_id', 'a.version', 'c.step', 'c.criterion', 'c.value', 'c.start_value', 't.seconds', 'v.content');
        exerciseIds.set(title, rows[0]?.exercise_id ?? '');
        const keys = new Set(rows.map(({ step, criterion }) => `${step} ${criterion}`));
        let bits = 0;
        for (const key of keys) {
          const those = rows.filter(({ step, criterion }) => `${step} ${criterion}` === key);
          const first = those[0] as (typeof rows)[number];
          const content = typeof first.content === 'string' ? JSON.parse(first.content) : first.content;
          const full: number = content.steps[first.step].criteria.find((each: { id: string }) => each.id === first.criterion).full;
          const width = Math.max(4.133 * Math.sqrt(mean(those.map(({ value }) => value ** 2))), full / 2);
          bits += Math.log2(mean(those.map(({ start_value }) => Math.abs(start_value))) / width + 1);
        }
        const seconds = new Map(rows.map((row) => [`${row.id}`, new Map(rows.filter((each) => each.id === row.id).map((each) => [each.step, each.seconds]))]));
        const times = [...seconds.values()].map((steps) => [...steps.values()].reduce((sum, x) => sum + x, 0));
        return mean(times.slice(-3).map((time) => bits / time));
      };
      for (const [title = '', mine, other] of told) {
        expect(mine, title).toBe(`${(await throughput(title, 'six-axis-puck')).toFixed(2)} bit/s`);
        expect(other, title).toBe(`${(await throughput(title, 'three-button-mouse')).toFixed(2)} bit/s`);
      }
      // An exercise opens with the scheme that its address names.
      await driver.get(`${base()}/practise/${exerciseIds.get(told[0]?.[0] ?? '')}?scheme=touchpad`);
      await waitFor(driver, 'the scheme', async () => (await driver.findElement(By.css('#header-place select')).getAttribute('value')) === 'touchpad');
    });
  });
});
