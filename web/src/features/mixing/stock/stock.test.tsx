import type { CostsView, LedgerView, StockLine, StockView } from '@dewpond/contract';
import { addDays } from '@dewpond/core/units';
import { screen, waitFor, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { CLIENT_ID, DOG_ID, TODAY, WASH_ID, business, session } from '../../../tests/demoDog';
import { RefusedAnswer, openServer, show } from '../../../tests/server';
import { CostsScreen } from './CostsScreen';
import { StockScreen } from './StockScreen';
import { TraceScreen } from './TraceScreen';
import { choose } from '../../../tests/choose';

const line = (more: Partial<StockLine> = {}): StockLine => ({
  productId: WASH_ID,
  name: 'Deep clean concentrate',
  stock: 600,
  inOpenMixes: 0,
  containerMl: 5000,
  price: 155,
  leadDays: 10,
  safetyMl: 80,
  supplier: 'Quay Wholesale',
  runsOut: addDays(TODAY, 60),
  runsOutAtWorst: addDays(TODAY, 50),
  orderBy: addDays(TODAY, 3),
  state: 'this week',
  takes: 800,
  containers: 1,
  points: Array.from({ length: 13 }, (_, i) => ({
    day: addDays(TODAY, i * 7),
    left: 600 - i * 65,
    low: 560 - i * 70,
    high: 640 - i * 60,
  })),
  expired: [],
  ...more,
});
const stock = (more: Partial<StockView> = {}): StockView => ({
  today: TODAY,
  currency: 'GBP',
  lines: [line()],
  waiting: 0,
  dogs: 9,
  longAway: [],
  ...more,
});
const ledger: LedgerView = {
  productId: WASH_ID,
  stock: 600,
  entries: [
    {
      id: v7(),
      kind: 'use',
      ml: -20,
      afterMl: -10,
      reason: 'The ledger knew of less: count it.',
      day: TODAY,
      by: 'Dewpond',
      lot: null,
      about: 'Radish',
    },
    { id: v7(), kind: 'delivery', ml: 500, afterMl: 510, reason: '', day: TODAY, by: 'Ines', lot: 'A-1', about: '' },
  ],
  lots: [],
  keptFrom: [],
};
const costs = (more: Partial<CostsView> = {}): CostsView => ({
  currency: 'GBP',
  months: [{ month: '2026-11', cost: 12.4, visits: 4 }],
  products: [{ id: WASH_ID, name: 'Deep clean concentrate', cost: 12.4, ml: 400 }],
  dogs: [{ id: DOG_ID, name: 'Radish', cost: 12.4, visits: 4 }],
  visits: [{ visitId: v7(), dogId: DOG_ID, dog: 'Radish', day: TODAY, cost: 3.1 }],
  waste: [
    { month: '2026-10', mixed: 100, thrown: 30, share: 0.3, cost: 0.93 },
    { month: '2026-11', mixed: 100, thrown: 10, share: 0.1, cost: 0.31 },
  ],
  unpriced: 0,
  ...more,
});

function open(screenOf: ReactNode, given: { stock?: StockView; costs?: CostsView; at?: string } = {}) {
  const lotId = v7();
  const server = openServer({
    'GET /api/session': () => session(),
    'GET /api/business': () => business(),
    'GET /api/stock': () => given.stock ?? stock(),
    'GET /api/products/:id/ledger': () => ledger,
    'GET /api/costs': () => given.costs ?? costs(),
    'POST /api/book/reckon': () => ({ left: 0 }),
    'POST /api/stock': ({ body }) => {
      if (body.reason === '')
        throw new RefusedAnswer(422, {
          kind: 'bad input',
          message: 'x',
          fields: [{ path: 'reason', message: 'Say why more went out.' }],
        });
      return { id: body.id, ml: -body.ml, afterMl: 0 };
    },
    'GET /api/trace/starts': () => ({
      lots: [{ id: lotId, product: 'Deep clean concentrate', number: 'A-1', deliveredOn: TODAY }],
      mixes: [],
      bottles: [{ id: v7(), no: 2, name: 'Litre bottle 2' }],
    }),
    'GET /api/trace': ({ query }) => ({
      title: `Deep clean concentrate, lot ${query.get('of') === 'lot' ? 'A-1' : '?'}`,
      words: '1 mix from it, 1 dog.',
      dogs: [
        {
          dogId: DOG_ID,
          dog: 'Radish',
          ownerId: CLIENT_ID,
          owner: 'Amara Nwosu',
          phone: '01632 960171',
          visitId: v7(),
          day: TODAY,
          what: 'Litre bottle 2 of Wed 25 Nov',
          override: 'nothing else left',
        },
      ],
    }),
  });
  return { server, ...show(screenOf, { path: '/', at: given.at ?? '/' }) };
}

describe('stock', () => {
  test('a dog long away is named, with the chance by which it counts', async () => {
    const longAway = [{ dogId: DOG_ID, dog: 'Radish', overdueDays: 61, chance: 0.382 }];
    open(<StockScreen />, { stock: stock({ longAway }) });
    expect((await screen.findByRole('link', { name: 'Radish' })).closest('li')).toHaveWords(
      /61 days overdue, counts 38 %/,
    );
  });

  test('says what to order by when, and how sure that is', async () => {
    open(<StockScreen />);
    expect(await screen.findByRole('button', { name: /Deep clean/ })).toHaveWords(
      /600 ml there, out on Sun 24 Jan.*order this week/,
    );
    expect(screen.getByText(/Expected to run out on/)).toHaveWords(
      /Sun 24 Jan.*one time in ten already on Thu 14 Jan.*Last day to order Sat 28 Nov.*80 ml of safety stock/,
    );
    expect(screen.getByRole('img', { name: /runs out on Sun 24 Jan/ })).toBeTruthy();
    expect(screen.getByRole('heading', { name: 'Order list' }).closest('section')).toHaveWords(
      /Quay Wholesale.*1 ×\s*Deep clean.*by Sat 28 Nov.*£155\.00/,
    );
  });

  test('a debt in the ledger is told with its reason', async () => {
    open(<StockScreen />);
    expect(await screen.findByRole('row', { name: /visit of Radish/ })).toHaveWords(/count it.*−20 ml.*−10 ml/);
    expect(screen.getByRole('row', { name: /delivery, lot A-1/ })).toHaveWords(/\+500 ml/);
  });

  test('an order that is late says so instead of a day that is gone', async () => {
    open(<StockScreen />, { stock: stock({ lines: [line({ state: 'late', orderBy: addDays(TODAY, -7) })] }) });
    const orders = (await screen.findByRole('heading', { name: 'Order list' })).closest('section');
    expect(orders).toHaveWords(/order now: late/);
    expect(orders).not.toHaveWords(/18 Nov/);
  });

  test('never counted is not the same as nothing there', async () => {
    open(<StockScreen />, {
      stock: stock({
        lines: [line({ stock: null, state: 'not counted', points: [], containers: 0, orderBy: null, runsOut: null })],
      }),
    });
    expect(await screen.findByText('not counted')).toBeTruthy();
    expect(screen.getByText(/opens with the first delivery or count/)).toBeTruthy();
    expect(screen.getByText('Nothing to order: what is counted lasts twelve weeks.')).toBeTruthy();
  });

  test('what goes below nothing asks why, at the field', async () => {
    const { person } = open(<StockScreen />);
    await person.click(await screen.findByRole('button', { name: 'Waste or correction' }));
    await person.type(screen.getByLabelText(/Went to waste/), '900');
    await person.click(screen.getByRole('button', { name: 'Enter' }));
    expect(await screen.findByText('Say why more went out.')).toBeTruthy();
    await person.type(screen.getByLabelText(/^Why/), 'split can');
    await person.click(screen.getByRole('button', { name: 'Enter' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  });

  test('a large book that is still being reckoned says so, and is reckoned', async () => {
    const { server } = open(<StockScreen />, { stock: stock({ waiting: 1200 }) });
    expect(await screen.findByText(/1200 of 1209 dogs are still being worked out/)).toBeTruthy();
    await waitFor(() => expect(server.sent[0]?.[0]).toBe('POST /api/book/reckon'));
  });

  test('no product yet', async () => {
    open(<StockScreen />, { stock: stock({ lines: [] }) });
    expect(await screen.findByRole('link', { name: 'Add a product' })).toBeTruthy();
  });
});

describe('cost and waste', () => {
  test('a visit, what went down the drain, and whether it falls', async () => {
    open(<CostsScreen />);
    expect(await screen.findByText('£12.40', { selector: 'span.block' })).toBeTruthy();
    expect(screen.getByText('£3.10', { selector: 'span.block' })).toBeTruthy();
    expect(screen.getByRole('img', { name: /from 30 % in Oct 2026 to 10 % in Nov 2026/ })).toBeTruthy();
    expect(screen.getByRole('heading', { name: 'By dog' }).closest('section')).toHaveWords(
      /Radish.*4 × £3\.10.*£12\.40/,
    );
  });

  test('uses without a price are not hidden in the sum; nothing used says so', async () => {
    open(<CostsScreen />, { costs: costs({ unpriced: 3 }) });
    expect(await screen.findByText(/3 uses are of products without a price/)).toBeTruthy();
  });

  test('nothing yet', async () => {
    open(<CostsScreen />, { costs: costs({ months: [], products: [], dogs: [], visits: [], waste: [] }) });
    expect(await screen.findByText(/No visit used a product/)).toBeTruthy();
  });
});

describe('trace', () => {
  test('from a lot to whom to ring, with what was overridden', async () => {
    const { person } = open(<TraceScreen />);
    const from = await screen.findByLabelText('From which lot, mix or bottle?');
    await choose(person, from, /lot A-1/);
    const card = (await screen.findByRole('heading', { name: /lot A-1/ })).closest('section') as HTMLElement;
    expect(card).toHaveWords(/Radish.*Ring Amara Nwosu.*01632 960171.*past its time.*nothing else left/);
    expect(within(card).getByRole('link', { name: '01632 960171' }).getAttribute('href')).toBe('tel:01632960171');
  });
});
