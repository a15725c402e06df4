// Whoever starts as root serves as an account of its own, which may read the application and nothing else.

import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './machine.mjs';
import { Stopped, say } from './say.mjs';

const NAME = process.env['DEWPOND_USER'] ?? 'dewpond';

/** @param {string} flag @returns {number | null} */
function idOf(flag) {
  const { status, stdout } = spawnSync('id', [flag, NAME], { encoding: 'utf8' });
  return status === 0 ? Number(stdout) : null;
}

/**
 * As whom the application serves: an account of its own where this is root, made if need be; else whoever started it.
 * @returns {{ uid?: number, gid?: number }}
 */
export function servingAccount() {
  if (process.getuid?.() !== 0) return {};
  if (idOf('-u') === null) {
    say(`making the account "${NAME}", which the application serves as`);
    const shell = '/usr/sbin/nologin';
    const { status } = spawnSync('useradd', ['--system', '--no-create-home', '--shell', shell, NAME]);
    if (status !== 0)
      throw new Stopped(
        `The account "${NAME}" could not be made.`,
        `By hand: useradd --system --shell ${shell} ${NAME}`,
      );
  }
  const account = { uid: idOf('-u') ?? 0, gid: idOf('-g') ?? 0 };
  if (account.uid === 0) throw new Stopped('The application does not serve as root.', 'Name another DEWPOND_USER.');
  const main = join(ROOT, 'server/dist/main.js');
  if (spawnSync('test', ['-r', main], { ...account, cwd: '/' }).status !== 0)
    throw new Stopped(
      `The account "${NAME}" cannot read ${main}.`,
      'Put the application where everybody may enter, for example below /opt, or start it as an ordinary user.',
    );
  return account;
}
