import { chromium, type Page } from '@playwright/test';
import { base, browserCookies, signedIn } from './signedIn';
import { report, round, type Row } from './report';

/** What holds up the page while weeks are planned, with the business of a real size: longest tasks of the main thread. */
const browser = await chromium.launch({
  executablePath: process.env['BROWSER_PATH'] ?? '',
  args: ['--no-sandbox', '--disable-gpu'],
});
try {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
  await context.addCookies(browserCookies(await signedIn(), base));
  const page = await context.newPage();
  // The runner names functions; the page does not know its helper.
  await page.addInitScript('globalThis.__name = (named) => named; globalThis.longTasks = []');
  await page.addInitScript(() => {
    const { longTasks } = globalThis as unknown as { longTasks: number[] };
    // The browser tells of tasks over 50 ms, and of no other.
    new PerformanceObserver((list) => list.getEntries().forEach((each) => longTasks.push(each.duration))).observe({
      type: 'longtask',
    });
  });
  const rows: Row[] = [];
  const measure = async (what: string, act: () => Promise<void>) => {
    await page.evaluate('longTasks.length = 0');
    const from = performance.now();
    await act();
    const took = performance.now() - from;
    // Told of only after they end.
    await page.waitForTimeout(300);
    const tasks = await page.evaluate<number[]>('longTasks');
    rows.push({ what, s: round(took / 1000, 1), 'tasks over 50 ms': tasks.length, 'longest ms': longestOf(tasks) });
  };
  await page.goto(`${base}/ahead`);
  await weeksOf(page, 9);
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await page.getByRole('heading', { name: 'Line-up' }).waitFor();
  await page.waitForTimeout(2000);
  await measure('Ahead is opened again', async () => {
    await page.getByRole('link', { name: 'Ahead', exact: true }).click();
    await weeksOf(page, 9);
  });
  // What is due is worked out first, and the server plans its own.
  await page.getByRole('button', { name: /^Plan/, disabled: false }).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(30_000);
  await measure('eight weeks are planned, until it stops', () => plan(page));
  await measure('day after day with the arrow, twenty days', async () => {
    await page
      .getByRole('button', { name: /^(Mon|Tue|Wed|Thu|Fri|Sat|Sun) / })
      .first()
      .focus();
    for (let i = 0; i < 20; i++) await page.keyboard.press(i % 2 ? 'ArrowDown' : 'ArrowRight');
  });
  await page
    .getByRole('button', { name: / proposed/ })
    .nth(5)
    .click();
  const day = page.getByRole('button', { name: 'Book this day' });
  await measure('one proposal is booked', async () => {
    await page
      .getByRole('button', { name: /^Book (?!this|all)/ })
      .first()
      .click();
    await page.getByText(/^(One visit is|\d+ visits are) booked/).waitFor();
    await day.waitFor();
  });
  await measure('a day is booked', async () => {
    await day.click();
    await day.waitFor({ state: 'detached' });
  });
  report('weeks-in-browser', rows);
} finally {
  await browser.close();
}

function longestOf(tasks: readonly number[]): string | number {
  return tasks.length === 0 ? 'under 50' : round(Math.max(...tasks), 0);
}

async function weeksOf(page: Page, weeks: number): Promise<void> {
  await page.getByText(`in ${weeks - 1} weeks`).waitFor();
}

async function plan(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Plan/ }).click();
  await page.getByRole('button', { name: 'Plan again' }).waitFor({ timeout: 120_000 });
}
