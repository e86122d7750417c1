import { expect, it } from 'vitest';
import { lineOf, parseJson } from './jsonText';

it('the line of a value is found through strings, lists and what is nested', () => {
  const text = '{\n "a": ["x, ]", {"b":\n  "}"}],\n "c": {\n  "d": [1,\n   2,\n   {"e": true}]}}';
  expect(lineOf(text, ['a'])).toBe(2);
  expect(lineOf(text, ['a', 1, 'b'])).toBe(3);
  expect(lineOf(text, ['c', 'd', 1])).toBe(6);
  expect(lineOf(text, ['c', 'd', 2, 'e'])).toBe(7);
  expect(lineOf(text, ['c', 'missing'])).toBe(4);
});

it('a fault is told at its own line', () => {
  const told = (text: string): number => {
    try {
      parseJson(text, 'Nothing was changed.');
    } catch (error) {
      return Number(/^Line (\d+)/.exec((error as Error).message)?.[1]);
    }
    return Number.NaN;
  };
  expect(told('[\n {"twist": 0.5},\n {"twist": 0.5 "seconds": 1},\n {"lift": 1}]')).toBe(3);
  expect(told('{"a": nonsense,\n"b": 1,\n"c": 2}')).toBe(1);
  expect(told('{\n"a": 1,\n"b": 2,\n}')).toBe(4);
  expect(told('')).toBe(1);
  expect(told('{\n "a": "open\n}')).toBe(2);
});
