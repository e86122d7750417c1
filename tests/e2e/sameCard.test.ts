import { build } from 'esbuild';
import { expect, it } from 'vitest';
import { base, storedAttempt } from './stored';
import { useBrowser } from './useBrowser';

const browser = useBrowser();
const { stored } = browser;

it('Chromium computes every card of the demo digit for digit as the server kept it', async () => {
  const bundle = await build({ entryPoints: ['tests/e2e/scoreInPage.ts'], bundle: true, write: false, format: 'iife', tsconfig: 'tsconfig.json' });
  const { driver } = browser;
  await driver.get(`${base()}/mark.svg`);
  const rows: { id: string }[] = await stored.db('attempts').whereNotNull('card').orderBy('handed_in_at').select('id');
  expect(rows.length).toBeGreaterThan(100);
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
