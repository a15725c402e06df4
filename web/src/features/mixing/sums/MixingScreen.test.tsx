import type { LotView } from '@dewpond/contract';
import { screen, waitFor } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { DOG_ID, TODAY, WASH_ID, business, listed, product, session } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { MixingScreen } from './MixingScreen';
import { choose } from '../../../tests/choose';

function openMixing(units: 'metric' | 'US' = 'metric', given = business({ units }), lots: LotView[] = []) {
  const server = openServer({
    'GET /api/session': () => session(units),
    'GET /api/business': () => given,
    'GET /api/products/:id/ledger': ({ id }) => ({ productId: id, stock: 900, entries: [], lots, keptFrom: [] }),
    'GET /api/dogs': () => ({ items: [listed({ id: DOG_ID, name: 'Radish' })], after: null }),
    'POST /api/mixes': ({ body }) => ({ id: body.id, no: 2 }),
    'PUT /api/mixes/:id': ({ body }) => ({ version: body.version + 1 }),
  });
  return { server, ...show(<MixingScreen />) };
}
const lot = (number: string): LotView => ({
  id: v7(),
  version: 1,
  number,
  expires: null,
  deliveredOn: TODAY,
  openedOn: TODAY,
  emptiedOn: null,
});
const field = (name: RegExp | string) => screen.getByLabelText<HTMLInputElement>(name);
const card = (title: RegExp | string) => screen.getByRole('heading', { name: title }).closest('section');

const picture = () => card(/any number leads/);

describe('mixing fresh: any one number leads', () => {
  test('24:1 in a half-litre bottle: 480 ml of water, four strokes, turn', async () => {
    openMixing();
    await screen.findByLabelText(/^Mix in all/);
    expect(picture()).toHaveWords(/1\s*480 ml of warm water.*2\s*4 strokes of 5 ml.*3\s*turn it/);
  });

  test('whichever is typed leads, the others follow at once', async () => {
    const { person } = openMixing();
    await screen.findByLabelText(/^Mix in all/);
    await person.clear(field(/^Strokes/));
    await person.type(field(/^Strokes/), '2');
    expect(field(/^Mix in all/).value).toBe('250');
    expect(field(/^Warm water/).value).toBe('240');
    await person.clear(field(/^Warm water/));
    await person.type(field(/^Warm water/), '480');
    expect(field(/^Strokes/).value).toBe('4');
    await person.clear(field(/^Dogs(?! like)/));
    await person.type(field(/^Dogs(?! like)/), '0.5');
    expect(picture()).toHaveWords(/Say how many dogs/);
  });

  test('arrow keys go from mark to mark, without a mouse', async () => {
    const { person } = openMixing();
    await screen.findByLabelText(/^Mix in all/);
    expect(document.activeElement).toBe(field(/^Mix in all/));
    await person.keyboard('{ArrowDown}{ArrowDown}');
    expect(field(/^Mix in all/).value).toBe('400');
    await person.tab();
    await person.tab();
    await person.tab();
    await person.keyboard('{ArrowUp}');
    expect(field(/^Strokes/).value).toBe('4');
    expect(field(/^Mix in all/).value).toBe('500');
  });

  test('an untidy batch offers the tidy one', async () => {
    const { person } = openMixing();
    await person.clear(await screen.findByLabelText(/^Mix in all/));
    await person.type(field(/^Mix in all/), '480');
    await person.click(screen.getByRole('button', { name: 'Tidy: 500 ml' }));
    expect(field(/^Mix in all/).value).toBe('500');
  });

  test('a label read two ways shows both volumes, and the chosen one counts', async () => {
    const { person } = openMixing();
    await screen.findByLabelText(/^Mix in all/);
    await person.clear(field(/Ratio/));
    await person.type(field(/Ratio/), '1:4');
    const [first, second] = screen.getAllByRole('radio');
    expect(first).toHaveWords(/4:1.*100 ml product, 400 ml water/);
    expect(second).toHaveWords(/3:1.*125 ml product, 375 ml water/);
    await person.click(second as HTMLElement);
    expect(picture()).toHaveWords(/375 ml of warm water/);
  });

  test('the reading that was kept of a product counts at the bench', async () => {
    const kept = product({ label: '1:4', waterParts: '3', strength: '3:1', strokeMl: null });
    openMixing('metric', business({ products: [kept] }));
    await screen.findByLabelText(/^Mix in all/);
    expect(picture()).toHaveWords(/375 ml of warm water.*125 ml of product/);
    expect(screen.getByRole('radio', { name: /3:1/ }).getAttribute('aria-checked')).toBe('true');
  });

  test('a medicated "%" product is mixed to what was said, or to what is said here', async () => {
    const kept = product({ kind: 'medicated', label: '2 %', waterParts: '9', strength: '9:1', strokeMl: null });
    const { person } = openMixing('metric', business({ products: [kept] }));
    await screen.findByLabelText(/^Mix in all/);
    expect(picture()).toHaveWords(/450 ml of warm water.*50 ml of product/);
    await person.clear(field(/Diluted to/));
    await person.type(field(/Diluted to/), '4:1');
    expect(picture()).toHaveWords(/400 ml of warm water.*100 ml of product/);
  });

  test('what must be asked is not mixed before it is said', async () => {
    const { person } = openMixing();
    await screen.findByLabelText(/^Mix in all/);
    await person.clear(field(/Ratio/));
    await person.type(field(/Ratio/), '2 % 50:1');
    expect(screen.getByText(/say which is meant/)).toBeTruthy();
    expect(field(/^Warm water/).value).toBe('');
    await person.click(screen.getByRole('radio', { name: /50:1/ }));
    expect(picture()).toHaveWords(/490 ml of warm water/);
  });

  test('a range goes by purpose', async () => {
    const range = product({
      label: '10:1 to 32:1',
      waterParts: '32',
      strokeMl: null,
      purposes: [
        { purpose: 'very dirty', waterParts: '10' },
        { purpose: 'ordinary', waterParts: '32' },
      ],
    });
    const { person } = openMixing('metric', business({ products: [range] }));
    await screen.findByLabelText(/^Mix in all/);
    expect(picture()).toHaveWords(/485 ml of warm water.*15\.2 ml of product, measured/);
    await person.click(screen.getByRole('radio', { name: /very dirty/ }));
    expect(picture()).toHaveWords(/455 ml of warm water.*45\.5 ml of product/);
  });

  test('more than the bottle holds goes over several', async () => {
    const { person } = openMixing();
    await person.clear(await screen.findByLabelText(/^Mix in all/));
    await person.type(field(/^Mix in all/), '900');
    expect(screen.getByRole('region', { name: 'Split over bottles' })).toHaveWords(/Over 2 bottles/);
  });

  test.each([
    ['50:0', /zero/],
    ['abc', /no ratio we know/],
  ])('"%s" is told at the field', async (label, words) => {
    const { person } = openMixing();
    await screen.findByLabelText(/^Mix in all/);
    await person.clear(field(/Ratio/));
    await person.type(field(/Ratio/), label);
    expect(screen.getAllByText(words).length).toBeGreaterThan(0);
    expect(field(/^Warm water/).value).toBe('');
  });

  test('in US units everything is in fluid ounces, strokes too, and the mix is the same', async () => {
    openMixing('US');
    await screen.findByText(/fl oz of warm water/);
    expect(field(/^Mix in all/).value).toBe('16.91');
    expect(field('One stroke of its pump, fl oz').value).toBe('0.17');
    expect(picture()).toHaveWords(/16\.2 fl oz of warm water.*4 strokes of 5 ml/);
  });

  test('a business without bottles is told what to do first', async () => {
    openMixing('metric', business({ bottles: [] }));
    expect(await screen.findByRole('link', { name: 'Add the first bottle' })).toBeTruthy();
  });
});

