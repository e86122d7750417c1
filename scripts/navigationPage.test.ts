import { readFileSync } from 'node:fs';
import { BUILT_IN_SCHEMES, CAPABILITIES, commandTable } from '@core';
import { Command } from '@core/navigation/command';
import { expect, it } from 'vitest';
import { navigationPage } from './navigationPage';

it('docs/navigation.md is what the code says', () => {
  expect(readFileSync('docs/navigation.md', 'utf8')).toBe(navigationPage());
});

it('names every command of the schema', () => {
  expect(Object.keys(commandTable).sort()).toEqual(Command.options.map((o) => o.shape.kind.value).sort());
});

it('every command can be given in each scheme with keys, but for picking, which the keyboard does in the part tree', () => {
  const rows = navigationPage()
    .split('\n')
    .filter((line) => line.startsWith('| `'))
    .map((line) => line.split(' | '));
  expect(rows).toHaveLength(Object.keys(commandTable).length);
  const missing = rows.flatMap((cells) =>
    BUILT_IN_SCHEMES.flatMap((scheme, i) =>
      CAPABILITIES[scheme.device].keyboard && cells[3 + i]?.replace(' |', '').trim() === '–' ? [`${cells[0]} in ${scheme.name}`] : [],
    ),
  );
  expect(missing.filter((m) => !/`select`|`zoomRegion`|`orbit`/.test(m))).toEqual([]);
});
