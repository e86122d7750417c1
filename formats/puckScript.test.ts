import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readPuckScript } from './puckScript';
import { said as saidBy } from './tests/said';

const said = saidBy(readPuckScript);

describe('a script of motions', () => {
  it('is a list of strokes by name, at rest where nothing is said', () => {
    expect(readPuckScript('[{"push": -0.5, "twist": 1, "seconds": 2}, {"buttons": [2], "seconds": 0.1}]')).toEqual([
      { axes: [0, -0.5, 0, 0, 0, 1], seconds: 2, buttons: [] },
      { axes: [0, 0, 0, 0, 0, 0], seconds: 0.1, buttons: [2] },
    ]);
  });

  it('that is none is refused at its line', () => {
    expect(said('[\n {"push": 0.5, "seconds": 1},\n {"shove": 1, "seconds": 1}\n]')).toMatch(/^Line 3, 1: .*shove/);
    expect(said('[\n {"push": 0.5, "seconds": 1},\n {"push": 3, "seconds": 1}\n]')).toMatch(/^Line 3, 1\.push/);
    expect(said('[{"push": 0.5}]')).toMatch(/seconds/);
    expect(said('[\n{"push":')).toMatch(/^Line 2: this is not JSON/);
    expect(said('[]')).toMatch(/at least one motion/);
    expect(said('{}')).toMatch(/^Line 1, the file/);
    expect(said(' '.repeat(300_000))).toMatch(/longer than any/);
    expect(said(JSON.stringify(Array.from({ length: 11 }, () => ({ push: 1, seconds: 60 }))))).toMatch(/660 s together: 600 s at most/);
  });

  it('whatever text it is, either is a script or is refused in words', () => {
    fc.assert(fc.property(fc.oneof(fc.string(), fc.json()), (text) => said(text).length > 0));
  });
});
