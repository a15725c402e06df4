import type { DogListItem } from '@dewpond/contract';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { TODAY, listed, session } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { DogsScreen } from './DogsScreen';

const BOOK: DogListItem[] = [
  listed({ openVet: true }),
  listed({
    id: v7(),
    name: 'Teasel',
    breed: 'Lagotto Romagnolo × Miniature Poodle',
    owner: 'Folake Adéyemí',
    phone: '01632 960114',
    next: { day: TODAY, task: 'clean ears, left ear', late: true, since: '2026-11-20' as typeof TODAY },
    nextBooked: '2026-11-26T09:10:00Z',
  }),
  listed({ id: v7(), name: 'Larch', breed: 'Greyhound', owner: 'Sami Castellanos', phone: '01632 960122', next: null }),
];
function openList(items = BOOK) {
  openServer({ 'GET /api/session': () => session(), 'GET /api/dogs': () => ({ items, after: null }) });
  return show(<DogsScreen />);
}
const names = () =>
  within(screen.getByRole('table'))
    .getAllByRole('link')
    .filter((each) => each.getAttribute('href')?.startsWith('/dogs/'))
    .map((each) => each.textContent);

describe('the list of dogs', () => {
  test('says what is due and booked for each', async () => {
    openList();
    await screen.findByRole('table');
    const rows = screen.getAllByRole('row');
    expect(rows[1]).toHaveWords(/Radish.*Pug, 8 kg.*Fri 27 Nov.*not booked.*for a vet/);
    expect(rows[2]).toHaveWords(/Teasel.*late.*Thu 26 Nov, 9:10/);
    expect(rows[3]).toHaveWords(/Larch.*nothing recurring/);
  });

  test.each([
    ['teas', ['Teasel']],
    ['adeyemi', ['Teasel']],
    ['960101', ['Radish']],
    ['castell grey', ['Larch']],
  ])('"%s" finds %j, whatever the accents', async (words, found) => {
    const { person } = openList();
    await person.type(await screen.findByLabelText('Find'), words);
    expect(names()).toEqual(found);
  });

  test('filters count and keep', async () => {
    const { person } = openList();
    await person.click(await screen.findByRole('button', { name: 'Late 1' }));
    expect(names()).toEqual(['Teasel']);
    await person.click(screen.getByRole('button', { name: 'For a vet 1' }));
    expect(names()).toEqual(['Radish']);
    await person.click(screen.getByRole('button', { name: 'Not booked 2' }));
    expect(names()).toEqual(['Radish', 'Larch']);
  });

  test('a dog that is archived is out of sight until it is asked for, and can be found', async () => {
    const { person } = openList([...BOOK, listed({ id: v7(), name: 'Umber', archived: true })]);
    await screen.findByRole('table');
    expect(names()).not.toContain('Umber');
    await person.click(screen.getByRole('button', { name: 'Archived 1' }));
    expect(names()).toEqual(['Umber']);
  });

  test('a large book that is not reckoned yet says how far it is, and has the rest reckoned', async () => {
    let reckoned = false;
    const server = openServer({
      'GET /api/session': () => session(),
      'GET /api/dogs': () => ({ items: BOOK.map((dog) => ({ ...dog, reckoned })), after: null }),
      'POST /api/book/reckon': () => {
        reckoned = true;
        return { left: 0 };
      },
    });
    show(<DogsScreen />);
    expect(await screen.findByText(/Working out what is due: 0 of 3 dogs/)).toBeTruthy();
    await waitFor(() => expect(screen.queryByText(/Working out/)).toBeNull());
    expect(server.sent.map(([key]) => key)).toEqual(['POST /api/book/reckon']);
  });

  test('nothing found says what to try', async () => {
    const { person } = openList();
    await person.type(await screen.findByLabelText('Find'), 'zebra');
    expect(screen.getByText(/Try fewer words/)).toBeTruthy();
  });

  test('an empty book says what to do first', async () => {
    openList([]);
    expect(await screen.findByText(/No dogs yet/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Add the first dog' })).toBeTruthy();
  });
});
