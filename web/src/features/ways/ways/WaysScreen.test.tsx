import { dogsByRow, openBook, plansThatChange, plansThatMove, type BookEntry } from '@dewpond/core/changes';
import { DEFAULT_HOUSE_WAYS, HOUSE_QUESTIONS } from '@dewpond/core/ways';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { facts, business, sessionOf } from '../../../tests/demoDog';
import { RefusedAnswer, openServer, show } from '../../../tests/server';
import type { BookCount, BookQuestion } from './bookWorker';
import { WaysScreen } from './WaysScreen';
import { choose } from '../../../tests/choose';

function openBusiness(first = business(), refused = false) {
  const held = { business: first };
  const server = openServer({
    'GET /api/session': () => sessionOf(first.mayEdit ? 'manager' : 'groomer'),
    'GET /api/business': () => held.business,
    'PUT /api/breeds': ({ body }) => {
      const breed = { ...body.breed, parents: [], earOdds: null };
      held.business = { ...held.business, ownBreeds: [{ breed, version: body.version + 1 }] };
      return { version: body.version + 1 };
    },
    'POST /api/breeds/reset': () => {
      held.business = { ...held.business, ownBreeds: [] };
      return {};
    },
    'GET /api/book': () => ({ items: [facts('pug'), facts('whippet')], after: null, of: 2 }),
    'PUT /api/business': ({ body }) => {
      if (refused || body.version !== held.business.version)
        throw new RefusedAnswer(409, {
          kind: 'conflict',
          message: 'Someone else changed the house ways meanwhile.',
          current: { version: held.business.version },
          yours: body,
        });
      held.business = { ...held.business, ...body, version: body.version + 1 };
      return { version: held.business.version };
    },
  });
  return { server, held, ...show(<WaysScreen />) };
}
/** A worker that does its work at once, as the real one would in its own thread. */
class WorkerAtOnce {
  onmessage: ((event: { data: BookCount }) => void) | null = null;
  private readonly book: BookEntry[] = [];
  postMessage(asked: BookQuestion) {
    if (asked.kind === 'days') {
      const changed = plansThatMove(this.book, asked.row, asked.set);
      this.onmessage?.({ data: { ...asked, changed, of: this.book.length } });
      return;
    }
    const page = openBook(asked.facts);
    this.book.push(...page);
    const changed = plansThatChange(page, 'foldWipe', 'pet wipe');
    this.onmessage?.({ data: { kind: 'school', question: 'foldWipe', school: 'pet wipe', changed, of: page.length } });
    this.onmessage?.({ data: { kind: 'lines', decides: Object.fromEntries(dogsByRow(this.book)) } });
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
    openBusiness();
    await screen.findByRole('heading', { name: 'House ways' });
    for (const { asks: words, schools } of Object.values(HOUSE_QUESTIONS)) {
      const group = screen.getByRole('radiogroup', { name: words });
      expect(within(group).getAllByRole('radio')).toHaveLength(schools.length);
      for (const school of schools) expect(group.textContent).toContain(school.for);
    }
  });

  test('says how many plans of the book a school would change, beside the schools not chosen', async () => {
    vi.stubGlobal('Worker', WorkerAtOnce);
    openBusiness();
    expect(await screen.findByText('would change 1 of 2 plans')).toBeTruthy();
    expect(screen.getByRole('radio', { name: /Dog wipe/ })).toHaveWords(/would change 1 of 2 plans/);
    vi.stubGlobal('Worker', undefined);
  });

  test('how often is set row by row, with how many plans it would change, and goes back', async () => {
    vi.stubGlobal('Worker', WorkerAtOnce);
    const { person, held } = openBusiness();
    const folds = within(await screen.findByRole('region', { name: 'Folds' }));
    expect(await folds.findAllByText('1 dog')).toHaveLength(2);
    await person.click(folds.getByRole('button', { name: 'Other days: folds, deep' }));
    const dialog = within(screen.getByRole('dialog', { name: 'Folds: deep' }));
    const type = async (label: string, text: string) => {
      await person.clear(dialog.getByLabelText(label));
      await person.type(dialog.getByLabelText(label), text);
    };
    await type('Usual, days', '50');
    expect(dialog.getByRole('alert')).toHaveWords(/least, then usual, then most/);
    await person.click(dialog.getByRole('button', { name: 'Set these days' }));
    expect(held.business.intervals).toEqual({});
    await type('Usual, days', '10');
    expect(await dialog.findByText('Would change 1 of 2 plans.')).toBeTruthy();
    await person.click(dialog.getByRole('button', { name: 'Set these days' }));
    await waitFor(() =>
      expect(held.business.intervals).toEqual({ 'fold care: deep': { least: 7, usual: 10, most: 42 } }),
    );
    expect(await folds.findByText('shipped: every 21 days (7–42)')).toBeTruthy();
    await person.click(folds.getByRole('button', { name: 'Other days: folds, deep' }));
    await person.click(screen.getByRole('button', { name: 'As it ships' }));
    await waitFor(() => expect(held.business.intervals).toEqual({}));
    vi.stubGlobal('Worker', undefined);
  });

  test('a kind of visit of its own has a name, parts and minutes, and is taken off again', async () => {
    const { person, held } = openBusiness();
    await person.click(await screen.findByRole('button', { name: 'A kind of our own…' }));
    const dialog = within(screen.getByRole('dialog'));
    await person.click(dialog.getByRole('button', { name: 'Keep it' }));
    expect(dialog.getByText('Nothing is done at that visit.')).toBeTruthy();
    await person.type(dialog.getByLabelText('Name'), 'Beach rinse');
    await person.click(dialog.getByRole('button', { name: 'bath' }));
    await person.click(dialog.getByRole('button', { name: 'ears' }));
    await person.click(dialog.getByRole('button', { name: 'Keep it' }));
    await waitFor(() =>
      expect(held.business.visitKinds).toMatchObject([{ name: 'Beach rinse', parts: ['bath', 'ears'], minutes: 75 }]),
    );
    await person.click(await screen.findByRole('button', { name: 'No longer offered: Beach rinse' }));
    await waitFor(() => expect(held.business.visitKinds).toEqual([]));
  });

  test('another school is chosen at once, and taken back', async () => {
    const { person, held } = openBusiness();
    await screen.findByRole('heading', { name: 'House ways' });
    const before = chosen();
    await person.click(question().getAllByRole('radio')[1 - before] as HTMLElement);
    await waitFor(() => expect(chosen()).toBe(1 - before));
    expect(held.business.ways.nails).not.toBe(DEFAULT_HOUSE_WAYS.nails);
    await person.click(await screen.findByText('Undo'));
    await waitFor(() => expect(chosen()).toBe(before));
    expect(held.business.ways).toEqual(DEFAULT_HOUSE_WAYS);
  });

  test('who may not change them sees them, and why', async () => {
    const { person, server } = openBusiness(business({ mayEdit: false }));
    expect(await screen.findByText(/Only an owner-manager may change the house ways/)).toBeTruthy();
    await person.click(question().getAllByRole('radio')[1] as HTMLElement);
    expect(server.sent).toEqual([]);
  });

  test('two taps at once are both kept', async () => {
    const { person, held } = openBusiness();
    const plucking = within(await screen.findByRole('radiogroup', { name: 'Hair in the ear canal' }));
    const before = chosen();
    await Promise.all([
      person.click(plucking.getByRole('radio', { name: 'vet' })),
      person.click(question().getAllByRole('radio')[1 - before] as HTMLElement),
      choose(person, screen.getByLabelText('Currency'), 'EUR'),
    ]);
    await waitFor(() => expect(held.business).toMatchObject({ currency: 'EUR', services: { 'ear hair': 'vet' } }));
    await waitFor(() => expect(held.business.ways.nails).not.toBe(DEFAULT_HOUSE_WAYS.nails));
    expect(screen.queryByText(/meanwhile/)).toBeNull();
  });

  test('what someone else chose meanwhile stands beside it; of one question a person chooses', async () => {
    const { person, held } = openBusiness();
    await screen.findByRole('heading', { name: 'House ways' });
    held.business = { ...held.business, version: held.business.version + 1, currency: 'SEK' };
    await choose(person, screen.getByLabelText('Units of the business'), 'US');
    await waitFor(() => expect(held.business).toMatchObject({ currency: 'SEK', units: 'US' }));
    held.business = { ...held.business, version: held.business.version + 1, currency: 'NOK' };
    await choose(person, screen.getByLabelText('Currency'), 'EUR');
    await person.click(await screen.findByRole('button', { name: 'Compare' }));
    const dialog = screen.getByRole('dialog', { name: 'Two changes of one thing' });
    expect(dialog).toHaveWords(/Currency.*Yours.*EUR.*Theirs.*NOK/);
    await person.click(within(dialog).getByRole('button', { name: 'Go on with these' }));
    await waitFor(() => expect(held.business.currency).toBe('EUR'));
    expect(screen.queryByText(/meanwhile/)).toBeNull();
  });

  test('what could not be kept stays in sight, and goes when one asks again', async () => {
    const { person, server, held } = openBusiness();
    await screen.findByRole('heading', { name: 'House ways' });
    server.away = true;
    await choose(person, screen.getByLabelText('Currency'), 'EUR');
    expect(await screen.findByText(/^Not kept yet/)).toBeTruthy();
    expect(screen.getByLabelText('Currency').textContent).toBe('EUR');
    server.away = false;
    await person.click(screen.getByRole('button', { name: 'Try again' }));
    await waitFor(() => expect(held.business.currency).toBe('EUR'));
    await waitFor(() => expect(screen.queryByText(/^Not kept yet/)).toBeNull());
  });

  test('what the business does at all is chosen by place and law', async () => {
    const { person, held } = openBusiness();
    const plucking = within(await screen.findByRole('radiogroup', { name: 'Hair in the ear canal' }));
    await person.click(plucking.getByRole('radio', { name: 'vet' }));
    await waitFor(() => expect(held.business.services['ear hair']).toBe('vet'));
    await choose(person, screen.getByLabelText('One lifts up to'), '18 kg');
    await waitFor(() => expect(held.business.liftAloneKg).toBe(18));
  });

  test('a line of the table of washes is changed and says what shipped; mix a square metre is the business’s own', async () => {
    const { person, held } = openBusiness();
    const line = await screen.findByLabelText('First wash: for dirt, other dogs');
    await choose(person, line, 'gentle wash');
    await waitFor(() => expect(held.business.washKinds).toEqual({ 'first: other dogs': 'gentle wash' }));
    expect(await screen.findByText(/shipped: cleansing/)).toBeTruthy();
    await choose(person, screen.getByLabelText('First wash: for dirt, other dogs'), 'cleansing');
    await waitFor(() => expect(held.business.washKinds).toEqual({}));
    await choose(person, screen.getByLabelText('Mix for the first wash, a square metre of skin'), '600 ml');
    await waitFor(() => expect(held.business.mixPerSquareMetre).toBe(600));
  });

  test('a breed is adjusted with what ships beside it, and comes back as shipped', async () => {
    const { person, server, held } = openBusiness();
    await choose(person, await screen.findByLabelText('Adjust a breed'), 'Pug');
    await choose(person, screen.getByLabelText('Muzzle'), 'short');
    expect(screen.getByText('ships as flat')).toBeTruthy();
    await person.type(screen.getByLabelText('Why'), 'ours have more nose');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    expect(await screen.findByText(/Muzzle: short \(ships as flat\) · ours have more nose/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'As shipped' }));
    await waitFor(() => expect(held.business.ownBreeds).toEqual([]));
    expect(server.sent.map(([key]) => key)).toEqual(['PUT /api/breeds', 'POST /api/breeds/reset']);
  });

  test('a breed that is added gets an address from its name; a wrong weight is told at its field', async () => {
    const { person, server } = openBusiness();
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
      expect(server.sent.at(-1)).toMatchObject([
        'PUT /api/breeds',
        { version: 0, breed: { id: 'own-quay-dog-grosser', weightKg: [4.5, 16] } },
      ]),
    );
  });

  test('when someone else was quicker it says so', async () => {
    const { person } = openBusiness(business(), true);
    await screen.findByRole('heading', { name: 'House ways' });
    await choose(person, screen.getByLabelText('Units of the business'), 'US');
    expect(await screen.findByText('Not kept yet. Someone else changed the house ways meanwhile.')).toBeTruthy();
  });
});