describe('a mix beside the morning’s list', () => {
  test('goes onto the bench as it was reckoned', async () => {
    const { person, server } = openMixing();
    await person.click(await screen.findByRole('button', { name: /onto the bench/ }));
    expect(await screen.findByText('Half-litre bottle 2 stands at the bench.')).toBeTruthy();
    expect(server.sent[0]?.[1]).toMatchObject({
      productId: WASH_ID,
      waterParts: '24',
      strokes: 4,
      productMl: 20,
      totalMl: 500,
      forDogId: null,
    });
    expect(server.sent[1]).toEqual(['PUT /api/mixes/:id', { version: 1, step: 'watered' }]);
  });

  test('a medicated one waits for its dog, one of two open lots for its lot', async () => {
    const { person, server } = openMixing('metric', business(), [lot('A-1'), lot('A-2')]);
    await screen.findByRole('button', { name: /onto the bench/ });
    await choose(person, screen.getByRole('combobox', { name: 'Product' }), 'Vet-supplied antiseptic wash');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: /onto the bench/ })).toBeDisabledAnd(/onto the bench/);
    await choose(person, field('Only for'), /^Radish/);
    await choose(person, field('From which lot?'), /A-2/);
    await person.click(screen.getByRole('button', { name: /onto the bench/ }));
    await waitFor(() => expect(server.sent[0]?.[1]).toMatchObject({ forDogId: DOG_ID, lotIds: [expect.any(String)] }));
  });
});

describe('the other sums at the bench', () => {
  const open = async (tab: string) => {
    const { person } = openMixing();
    await person.click(await screen.findByRole('tab', { name: tab }));
    return person;
  };

  test('cutting 300 ml from 10:1 to 50:1 takes 1.09 l of water', async () => {
    await open('Cut a mix');
    // C1·V1 = C2·V2: 300/11 ml of product at 1/51 are 1390.9 ml.
    expect(card('Cut to 50:1')).toHaveWords(/1\.09 l.*1\.39 l\s*in all/);
  });

  test('cutting to a stronger mix is refused', async () => {
    const person = await open('Cut a mix');
    await person.clear(field('It should be'));
    await person.type(field('It should be'), '5:1');
    expect(card('That cannot be')).toHaveWords(/Water cannot make it stronger/);
  });

  test('a left-over of yesterday is poured away', async () => {
    const person = await open('Top up a left-over');
    expect(card('500 ml at 50:1')).toHaveWords(/296 ml.*3\.74 ml/);
    await choose(person, field('Mixed'), 'before today');
    expect(card('That cannot be')).toHaveWords(/past its discard time/);
  });

  test('within what a label’s range allows nothing is too strong', async () => {
    const range = product({
      label: '10:1 to 32:1',
      waterParts: '32',
      strength: '32:1',
      range: { strongest: '10', weakest: '32' },
    });
    const { person } = openMixing('metric', business({ products: [range] }));
    await person.click(await screen.findByRole('tab', { name: 'How strong is it?' }));
    await person.clear(field('Strokes'));
    await person.type(field('Strokes'), '9');
    expect(card('How strong it is')).toHaveWords(/10\.1:1.*Within the limits/);
  });

  test('"I put three strokes in this bottle": too strong, and by how much', async () => {
    const person = await open('How strong is it?');
    expect(card('How strong it is')).toHaveWords(/49:1.*weaker than 24:1/);
    await person.clear(field('Strokes'));
    await person.type(field('Strokes'), '6');
    expect(card('How strong it is')).toHaveWords(/15\.7:1.*50\.0 % stronger than 24:1.*stronger than the label/);
  });
});
