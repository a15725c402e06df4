import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { NOBODY, bigButton, expectAccessible, finishAllSteps, lookAllClear } from './salon';

/*
 * A business moves in, as the README says it: npm start on nothing, three people by the browser alone, a visit; then a
 * backup, and all of it again in another data folder on another port.
 */

test.describe.configure({ mode: 'serial' });
test.use({ storageState: NOBODY });

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const PASSWORD = 'wet otters at dawn';
const KEY = 'a passphrase for backups';

interface Installation {
  readonly url: string;
  /** What it said as it started. */
  readonly said: () => string;
  readonly process: ChildProcess;
}

const base = mkdtempSync(join(tmpdir(), 'dewpond-moving-'));
spawnSync('chmod', ['755', base]);
const folders = { first: join(base, 'first'), second: join(base, 'second'), third: join(base, 'third') };
const keyFile = join(base, 'key');
writeFileSync(keyFile, KEY);
const running: Installation[] = [];

const freePort = () =>
  new Promise<number>((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => done(typeof address === 'object' && address ? address.port : 0));
    });
  });

/** The settings of these tests say nothing of the application under test. */
const plainEnv = (folder: string) => {
  const { PATH, HOME, LANG } = process.env;
  return { PATH, HOME, LANG, DEWPOND_DATA: folder, BACKUP_KEY_FILE: keyFile };
};

async function start(folder: string): Promise<Installation> {
  const port = await freePort();
  const child = spawn(process.execPath, [join(ROOT, 'scripts/start.mjs')], {
    env: { ...plainEnv(folder), PORT: String(port) },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let text = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (bytes: Buffer) => {
      text += bytes.toString();
    });
  const installation = { url: `http://127.0.0.1:${port}`, said: () => text, process: child };
  running.push(installation);
  await expect.poll(() => text, { timeout: 120_000 }).toMatch(/ {2}Dewpond: http/);
  return installation;
}

const stop = ({ process: child }: Installation) =>
  new Promise<void>((done) => {
    if (child.exitCode !== null) return done();
    child.once('exit', () => done());
    child.kill('SIGTERM');
  });

const run = (script: string, folder: string, ...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(ROOT, `scripts/${script}.mjs`), ...args], {
    env: plainEnv(folder),
    encoding: 'utf8',
  });
  return { status, said: stdout + stderr };
};

test.afterAll(async () => {
  await Promise.all(running.map(stop));
  rmSync(base, { recursive: true, force: true });
});

/** Somebody on a device of their own. */
const device = async (browser: Browser, at: Installation): Promise<Page> =>
  (await browser.newContext({ baseURL: at.url, storageState: NOBODY, serviceWorkers: 'block' })).newPage();

let first: Installation;
let manager: Page;

test('npm start on nothing: a link begins a business, and opens once', async ({ browser }) => {
  first = await start(folders.first);
  const link = /http\S+\/begin#\S+/.exec(first.said())?.[0] ?? '';
  manager = await device(browser, first);
  await manager.goto(link);
  await expect(manager.getByRole('heading', { name: 'Begin' })).toBeVisible();
  await expectAccessible(manager);
  await manager.getByLabel('Name', { exact: true }).fill('Chalkpit Grooming');
  await manager.getByLabel('Your name').fill('Ada Winter');
  await manager.getByLabel('Your e-mail').fill('ada@chalkpit.example');
  await manager.getByLabel('Password').fill('password1234');
  await manager.getByRole('button', { name: 'Begin' }).click();
  await expect(manager.getByText(/tried first/)).toBeVisible();
  await manager.getByLabel('Password').fill(PASSWORD);
  await manager.getByRole('button', { name: 'Begin' }).click();
  await expect(manager.getByRole('heading', { name: 'First steps' })).toBeVisible();
  const again = await device(browser, first);
  await again.goto(link);
  await expect(again.getByRole('heading', { name: 'This link opens nothing' })).toBeVisible();
});

test('two more people join, each by a link and a password of their own', async ({ browser }) => {
  for (const [name, role] of [
    ['Bram Holt', 'groomer'],
    ['Cleo Marsh', 'bather'],
  ] as const) {
    await manager.goto('/house/people');
    await manager.getByRole('button', { name: 'Invite somebody' }).click();
    await manager.getByLabel('Name').fill(name);
    await manager.getByLabel('Works as').click();
    await manager.getByRole('option', { name: role }).click();
    await manager.getByRole('button', { name: 'Make the link' }).click();
    const link = await manager.getByRole('dialog').getByLabel('Link to hand over').inputValue();
    const theirs = await device(browser, first);
    await theirs.goto(link);
    await theirs.getByLabel('Your e-mail').fill(`${name.split(' ')[0]?.toLowerCase()}@chalkpit.example`);
    await theirs.getByLabel('Password').fill(PASSWORD);
    await theirs.getByRole('button', { name: 'Join' }).click();
    await expect(theirs.getByRole('navigation', { name: 'Places' })).toBeVisible();
    const second = await device(browser, first);
    await second.goto(link);
    await expect(second.getByText(/This invitation was used/)).toBeVisible();
  }
  await manager.goto('/house/people');
  await expect(manager.getByText('Cleo Marsh', { exact: true })).toBeVisible();
  await expectAccessible(manager);
});

