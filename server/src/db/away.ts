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

/** Whether an error, or one that caused it, says that the database could not be reached: the same call will do later. */
export function isAway(error: unknown): boolean {
  for (let each = error, depth = 0; each instanceof Error && depth < 5; each = each.cause, depth++) {
    const { code } = each as { code?: unknown };
    if ((typeof code === 'string' && AWAY.has(code)) || WORDS.test(each.message)) return true;
  }
  return false;
}

/**
 * A value that PostgreSQL cannot hold: a number or date out of range, text it does not know (class 22, published: PostgreSQL
 * manual, appendix A). Whoever sent it can mend it; it is no fault of ours.
 */
export function isNotStorable(error: unknown): boolean {
  for (let each = error, depth = 0; each instanceof Error && depth < 5; each = each.cause, depth++) {
    const { code } = each as { code?: unknown };
    if (typeof code === 'string' && /^22[0-9A-Z]{3}$/.test(code)) return true;
  }
  return false;
}
