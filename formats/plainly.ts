import type { z } from 'zod';

const KINDS: Record<string, (n: number | bigint) => string> = {
  string: (n) => `${n} ${n === 1 ? 'character' : 'characters'}`,
  array: (n) => `${n} of them`,
  number: (n) => String(n),
};
const counted = (origin: string, n: number | bigint): string => (KINDS[origin] ?? String)(n);

/** What a schema refuses, as a person would say it. What was written for people in the schema stays as it is. */
export function plainly(issue: z.core.$ZodIssue): string {
  if (issue.message && !/^(Too (big|small)|Invalid|Unrecognized)/.test(issue.message)) return issue.message;
  switch (issue.code) {
    case 'too_big':
      return `at most ${counted(issue.origin, issue.maximum)}`;
    case 'too_small':
      return issue.origin === 'string' && issue.minimum === 1 ? 'write at least one character' : `at least ${counted(issue.origin, issue.minimum)}`;
    case 'invalid_type':
      return /received undefined/.test(issue.message) ? 'this is missing' : `this should be ${NOUNS[issue.expected] ?? issue.expected}`;
    case 'invalid_value':
      return 'this is none of what can be chosen';
    case 'unrecognized_keys':
      return `nothing is known of ${issue.keys.map((key) => `"${key}"`).join(', ')}`;
    default:
      return 'this could not be read';
  }
}

const NOUNS: Record<string, string> = {
  string: 'text',
  array: 'a list',
  object: 'a group of values',
  boolean: 'yes or no',
  int: 'a whole number',
  number: 'a number',
};
