import { SHIPPED } from '@dewpond/core/catalogue';
import { gather, matchBook, readCsv, readRows, suggestMapping } from '@dewpond/core/importing';
import { day } from '@dewpond/core/units';
import { chromium } from '@playwright/test';
import { v7 } from 'uuid';
import { quantile, report, round, seeded } from './report';

/** A book of 20,000 dogs, imported, reckoned, listed, searched and scrolled, in the second business of the demo. */
const base = process.env['BASE_URL'];
if (!base) throw new Error('Run it with `npm run bench`.');
const DOGS = 20_000;
const WAYS = ['Row', 'Lane', 'Close', 'Hill', 'Street', 'Bank', 'Steps', 'Yard', 'End', 'Mews', 'Rise', 'Green'];
const random = seeded(13);
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
const NAMES = [
  'Bramble',
  'Quill',
  'Tansy',
  'Fennel',
  'Juniper',
  'Mistral',
  'Wren',
  'Nettle',
  'Pippin',
  'Marlow',
  'Rook',
  'Clover',
];
const OWNERS = [
  'Adeyemi',
  'Nwosu',
  'Raman',
  'Halloran',
  'Lindqvist',
  'Solberg',
  'Castellan',
  'Wrona',
  'Pene',
  'Siddiq',
];

const csv = [
  'Owner,Phone,Street,Dog,Breed,Weight',
  ...Array.from({ length: DOGS }, (_, i) => {
    const breed = pick(SHIPPED.breeds);
    return `${pick(NAMES)}a ${pick(OWNERS)} ${i},0${7_700_000_000 + i},${i % 90} ${pick(NAMES)} ${pick(WAYS)},${pick(NAMES)},"${breed.name}",${breed.weightKg[0]}`;
  }),
].join('\n');

const time = async <T>(work: () => Promise<T> | T): Promise<[number, T]> => {
  const start = performance.now();
  const value = await work();
  return [performance.now() - start, value];
};

const [reading, rows] = await time(() => {
  const read = readCsv(csv);
  if (read.kind === 'refused') throw new Error(read.words);
  const options = { catalogue: SHIPPED, weightUnit: 'kg', dayOrder: 'day first', today: day('2026-11-25') } as const;
  return gather(matchBook(readRows(read.table, suggestMapping(read.table.headings), options), []));
});

const signIn = await fetch(`${base}/api/auth/sign-in/email`, {
  method: 'POST',
  headers: { 'content-type': 'application/json', origin: base },
  body: JSON.stringify({ email: 'jonah@saltmarsh.example', password: 'reeds-and-chalk' }),
});
const cookie = signIn.headers
  .getSetCookie()
  .map((each) => each.split(';')[0])
  .join('; ');
