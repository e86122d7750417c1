/** Writes docs/scheme.schema.json: `npx tsx scripts/schemeSchemaFile.ts`. */
import { writeFileSync } from 'node:fs';
import { schemeSchemaText } from './schemeSchema';

writeFileSync('docs/scheme.schema.json', schemeSchemaText());
