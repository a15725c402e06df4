// Every table of a database in two figures, so that two databases can be told apart: how many rows, and the sum of what
// they say. The order of rows does not matter; memory does not grow with them.

const OURS = ['dewpond', 'auth', 'jobs', 'migrations'];

/**
 * @typedef {{ rows: number, sum: string }} TableSum
 * @param {{ query: (text: string, values?: unknown[]) => Promise<{ rows: any[] }> }} client
 * @returns {Promise<Record<string, TableSum>>} by `schema.table`
 */
export async function sumsOfTables(client) {
  const { rows: tables } = await client.query(
    `select format('%I.%I', schemaname, tablename) as name from pg_tables where schemaname = any ($1) order by 1`,
    [OURS],
  );
  /** @type {Record<string, TableSum>} */
  const sums = {};
  for (const { name } of tables) {
    const { rows } = await client.query(
      `select count(*)::float as rows, coalesce(sum(('x' || left(md5(t::text), 15))::bit(60)::bigint), 0)::text as sum from ${name} t`,
    );
    sums[name] = rows[0];
  }
  return sums;
}

/** Names of tables that are not the same. @param {Record<string, TableSum>} a @param {Record<string, TableSum>} b */
export const differing = (a, b) =>
  [...new Set([...Object.keys(a), ...Object.keys(b)])].filter(
    (name) => a[name]?.rows !== b[name]?.rows || a[name]?.sum !== b[name]?.sum,
  );
