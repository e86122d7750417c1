import { findNodeAtLocation, type JSONPath, type ParseError, parseTree } from 'jsonc-parser';
import type { ZodType } from 'zod';
import { FormatError } from './formatError';
import { plainly } from './plainly';

const lineAt = (text: string, offset: number): number => text.slice(0, offset).split('\n').length;

/** The line, from 1, on which the value at a path of a JSON text begins, or of what holds it where there is none. */
export function lineOf(text: string, path: readonly PropertyKey[]): number {
  const tree = parseTree(text);
  for (let length = path.length; tree && length >= 0; length--) {
    const node = findNodeAtLocation(tree, path.slice(0, length) as JSONPath);
    if (node) return lineAt(text, node.offset);
  }
  return 1;
}

/** The value of a JSON text. Throws FormatError with the line from which it is none; `after` ends the sentence. */
export function parseJson(text: string, after: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    const errors: ParseError[] = [];
    parseTree(text, errors, { disallowComments: true, allowTrailingComma: false, allowEmptyContent: false });
    throw new FormatError('broken', `Line ${lineAt(text, errors[0]?.offset ?? text.length)}: this is not JSON from here on. ${after}`);
  }
}

/** A value of a JSON text as its schema has it. Throws FormatError with the line of what does not fit. */
export function fitted<T>(text: string, value: unknown, schema: ZodType<T>, after: string): T {
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  const issue = read.error.issues[0];
  const where = issue?.path ?? [];
  throw new FormatError('format', `Line ${lineOf(text, where)}, ${where.join('.') || 'the file'}: ${issue ? plainly(issue) : 'this cannot be read'}. ${after}`);
}
