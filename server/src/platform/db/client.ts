import { createHash } from 'node:crypto';
import pg from 'pg';

/** A database that has not let one in after so long is away. */
const CONNECTING_MS = 5000;
/** Nobody at a table waits longer than this for one statement, ms. */
export const SLOW_MS = 500;
/** A statement is prepared from its second use on, and no more of them than this: each costs its connection memory. */
const MOST_PREPARED = 400;
/** Lists of values make a text of their own for each length: those are seldom asked again. */
const LONGEST_PREPARED = 20_000;

/** Gives statements worth preparing a name; undefined: it is asked as it is. */
function statementNames(): (text: string) => string | undefined {
  /** Texts that were asked, and the name each is prepared under. */
  const asked = new Map<string, { readonly name: string; isPrepared: boolean }>();
  let prepared = 0;
  return (text) => {
    const known = asked.get(text);
    if (known?.isPrepared) return known.name;
    if (prepared >= MOST_PREPARED || text.length > LONGEST_PREPARED) return undefined;
    if (known === undefined) {
      if (asked.size > 10 * MOST_PREPARED)
        for (const [each, { isPrepared }] of asked) if (!isPrepared) asked.delete(each);
      asked.set(text, { name: createHash('sha1').update(text).digest('hex').slice(0, 24), isPrepared: false });
      return undefined;
    }
    known.isPrepared = true;
    prepared += 1;
    return known.name;
  };
}

/**
 * A connection that sends what is asked of it at once, without waiting for the answer before, and has the database keep
 * the plan of each statement that is asked again.
 */
class PipelinedClient extends pg.Client {
  constructor(settings?: pg.ClientConfig) {
    // The pool counts connecting and queueing by one setting; a client has its own here.
    super({ ...settings, connectionTimeoutMillis: CONNECTING_MS, pipeline: true });
  }

  override query(...given: unknown[]): never {
    const began = performance.now();
    const ask = super.query.bind(this) as (...given: unknown[]) => unknown;
    const answer = ask(...given);
    if (answer instanceof Promise) {
      const note = () => {
        if (performance.now() - began >= SLOW_MS) slowStatements.count += 1;
      };
      answer.then(note, note);
    }
    return answer as never;
  }
}

/** Statements of this process that took longer than `SLOW_MS`, waiting for those before them on the connection included. */
export const slowStatements = { count: 0 };

type NameOf = ReturnType<typeof statementNames>;

function withName(config: unknown, nameOf: NameOf): unknown {
  if (typeof config !== 'object' || config === null || !('text' in config) || 'submit' in config) return config;
  const { text, name } = config as { readonly text: unknown; readonly name?: unknown };
  if (typeof text !== 'string' || name !== undefined) return config;
  const own = nameOf(text);
  return own === undefined ? config : { ...config, name: own };
}

/** Connections whose statements have the same names. */
function preparingClient(): typeof pg.Client {
  const nameOf = statementNames();
  return class extends PipelinedClient {
    override query(...given: unknown[]): never {
      const [config, ...rest] = given;
      const asked = super.query.bind(this) as (...given: unknown[]) => unknown;
      return asked(withName(config, nameOf), ...rest) as never;
    }
  };
}

/** Some poolers hand a connection on between two statements: there nothing can be prepared by name. */
export const clientFor = (preparesStatements: boolean): typeof pg.Client =>
  preparesStatements ? preparingClient() : PipelinedClient;