const call = async (method: string, path: string, body?: object) => {
  const response = await fetch(`${base}${path}`, {
    method,
    headers: { cookie, origin: base, 'content-type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
  return response.json() as Promise<Record<string, unknown>>;
};

const id = v7();
const [importing] = await time(async () => {
  await call('POST', '/api/imports', {
    id,
    fileName: 'bench.csv',
    rows: rows.map(({ line, client, dogs }) => ({
      line,
      client: client.kind === 'new' ? { ...client, id: v7() } : client,
      dogs: dogs.map(({ marks, ...profile }) => ({ id: v7(), profile: { ...profile, handling: { marks } } })),
    })),
  });
  for (;;) {
    const { state, report: told } = (await call('GET', `/api/imports/${id}`)) as { state: string; report: unknown };
    if (state === 'done') return;
    if (state === 'failed') throw new Error(JSON.stringify(told));
    await new Promise((done) => setTimeout(done, 200));
  }
});
const [reckoning] = await time(async () => {
  for (let left = DOGS; left > 0;) left = (await call('POST', '/api/book/reckon', {}))['left'] as number;
});
const listing: number[] = [];
for (let i = 0; i < 5; i++) listing.push((await time(() => call('GET', '/api/dogs')))[0]);
const stock: number[] = [];
for (let i = 0; i < 5; i++) stock.push((await time(() => call('GET', '/api/stock')))[0]);

const browser = await chromium.launch({
  executablePath: process.env['BROWSER_PATH'] ?? '',
  args: ['--no-sandbox', '--disable-gpu'],
});
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  // The runner names functions; the page does not know its helper.
  await page.addInitScript('globalThis.__name = (named) => named');
  await page.goto(base);
  await page.getByLabel('E-mail').fill('jonah@saltmarsh.example');
  await page.getByLabel('Password').fill('reeds-and-chalk');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
  await page.goto(`${base}/dogs`);
  await page.getByText(/^All 20,00/).waitFor();
  // The page is asked itself: from a key to the first frame in which the table has changed.
  const keys: number[] = [];
  for (const words of ['tansy', 'nwosu', 'beagle', 'marlow ped', 'tansy lane', 'quil'])
    for (let end = 1; end <= words.length; end++) {
      keys.push(
        await page.evaluate(
          (typed) =>
            new Promise<number>((done) => {
              const input = document.querySelector<HTMLInputElement>('input[placeholder^="dog"]');
              const rowsBefore = document.querySelector('table')?.getAttribute('aria-rowcount');
              if (!input) throw new Error('no field');
              const start = performance.now();
              const ended = () => requestAnimationFrame(() => done(performance.now() - start));
              const seen = new MutationObserver(() => {
                if (document.querySelector('table')?.getAttribute('aria-rowcount') === rowsBefore) return;
                seen.disconnect();
                ended();
              });
              seen.observe(document.querySelector('main') as Node, {
                subtree: true,
                childList: true,
                attributes: true,
                attributeFilter: ['aria-rowcount'],
              });
              // Another letter that changes nothing would never end: then a second is the answer.
              setTimeout(() => {
                seen.disconnect();
                done(Number.NaN);
              }, 1000);
              Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(input, typed);
              input.dispatchEvent(new Event('input', { bubbles: true }));
            }),
          words.slice(0, end),
        ),
      );
    }
  const changed = keys.filter((ms) => !Number.isNaN(ms));
  await page.getByLabel('Find').fill('');
  await page.waitForTimeout(500);
  const { frames, tasks } = await page.evaluate(
    () =>
      new Promise<{ frames: number[]; tasks: number[] }>((done) => {
        const main = document.querySelector('main');
        const times: number[] = [];
        // The browser tells of tasks over 50 ms, and of no other.
        const long: number[] = [];
        const seen = new PerformanceObserver((list) => list.getEntries().forEach((each) => long.push(each.duration)));
        seen.observe({ type: 'longtask' });
        let last = performance.now();
        const step = (now: number) => {
          times.push(now - last);
          last = now;
          if (main) main.scrollTop += 600;
          if (times.length < 240) requestAnimationFrame(step);
          else setTimeout(() => done({ frames: times.slice(1), tasks: long }), 200);
        };
        requestAnimationFrame(step);
      }),
  );
  report('book', [
    { what: `CSV of ${DOGS} rows read and matched`, ms: round(reading, 0) },
    { what: `import of ${DOGS} dogs in the background, with sending`, ms: round(importing, 0) },
    { what: `what is due, reckoned once for ${DOGS} dogs`, ms: round(reckoning, 0) },
    { what: `GET /api/dogs, ${DOGS} dogs, p50 of 5`, ms: round(quantile(listing, 0.5), 0) },
    { what: `GET /api/stock, 12 weeks of ${DOGS} dogs, p50 of 5`, ms: round(quantile(stock, 0.5), 0) },
    {
      what: `a key to the changed table in the browser, p50 of ${changed.length}`,
      ms: round(quantile(changed, 0.5), 1),
    },
    {
      what: `a key to the changed table in the browser, p95 of ${changed.length}`,
      ms: round(quantile(changed, 0.95), 1),
    },
    { what: 'a frame while scrolling 600 px a frame, p50 of 239', ms: round(quantile(frames, 0.5), 1) },
    { what: 'a frame while scrolling 600 px a frame, p95 of 239', ms: round(quantile(frames, 0.95), 1) },
    { what: `longest of ${tasks.length} tasks over 50 ms meanwhile`, ms: round(Math.max(0, ...tasks), 1) },
  ]);
} finally {
  await browser.close();
}
