import { execFileSync } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { createServer, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, test } from '@playwright/test';
import { LAUNCH, SIGNED_IN, bigButton, bookTonight, isCarried, toTheTable, visitAtServer, visitId } from './salon';

const doneSteps = (events: readonly { what: { type: string; step?: string } }[]) =>
  events.filter(({ what }) => what.type === 'step done');

test('the browser killed as a process, without a network, in the middle of a visit: all that was pressed arrives', async ({
  page,
  baseURL,
}, { retry, repeatEachIndex }) => {
  const dog = `Thimble ${1 + retry + repeatEachIndex}`;
  await bookTonight(page, dog, 18);
  const { cookies } = await page.context().storageState();
  const folder = await mkdtemp(join(tmpdir(), 'dewpond-device-'));
  const open = async () => {
    const context = await chromium.launchPersistentContext(folder, {
      ...LAUNCH,
      baseURL: baseURL ?? '',
      serviceWorkers: 'allow',
    });
    await context.addCookies(cookies);
    return context;
  };
  const before = await open();
  const table = before.pages()[0] ?? (await before.newPage());
  await table.goto('/');
  await table.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await expect.poll(() => table.evaluate(isCarried, dog)).toBe(true);
  await toTheTable(table, dog);
  await expect(table.getByText('the server has it all')).toBeVisible();
  await before.setOffline(true);
  await bigButton(table).click();
  await bigButton(table).click();
  await expect(table.getByText(/not sent yet: \d+ kept on this device/)).toBeVisible();
  const id = visitId(table);
  // Every process of this browser, at once, with no chance to tidy up.
  execFileSync('pkill', ['-KILL', '-f', folder]);
  await before.close().catch(() => undefined);

  expect(doneSteps((await visitAtServer(page, id)).events)).toHaveLength(0);
  const after = await open();
  const again = after.pages()[0] ?? (await after.newPage());
  await again.goto(`/visits/${id}`);
  await expect(again.getByText(/^step 3 of/)).toBeVisible();
  await expect(again.getByText('the server has it all')).toBeVisible();
  expect(doneSteps((await visitAtServer(page, id)).events)).toHaveLength(2);
  await after.close();
  await rm(folder, { recursive: true, force: true });
});

test('a disk with no room left: said in words, held in memory, and sent from there', async ({ page, context }, {
  retry,
  repeatEachIndex,
}) => {
  const dog = `Wren ${1 + retry + repeatEachIndex}`;
  await bookTonight(page, dog, 17);
  // Full before the application begins: the browser hands out room for half a minute ahead.
  await page.goto('/pond.svg');
  const devtools = await context.newCDPSession(page);
  const origin = new URL(page.url()).origin;
  await devtools.send('Storage.overrideQuotaForOrigin', { origin, quotaSize: 1 });
  await toTheTable(page, dog);
  await page.route('**/api/visits/*/events', (route) => route.abort());
  const full = page.getByText(/device full: \d only in memory, do not close/);
  let pressed = 0;
  const press = async () => {
    await bigButton(page).click();
    pressed += 1;
  };
  await press();
  const atOnce = await full.waitFor({ timeout: 8000 }).then(
    () => true,
    () => false,
  );
  if (!atOnce) {
    // What room was handed out before lasts half a minute; then the disk is full for this page, too.
    await page.waitForTimeout(35_000);
    await press();
  }
  await expect(full).toBeVisible();
  await page.unroute('**/api/visits/*/events');
  await expect(page.getByText(/device full/)).toBeHidden({ timeout: 40_000 });
  await expect(page.getByText('the server has it all')).toBeVisible();
  expect(doneSteps((await visitAtServer(page, visitId(page))).events)).toHaveLength(pressed);
  await devtools.send('Storage.overrideQuotaForOrigin', { origin });
});

/** The server, but with a version of the application that can change, and with pictures that can be held back. */
async function serverWithVersions(upstream: string) {
  let version = 1;
  let held = 0;
  let holdsPictures = false;
  const server = createServer((asked, answer) => {
    const to = new URL(asked.url ?? '/', upstream);
    if (holdsPictures && to.pathname.startsWith('/api/photos/')) {
      held += 1;
      return;
    }
    const origin = asked.headers.origin === undefined ? {} : { origin: to.origin };
    const { 'if-none-match': _, 'if-modified-since': __, ...asks } = asked.headers;
    const headers = { ...asks, ...origin, host: to.host, 'accept-encoding': 'identity' };
    const passed = request(to, { method: asked.method, headers }, (given) => {
      const isWorker = to.pathname === '/sw.js';
      const { 'content-length': ___, ...rest } = given.headers;
      answer.writeHead(given.statusCode ?? 502, isWorker ? rest : given.headers);
      given.on('end', () => answer.end(isWorker ? `\n// version ${version}\n` : ''));
      given.pipe(answer, { end: false });
    });
    passed.on('error', () => answer.destroy());
    asked.pipe(passed);
  });
  await new Promise<void>((done) => void server.listen(0, '127.0.0.1', done));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    publish: () => (version += 1),
    holdPictures: () => (holdsPictures = true),
    held: () => held,
    stop: () => server.closeAllConnections(),
  };
}

test('an update in the middle of a visit waits, is told, and loses nothing', async ({ browser, page, baseURL }) => {
  const dog = 'Bobbin';
  await bookTonight(page, dog, 16);
  const server = await serverWithVersions(baseURL ?? '');
  const context = await browser.newContext({ baseURL: server.url, storageState: SIGNED_IN, serviceWorkers: 'allow' });
  const table = await context.newPage();
  await table.goto('/');
  await table.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await table.reload();
  await toTheTable(table, dog);
  await bigButton(table).click();
  server.publish();
  await table.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
  await expect(table.getByText(/new version .* waits until this visit is off the table/)).toBeVisible();
  const id = visitId(table);
  await context.setOffline(true);
  await bigButton(table).click();
  await table.reload();
  await expect(table.getByText(/^step 3 of/)).toBeVisible();
  await context.setOffline(false);
  await table.goto('/');
  // A picture on its way must not hold the old version back.
  server.holdPictures();
  await table.evaluate(() => void fetch(`/api/photos/${crypto.randomUUID()}`).catch(() => undefined));
  await expect.poll(server.held).toBeGreaterThan(0);
  await table.getByRole('button', { name: 'Begin with it now' }).click();
  await expect(table.getByText(/new version of Dewpond/)).toBeHidden({ timeout: 40_000 });
  await expect.poll(async () => doneSteps((await visitAtServer(page, id)).events).length, { timeout: 40_000 }).toBe(2);
  await context.close();
  server.stop();
});
