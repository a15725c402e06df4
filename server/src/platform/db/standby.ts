import { setTimeout as sleep } from 'node:timers/promises';
import type pg from 'pg';

/** So long a read waits for the standby to have what the primary had, ms; then it asks the primary. */
const WAITS_MS = [0, 2, 5, 10, 20, 40] as const;
/** A standby that is away or behind is left alone for so long, ms: not every read finds it out anew. */
const LEFT_ALONE_MS = 5000;

/** Up to where the primary had written when it was asked, and in which of its histories: each failover begins a new one. */
interface Position {
  readonly history: string;
  readonly end: string;
}

const WHERE_THE_PRIMARY_IS = `select substr(pg_walfile_name(its."end"), 1, 8) as history, its."end"::text
  from (select pg_current_wal_flush_lsn() as "end") its`;

/**
 * The history is that of its last checkpoint: after a failover it is the old one for some minutes, and so long the primary is
 * asked. A database that follows nobody is no standby, whatever its address says: it may be a primary that was set aside.
 */
const HAS_ALL_OF_IT = `select pg_is_in_recovery()
    and lpad(upper(to_hex(its.timeline_id)), 8, '0') = $1
    and pg_last_wal_replay_lsn() >= $2::pg_lsn as yes
  from pg_control_checkpoint() its`;

/**
 * A database that follows the one written to. It is read from only once it has everything that was committed before the read
 * was asked: nobody reads less there than at the primary.
 */
export class Standby {
  /** Reads so far, by where they went. */
  readonly reads = { standby: 0, primary: 0 };
  #leftAloneUntil = 0;

  /** @param primary connections to the one written to, for no other question than how far it has written. */
  constructor(
    private readonly primary: pg.Pool,
    private readonly pool: pg.Pool,
    private readonly leftAloneMs = LEFT_ALONE_MS,
  ) {}

  /** The same, tried again sooner or later than usual. */
  leftAloneFor(ms: number): Standby {
    return new Standby(this.primary, this.pool, ms);
  }

  /** A connection to it with all that was committed until now; null: ask the primary. Whoever takes it gives it back. */
  async connectUpToDate(): Promise<pg.PoolClient | null> {
    const connection = performance.now() < this.#leftAloneUntil ? null : await this.#find();
    this.reads[connection ? 'standby' : 'primary'] += 1;
    return connection;
  }

  /** It broke off in the middle of a read. */
  leaveAlone(): void {
    this.#leftAloneUntil = performance.now() + this.leftAloneMs;
  }

  async #find(): Promise<pg.PoolClient | null> {
    let connection: pg.PoolClient | undefined;
    try {
      const { rows } = await this.primary.query<Position>(WHERE_THE_PRIMARY_IS);
      connection = await this.pool.connect();
      if (rows[0] && (await hasAllOf(connection, rows[0]))) return connection;
      connection.release();
    } catch (error) {
      connection?.release(error as Error);
    }
    this.leaveAlone();
    return null;
  }
}

async function hasAllOf(standby: pg.PoolClient, { history, end }: Position): Promise<boolean> {
  for (const wait of WAITS_MS) {
    if (wait > 0) await sleep(wait);
    const { rows } = await standby.query<{ yes: boolean }>(HAS_ALL_OF_IT, [history, end]);
    if (rows[0]?.yes) return true;
  }
  return false;
}
