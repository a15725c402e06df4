import { chromium, type Browser } from '@playwright/test';
import { staticServer } from './reference/staticServer';
import { quantile, report, round } from './report';
import { base, browserCookies, signedIn } from './signedIn';
import { slowLoad, type Load } from './slowLoad';

/**
 * From an empty device to a page one can use, over slow 4G (150 ms there and back, 1.6 Mbit/s) with a processor a quarter
 * as fast: by Dewpond's server, and the same files by a bare one, in turn.
 */
const RUNS = 9;
const DESK = { width: 1280, height: 800 };

/** As where somebody is signed in, with an update that put nothing on the device yet. */
const load = (browser: Browser, url: string, cookie: string | null): Promise<Load> =>
  slowLoad(browser, url, {
    viewport: DESK,
    ...(cookie === null ? {} : { cookies: browserCookies(cookie, url), signedInHere: true }),
    usable: (page) =>
      cookie === null
        ? page.getByRole('button', { name: 'Sign in' })
        : page.getByRole('img', { name: /Ribbon of the day/ }),
  });

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
