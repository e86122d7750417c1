import { expect, it } from 'vitest';
import { lineOf } from './jsonText';

it('the line of a value is found through strings, lists and what is nested', () => {
  const text = '{\n "a": ["x, ]", {"b":\n  "}"}],\n "c": {\n  "d": [1,\n   2,\n   {"e": true}]}}';
  expect(lineOf(text, ['a'])).toBe(2);
  expect(lineOf(text, ['a', 1, 'b'])).toBe(3);
  expect(lineOf(text, ['c', 'd', 1])).toBe(6);
  expect(lineOf(text, ['c', 'd', 2, 'e'])).toBe(7);
  expect(lineOf(text, ['c', 'missing'])).toBe(4);
});
