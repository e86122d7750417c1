/** Writes the table of criteria into docs/scoring.md. */
import { readFileSync, writeFileSync } from 'node:fs';
import { withTable } from './scoringPage';

writeFileSync('docs/scoring.md', withTable(readFileSync('docs/scoring.md', 'utf8')));
