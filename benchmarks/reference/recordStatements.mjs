// Loaded before a server, by `--import`: writes down every statement it asks the database, for a bare handler to ask again.
import { appendFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';

const pg = createRequire(join(process.cwd(), 'server/package.json'))('pg');
const file = process.env.RECORD_STATEMENTS_TO;
const ask = pg.Client.prototype.query;
let open = 0;
let round = 0;
/** @this {import('pg').Client} @param {unknown[]} given */
pg.Client.prototype.query = function query(...given) {
  const [config, values] = given;
  const role = this.connectionParameters?.user?.replace('dewpond_', '');
  if (file && (role === 'app' || role === 'auth') && typeof config === 'object' && typeof config.text === 'string') {
    // A statement that is sent while no answer is awaited begins a round trip.
    if (open === 0) round += 1;
    open += 1;
    const { text } = config;
    appendFileSync(file, `${JSON.stringify({ round, role, text, values: config.values ?? values ?? [] })}\n`);
    const done = () => void (open -= 1);
    const callback = given.at(-1);
    if (typeof callback === 'function')
      return ask.apply(this, [
        ...given.slice(0, -1),
        (/** @type {unknown[]} */ ...answer) => {
          done();
          callback(...answer);
        },
      ]);
    const answered = ask.apply(this, given);
    answered.then(done, done);
    return answered;
  }
  return ask.apply(this, given);
};
