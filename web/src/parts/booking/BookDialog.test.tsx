import { day } from '@dewpond/core/units';
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { DOG_ID, MEMBER, booking, business, dogView, session } from '../../tests/demoDog';
import { openServer, show } from '../../tests/server';
import { BookDialog } from './BookDialog';

const radish = { id: DOG_ID, name: 'Radish', suggested: day('2026-12-10') };
const opened = (props: Partial<Parameters<typeof BookDialog>[0]> = {}) => {
  openServer({ 'GET /api/session': () => session() });
  show(<BookDialog open onClose={() => undefined} dog={radish} {...props} />);
};

test('a dog that is booked already is said to be, so that nobody books it twice', async () => {
  opened({ dog: { ...radish, booked: day('2026-12-02') } });
  expect(await screen.findByText('Booked for Wed 2 Dec already; these are for the visit after it.')).toBeTruthy();
});

test('one that is not has the day its plan suggests; so has a booking that is moved', async () => {
  opened();
  expect(await screen.findByText('The plan suggests around Thu 10 Dec.')).toBeTruthy();
  opened({ dog: { ...radish, booked: day('2026-12-02') }, moving: booking({}) });
  expect(await screen.findAllByText('The plan suggests around Thu 10 Dec.')).toHaveLength(2);
});

test('what is typed by hand is not lost when the best times arrive: before, there is nothing to type into', async () => {
  const slots = {
    kind: 'full visit',
    minutes: 90,
    lateBy: null,
    everyWeeks: 5,
    visits: [{ dogId: DOG_ID, name: 'Radish', kind: 'full visit', minutes: 90 }],
    household: [],
    noShows: 0,
    lateCancellations: 0,
  };
  openServer({
    'GET /api/session': () => session(),
    'GET /api/members': () => ({ items: [MEMBER] }),
    'GET /api/business': () => business(),
    'GET /api/dogs/:id': () => dogView(),
    'GET /api/appointments': () => ({ items: [] }),
    'GET /api/dogs/:id/slots': () => ({ ...slots, slots: [] }) as never,
  });
  let arrive = (): void => undefined;
  const arrived = new Promise<void>((done) => (arrive = done));
  const soon = globalThis.fetch;
  vi.stubGlobal('fetch', async (...asked: Parameters<typeof fetch>) => {
    const [address] = asked;
    if ((typeof address === 'string' ? address : '').includes('/slots')) await arrived;
    return soon(...asked);
  });
  const { person } = show(<BookDialog open onClose={() => undefined} dog={radish} />);
  await screen.findByText('The best times…');
  expect(screen.queryByLabelText('Note for the table')).toBeNull();
  // Nor is there anything to press: it would move, and a time be under the finger.
  expect(screen.queryByRole('button', { name: 'Another time' })).toBeNull();
  arrive();
  await person.type(await screen.findByLabelText('Note for the table'), 'cut in December');
  expect(screen.getByLabelText<HTMLInputElement>('Note for the table').value).toBe('cut in December');
  vi.unstubAllGlobals();
});
