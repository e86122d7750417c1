/** Writes docs/api.json: every endpoint with its request, answer and errors. */
import { writeFileSync } from 'node:fs';
import { apiDocument } from './apiDocument';

writeFileSync('docs/api.json', `${JSON.stringify(apiDocument(), null, 1)}\n`);
