import type { BusinessView, LedgerView } from '@dewpond/contract';
import { screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { DOG_ID, TODAY, WASH_ID, business, product, session } from '../../../tests/demoDog';
import { RefusedAnswer, openServer, show } from '../../../tests/server';
import { ProductScreen } from './ProductScreen';
import { ProductsScreen } from './ProductsScreen';
import { ToolsScreen } from './ToolsScreen';
import { choose } from '../../../tests/choose';

const ledger = (more: Partial<LedgerView> = {}): LedgerView => ({
  productId: WASH_ID,
  stock: 900,
  entries: [],
  lots: [],
  keptFrom: [],
  ...more,
});
function openShelf(screenOf: ReactNode, given: { business?: BusinessView; ledger?: LedgerView; at?: string } = {}) {
  const server = openServer({
    'GET /api/session': () => session(),
    'GET /api/business': () => given.business ?? business(),
    'GET /api/products/:id/ledger': () => given.ledger ?? ledger(),
    'POST /api/products': ({ body }) => {
      if (body.name === 'Taken')
        throw new RefusedAnswer(422, {
          kind: 'bad input',
          message: 'x',
          fields: [{ path: 'name', message: 'There is a product of that name.' }],
        });
      return { id: body.id };
    },
    'PUT /api/products/:id': ({ body }) => ({ version: body.version + 1 }),
    'PUT /api/products/:id/shelf': ({ body }) => ({ version: body.version + 1 }),
    'POST /api/pumps': ({ body }) => ({ id: body.id }),
    'PUT /api/pumps/:id/calibration': ({ body }) => ({ version: body.version + 1 }),
    'POST /api/bottles': ({ body }) => ({ id: body.id }),
    'PUT /api/lots/:id': ({ body }) => ({ version: body.version + 1 }),
    'POST /api/stock': ({ body }) => ({ id: body.id, ml: body.ml, afterMl: body.ml }),
  });
  return { server, ...show(screenOf, { path: '/mixing/products/:id', at: given.at ?? `/mixing/products/${WASH_ID}` }) };
}
const field = (name: RegExp | string) => screen.getByLabelText<HTMLInputElement>(name);

describe('products', () => {
  test('what a litre of mix costs: 0.031 a ml at 24:1 is £1.24', async () => {
    openShelf(<ProductsScreen />);
    expect(await screen.findByRole('row', { name: /Deep clean concentrate/ })).toHaveWords(/24:1.*£1\.24/);
  });

  test('none yet: what to begin with; one archived is still found', async () => {
    openShelf(<ProductsScreen />, { business: business({ products: [], putAway: [product({ archivedOn: TODAY })] }) });
    expect(await screen.findByText('1 archived')).toBeTruthy();
  });
});

describe('one product', () => {
  test('the label is read while one types: how it was read, what half a litre takes', async () => {
    const { person } = openShelf(<ProductScreen />, { at: '/mixing/products/new' });
    await person.type(await screen.findByLabelText('Ratio, as printed on the label'), '50:1');
    expect(screen.getByText(/Read as/)).toHaveWords(/50:1.*51 in all.*takes 9\.8 ml of it and 490 ml of water/);
    await person.clear(field('Ratio, as printed on the label'));
    await person.type(field('Ratio, as printed on the label'), 'two squirts');
    expect(screen.getByText(/no ratio we know/)).toBeTruthy();
  });

  test('a new one is sent as it was read; what does not fit is told at its field', async () => {
    const { person, server } = openShelf(<ProductScreen />, { at: '/mixing/products/new' });
    await person.type(await screen.findByLabelText('Name'), 'Taken');
    await person.type(field('Ratio, as printed on the label'), '1:16');
    await person.click(screen.getByRole('radio', { name: /15 parts water/ }));
    await person.type(field('Ingredients, as printed'), 'Water, Tea tree oil');
    await person.click(screen.getByLabelText('Keep away from eyes'));
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    expect(await screen.findByText('There is a product of that name.')).toBeTruthy();
    await person.clear(field('Name'));
    await person.type(field('Name'), 'Chalk wash');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ name: 'Chalk wash' }));
    expect(server.sent.at(-1)?.[1]).toMatchObject({
      label: '1:16',
      waterParts: '15',
      cautions: ['eyes'],
      ingredients: ['Water', 'Tea tree oil'],
      price: null,
      containerMl: null,
    });
  });

  test('an emptied number is none, and no nought: each says so at its field, and nothing is sent', async () => {
    const { person, server } = openShelf(<ProductScreen />);
    for (const name of ['Days from order to shelf', /^Lather/] as const)
      await person.clear(await screen.findByLabelText(name));
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    expect(await screen.findAllByText('Give a number.')).toHaveLength(2);
    expect(field('Days from order to shelf').getAttribute('aria-invalid')).toBe('true');
    expect(server.sent).toEqual([]);
  });

  test('a range asks for what, a "%" of a medicated one for the dilution', async () => {
    const { person, server } = openShelf(<ProductScreen />, { at: '/mixing/products/new' });
    await person.type(await screen.findByLabelText('Name'), 'Oat wash');
    await choose(person, field('Kind'), 'medicated');
    await person.type(field('Ratio, as printed on the label'), '2 %');
    expect(screen.getByText(/active substance, not a dilution/)).toBeTruthy();
    expect(field('Diluted to')).toBeTruthy();
    await choose(person, field('Kind'), 'cleansing');
    await person.clear(field('Ratio, as printed on the label'));
    await person.type(field('Ratio, as printed on the label'), '10:1 to 32:1');
    await person.click(screen.getByRole('button', { name: /A ratio for a purpose/ }));
    await person.type(field('For'), 'very dirty');
    await person.type(field('Ratio'), '1 in 11');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() =>
      expect(server.sent.at(-1)?.[1]).toMatchObject({
        waterParts: '32',
        purposes: [{ purpose: 'very dirty', waterParts: '10' }],
      }),
    );
  });

  test('what is kept is shown again, a second reading included, and archived with a word', async () => {
    const kept = product({
      label: '1:25',
      waterParts: '24',
      contact: { least: 5, most: 10 },
      ingredients: ['water', 'oats'],
    });
    const { person, server } = openShelf(<ProductScreen />, { business: business({ products: [kept] }) });
    await screen.findByDisplayValue('1:25');
    expect(screen.getByRole('radio', { name: /24:1/ }).getAttribute('aria-checked')).toBe('true');
    expect(field('Contact time, most, min').value).toBe('10');
    expect(field('Ingredients, as printed').value).toBe('water, oats');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ waterParts: '24', version: 1 }));
    await person.click(screen.getByRole('button', { name: 'Archive' }));
    expect(await screen.findByText(/What is mixed of it stays on the bench/)).toBeTruthy();
  });

  test('a medicated product kept at 5/4 parts of water is kept at 5/4 again: a shown ratio is never read back', async () => {
    const kept = product({ kind: 'medicated', label: '2 %', waterParts: '5/4', strength: '1.3:1' });
    const { person, server } = openShelf(<ProductScreen />, { business: business({ products: [kept] }) });
    expect((await screen.findByLabelText<HTMLInputElement>('Diluted to')).value).toBe('1.3:1');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ waterParts: '5/4' }));
    await person.clear(field('Diluted to'));
    await person.type(field('Diluted to'), '9:1');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ waterParts: '9' }));
  });

  test('more product than water as printed is asked, and a range of "1:N" keeps the reading taken', async () => {
    const { person, server } = openShelf(<ProductScreen />, { at: '/mixing/products/new' });
    await person.type(await screen.findByLabelText('Name'), 'Reed wash');
    await person.type(field('Ratio, as printed on the label'), '2:100');
    expect(screen.getByText(/more than one way, and it matters/)).toBeTruthy();
    expect(screen.getAllByRole('radio').map((each) => each.getAttribute('aria-checked'))).toEqual(['false', 'false']);
    await person.clear(field('Ratio, as printed on the label'));
    await person.type(field('Ratio, as printed on the label'), '1:10 to 1:32');
    await person.click(screen.getByRole('radio', { name: /9:1 to 31:1/ }));
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() =>
      expect(server.sent.at(-1)?.[1]).toMatchObject({ waterParts: '31', range: { strongest: '9', weakest: '31' } }),
    );
  });

  test('lots: opened, empty, expired, who had it; dogs kept from it', async () => {
    const lot = (more = {}) => ({
      id: v7(),
      version: 1,
      number: 'A-1',
      expires: null,
      deliveredOn: TODAY,
      openedOn: null,
      emptiedOn: null,
      ...more,
    });
    const { person, server } = openShelf(<ProductScreen />, {
      ledger: ledger({
        lots: [lot(), lot({ number: 'Old', expires: '2026-01-01' })],
        keptFrom: [{ dogId: DOG_ID, dog: 'Radish', lists: 'oats' }],
      }),
    });
    expect((await screen.findByText('Old')).closest('li')).toHaveWords(/expired Thu 1 Jan 2026/);
    expect(screen.getByText(/it lists oats/)).toHaveWords(/Radish/);
    await person.click(screen.getByRole('button', { name: 'Opened today' }));
    await waitFor(() =>
      expect(server.sent.at(-1)).toMatchObject(['PUT /api/lots/:id', { openedOn: TODAY, emptiedOn: null }]),
    );
  });

  test('a delivery with its lot goes into the ledger', async () => {
    const { person, server } = openShelf(<ProductScreen />);
    await person.click(await screen.findByRole('button', { name: 'Delivery' }));
    expect(field(/Came in/).value).toBe('5000');
    await person.type(field('Lot number'), 'B-7');
    await person.type(field('Good until'), '2027-05-01');
    await person.click(screen.getByRole('button', { name: 'Enter' }));
    await waitFor(() =>
      expect(server.sent.at(-1)?.[1]).toMatchObject({
        kind: 'delivery',
        ml: 5000,
        lot: { number: 'B-7', expires: '2027-05-01' },
      }),
    );
  });
});

