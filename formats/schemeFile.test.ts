import { BUILT_IN_SCHEMES, findConflicts, type Scheme } from '@core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSchemeFile, writeSchemeFile } from './schemeFile';
import { said as saidBy } from './tests/said';

const [scheme] = BUILT_IN_SCHEMES as readonly [Scheme];
const said = saidBy(readSchemeFile);

describe('a scheme file', () => {
  it('comes back as it was written, without what belongs to one server', () => {
    for (const each of BUILT_IN_SCHEMES) {
      const { id: _i, revision: _r, ...content } = each;
      expect(readSchemeFile(writeSchemeFile(each))).toEqual(content);
      expect(findConflicts(readSchemeFile(writeSchemeFile(each)))).toEqual([]);
    }
  });

  it('that is malformed, of a newer version, huge or binds what there is not is refused at its line', () => {
    const text = writeSchemeFile(scheme);
    expect(said(text.slice(0, 500))).toMatch(/^Line \d+: this is not JSON/);
    expect(said('{}')).toMatch(/no scheme file/);
    expect(said(text.replace('"version": 1', '"version": 7'))).toMatch(/of version 7; this program reads version 1/);
    expect(said(' '.repeat(400_000))).toMatch(/larger than any scheme/);
    const lines = text.split('\n');
    const line = lines.findIndex((l) => l.includes('"does": "orbit"')) + 1;
    expect(said(text.replace('"does": "orbit"', '"does": "juggle"'))).toMatch(new RegExp(`^Line (${line}|${line - 1}|${line - 2}), scheme\\.bindings\\.0`));
    const named = lines.findIndex((l) => l.startsWith('    "name"')) + 1;
    expect(said(text.replace(/"name": "[^"]+"/, '"name": ""'))).toMatch(new RegExp(`^Line ${named}, scheme.name:`));
  });

  it('whatever text it is, either is a scheme or is refused in words', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.json(),
          fc.json().map((j) => `{"format":"dial-home-scheme","version":1,"scheme":${j}}`),
        ),
        (text) => said(text).length > 0,
      ),
    );
  });
});
