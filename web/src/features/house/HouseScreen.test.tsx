import { openBook, plansThatChange, type DogFacts } from '@dewpond/core/careplan';
import { DEFAULT_HOUSE_WAYS, HOUSE_QUESTIONS } from '@dewpond/core/ways';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { facts, house, session } from '../../tests/demoDog';
import { Refusal, openOffice, show } from '../../tests/office';
import { HouseScreen } from './HouseScreen';

function openHouse(first = house(), refused = false) {
  const held = { house: first };
  const office = openOffice({
    'GET /api/session': () => session(),
    'GET /api/house': () => held.house,
    'PUT /api/breeds': ({ body }) => {
      const breed = { ...body.breed, parents: [], earOdds: null };
      held.house = { ...held.house, ownBreeds: [{ breed, version: body.version + 1 }] };
      return { version: body.version + 1 };
    },
    'POST /api/breeds/reset': () => {
      held.house = { ...held.house, ownBreeds: [] };
      return {};
    },
    'GET /api/book': () => ({ items: [facts('pug'), facts('whippet')], after: null, of: 2 }),
    'PUT /api/house': ({ body }) => {
      if (refused || body.version !== held.house.version)
        throw new Refusal(409, {
          kind: 'conflict',
          message: 'Someone else changed the house ways meanwhile.',
          current: { version: held.house.version },
          yours: body,
        });
      held.house = { ...held.house, ...body, version: body.version + 1 };
      return { version: held.house.version };
    },
  });
  return { office, held, ...show(<HouseScreen />) };
}
/** A worker that does its work at once, as the real one would in its own thread. */
class WorkerAtOnce {
  onmessage: ((event: { data: unknown }) => void) | null = null;
  postMessage(items: readonly DogFacts[]) {
    const book = openBook(items);
    const changed = plansThatChange(book, 'foldWipe', 'pet wipe');
    this.onmessage?.({ data: { question: 'foldWipe', school: 'pet wipe', changed, of: book.length } });
  }
  terminate() {}
}

const asks = HOUSE_QUESTIONS.nails.asks;
const question = () => within(screen.getByRole('radiogroup', { name: asks }));
const chosen = () =>
  question()
    .getAllByRole('radio')
    .findIndex((each) => each.getAttribute('aria-checked') === 'true');

