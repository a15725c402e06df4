import type { Role } from '@dewpond/core/rights';
import type { ImportView } from '@dewpond/contract';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { DOG_ID, MEMBER, client, business, listed, sessionOf } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { ImportScreen } from './ImportScreen';
import { choose } from '../../../tests/choose';

function openImport(runs: ImportView[] = [], role: Role = 'manager') {
  const held = { runs };
  const server = openServer({
    'GET /api/session': () => sessionOf(role),
    'GET /api/business': () => business(),
    'GET /api/clients': () => ({ items: [client()], after: null }),
    'GET /api/dogs': () => ({ items: [listed()], after: null }),
    'GET /api/imports': () => ({ items: held.runs }),
    'GET /api/members': () => ({ items: [MEMBER] }),
    'POST /api/ahead': ({ body }) => ({
      booked: body.visits.filter(({ minutes }) => minutes !== 45).map(({ id }) => id),
      moved: [],
      refused: body.visits
        .filter(({ minutes }) => minutes === 45)
        .map(({ id }) => ({ id, why: 'That person has another dog then.' })),
    }),
    'PUT /api/appointments/:id': () => ({ version: 2 }),
    'POST /api/imports': ({ body }) => ({ id: body.id }),
    'PUT /api/imports/:id': ({ id, body }) => {
      const state = body.step === 'undo' ? 'undone' : 'cancelled';
      held.runs = held.runs.map((run) => (run.id === id ? { ...run, state } : run));
      return held.runs.find((run) => run.id === id) as ImportView;
    },
  });
  return { server, held, ...show(<ImportScreen />) };
}
const giveFile = async (name: string, content: BlobPart, size?: number) => {
  const input = (await screen.findByText('Choose a file, or drop it here')).closest('label')?.querySelector('input');
  const file = new File([content], name);
  // The test's files cannot be read as bytes, nor be 200 MB.
  Object.defineProperty(file, 'arrayBuffer', { value: () => new Response(content).arrayBuffer() });
  if (size !== undefined) Object.defineProperty(file, 'size', { value: size });
  fireEvent.change(input as HTMLInputElement, { target: { files: [file] } });
};
const FILE =
  'Kunde;Hund;Rasse;Gewicht;Telefon\nAmara Nwosu;Radish;Pug;8;01632 960101\nAmara Nwosu;Umber;Pug;9;01632 960101\nWen Halloran;Plover;Whippet;12,1;01632 960168\n;Quill;Pug;8;\nTove Lind;Bramble;Pug;900;01632 960184\n';
const rowsShown = () => screen.getAllByRole('row').slice(1);
const button = (name: RegExp | string) => screen.getByRole<HTMLButtonElement>('button', { name });