describe('bottles and pumps', () => {
  test('ten strokes: their spread is in sight, and a pump that scatters cannot be kept so', async () => {
    const { person, server } = openShelf(<ToolsScreen />);
    await person.click(await screen.findByRole('button', { name: 'New pump' }));
    await person.type(field('Name'), 'green pump');
    for (let i = 1; i <= 10; i++) await person.type(field(`${i}, g`), i % 2 ? '4' : '6');
    expect(screen.getByRole('alert')).toHaveWords(/scatter 21 %/);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Ten strokes first' })).toBeDisabledAnd(
      /strokes first/,
    );
    for (let i = 1; i <= 10; i++) {
      await person.clear(field(`${i}, g`));
      await person.type(field(`${i}, g`), i % 2 ? '4.9' : '5.1');
    }
    await person.click(screen.getByRole('button', { name: 'Keep, 5 ml a stroke' }));
    await waitFor(() =>
      expect(server.sent.map(([key]) => key)).toEqual(['POST /api/pumps', 'PUT /api/pumps/:id/calibration']),
    );
  });

  test('a jug left on the scale: a falling reading is told', async () => {
    const { person } = openShelf(<ToolsScreen />);
    await person.click(await screen.findByRole('button', { name: 'New pump' }));
    await choose(person, field('Ten strokes'), 'jug left on the scale, what it shows after each');
    await person.type(field('1, g'), '5');
    await person.type(field('2, g'), '3');
    expect(screen.getByText(/only ever rises/)).toBeTruthy();
  });

  test('a volume is typed with a comma or a point', async () => {
    const { person, server } = openShelf(<ToolsScreen />);
    await person.click(await screen.findByRole('button', { name: 'New bottle' }));
    await person.type(field('Name'), 'Tall bottle');
    await person.clear(field('To its line, ml'));
    await person.type(field('To its line, ml'), '250,5');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ line: 250.5 }));
  });

  test('a bottle without marks is filled to its line', async () => {
    const { person, server } = openShelf(<ToolsScreen />);
    expect(await screen.findByText('2 × Half-litre bottle')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'New bottle' }));
    await person.type(field('Name'), 'Bucket');
    await person.clear(field(/A mark every/));
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ name: 'Bucket', graduation: null, count: 1 }));
  });
});
