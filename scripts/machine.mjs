// What this machine must have before anything runs: Node, Debian packages, the project's own dependencies.

import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Stopped, say } from './say.mjs';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

/** Throws when Node is older than what the packages need. */
export function checkNode(version = process.versions.node) {
  const [major = 0, minor = 0] = version.split('.').map(Number);
  if (major > 20 || (major === 20 && minor >= 19)) return;
  throw new Stopped(`Node ${version} is too old.`, 'Install Node 20.19 or newer.');
}

/** Debian's browser without a window takes a fifth less of a core than the one with; whichever is there is used. */
const SHELL = '/usr/bin/chromium-headless-shell';
const BROWSERS = [SHELL, '/usr/bin/chromium'];
export const browserPath = () => BROWSERS.find((path) => existsSync(path)) ?? SHELL;

/** What must be there: a Debian package, and what shows that it is. */
const PACKAGES = {
  postgresql: {
    name: 'postgresql',
    isThere: () =>
      existsSync('/usr/lib/postgresql') &&
      readdirSync('/usr/lib/postgresql').some((major) => existsSync(`/usr/lib/postgresql/${major}/bin/postgres`)),
  },
  // `npm run upgrade`, and its test.
  git: { name: 'git', isThere: () => existsSync('/usr/bin/git') },
  // What deploy/ is for: read and started by a test.
  nginx: { name: 'nginx-light', isThere: () => existsSync('/usr/sbin/nginx') },
  systemd: { name: 'systemd', isThere: () => existsSync('/usr/bin/systemd-analyze') },
  openssl: { name: 'openssl', isThere: () => existsSync('/usr/bin/openssl') },
  logrotate: { name: 'logrotate', isThere: () => existsSync('/usr/sbin/logrotate') },
  // More than one machine, deploy/failover: brought up by the deep tests.
  etcd: { name: 'etcd-server', isThere: () => existsSync('/usr/bin/etcd') },
  // Patroni asks etcd and PostgreSQL by two modules that its package only recommends.
  patroni: {
    name: 'patroni python3-etcd python3-psycopg2',
    isThere: () => existsSync('/usr/bin/patroni') && existsSync('/usr/lib/python3/dist-packages/etcd'),
  },
  haproxy: { name: 'haproxy', isThere: () => existsSync('/usr/sbin/haproxy') },
  pgbackrest: { name: 'pgbackrest', isThere: () => existsSync('/usr/bin/pgbackrest') },
  pgbouncer: { name: 'pgbouncer', isThere: () => existsSync('/usr/sbin/pgbouncer') },
  browser: { name: 'chromium-headless-shell', isThere: () => BROWSERS.some((path) => existsSync(path)) },
};

/** Installs missing Debian packages through apt, with sudo where not root. @param {(keyof typeof PACKAGES)[]} needed */
export function ensurePackages(needed) {
  const missing = needed
    .map((each) => PACKAGES[each])
    .flatMap(({ name, isThere }) => (isThere() ? [] : name.split(' ')));
  if (missing.length === 0) return;
  const remedy = `Install it by hand: apt-get install ${missing.join(' ')}`;
  if (!existsSync('/usr/bin/apt-get'))
    throw new Stopped(`${missing.join(' and ')} is missing and this is no Debian.`, remedy);
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  if (asRoot.length > 0 && spawnSync('sudo', ['-n', 'true']).status !== 0)
    throw new Stopped(`${missing.join(' and ')} is missing, and there is no right to install packages.`, remedy);
  say(`installing ${missing.join(', ')} (Debian packages; a minute or two)`);
  if (missing.includes('postgresql')) keepSystemClusterAway(asRoot);
  const apt = (/** @type {string[]} */ ...words) => {
    const [program = 'apt-get', ...rest] = [...asRoot, 'apt-get', '-qq', ...words];
    return (
      spawnSync(program, rest, {
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      }).status === 0
    );
  };
  if (!apt('update') || !apt('install', '-y', '--no-install-recommends', ...missing))
    throw new Stopped(`apt could not install ${missing.join(', ')}.`, remedy);
}

/** The package would make and start a cluster of its own on 5432; ours is another. @param {string[]} asRoot */
function keepSystemClusterAway(asRoot) {
  const folder = '/etc/postgresql-common';
  if (existsSync(join(folder, 'createcluster.conf'))) return;
  if (asRoot.length === 0) {
    mkdirSync(folder, { recursive: true });
    writeFileSync(join(folder, 'createcluster.conf'), 'create_main_cluster = false\n');
  } else {
    spawnSync('sudo', [
      '-n',
      'sh',
      '-c',
      `mkdir -p ${folder} && echo 'create_main_cluster = false' > ${folder}/createcluster.conf`,
    ]);
  }
}

/** Installs the project's dependencies when the lock file is not the one they came from. */
export function ensureDependencies() {
  const stamp = join(ROOT, 'node_modules', '.installed-from');
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('installing dependencies (npm ci; a minute or so)');
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (status !== 0) throw new Stopped('npm ci failed.', 'Look at the message above; often the network or a full disk.');
  writeFileSync(stamp, lock);
}
