import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { z } from 'zod';
import { freePort } from '../../../scripts/cluster.mjs';

/*
 * npm run upgrade as a house does it: a clone of this project, an upstream with a version after it, a business that is there
 * before and after, and the way back as it is printed.
 */

const ROOT = dirname(dirname(dirname(dirname(fileURLToPath(import.meta.url)))));
const base = mkdtempSync('/var/tmp/dewpond-upgrade-');
const [upstream, house, data] = ['upstream', 'house', 'data'].map((name) => join(base, name)) as [
  string,
  string,
  string,
];
/** What no version has: packages, what is built, databases, reports. */
const OF_THIS_MACHINE = /(^|\/)(node_modules|dist|\.git|test-results|\.dewpond[^/]*)$/;
const running: ChildProcess[] = [];

const does = (program: string, args: readonly string[], cwd: string) => {
  const { status, stdout, stderr } = spawnSync(program, args, { cwd, encoding: 'utf8', maxBuffer: 1 << 26 });
  expect(status, stdout + stderr).toBe(0);
  return stdout;
};
const git = (cwd: string, ...args: string[]) =>
  does('git', ['-c', 'user.name=Dewpond', '-c', 'user.email=house@dewpond.example', ...args], cwd);
/** A command of the house; what runs beside it is listened to meanwhile. */
async function command(program: string, args: readonly string[]): Promise<{ status: number | null; said: string }> {
  const { PATH, HOME, LANG } = process.env;
  const child = spawn(program, args, { cwd: house, env: { PATH, HOME, LANG, DEWPOND_DATA: data } });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (bytes: Buffer) => (said += bytes.toString()));
  const status = await new Promise<number | null>((done) => child.once('close', done));
  return { status, said };
}
const upgrade = () => command(process.execPath, [join(house, 'scripts/upgrade.mjs')]);