test('a dog, its plan, a visit at the table, the owner’s sheet; then the checklist is gone', async () => {
  await manager.goto('/dogs/new');
  await manager.getByLabel('Owner’s name').fill('Mere Tuhoe');
  await manager.getByLabel('Phone').fill('01632 960177');
  await manager.getByLabel('Dog’s name').fill('Thistle');
  await manager.getByLabel('Weight, kg').fill('9');
  await manager.getByRole('button', { name: 'Choose a breed' }).click();
  await manager.getByRole('combobox', { name: 'Find a breed' }).fill('beagle');
  await manager
    .getByRole('option', { name: /Beagle/ })
    .first()
    .click();
  await manager.getByRole('button', { name: 'Add to the book' }).click();
  await expect(manager.getByRole('heading', { name: 'Care plan' })).toBeVisible();
  await manager.getByRole('button', { name: 'Begin visit' }).click();
  await bigButton(manager).click();
  await bigButton(manager).click();
  await lookAllClear(manager);
  await finishAllSteps(manager);
  await manager.getByRole('button', { name: 'Close the visit, make the owner sheet' }).click();
  await expect(manager.getByRole('heading', { name: 'What we saw' })).toBeVisible();
  await manager.goto('/');
  await expect(manager.getByRole('navigation', { name: 'Places' })).toBeVisible();
  await expect(manager.getByRole('heading', { name: 'First steps' })).toBeHidden();
});

test('a van is added, and one looks at its day and its shelf instead', async () => {
  await manager.goto('/house/branches');
  await manager.getByRole('button', { name: 'Add one' }).click();
  await manager.getByLabel('Name').fill('The Skiff');
  await manager.getByRole('button', { name: 'Add it' }).click();
  const branch = manager.getByRole('combobox', { name: /^Branch/ }).first();
  await branch.click();
  await manager.getByRole('option', { name: 'The Skiff' }).click();
  await expect(branch).toHaveAccessibleName('Branch: The Skiff');
  await manager.goto('/dogs');
  await expect(manager.getByText('No dog fits.')).toBeVisible();
  await manager.goto('/mixing/tools');
  await expect(manager.getByText(/Litre bottle/)).toHaveCount(0);
  await expectAccessible(manager);
  await branch.click();
  await manager.getByRole('option', { name: 'Chalkpit Grooming' }).click();
  await manager.goto('/dogs');
  await expect(manager.getByRole('link', { name: 'Thistle', exact: true })).toBeVisible();
});

test('the database dies and is started again; what was there is there', async () => {
  const pid = Number(readFileSync(join(folders.first, 'postgres/postmaster.pid'), 'utf8').split('\n')[0]);
  process.kill(pid, 'SIGKILL');
  await expect.poll(() => first.said(), { timeout: 60_000 }).toMatch(/starting it again/);
  await expect.poll(async () => (await manager.request.get('/api/health')).status(), { timeout: 60_000 }).toBe(200);
  await manager.goto('/dogs');
  await expect(manager.getByRole('link', { name: 'Thistle', exact: true })).toBeVisible();
});

test('a backup is proved, sealed, and opens elsewhere: everything is there', async ({ browser }) => {
  const { status, said } = run('backup', folders.first);
  expect(said).toMatch(/restored once and the same/);
  expect(status).toBe(0);
  const [name = ''] = readdirSync(join(folders.first, 'backups'));
  const file = join(folders.first, 'backups', name);
  expect(readFileSync(file).includes('Thistle')).toBe(false);

  const cut = join(base, 'cut.backup');
  writeFileSync(cut, readFileSync(file));
  truncateSync(cut, 20_000);
  const refused = run('restore', folders.second, cut);
  expect(refused.status).toBe(1);
  expect(refused.said).toMatch(/cut short/);

  expect(run('restore', folders.second, file)).toMatchObject({ status: 0 });
  // What is refused changes nothing, the key of links least of all.
  const secrets = join(folders.second, 'secrets.json');
  const own = readFileSync(secrets, 'utf8');
  const other = own.replace(/("AUTH_SECRET": ")[^"]+/, '$1another-key-of-this-installation-of-ours');
  expect(other).not.toBe(own);
  writeFileSync(secrets, other);
  expect(run('restore', folders.second, file).said).toMatch(/A business is here already/);
  expect(readFileSync(secrets, 'utf8')).toBe(other);
  writeFileSync(secrets, own);
  expect(run('restore', folders.first, file).said).toMatch(/Dewpond runs on this data folder/);
  const second = await start(folders.second);
  expect(second.said()).not.toMatch(/begin#/);
  const page = await device(browser, second);
  await page.goto('/');
  await page.getByLabel('E-mail').fill('bram@chalkpit.example');
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
  await page.goto('/dogs');
  await page.getByRole('link', { name: 'Thistle', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Care plan' })).toBeVisible();
  await page.locator('a[href$="/sheet"]').first().click();
  await expect(page.getByRole('heading', { name: 'What we saw' })).toBeVisible();
});

test('the whole business leaves in one file, and another installation takes it in', async ({ browser }) => {
  await manager.goto('/import');
  const [download] = await Promise.all([
    manager.waitForEvent('download'),
    manager.getByRole('link', { name: 'Take everything out' }).click(),
  ]);
  const file = join(base, 'house.zip');
  await download.saveAs(file);
  const { status, said } = run('move-in', folders.third, file);
  expect(said).toMatch(/is here: [\d]+ rows/);
  expect(status).toBe(0);
  expect(run('move-in', folders.third, file).said).toMatch(/is here already/);
  const third = await start(folders.third);
  expect(third.said()).not.toMatch(/begin#/);
  const link = new URL(/Bram[^\n]*\n\s+(\S+)/.exec(said)?.[1] ?? '');
  const page = await device(browser, third);
  await page.goto(`${link.pathname}${link.hash}`);
  await page.getByLabel('Password').fill('dry otters at dusk');
  await page.getByRole('button', { name: 'Keep and sign in' }).click();
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
  await page.goto('/dogs');
  await page.getByRole('link', { name: 'Thistle', exact: true }).click();
  await page.locator('a[href$="/sheet"]').first().click();
  await expect(page.getByRole('heading', { name: 'What we saw' })).toBeVisible();
});
