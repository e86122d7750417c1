import { RateLimiterMemory, RateLimiterMySQL, RateLimiterRes } from 'rate-limiter-flexible';
import type { Database } from './database';
import { ServiceError } from './errors';

/** How often something may be tried. What guards passwords is counted in the database, for all processes together. */
export interface Limits {
  /** Counts a try to sign in before the password is looked at; `right` takes it back. Refuses what is too often. */
  signIn(account: string, address: string): Promise<{ right(): Promise<void> }>;
  /** Counts a try to join by a code, as `signIn` does; for an address alone, for a whole class may stand behind one. */
  join(address: string): Promise<{ right(): Promise<void> }>;
  /** Counts a change that someone sends; only a machine reaches the limit. */
  change(person: string): Promise<void>;
}

/** Seconds in which tries count. */
const WINDOW = 15 * 60;
/** Wrong tries for one name from one address: nobody is locked out by what others try elsewhere. */
const BY_ACCOUNT = 8;
/** Wrong tries from one address, over all names: a whole school may stand behind one. */
const BY_ADDRESS = 240;
/** Wrong codes from one address: there are a million million of them. */
const JOINING = 60;
/** Changes a minute of one person, in one process. */
const CHANGES = 600;

const tooMany = (message: string): ServiceError => new ServiceError(429, 'too-many', message);

export function openLimits(db: Database, window = WINDOW): Limits {
  const shared = (keyPrefix: string, points: number): RateLimiterMySQL =>
    new RateLimiterMySQL({
      storeClient: db,
      storeType: 'knex',
      dbName: db.client.config.connection.database,
      tableName: 'limits',
      tableCreated: true,
      clearExpiredByTimeout: false,
      keyPrefix,
      points,
      duration: window,
      // What is over its limit is refused here without asking the database again.
      inMemoryBlockOnConsumed: points + 1,
      inMemoryBlockDuration: window,
      // While the database is away tries still count.
      insuranceLimiter: new RateLimiterMemory({ keyPrefix, points, duration: window }),
    });
  const byAccount = shared('account', BY_ACCOUNT);
  const byAddress = shared('address', BY_ADDRESS);
  const byJoining = shared('join', JOINING);
  const changes = new RateLimiterMemory({ points: CHANGES, duration: 60 });

  const consume = async (work: Promise<unknown>, message: string): Promise<void> => {
    try {
      await work;
    } catch (error) {
      if (error instanceof RateLimiterRes) throw tooMany(message);
      throw error;
    }
  };

  return {
    async signIn(account, address) {
      const pair = `${account.slice(0, 60)} ${address.slice(0, 64)}`;
      await consume(byAddress.consume(address.slice(0, 64)), 'Too many attempts from this network. Wait a quarter of an hour, then try again.');
      await consume(byAccount.consume(pair), 'Too many attempts. Wait a quarter of an hour, or ask your instructor for a new password.');
      return {
        async right() {
          await Promise.all([byAccount.delete(pair), byAddress.reward(address.slice(0, 64))]);
        },
      };
    },
    async join(address) {
      const key = address.slice(0, 64);
      await consume(byJoining.consume(key), 'Too many wrong codes from this network. Wait a quarter of an hour, then try again.');
      return { right: async () => void (await byJoining.reward(key)) };
    },
    change: (person) => consume(changes.consume(person), 'That is more at once than one person sends. Wait a minute, then try again.'),
  };
}
