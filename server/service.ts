import type { Database } from './database';
import type { FileStore } from './files';
import type { Limits } from './limits';
import type { Pool } from './pool';

export type Role = 'lead' | 'instructor' | 'trainee';

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly signIn: string;
  readonly role: Role;
}

/** What every service works with: the database, the files, the time, and who asks. */
export interface Service {
  readonly db: Database;
  readonly files: FileStore;
  readonly pool: Pool;
  readonly limits: Limits;
  readonly now: () => Date;
  /** Time zone of the station, by its standard name: a day of practice is a day there. */
  readonly zone: string;
}

export interface RequestContext extends Service {
  readonly who: Person;
}