describe('bringing in a list', () => {
  test('a column nobody guessed is told apart by hand; then every row says what becomes of it', async () => {
    const { person } = openImport();
    await giveFile('kunden.csv', FILE);
    expect(await screen.findByText(/Say which column holds the owner’s name/)).toBeTruthy();
    await choose(person, screen.getByLabelText('Kunde'), 'Owner’s name');
    await waitFor(() => expect(rowsShown()).toHaveLength(5));
    expect(rowsShown()[0]).toHaveWords(/Radish.*in the book already/);
    expect(rowsShown()[1]).toHaveWords(/Umber.*new dog of Amara Nwosu/);
    expect(rowsShown()[2]).toHaveWords(/Plover.*Whippet, 12.1 kg.*new owner/);
    expect(rowsShown()[3]).toHaveWords(/Quill.*cannot be taken.*The owner has no name/);
    expect(rowsShown()[4]).toHaveWords(/Bramble.*cannot be taken.*Weight: A dog weighs at most 130 kg/);
    await person.click(button('cannot be taken 2'));
    expect(rowsShown()).toHaveLength(2);
  });

  test('the chosen rows are sent, those left out are not', async () => {
    const { person, server } = openImport();
    await giveFile('book.csv', FILE.replace('Kunde', 'Owner'));
    await person.click(await screen.findByRole('checkbox', { name: 'Take row 3' }));
    await person.click(button('Bring in 1 dog'));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.[1]).toMatchObject({
      fileName: 'book.csv',
      rows: [
        {
          line: 4,
          client: { kind: 'new', name: 'Wen Halloran' },
          dogs: [{ profile: { name: 'Plover', weightKg: 12.1 } }],
        },
      ],
    });
  });

  test('sent again after an answer that never came, the rows are the same rows', async () => {
    const { person, server } = openImport();
    await giveFile('book.csv', FILE.replace('Kunde', 'Owner'));
    await screen.findByRole('checkbox', { name: 'Take row 3' });
    server.loses = 4;
    await person.click(button(/^Bring in/));
    expect(await screen.findByText(/cannot be reached/, undefined, { timeout: 9000 })).toBeTruthy();
    await person.click(await screen.findByRole('button', { name: /^Bring in/ }));
    await waitFor(() => expect(server.sent.length).toBeGreaterThan(4), { timeout: 9000 });
    expect(new Set(server.sent.map(([, body]) => JSON.stringify(body))).size).toBe(1);
  });

  test('vCards need no columns', async () => {
    openImport();
    await giveFile('people.vcf', 'BEGIN:VCARD\r\nVERSION:3.0\r\nFN:Kofi Lindgren\r\nTEL:01632 960190\r\nEND:VCARD\r\n');
    await waitFor(() => expect(rowsShown()[0]).toHaveWords(/Kofi Lindgren.*no dog.*new owner/));
    expect(button('Bring in 1 owner').disabled).toBe(false);
  });

  test.each<[string, BlobPart, number | undefined, RegExp]>([
    [
      'a picture that is called a table',
      Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 1]),
      undefined,
      /picture \(PNG\).*Nothing was imported/,
    ],
    ['a file of 200 MB', 'Owner\nA\n', 200 * 1024 * 1024, /200 MB; at most 24 MB/],
    ['a file with nothing in it', '', undefined, /empty/],
  ])('%s is refused in words', async (_, content, size, words) => {
    const { server } = openImport();
    await giveFile('book.csv', content, size);
    await waitFor(() => expect(screen.getByRole('alert')).toHaveWords(words));
    expect(server.sent).toEqual([]);
  });
});

describe('imports of late', () => {
  const run = (more: Partial<ImportView>): ImportView => ({
    id: v7(),
    fileName: 'book.csv',
    by: 'Ines',
    at: '2026-11-25T09:00:00Z',
    state: 'done',
    done: 2,
    total: 2,
    report: { clients: 2, dogs: 3, words: '' },
    ...more,
  });

  test('one that runs shows how far it is, and is cancelled', async () => {
    const { person, held } = openImport([run({ state: 'running', done: 250, total: 1000, report: null })]);
    const bar = await screen.findByRole('progressbar', { name: '250 of 1000 owners written' });
    expect(bar).toBeTruthy();
    await person.click(button('Cancel'));
    await waitFor(() => expect(held.runs[0]?.state).toBe('cancelled'));
  });

  test('one that is done is taken back whole; one that failed says why', async () => {
    const failed = run({
      fileName: 'bad.csv',
      state: 'failed',
      report: { clients: 0, dogs: 0, words: 'Row 4: no such breed in the catalogue. Nothing was imported.' },
    });
    const { person, server } = openImport([run({}), failed]);
    const list = (await screen.findByRole('heading', { name: 'Imports of late' })).closest('section') as HTMLElement;
    expect(list).toHaveWords(/2 owners, 3 dogs/);
    expect(list).toHaveWords(/Row 4: no such breed/);
    await person.click(within(list).getByRole('button', { name: 'Take it back' }));
    await waitFor(() => expect(server.sent).toMatchObject([['PUT /api/imports/:id', { step: 'undo' }]]));
  });

  test('every file of the book can be taken along', async () => {
    openImport();
    const links = await screen.findAllByRole('link', { name: /\.(csv|vcf)$/ });
    expect(links.map((link) => link.getAttribute('href'))).toContain('/api/export/dogs.csv');
    expect(links).toHaveLength(11);
  });
});

