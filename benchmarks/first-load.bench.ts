import { chromium, type Browser } from '@playwright/test';
import { staticServer } from './reference/staticServer';
import { quantile, report, round } from './report';
import { base, browserCookies, signedIn } from './signedIn';

/**
 * From an empty device to a page one can use, over slow 4G (150 ms there and back, 1.6 Mbit/s) with a processor a quarter
 * as fast: by Dewpond's server, and the same files by a bare one, in turn.
 */
const RUNS = 9;
const SLOW_4G = { offline: false, latency: 150, downloadThroughput: 1.6e6 / 8, uploadThroughput: 0.75e6 / 8 };

interface Load {
  readonly ms: number;
  readonly bytes: number;
}

async function load(browser: Browser, url: string, cookie: string | null): Promise<Load> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  if (cookie !== null) await context.addCookies(browserCookies(cookie, url));
  // As where somebody is signed in, with an update that put nothing on the device yet.
  if (cookie !== null) await context.addInitScript(() => localStorage.setItem('dewpond-signed-in', 'yes'));
  const page = await context.newPage();
  const slow = await context.newCDPSession(page);
  await slow.send('Network.enable');
  await slow.send('Network.emulateNetworkConditions', SLOW_4G);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  let bytes = 0;
  slow.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
  const start = performance.now();
  await page.goto(url, { waitUntil: 'commit' });
  const usable =
    cookie === null
      ? page.getByRole('button', { name: 'Sign in' })
      : page.getByRole('img', { name: /Ribbon of the day/ });
  await usable.waitFor();
  const ms = performance.now() - start;
  await page.waitForLoadState('load');
  const loaded = { ms, bytes };
  await context.close();
  return loaded;
}

const cookie = await signedIn();
const bare = await staticServer(base);
const browser = await chromium.launch({
  executablePath: process.env['BROWSER_PATH'] ?? '',
  args: ['--no-sandbox', '--disable-gpu'],
});
const rows = [];
for (const [what, who] of [
  ['signed out: sign-in can be typed', null],
  ['signed in: Today is drawn', cookie],
] as const) {
  const [ours, theirs]: [Load[], Load[]] = [[], []];
  for (let run = 0; run < RUNS; run++) {
    ours.push(await load(browser, base, who));
    theirs.push(await load(browser, bare.url, who));
  }
  const [mine, reference] = [ours, theirs].map((runs) =>
    quantile(
      runs.map(({ ms }) => ms),
      0.5,
    ),
  ) as [number, number];
  rows.push({
    what,
    'kB by then': round(
      quantile(
        ours.map(({ bytes }) => bytes),
        0.5,
      ) / 1000,
      0,
    ),
    'Dewpond ms': round(mine, 0),
    'bare files ms': round(reference, 0),
    ratio: round(mine / reference),
  });
}
await browser.close();
bare.server.close();
report('first-load', rows);