/** Starts it as the README says; answers where it is, what it said, and how to stop it. */
async function start() {
  const port = await freePort();
  const { PATH, HOME, LANG } = process.env;
  const child = spawn(process.execPath, [join(house, 'scripts/start.mjs')], {
    cwd: house,
    env: { PATH, HOME, LANG, DEWPOND_DATA: data, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  running.push(child);
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (bytes: Buffer) => (said += bytes.toString()));
  const ended = new Promise<void>((done) => child.once('exit', () => done()));
  await expect.poll(() => child.exitCode !== null || said.includes('  Dewpond: http'), { timeout: 120_000 }).toBe(true);
  const stop = async () => {
    child.kill('SIGTERM');
    await ended;
  };
  return { url: `http://127.0.0.1:${port}`, said: () => said, isRunning: () => child.exitCode === null, stop };
}

let cookie = '';
async function ask(
  url: string,
  method: string,
  path: string,
  body?: object,
): Promise<{ status: number; body: unknown }> {
  const answer = await fetch(`${url}${path}`, {
    method,
    headers: { cookie, origin: url, 'content-type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  const cookies = answer.headers.getSetCookie();
  if (cookies.length > 0) cookie = cookies.map((each) => each.split(';')[0]).join('; ');
  return { status: answer.status, body: await answer.json().catch(() => null) };
}
const EMAIL = 'ada@chalkpit.example';
const PASSWORD = 'wet otters at dawn';
const signIn = (url: string) => ask(url, 'POST', '/api/auth/sign-in/email', { email: EMAIL, password: PASSWORD });
const owners = async (url: string): Promise<string[]> => {
  const { body } = await ask(url, 'GET', '/api/clients');
  return z
    .object({ items: z.array(z.object({ name: z.string() })) })
    .parse(body)
    .items.map(({ name }) => name)
    .toSorted();
};
const addOwner = async (url: string, name: string) => {
  const { status } = await ask(url, 'POST', '/api/clients', { id: v7(), name, card: {} });
  expect(status).toBe(201);
};
const versionOf = async (url: string) =>
  z.object({ version: z.string() }).parse((await ask(url, 'GET', '/api/health')).body).version;

/** The version after this one, as somebody who works on it would push it: its own number, one more change of the tables. */
function pushNext(): void {
  const work = join(base, 'work');
  git(base, 'clone', '--quiet', upstream, work);
  const edit = (file: string, change: (text: string) => string) => {
    const before = readFileSync(join(work, file), 'utf8');
    const after = change(before);
    expect(after).not.toBe(before);
    writeFileSync(join(work, file), after);
  };
  edit('server/src/platform/config/version.ts', (text) => text.replace(/'[\d.]+'/, "'99.0.0'"));
  edit('server/drizzle/meta/_journal.json', (text) => {
    const journal = JSON.parse(text) as { entries: { idx: number; when: number; version: string }[] };
    const last = journal.entries.at(-1)!;
    const next = { ...last, idx: last.idx + 1, when: last.when + 1, tag: '9999_next' };
    return JSON.stringify({ ...journal, entries: [...journal.entries, next] });
  });
  writeFileSync(
    join(work, 'server/drizzle/9999_next.sql'),
    'ALTER TABLE "dewpond"."client" ADD COLUMN "since_next" text;',
  );
  git(work, 'add', '-A');
  git(work, 'commit', '--quiet', '-m', 'The version after');
  git(work, 'push', '--quiet');
}

beforeAll(() => {
  does('chmod', ['755', base], base);
  cpSync(ROOT, upstream, { recursive: true, filter: (file) => !OF_THIS_MACHINE.test(relative(ROOT, file)) });
  git(upstream, 'init', '--quiet', '--initial-branch', 'main');
  git(upstream, 'add', '-A');
  git(upstream, 'commit', '--quiet', '-m', 'This version');
  git(upstream, 'config', 'receive.denyCurrentBranch', 'ignore');
  git(base, 'clone', '--quiet', upstream, house);
  // The packages are those of here, each by a link: nobody waits for the network. Our own workspaces are the house's.
  for (const folder of ['node_modules', 'server/node_modules', 'web/node_modules']) {
    const [from, to] = [join(ROOT, folder), join(house, folder)];
    if (!existsSync(from)) continue;
    mkdirSync(to);
    for (const each of readdirSync(from).filter((name) => name !== '@dewpond'))
      symlinkSync(join(from, each), join(to, each));
  }
  does('cp', ['-a', join(ROOT, 'node_modules/@dewpond'), join(house, 'node_modules/@dewpond')], base);
  // What is built already is taken as it is; where it is out of date, it is built.
  for (const built of ['web/dist', 'server/dist'])
    if (existsSync(join(ROOT, built))) cpSync(join(ROOT, built), join(house, built), { recursive: true });
}, 120_000);
afterAll(() => {
  for (const child of running) if (child.exitCode === null) child.kill('SIGKILL');
  rmSync(base, { recursive: true, force: true, maxRetries: 5 });
}, 120_000);

describe('npm run upgrade', () => {
  let here: Awaited<ReturnType<typeof start>>;
  let wayBack: readonly string[];
  let newerBackup: string;

  test('an upstream that cannot be reached is told, and nothing was changed', { timeout: 240_000 }, async () => {
    here = await start();
    const token = /\/begin#(\S+)/.exec(here.said())?.[1];
    const begun = await ask(here.url, 'POST', '/api/begin', {
      ...{ token, id: v7(), examples: true, manager: { name: 'Ada Winter', email: EMAIL, password: PASSWORD } },
      business: {
        ...{ name: 'Chalkpit Grooming', country: 'GB', zone: 'Europe/London', units: 'metric', currency: 'GBP' },
        ...{ language: 'en-GB', phone: '', liftAloneKg: 16, earHair: 'done' },
      },
    });
    expect(begun.status, JSON.stringify(begun.body)).toBe(201);
    expect((await signIn(here.url)).status).toBe(200);
    await addOwner(here.url, 'Written before');
    git(house, 'remote', 'set-url', 'origin', join(base, 'nowhere'));
    const { status, said } = await upgrade();
    expect(status).toBe(1);
    expect(said).toMatch(/could not be fetched.*Nothing was changed/s);
    git(house, 'remote', 'set-url', 'origin', upstream);
    expect(await owners(here.url)).toEqual(['Written before']);
  });

  test('the newest version comes, its tables too; what runs goes on meanwhile', { timeout: 240_000 }, async () => {
    pushNext();
    const { status, said } = await upgrade();
    expect(status, said).toBe(0);
    expect(said).toMatch(/backed up: .*up to date\. Start the application anew/s);
    wayBack = /the way back: (git checkout \S+), then npm (run restore -- \S+ --over)/.exec(said)?.slice(1) ?? [];
    expect(wayBack).toHaveLength(2);
    expect(await versionOf(here.url)).not.toBe('99.0.0');
    expect(await owners(here.url)).toEqual(['Written before']);
    await addOwner(here.url, 'Written meanwhile');
    await here.stop();
    here = await start();
    expect(await versionOf(here.url)).toBe('99.0.0');
    await signIn(here.url);
    expect(await owners(here.url)).toEqual(['Written before', 'Written meanwhile']);
    await addOwner(here.url, 'Written after');
    const again = await upgrade();
    expect(again.status, again.said).toBe(0);
    newerBackup = /backed up: (\S+)/.exec(again.said)?.[1] ?? '';
    await here.stop();
  });

  test(
    'the version before leaves its tables alone; the way back, as it was printed, leads there',
    {
      timeout: 240_000,
    },
    async () => {
      const [checkout = '', restore = ''] = wayBack;
      does('sh', ['-c', `${checkout} --quiet`], house);
      const refused = await start();
      expect(refused.isRunning()).toBe(false);
      expect(refused.said()).toMatch(/of a newer version of Dewpond.*Nothing was changed/s);
      const newer = await command('npm', ['run', 'restore', '--', newerBackup, '--over']);
      expect([newer.status, newer.said]).toEqual([1, expect.stringMatching(/backup is of a newer version of Dewpond/)]);
      const { status, said } = await command('npm', restore.split(' '));
      expect(status, said).toBe(0);
      here = await start();
      expect(await versionOf(here.url)).not.toBe('99.0.0');
      expect((await signIn(here.url)).status).toBe(200);
      // As the words of the upgrade say: what was written since is not in it.
      expect(await owners(here.url)).toEqual(['Written before']);
      await addOwner(here.url, 'Written on the way back');
      await here.stop();
    },
  );
});
