import { describe, expect, test } from 'vitest';
import { isAway, isDiskFull } from './away';

const failed = (message: string, code?: string): Error => Object.assign(new Error(message), code ? { code } : {});

describe('an error that says the database is away for a moment', () => {
  // Of PostgreSQL's manual, appendix A; words as the driver and PgBouncer 1.18 say them.
  test.each([
    failed('terminating connection due to administrator command', '57P01'),
    failed('cannot execute INSERT in a read-only transaction', '25006'),
    failed('query_wait_timeout', '08P01'),
    failed('server conn crashed?', '08P01'),
    failed('pgbouncer cannot connect to server', '08P01'),
    failed('connect ECONNREFUSED 127.0.0.1:5432', 'ECONNREFUSED'),
    failed('Connection terminated unexpectedly'),
    new Error('Failed query: insert into …', { cause: failed('query_wait_timeout', '08P01') }),
  ])('%s', (error) => expect(isAway(error)).toBe(true));

  test.each([
    failed('duplicate key value violates unique constraint', '23505'),
    failed('invalid message format', '08P01'),
    failed('prepared statement "a" does not exist', '26000'),
    new Error('something else'),
    'no error at all',
  ])('not: %s', (error) => expect(isAway(error)).toBe(false));
});

test.each([
  failed('could not extend file "base/16384/1259": No space left on device', '53100'),
  new Error('Failed query: insert into …', { cause: failed('could not write', '53100') }),
])('a full disk is known: %s', (error) => {
  expect(isDiskFull(error)).toBe(true);
  expect(isDiskFull(failed('query_wait_timeout', '08P01'))).toBe(false);
});
