import { base, signedIn } from './signedIn';
import { quantile, report, round } from './report';

/** How long one business waits for its own little question while another, of 20,000 dogs, asks for much. */
const [small, large] = [await signedIn(), await signedIn('jonah@saltmarsh.example')];
const EVERY_MS = 10;

const ask = async (cookie: string, path: string, body?: object): Promise<Record<string, unknown>> => {
  const response = await fetch(`${base}${path}`, {
    headers: { cookie, origin: base, 'content-type': 'application/json' },
    ...(body ? { method: 'POST', body: JSON.stringify(body) } : {}),
  });
  if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
  const text = await response.text();
  return response.headers.get('content-type')?.includes('json') ? (JSON.parse(text) as Record<string, unknown>) : {};
};

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** Asks again and again for the session of the small business until the work of the large one is done. */
async function waitedMeanwhile(work: () => Promise<unknown>): Promise<number[]> {
  const waits: number[] = [];
  let goesOn = true;
  const worked = work().finally(() => (goesOn = false));
  while (goesOn) {
    const asked = performance.now();
    await ask(small, '/api/session');
    waits.push(performance.now() - asked);
    await pause(EVERY_MS);
  }
  await worked;
  return waits;
}

const { of } = (await ask(large, '/api/book')) as { of: number };
if (of < 20_000) throw new Error('Needs the book of 20,000 dogs: run it after `book`.');

/** A list page by page, as the screens ask for it. */
const pages = (path: string) => async () => {
  for (let after: string | null | undefined; after !== null;) {
    const page = await ask(large, after === undefined ? path : `${path}?after=${encodeURIComponent(after)}`);
    after = (page['after'] ?? null) as string | null;
  }
};
const twice = (work: () => Promise<unknown>) => async () => {
  await work();
  await work();
};

/** After it, what is due is stale for every dog of the large business. */
async function changeHouseWay(): Promise<void> {
  const { version, ways, units, currency, services, liftAloneKg } = await ask(large, '/api/business');
  const body = { version, ways, units, currency, services, liftAloneKg: Number(liftAloneKg) + 1 };
  const response = await fetch(`${base}/api/business`, {
    method: 'PUT',
    headers: { cookie: large, origin: base, 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(`A house way is not changed: ${await response.text()}`);
}

const QUESTIONS: readonly (readonly [string, () => Promise<unknown>])[] = [
  ['nothing', () => pause(1000)],
  ['all dogs', twice(pages('/api/dogs'))],
  ['all clients', twice(pages('/api/clients'))],
  ['stock ahead', twice(() => ask(large, '/api/stock'))],
  ['the watch list', twice(() => ask(large, '/api/watch'))],
  ['what a house way would change', pages('/api/book')],
  ['dogs as a table', () => ask(large, '/api/export/dogs.csv')],
  ['clients as cards', () => ask(large, '/api/export/clients.vcf')],
  ['the watch list, nothing reckoned', () => changeHouseWay().then(() => ask(large, '/api/watch'))],
  [
    'what is due of 2,000 dogs',
    async () => {
      for (let i = 0; i < 50; i++) await ask(large, '/api/book/reckon', {});
    },
  ],
];

const rows = [];
for (const [what, work] of QUESTIONS) {
  const start = performance.now();
  const waits = await waitedMeanwhile(work);
  rows.push({
    'while another asks for': what,
    'for ms': round(performance.now() - start, 0),
    'longest wait ms': round(Math.max(...waits), 0),
    'p95 ms': round(quantile(waits, 0.95), 0),
    asked: waits.length,
  });
}
report('others', rows);
