import type { ZodType } from 'zod';
import { FormatError } from './formatError';

/** The line, from 1, on which the value at a path of a JSON text begins. The text must be valid JSON. */
export function lineOf(text: string, path: readonly PropertyKey[]): number {
  let at = 0;
  const space = (): void => {
    while (/\s/.test(text[at] ?? '')) at++;
  };
  const string = (): string => {
    const from = at++;
    while (text[at] !== '"') at += text[at] === '\\' ? 2 : 1;
    return JSON.parse(text.slice(from, ++at)) as string;
  };
  const skip = (): void => {
    space();
    if (text[at] === '"') {
      string();
      return;
    }
    if (text[at] !== '{' && text[at] !== '[') {
      while (at < text.length && !/[,\]}\s]/.test(text[at] as string)) at++;
      return;
    }
    const close = text[at] === '{' ? '}' : ']';
    at++;
    for (space(); text[at] !== close; space()) {
      if (text[at] === ',' || text[at] === ':') at++;
      else skip();
    }
    at++;
  };
  /** Goes to the value of a key or number of the object or list that begins here; false when there is none. */
  const enter = (key: PropertyKey): boolean => {
    space();
    const list = text[at] === '[';
    if (!list && text[at] !== '{') return false;
    const close = list ? ']' : '}';
    at++;
    for (let i = 0; ; i++) {
      space();
      if (text[at] === ',') at++;
      space();
      if (text[at] === close || at >= text.length) return false;
      const name = list ? i : string();
      space();
      if (text[at] === ':') at++;
      space();
      if (name === key) return true;
      skip();
    }
  };
  let found = 0;
  space();
  for (const key of path) {
    if (!enter(key)) break;
    found = at;
  }
  return text.slice(0, found).split('\n').length;
}

/** The value of a JSON text. Throws FormatError with the line from which it is none; `after` ends the sentence. */
export function parseJson(text: string, after: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    const position = Number(/position (\d+)/.exec(String(error))?.[1] ?? text.length);
    throw new FormatError('broken', `Line ${text.slice(0, position).split('\n').length}: this is not JSON from here on. ${after}`);
  }
}

/** A value of a JSON text as its schema has it. Throws FormatError with the line of what does not fit. */
export function fitted<T>(text: string, value: unknown, schema: ZodType<T>, after: string): T {
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  const issue = read.error.issues[0];
  const where = issue?.path ?? [];
  throw new FormatError('format', `Line ${lineOf(text, where)}, ${where.join('.') || 'the file'}: ${issue?.message ?? 'this cannot be read'}. ${after}`);
}
