/** PostgreSQL is shutting down, starting up, or cut the connection (published: PostgreSQL manual, appendix A). */
const AWAY = new Set([
  '57P01',
  '57P02',
  '57P03',
  '53300',
  '08000',
  '08001',
  '08003',
  '08004',
  '08006',
  // The node that was written to a moment ago is read-only now: another one is.
  '25006',
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
]);
const WORDS =
  /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|not queryable|the database system is/i;
/**
 * A pooler has no server to ask just now, or lost it in the middle (words of PgBouncer 1.18, which gives all of them the
 * code of a broken protocol).
 */
const POOLER =
  /query_wait_timeout|server conn crashed|server login has been failing|client_login_timeout|pgbouncer cannot connect|no more connections allowed/i;
const isWordOfAway = (message: string): boolean => WORDS.test(message) || POOLER.test(message);

/** An error and what caused it, outermost first. */
function chainOf(error: unknown): readonly (Error & { readonly code?: unknown })[] {
  const chain: Error[] = [];
  for (let each = error; each instanceof Error && chain.length < 5; each = each.cause) chain.push(each);
  return chain;
}

/** Whether an error, or one that caused it, says that the database could not be reached: the same call will do later. */
export const isAway = (error: unknown): boolean =>
  chainOf(error).some(({ code, message }) => (typeof code === 'string' && AWAY.has(code)) || isWordOfAway(message));

/**
 * What a read at a standby looked at was cleared away by the primary meanwhile: at the primary the same read will do
 * (published: PostgreSQL manual, 26.4.2).
 */
export const isOutrun = (error: unknown): boolean =>
  chainOf(error).some(({ message }) => /due to conflict with recovery/i.test(message));

/** The disk of the database has no room (class 53, as above): what was asked will do when somebody has made some. */
export const isDiskFull = (error: unknown): boolean =>
  chainOf(error).some(({ code, message }) => code === '53100' || /no space left on device/i.test(message));

/** Something that may be there once is there already: of two at the same moment, this one was second (class 23, as above). */
export const isThereAlready = (error: unknown): boolean => chainOf(error).some(({ code }) => code === '23505');

/**
 * A value that PostgreSQL cannot hold: a number or date out of range, text it does not know (class 22, published: PostgreSQL
 * manual, appendix A). Whoever sent it can mend it; it is no fault of ours.
 */
export const isNotStorable = (error: unknown): boolean =>
  chainOf(error).some(({ code }) => typeof code === 'string' && /^22[0-9A-Z]{3}$/.test(code));
