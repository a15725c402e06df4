import { makePlan } from '@dewpond/core/careplan';
import type { VisitView } from '@dewpond/contract';
import { foldVisit, readVisit } from '@dewpond/core/visit';
import { chromium } from '@playwright/test';
import { v7 } from 'uuid';
import { longVisit } from './longVisit';
import { quantile, report, round } from './report';
import { base, browserCookies, signedIn } from './signedIn';

/** The table: reading a long visit, sending a day's waiting work, and a tap on a slow tablet. */
const timed = (work: () => void, times: number): number[] =>
  Array.from({ length: times }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
const row = (what: string, times: readonly number[]) => ({
  what,
  'p50 ms': round(quantile(times, 0.5), 1),
  'p95 ms': round(quantile(times, 0.95), 1),
});

const cookie = await signedIn();
const headers = { cookie, 'content-type': 'application/json', origin: base };
const get = async <T>(path: string) => (await (await fetch(`${base}${path}`, { headers })).json()) as T;
const post = async <T>(path: string, body: object) => {
  const answer = await fetch(`${base}${path}`, { method: 'POST', headers, body: JSON.stringify(body) });
  if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`);
  return (await answer.json()) as T;
};
const { items } = await get<{ items: { id: string; name: string }[] }>('/api/dogs');
const dogId = items.find((each) => each.name === 'Teasel')?.id ?? '';
const begin = async () => {
  const id = v7();
  await post('/api/visits', { id, dogId, appointmentId: null });
  return id;
};

// The reducer, and the whole reading that a tap waits for.
const events = longVisit(2000);
const view = await get<VisitView>(`/api/visits/${await begin()}`);
const before = {
  kind: view.kind,
  facts: view.facts,
  plan: makePlan(view.facts),
  contactMinutes: view.contactMinutes,
  lastFindings: [],
};
timed(() => foldVisit(events), 5);
const rows = [
  row(
    'reducer, 2,000 events of 3 devices',
    timed(() => foldVisit(events), 60),
  ),
  row(
    'whole reading (plan, look-over, steps), 2,000 events',
    timed(() => readVisit(before, events), 40),
  ),
  row(
    'whole reading, 150 events (an ordinary visit)',
    timed(() => readVisit(before, events.slice(0, 150)), 60),
  ),
];

// A device comes home with 5,000 events of 25 visits, in batches as the outbox sends them.
const sends: number[] = [];
const whole = performance.now();
for (let visit = 0; visit < 25; visit++) {
  const id = await begin();
  const mine = longVisit(200).map(({ person: _, seen, ...event }) => ({
    ...event,
    seen: seen ?? {},
    device: 'tablet',
  }));
  const start = performance.now();
  const { taken } = await post<{ taken: string[] }>(`/api/visits/${id}/events`, {
    events: mine.map((event, i) => ({ ...event, counter: i + 1 })),
  });
  if (taken.length !== 200) throw new Error(`only ${taken.length} were taken`);
  sends.push(performance.now() - start);
}
rows.push({ ...row('send 200 events (one of 25 visits)', sends) });
const sentAll = { what: 'send 5,000 events of 25 visits, in all', ms: round(performance.now() - whole, 0) };

// From the finger to the next frame, on a tablet a quarter as fast.
const browser = await chromium.launch({
  executablePath: process.env['BROWSER_PATH'] ?? '',
  args: ['--no-sandbox', '--disable-gpu'],
});
const page = await browser.newPage({
  viewport: { width: 820, height: 1180 },
  hasTouch: true,
  baseURL: base,
  serviceWorkers: 'block',
});
await page.addInitScript('globalThis.__name = (named) => named');
await page.context().addCookies(browserCookies(cookie, base));
const id = await begin();
await page.goto(`/visits/${id}`);
await page.getByText(/^step 1 of/).waitFor();
for (let i = 0; i < 2; i++) await page.locator('footer button').last().tap();
await page.getByRole('tab', { name: /Body/ }).waitFor();
const slow = await page.context().newCDPSession(page);
await slow.send('Emulation.setCPUThrottlingRate', { rate: 4 });
/** From the finger to the frame after it, ms; undefined: nothing was seen to happen within three seconds. */
async function painted(tap: () => Promise<void>): Promise<number | undefined> {
  await page.evaluate(() => {
    const scope = globalThis as unknown as { painted?: Promise<number> };
    scope.painted = new Promise((resolve) => {
      addEventListener(
        'pointerup',
        ({ timeStamp }) => requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - timeStamp), 0)),
        { once: true, capture: true },
      );
    });
  });
  await tap();
  return Promise.race([
    page.evaluate(() => (globalThis as unknown as { painted?: Promise<number> }).painted),
    new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), 3000)),
  ]);
}
async function eachPainted(times: number, tap: (i: number) => Promise<void>): Promise<number[]> {
  const measured: number[] = [];
  for (let i = 0; i < times; i++) {
    const took = await painted(() => tap(i));
    if (took !== undefined) measured.push(took);
    await page.waitForTimeout(SETTLES_MS);
  }
  return measured;
}
/** What a tap sets off (it is written down and sent) is over before the next, as between two taps of a hand. */
const SETTLES_MS = 300;

// The least that is to be had here: a tap that changes nothing.
const idle = await eachPainted(30, () => page.touchscreen.tap(410, 35));
const openPlace = page.locator('button[aria-pressed="false"][aria-label$=" clear"]:visible').first();
const VIEWS = ['Head', 'Body', 'Paws'] as const;
const looked = await eachPainted(40, async (i) => {
  if (i % 2 === 0 || !(await openPlace.isVisible()))
    await page.getByRole('tab', { name: VIEWS[i % 3] ?? 'Head' }).tap();
  else await openPlace.tap();
});
for (const name of [...VIEWS, 'Whole']) {
  await page.getByRole('tab', { name }).tap();
  const rest = page.getByRole('button', { name: /^I looked: the other/ });
  if (await rest.isVisible()) await rest.tap();
  while (await openPlace.isVisible()) await openPlace.tap();
}
const next = page.locator('footer button').last();
const gone: number[] = [];
for (let steps = 0; steps < 20; steps++) {
  // A step that asks something first is answered, without being measured; some wait for a clock.
  for (const answer of await page.getByRole('button', { name: /^As planned|came out clean/i }).all())
    await answer.tap();
  gone.push(...(await eachPainted(1, () => next.tap({ timeout: 1000 }).catch(() => undefined))));
}
for (const [what, times] of [
  ['a tap that changes nothing', idle],
  ['tap to paint at the look-over', looked],
  ['tap to paint, Done: next', gone],
] as const)
  rows.push(row(`${what}, CPU ÷ 4, ${times.length} taps`, times));
await browser.close();
report('table', [...rows, sentAll]);
