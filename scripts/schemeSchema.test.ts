import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { schemeSchemaText } from './schemeSchema';

it('docs/scheme.schema.json is what the code says', () => {
  expect(JSON.parse(readFileSync('docs/scheme.schema.json', 'utf8'))).toEqual(JSON.parse(schemeSchemaText()));
});
