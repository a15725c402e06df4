import { chromium } from '@playwright/test';
import { v7 } from 'uuid';
import { quantile, report, round } from './report';
import { base, signedIn } from './signedIn';
import { slowLoad, type Load } from './slowLoad';

/** The owner's page on a telephone that has never seen it, until what was seen and what is next can be read. */
const RUNS = 9;
const PHONE = { width: 390, height: 844 };

const cookie = await signedIn();
const ask = async <Answer>(path: string, body?: object): Promise<Answer> => {
  const answer = await fetch(`${base}${path}`, {
    headers: { cookie, origin: base, 'content-type': 'application/json' },
    ...(body ? { method: 'POST', body: JSON.stringify(body) } : {}),
  });
  return (await answer.json()) as Answer;
};
const { items } = await ask<{ items: { id: string; name: string }[] }>('/api/dogs');
const dog = items.find(({ name }) => name === 'Radish');
if (!dog) throw new Error('Radish is not in the book.');
const { url } = await ask<{ url: string }>('/api/links', { id: v7(), dogId: dog.id, days: 30 });

const browser = await chromium.launch({
  executablePath: process.env['BROWSER_PATH'] ?? '',
  args: ['--no-sandbox', '--disable-gpu'],
});
const loads: Load[] = [];
for (let run = 0; run < RUNS; run++)
  loads.push(
    await slowLoad(browser, url, {
      viewport: PHONE,
      usable: (page) => page.getByRole('region', { name: 'What is next' }),
    }),
  );
await browser.close();
report('owner-page', [
  {
    what: 'Radish: what we saw and what is next can be read',
    'ms, median': round(
      quantile(
        loads.map(({ ms }) => ms),
        0.5,
      ),
      0,
    ),
    'ms, slowest': round(Math.max(...loads.map(({ ms }) => ms)), 0),
    'kB by then': round(
      quantile(
        loads.map(({ bytes }) => bytes),
        0.5,
      ) / 1000,
      0,
    ),
  },
]);
