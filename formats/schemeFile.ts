import { type Scheme, schemeSchema } from '@core';
import { z } from 'zod';
import { FormatError } from './formatError';

const FORMAT = 'dial-home-scheme';
const VERSION = 1;
const LARGEST = 300_000;

/** A scheme as a file: JSON that says what it is, with everything but what belongs to one server. */
export const schemeFileSchema = z.object({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  scheme: schemeSchema.omit({ id: true, revision: true }),
});

export function writeSchemeFile({ id: _id, revision: _revision, ...scheme }: Scheme): string {
  return `${JSON.stringify({ format: FORMAT, version: VERSION, scheme }, null, 2)}\n`;
}

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

/** Reads a scheme file. Throws FormatError, with the line where there is one, for everything that is not one. */
export function readSchemeFile(text: string): Omit<Scheme, 'id' | 'revision'> {
  if (text.length > LARGEST) throw new FormatError('limit', 'This file is larger than any scheme: choose a scheme file.');
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    const position = Number(/position (\d+)/.exec(String(error))?.[1] ?? text.length);
    throw new FormatError('broken', `Line ${text.slice(0, position).split('\n').length}: this is not JSON from here on. Nothing was changed.`);
  }
  const head = z.object({ format: z.literal(FORMAT), version: z.number() }).safeParse(value);
  if (!head.success) throw new FormatError('format', 'This is no scheme file: it does not say "format": "dial-home-scheme". Nothing was changed.');
  if (head.data.version > VERSION)
    throw new FormatError(
      'extension',
      `This file is of version ${head.data.version}; this program reads version ${VERSION}. Export it again from there in the older version.`,
    );
  const read = schemeFileSchema.safeParse(value);
  if (read.success) return read.data.scheme;
  const issue = read.error.issues[0];
  const where = issue?.path ?? [];
  throw new FormatError(
    'format',
    `Line ${lineOf(text, where)}, ${where.join('.') || 'the file'}: ${issue?.message ?? 'this cannot be read'}. Nothing was changed.`,
  );
}
