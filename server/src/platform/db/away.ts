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
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
]);
const WORDS =
  /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|not queryable|the database system is/i;

/** An error and what caused it, outermost first. */
function chainOf(error: unknown): readonly (Error & { readonly code?: unknown })[] {
  const chain: Error[] = [];
  for (let each = error; each instanceof Error && chain.length < 5; each = each.cause) chain.push(each);
  return chain;
}

/** Whether an error, or one that caused it, says that the database could not be reached: the same call will do later. */
export const isAway = (error: unknown): boolean =>
  chainOf(error).some(({ code, message }) => (typeof code === 'string' && AWAY.has(code)) || WORDS.test(message));

/** Something that may be there once is there already: of two at the same moment, this one was second (class 23, as above). */
export const isThereAlready = (error: unknown): boolean => chainOf(error).some(({ code }) => code === '23505');

/**
 * A value that PostgreSQL cannot hold: a number or date out of range, text it does not know (class 22, published: PostgreSQL
 * manual, appendix A). Whoever sent it can mend it; it is no fault of ours.
 */
export const isNotStorable = (error: unknown): boolean =>
  chainOf(error).some(({ code }) => typeof code === 'string' && /^22[0-9A-Z]{3}$/.test(code));
