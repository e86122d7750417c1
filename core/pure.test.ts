import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : [path];
  });

it('uses no function of the engine whose last digit differs between engines', () => {
  const inexact = /\bMath\.(sin|cos|tan|asin|acos|atan|atan2|exp|expm1|log|log1p|log2|log10|pow|hypot|cbrt|sinh|cosh|tanh)\b/;
  const found = files('core')
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && !/core\/(progress|tests)\//.test(file))
    .filter((file) => inexact.test(readFileSync(file, 'utf8')));
  expect(found).toEqual([]);
});