describe('bookings from a file', () => {
  const give = async (content: string) => {
    const input = await screen.findByLabelText<HTMLInputElement>(/Bookings \(\.csv\)/);
    const file = new File([content], 'bookings.csv');
    Object.defineProperty(file, 'arrayBuffer', { value: () => new Response(content).arrayBuffer() });
    fireEvent.change(input, { target: { files: [file] } });
  };

  test('are read, looked at and booked; what is over, unknown or taken is told by row; back by one notice', async () => {
    const { person, server } = openImport();
    await screen.findByText('Bring in bookings');
    const rows = [
      'Radish,2099-12-01 9:30,60',
      'Radish,2099-12-02 9:30,45',
      'Rook,2099-12-01 9:30,60',
      'Radish,2020-12-01 9:30,60',
    ];
    await give(`Dog,Starts,Minutes\n${rows.join('\n')}`);
    expect(await screen.findByRole('list', { name: 'Will be booked' })).toHaveWords(
      /Radish, .* at 9:30, full visit, 60 min/,
    );
    expect(screen.getByRole('list', { name: 'Left' })).toHaveWords(/Row 4: No dog is called Rook.*Row 5: It is over/);
    await waitFor(() => expect(button('Book 2').disabled).toBe(false));
    await person.click(button('Book 2'));
    await waitFor(() => expect(server.sent.at(-1)?.[0]).toBe('POST /api/ahead'));
    expect(server.sent.at(-1)?.[1]).toMatchObject({
      visits: [
        { dogId: DOG_ID, memberId: MEMBER.id, startsAt: '2099-12-01T09:30:00.000Z', minutes: 60 },
        { minutes: 45 },
      ],
    });
    expect(await screen.findByText('1 booking brought in.')).toBeTruthy();
    expect(await screen.findByText(/Row 3: That person has another dog then/)).toBeTruthy();
    await person.click(button('Undo'));
    await waitFor(() => expect(server.sent.at(-1)).toMatchObject(['POST /api/ahead', { cancelled: [{ version: 1 }] }]));
  });

  test('a file without a column for the dog says which it needs', async () => {
    openImport();
    await give('Owner,Starts\nFolake,2099-12-01 9:30');
    expect(await screen.findByText('No column says which dog comes: call it “Dog”.')).toBeTruthy();
  });
});

test('who may neither bring a book in nor take it out is told who may; bookings are brought in all the same', async () => {
  openImport([], 'bather');
  expect(await screen.findByText('Only an owner-manager may bring a book in.')).toBeTruthy();
  expect(screen.getByText('Only an owner-manager or a groomer may take the book out.')).toBeTruthy();
  expect(screen.queryByText('Choose a file, or drop it here')).toBeNull();
  expect(screen.queryByRole('link', { name: /dogs\.csv/ })).toBeNull();
  expect(screen.queryByRole('link', { name: 'Owners' })).toBeNull();
  expect(screen.getByText('Bring in bookings')).toBeTruthy();
});

test('an owner-manager can take the whole business out', async () => {
  openImport();
  const link = await screen.findByRole('link', { name: 'Take everything out' });
  expect(link.getAttribute('href')).toBe('/api/house/all.zip');
});

test('a groomer takes lists out, not the whole business', async () => {
  openImport([], 'groomer');
  await screen.findByText('Only an owner-manager may bring a book in.');
  expect(screen.getByText('Take the book with you')).toBeTruthy();
  expect(screen.queryByRole('link', { name: 'Take everything out' })).toBeNull();
});
