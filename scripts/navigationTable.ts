/** Writes docs/navigation.md: every command, what it keeps fixed, and its gesture in each shipped scheme. */
import { writeFileSync } from 'node:fs';
import { navigationPage } from './navigationPage';

writeFileSync('docs/navigation.md', navigationPage());
