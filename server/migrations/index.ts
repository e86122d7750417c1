import type { Knex } from 'knex';
import * as first from './001-first';
import * as savedViews from './002-saved-views';
import * as ownSchemes from './003-own-schemes';
import * as landmarks from './004-landmarks';
import * as slips from './005-slips';
import * as forClass from './006-class';
import * as criteria from './007-criteria';
import * as drafts from './008-drafts';
import * as takenBack from './009-taken-back';
import * as review from './010-review';
import * as progress from './011-progress';
import * as joining from './012-joining';
import * as courses from './013-courses';
import * as people from './014-people';
import * as health from './015-health';
import * as starts from './016-starts';
import * as given from './017-given';
import * as editing from './018-editing';
import * as brief from './019-brief';

const LIST: readonly { name: string; migration: Knex.Migration }[] = [
  { name: '001-first', migration: first },
  { name: '002-saved-views', migration: savedViews },
  { name: '003-own-schemes', migration: ownSchemes },
  { name: '004-landmarks', migration: landmarks },
  { name: '005-slips', migration: slips },
  { name: '006-class', migration: forClass },
  { name: '007-criteria', migration: criteria },
  { name: '008-drafts', migration: drafts },
  { name: '009-taken-back', migration: takenBack },
  { name: '010-review', migration: review },
  { name: '011-progress', migration: progress },
  { name: '012-joining', migration: joining },
  { name: '013-courses', migration: courses },
  { name: '014-people', migration: people },
  { name: '015-health', migration: health },
  { name: '016-starts', migration: starts },
  { name: '017-given', migration: given },
  { name: '018-editing', migration: editing },
  { name: '019-brief', migration: brief },
];

/** All migrations in order, from code: a build needs no folder beside it. */
export const migrations: Knex.MigrationSource<(typeof LIST)[number]> = {
  getMigrations: async () => [...LIST],
  getMigrationName: (entry) => entry.name,
  getMigration: async (entry) => entry.migration,
};
