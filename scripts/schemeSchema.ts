import { schemeFileSchema } from '@formats/schemeFile';
import { z } from 'zod';

/** The JSON Schema of a scheme file, as text. */
export const schemeSchemaText = (): string =>
  `${JSON.stringify({ title: 'Dial Home scheme file', ...z.toJSONSchema(schemeFileSchema, { io: 'input', reused: 'ref' }) }, null, 2)}\n`;
