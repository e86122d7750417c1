import { expect, it } from 'vitest';
import { z } from 'zod';
import { plainly } from './plainly';

const said = (schema: z.ZodType, value: unknown): string => {
  const read = schema.safeParse(value);
  const issue = read.error?.issues[0];
  return issue ? plainly(issue) : 'nothing';
};

it('what a schema refuses is said as a person would', () => {
  expect(said(z.number().max(1), 3)).toBe('at most 1');
  expect(said(z.number().min(2), 1)).toBe('at least 2');
  expect(said(z.string().max(1), 'ab')).toBe('at most 1 character');
  expect(said(z.string().min(3), 'ab')).toBe('at least 3 characters');
  expect(said(z.array(z.number()).max(2), [1, 2, 3])).toBe('at most 2 of them');
  expect(said(z.object({ a: z.string() }), {})).toBe('this is missing');
  expect(said(z.number(), 'x')).toBe('this should be a number');
  expect(said(z.enum(['a', 'b']), 'c')).toBe('this is none of what can be chosen');
  expect(said(z.strictObject({}), { odd: 1 })).toBe('nothing is known of "odd"');
  expect(said(z.string().max(3, 'keep it short'), 'abcd')).toBe('keep it short');
});
