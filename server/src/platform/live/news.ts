import { EventEmitter } from 'node:events';
import type pg from 'pg';
import type { Logger } from 'pino';
import type { Databases } from '../db/connect';

const CHANNEL = 'dewpond_visit';
const RETRY_MS = 1000;

/** Says when a visit has something new. Every process hears of every visit, whichever of them wrote it. */
export interface VisitNews {
  /** Calls `told` whenever events of that visit were written; returns how to stop. */
  follow(businessId: string, visitId: string, told: () => void): () => void;
  stop(): Promise<void>;
}

/**
 * One connection a process listens for all visits (PostgreSQL LISTEN); it is opened when the first one is followed,
 * and again when it breaks: whoever follows is told then, since something may have been missed.
 */
export function listenForVisits(databases: Databases, log: Logger): VisitNews {
  const heard = new EventEmitter().setMaxListeners(0);
  let client: pg.PoolClient | null = null;
  let opening = false;
  let stopped = false;

  async function open(): Promise<void> {
    if (client || opening || stopped) return;
    opening = true;
    let made: pg.PoolClient | null = null;
    try {
      const taken = await databases.direct.connect();
      made = taken;
      made.on('notification', ({ payload }) => void heard.emit(payload ?? ''));
      made.on('error', () => lost(taken));
      await made.query(`listen ${CHANNEL}`);
      client = made;
      for (const name of heard.eventNames()) heard.emit(name);
    } catch (error) {
      made?.release(true);
      log.warn({ reason: String(error) }, 'cannot listen for visits');
      setTimeout(() => void open(), RETRY_MS).unref();
    } finally {
      opening = false;
    }
  }

  function lost(broken: pg.PoolClient): void {
    if (client !== broken) return;
    client = null;
    broken.release(true);
    setTimeout(() => void open(), RETRY_MS).unref();
  }

  return {
    follow(businessId, visitId, told) {
      const name = `${businessId}:${visitId}`;
      heard.on(name, told);
      void open();
      return () => void heard.off(name, told);
    },
    stop() {
      stopped = true;
      heard.removeAllListeners();
      // Closed, not given back: a connection that listens is of no use to anybody else.
      client?.release(true);
      client = null;
      return Promise.resolve();
    },
  };
}
