import { groupedBy } from '@core';
import { build } from 'esbuild';
import { expect, it } from 'vitest';
import { base, storedAttempt } from './stored';
import { useBrowser } from './useBrowser';

const browser = useBrowser();
const { stored } = browser;

/** Of each exercise: what is not the same shows in any of them. */
const CARDS = 4;

it('Chromium computes cards of every exercise of the demo digit for digit as the server kept them', async () => {
  const bundle = await build({ entryPoints: ['tests/e2e/scoreInPage.ts'], bundle: true, write: false, format: 'iife', tsconfig: 'tsconfig.json' });
  const { driver } = browser;
  await driver.get(`${base()}/mark.svg`);
  const all: { id: string; exercise_id: string }[] = await stored.db('attempts').whereNotNull('card').orderBy('handed_in_at').select('id', 'exercise_id');
  const rows = [...groupedBy(all, (row) => row.exercise_id).values()].flatMap((those) => those.slice(-CARDS));
  expect(rows.length).toBeGreaterThan(60);
  await driver.executeScript(bundle.outputFiles[0]?.text ?? '');
  const loaded = new Set<string>();
  for (const { id } of rows) {
    const { card, trace, version, model, scheme } = await storedAttempt(stored, id);
    const key = `${trace.model.id} ${trace.model.revision}`;
    if (!loaded.has(key)) {
      const mesh = { positions: [...model.mesh.positions], indices: [...model.mesh.indices], parts: model.mesh.parts };
      await driver.executeScript('(globalThis.models ??= {})[arguments[0]] = arguments[1]', key, mesh);
      loaded.add(key);
    }
    const found = await driver.executeScript<string>(
      'return scoreInPage(arguments[0], globalThis.models[arguments[1]], arguments[2], arguments[3], arguments[4])',
      version.content,
      key,
      model.home,
      trace,
      scheme,
    );
    expect(JSON.parse(found), `attempt ${id}`).toEqual(card);
  }
});
