import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type { Databases } from '../db/connect';
import { Refusal } from '../http/problem';

/** Knocks a minute from one address; a knock that opens nothing counts ten times. */
const KNOCKS = 240;
const WRONG_KNOCK = 10;
/** Wrong passwords for one account, from wherever, in a quarter of an hour. */
const WRONG_PASSWORDS = { points: 20, seconds: 15 * 60 } as const;

const limiterOf = (databases: Databases, keyPrefix: string, points: number, duration: number): RateLimiterPostgres =>
  new RateLimiterPostgres({
    storeClient: databases.pools[1],
    schemaName: 'auth',
    tableName: 'link_knock',
    tableCreated: true,
    keyPrefix,
    points,
    duration,
  });

function tooMany(words: string): (why: unknown) => never {
  return (why) => {
    if (why instanceof RateLimiterRes) throw new Refusal('too many', words);
    throw why;
  };
}

/** How often one address may try links, for all processes together. */
export function countKnocks(databases: Databases) {
  const limiter = limiterOf(databases, 'rlflx', KNOCKS, 60);
  return {
    /** Throws 429 where it was too often. */
    count: async (from: string): Promise<void> =>
      void (await limiter.consume(from).catch(tooMany('Too many tries. Please wait a minute.'))),
    wrong: async (from: string): Promise<void> => void (await limiter.penalty(from, WRONG_KNOCK)),
  };
}

/** Mails with a new password that one account is sent in an hour: more would be somebody filling another's mailbox. */
const NEW_PASSWORDS = { points: 3, seconds: 60 * 60 } as const;

/** Whether an account may be sent one more link for a new password. */
export function countNewPasswords(databases: Databases): (account: string) => Promise<boolean> {
  const { points, seconds } = NEW_PASSWORDS;
  const limiter = limiterOf(databases, 'new password', points, seconds);
  return (account) =>
    limiter.consume(account).then(
      () => true,
      () => false,
    );
}

/** How often an account's password may be tried wrongly, whatever address the tries come from. */
export function countWrongPasswords(databases: Databases) {
  const { points, seconds } = WRONG_PASSWORDS;
  const limiter = limiterOf(databases, 'password', points, seconds);
  const words = 'Too many wrong passwords for this account. Wait a quarter of an hour, or ask for a new password.';
  return {
    /** Throws 429 where there were too many. */
    assertFew: async (account: string): Promise<void> => {
      const known = await limiter.get(account);
      if (known !== null && known.consumedPoints >= points) throw new Refusal('too many', words);
    },
    wrong: async (account: string): Promise<void> => void (await limiter.consume(account).catch(() => undefined)),
    right: async (account: string): Promise<void> => void (await limiter.delete(account)),
  };
}
