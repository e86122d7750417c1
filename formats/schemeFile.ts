import { type Scheme, schemeSchema } from '@core';
import { z } from 'zod';
import { FormatError } from './formatError';
import { fitted, parseJson } from './jsonText';

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

const NOTHING_CHANGED = 'Nothing was changed.';

/** Reads a scheme file. Throws FormatError, with the line where there is one, for everything that is not one. */
export function readSchemeFile(text: string): Omit<Scheme, 'id' | 'revision'> {
  if (text.length > LARGEST) throw new FormatError('limit', 'This file is larger than any scheme: choose a scheme file.');
  const value = parseJson(text, NOTHING_CHANGED);
  const head = z.object({ format: z.literal(FORMAT), version: z.number() }).safeParse(value);
  if (!head.success) throw new FormatError('format', `This is no scheme file: it does not say "format": "dial-home-scheme". ${NOTHING_CHANGED}`);
  if (head.data.version > VERSION)
    throw new FormatError(
      'extension',
      `This file is of version ${head.data.version}; this program reads version ${VERSION}. Export it again from there in the older version.`,
    );
  return fitted(text, value, schemeFileSchema, NOTHING_CHANGED).scheme;
}