describe('house ways', () => {
  test('every question is there, with each school and what speaks for it', async () => {
    openHouse();
    await screen.findByRole('heading', { name: 'House ways' });
    for (const { asks: words, schools } of Object.values(HOUSE_QUESTIONS)) {
      const group = screen.getByRole('radiogroup', { name: words });
      expect(within(group).getAllByRole('radio')).toHaveLength(schools.length);
      for (const school of schools) expect(group.textContent).toContain(school.for);
    }
  });

  test('says how many plans of the book a school would change, beside the schools not chosen', async () => {
    vi.stubGlobal('Worker', WorkerAtOnce);
    openHouse();
    expect(await screen.findByText('would change 1 of 2 plans')).toBeTruthy();
    expect(screen.getByRole('radio', { name: /Dog wipe/ })).toHaveWords(/would change 1 of 2 plans/);
    vi.stubGlobal('Worker', undefined);
  });

  test('another school is chosen at once, and taken back', async () => {
    const { person, held } = openHouse();
    await screen.findByRole('heading', { name: 'House ways' });
    const before = chosen();
    await person.click(question().getAllByRole('radio')[1 - before] as HTMLElement);
    await waitFor(() => expect(chosen()).toBe(1 - before));
    expect(held.house.ways.nails).not.toBe(DEFAULT_HOUSE_WAYS.nails);
    await person.click(await screen.findByText('Undo'));
    await waitFor(() => expect(chosen()).toBe(before));
    expect(held.house.ways).toEqual(DEFAULT_HOUSE_WAYS);
  });

  test('who may not change them sees them, and why', async () => {
    const { person, office } = openHouse(house({ mayEdit: false }));
    expect(await screen.findByText(/Only a manager changes these/)).toBeTruthy();
    await person.click(question().getAllByRole('radio')[1] as HTMLElement);
    expect(office.sent).toEqual([]);
  });

  test('two taps at once are both kept', async () => {
    const { person, held } = openHouse();
    const plucking = within(await screen.findByRole('radiogroup', { name: 'Hair in the ear canal' }));
    const before = chosen();
    await Promise.all([
      person.click(plucking.getByRole('radio', { name: 'vet' })),
      person.click(question().getAllByRole('radio')[1 - before] as HTMLElement),
      person.selectOptions(screen.getByLabelText('Currency'), 'EUR'),
    ]);
    await waitFor(() => expect(held.house).toMatchObject({ currency: 'EUR', services: { 'ear hair': 'vet' } }));
    await waitFor(() => expect(held.house.ways.nails).not.toBe(DEFAULT_HOUSE_WAYS.nails));
    expect(screen.queryByText(/meanwhile/)).toBeNull();
  });

  test('what someone else chose meanwhile stands beside it; of one question a person chooses', async () => {
    const { person, held } = openHouse();
    await screen.findByRole('heading', { name: 'House ways' });
    held.house = { ...held.house, version: held.house.version + 1, currency: 'SEK' };
    await person.selectOptions(screen.getByLabelText('Units of the house'), 'US');
    await waitFor(() => expect(held.house).toMatchObject({ currency: 'SEK', units: 'US' }));
    held.house = { ...held.house, version: held.house.version + 1, currency: 'NOK' };
    await person.selectOptions(screen.getByLabelText('Currency'), 'EUR');
    await person.click(await screen.findByRole('button', { name: 'Compare' }));
    const dialog = screen.getByRole('dialog', { name: 'Two changes of one thing' });
    expect(dialog).toHaveWords(/Currency.*Yours.*EUR.*Theirs.*NOK/);
    await person.click(within(dialog).getByRole('button', { name: 'Go on with these' }));
    await waitFor(() => expect(held.house.currency).toBe('EUR'));
    expect(screen.queryByText(/meanwhile/)).toBeNull();
  });

  test('what could not be kept stays in sight, and goes when one asks again', async () => {
    const { person, office, held } = openHouse();
    await screen.findByRole('heading', { name: 'House ways' });
    office.away = true;
    await person.selectOptions(screen.getByLabelText('Currency'), 'EUR');
    expect(await screen.findByText(/^Not kept yet/)).toBeTruthy();
    expect(screen.getByLabelText<HTMLSelectElement>('Currency').value).toBe('EUR');
    office.away = false;
    await person.click(screen.getByRole('button', { name: 'Try again' }));
    await waitFor(() => expect(held.house.currency).toBe('EUR'));
    await waitFor(() => expect(screen.queryByText(/^Not kept yet/)).toBeNull());
  });

  test('what the house does at all is chosen by place and law', async () => {
    const { person, held } = openHouse();
    const plucking = within(await screen.findByRole('radiogroup', { name: 'Hair in the ear canal' }));
    await person.click(plucking.getByRole('radio', { name: 'vet' }));
    await waitFor(() => expect(held.house.services['ear hair']).toBe('vet'));
    await person.selectOptions(screen.getByLabelText('One lifts up to'), '18 kg');
    await waitFor(() => expect(held.house.liftAloneKg).toBe(18));
  });

  test('a breed is adjusted with what ships beside it, and comes back as shipped', async () => {
    const { person, office, held } = openHouse();
    await person.selectOptions(await screen.findByLabelText('Adjust a breed'), 'Pug');
    await person.selectOptions(screen.getByLabelText('Muzzle'), 'short');
    expect(screen.getByText('ships as flat')).toBeTruthy();
    await person.type(screen.getByLabelText('Why'), 'ours have more nose');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    expect(await screen.findByText(/Muzzle: short \(ships as flat\) · ours have more nose/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'As shipped' }));
    await waitFor(() => expect(held.house.ownBreeds).toEqual([]));
    expect(office.sent.map(([key]) => key)).toEqual(['PUT /api/breeds', 'POST /api/breeds/reset']);
  });

  test('a breed that is added gets an address from its name; a wrong weight is told at its field', async () => {
    const { person, office } = openHouse();
    await person.click(await screen.findByRole('button', { name: 'Add a breed' }));
    await person.type(screen.getByLabelText('Name'), 'Quay dog, größer');
    await person.clear(screen.getByLabelText('Grown, from kg'));
    await person.type(screen.getByLabelText('Grown, from kg'), '40');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    expect(await screen.findByText('The lighter end is heavier than the other.')).toBeTruthy();
    await person.clear(screen.getByLabelText('Grown, from kg'));
    await person.type(screen.getByLabelText('Grown, from kg'), '4,5');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() =>
      expect(office.sent.at(-1)).toMatchObject([
        'PUT /api/breeds',
        { version: 0, breed: { id: 'own-quay-dog-grosser', weightKg: [4.5, 16] } },
      ]),
    );
  });

  test('when someone else was quicker it says so', async () => {
    const { person } = openHouse(house(), true);
    await screen.findByRole('heading', { name: 'House ways' });
    await person.selectOptions(screen.getByLabelText('Units of the house'), 'US');
    expect(await screen.findByText('Not kept yet. Someone else changed the house ways meanwhile.')).toBeTruthy();
  });
});
