import pg from 'pg';
import { connectionString } from '../platform/db/connect';
import { ACCOUNT_JOB } from '../records/people/accountNews';
import { config } from './salon';

async function asOwner<T>(work: (owner: pg.Client) => Promise<T>): Promise<T> {
  const owner = new pg.Client({ connectionString: connectionString(config, 'owner') });
  await owner.connect();
  return work(owner).finally(() => owner.end());
}

/** Opens the queue that nobody works at in tests; call what it answers when all is over. */
export async function openAccountNews(): Promise<() => Promise<void>> {
  const { queue } = ACCOUNT_JOB;
  await asOwner((owner) => owner.query(`select jobs.create_queue('${queue}', '{"policy":"standard"}')`));
  return () =>
    asOwner(async (owner) => {
      await owner.query('delete from jobs.job where name = $1', [queue]);
      await owner.query(`select jobs.delete_queue('${queue}')`);
    });
}

/** What a person will be told by mail of their account, in order; the application's own role may not look into the queue. */
export const accountNewsOf = (personId: string): Promise<string[]> =>
  asOwner(async (owner) => {
    const { rows } = await owner.query<{ what: string }>(
      `select data->>'what' as what from jobs.job where name = $1 and data->>'personId' = $2 order by created_on`,
      [ACCOUNT_JOB.queue, personId],
    );
    return rows.map(({ what }) => what);
  });
