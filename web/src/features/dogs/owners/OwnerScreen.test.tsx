import type { ClientView, HoursView } from '@dewpond/contract';
import { PLAN_COSTS, USUAL_PLACES, USUAL_WEEK } from '@dewpond/core/bookings';
import { EMPTY_CARD } from '@dewpond/core/clients';
import { act, screen, waitFor, within } from '@testing-library/react';
import { queryClient } from '../../../data/queries';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { CLIENT_ID, TODAY, client, listed, session } from '../../../tests/demoDog';
import { choose } from '../../../tests/choose';
import { RefusedAnswer, openServer, show } from '../../../tests/server';
import { OwnerScreen } from './OwnerScreen';
import { OwnersScreen } from './OwnersScreen';

const KUNLE = client({
  id: v7(),
  name: 'Kunle Adeyemi',
  card: { ...EMPTY_CARD, phones: [{ number: '07700 900114', whose: '' }] },
});
const ROOK = v7();
/** Somebody goes to the islets on Tuesdays, and is good with nervous dogs. */
const HOURS: HoursView = {
  people: [
    {
      ...{ id: session().member.id, name: session().member.name, isUsual: false, skills: ['nervous dogs'] },
      week: USUAL_WEEK.map((spans, i) => (i === 1 ? spans.map((span) => ({ ...span, where: 'islets' })) : spans)),
    },
  ],
  ...{ away: [], mayEdit: true, places: USUAL_PLACES, costs: PLAN_COSTS, remindsAt: null, version: 1 },
};
const view = (more: Partial<ClientView> = {}): ClientView => ({
  client: client(),
  wishes: null,
  dogs: [{ id: v7(), name: 'Radish', breed: 'Pug', archivedOn: null, version: 1, needs: null }],
  housemates: [],
  likelySame: [],
  merges: [],
  ...more,
});

function openOwner(first = view(), refused?: RefusedAnswer) {
  const held = { view: first };
  const server = openServer({
    'GET /api/session': () => session(),
    'GET /api/members': () => ({ items: [session().member] }),
    'GET /api/hours': () => HOURS,
    'GET /api/dogs': () => ({ items: [listed({ id: ROOK, name: 'Rook', owner: 'Elin Sato' })], after: null }),
    'PUT /api/clients/:id/wishes': ({ body }) => {
      const version = body.version + 1;
      held.view = { ...held.view, wishes: body.wishes, client: { ...held.view.client, version } };
      return { version };
    },
    'PUT /api/dogs/:id/needs': ({ id, body }) => {
      const version = body.version + 1;
      const dogs = held.view.dogs.map((dog) => (dog.id === id ? { ...dog, version, needs: body.needs } : dog));
      held.view = { ...held.view, dogs };
      return { version };
    },
    'GET /api/clients': () => ({ items: [held.view.client, KUNLE], after: null }),
    'GET /api/clients/:id': () => held.view,
    'PUT /api/clients/:id': ({ body }) => {
      if (refused) throw refused;
      const version = body.version + 1;
      held.view = { ...held.view, client: { ...held.view.client, name: body.name, card: body.card, version } };
      return { version };
    },
    'PUT /api/clients/:id/archive': ({ body }) => {
      const version = body.version + 1;
      held.view = { ...held.view, client: { ...held.view.client, version, archivedOn: body.archived ? TODAY : null } };
      return { version };
    },
    'PUT /api/clients/:id/household': ({ body }) => {
      const home = { id: v7(), name: 'Adeyemi' };
      held.view = {
        ...held.view,
        client: { ...held.view.client, household: body.with ? home : null },
        housemates: body.with ? [{ id: KUNLE.id, name: KUNLE.name, dogs: [] }] : [],
      };
      return {};
    },
    'GET /api/clients/:id/merge': ({ id, query }) => ({
      of: 'client',
      survivor: { id, name: held.view.client.name },
      gone: { id: query.get('gone') ?? '', name: KUNLE.name },
      moves: ['the dog Umber'],
      gains: [],
      refused: null,
    }),
    'POST /api/clients/:id/merge': ({ body }) => ({ id: body.id }),
    'POST /api/merges/:id/undo': ({ id }) => ({ id }),
  });
  return { server, held, ...show(<OwnerScreen />, { path: '/owners/:id', at: `/owners/${CLIENT_ID}` }) };
}
const button = (name: RegExp | string) => screen.getByRole<HTMLButtonElement>('button', { name });
const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name);

describe('two people at one owner', () => {
  const changed = (name: string, note: string) => {
    const first = view();
    return {
      ...first,
      client: { ...first.client, name, version: first.client.version + 1, card: { ...first.client.card, note } },
    };
  };

  test('what was typed survives a refetch, and one chooses field by field', async () => {
    const { person, held, server } = openOwner();
    await person.clear(await screen.findByLabelText('Name'));
    await person.type(screen.getByLabelText('Name'), 'Folake A.');
    held.view = changed('Folake Adeyemi-Ross', 'Rings first.');
    await act(() => queryClient.invalidateQueries());
    expect(await screen.findByText(/Someone else changed this owner meanwhile/)).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('Folake A.');
    await person.click(screen.getByRole('button', { name: 'Compare' }));
    const dialog = screen.getByRole('dialog', { name: 'Two changes of one thing' });
    expect(dialog).toHaveWords(/Yours.*Folake A\..*Theirs.*Folake Adeyemi-Ross/);
    await person.click(within(dialog).getByRole('button', { name: 'Go on with these' }));
    await person.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() =>
      expect(server.sent.at(-1)?.[1]).toMatchObject({
        name: 'Folake A.',
        version: held.view.client.version - 1,
        card: { note: 'Rings first.' },
      }),
    );
  });

  test('archived while one types: nothing of it meets what was typed, and it is kept by the newer version', async () => {
    const { person, held, server } = openOwner();
    await person.type(await screen.findByLabelText('Note'), 'Side gate');
    held.view = { ...held.view, client: { ...held.view.client, version: 2, archivedOn: TODAY } };
    await act(() => queryClient.invalidateQueries());
    expect(await screen.findByText(/^archived/)).toBeTruthy();
    expect(screen.queryByText(/meanwhile/)).toBeNull();
    await person.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ version: 2, card: { note: 'Side gate' } }));
  });

  test('a form in which nothing was typed follows the server', async () => {
    const { held } = openOwner();
    await screen.findByLabelText('Name');
    held.view = changed('Folake Adeyemi-Ross', '');
    await act(() => queryClient.invalidateQueries());
    expect(await screen.findByDisplayValue('Folake Adeyemi-Ross')).toBeTruthy();
    expect(screen.queryByText(/meanwhile/)).toBeNull();
  });
});

describe('an owner', () => {
  test('has several phones, the first tried first; empty rows fall away', async () => {
    const { person, server } = openOwner();
    expect(await screen.findByRole('heading', { name: 'Amara Nwosu' })).toBeTruthy();
    expect(button('Save').disabled).toBe(true);
    await person.click(button('Another phone'));
    await person.type(field('Phone 2'), '07700 900171');
    await person.click(button('Another phone'));
    await person.type(field('E-mail'), 'amara@thornmere.example');
    await person.type(field('Where the van stops'), '50.3402, -4.1099');
    await person.click(button('Save'));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.[1]).toMatchObject({
      version: 1,
      card: {
        phones: [{ number: '01632 960101' }, { number: '07700 900171' }],
        emails: ['amara@thornmere.example'],
        address: { coordinates: { latitude: 50.3402, longitude: -4.1099 } },
      },
    });
  });

  test('a word is kept with its day, and can be taken back to not asked', async () => {
    const { person, server } = openOwner();
    const muzzle = within(await screen.findByRole('radiogroup', { name: 'A muzzle, if there is no other way' }));
    await waitFor(() => expect(muzzle.getByRole('radio', { name: 'No' }).hasAttribute('disabled')).toBe(false));
    await person.click(muzzle.getByRole('radio', { name: 'No' }));
    expect(screen.getByText('said Wed 25 Nov 2026')).toBeTruthy();
    await person.click(button('Save'));
    await waitFor(() =>
      expect(server.sent[0]?.[1]).toMatchObject({ card: { consents: { muzzle: { yes: false, on: TODAY } } } }),
    );
  });

  test.each<[string, string, string]>([
    ['Where the van stops', '95, 0', 'card.address.coordinates.latitude'],
    ['Phone', 'ring me', 'card.phones.0.number'],
  ])('what does not fit in "%s" is told there, and stays typed', async (label, typed) => {
    const { person, server } = openOwner();
    await screen.findByRole('heading', { name: 'Amara Nwosu' });
    await person.clear(field(label));
    await person.type(field(label), typed);
    await person.click(button('Save'));
    expect(await screen.findByText(/between −90 and 90|Digits, spaces/)).toBeTruthy();
    expect(field(label).value).toBe(typed);
    expect(server.sent).toEqual([]);
  });

  test('of several phones the one that does not fit says so, empty rows before it or not', async () => {
    const { person, server } = openOwner();
    await screen.findByRole('heading', { name: 'Amara Nwosu' });
    await person.click(button('Another phone'));
    await person.click(button('Another phone'));
    await person.type(field('Phone 3'), 'ring me');
    await person.click(button('Save'));
    await waitFor(() => expect(field('Phone 3').getAttribute('aria-invalid')).toBe('true'));
    expect(document.activeElement).toBe(field('Phone 3'));
    expect(field('Phone 2').getAttribute('aria-invalid')).toBe('false');
    expect(server.sent).toEqual([]);
  });

  test('when someone was quicker it says so and keeps what was typed', async () => {
    const { person } = openOwner(
      view(),
      new RefusedAnswer(409, { kind: 'conflict', message: 'Someone else changed this client meanwhile.' }),
    );
    await person.type(await screen.findByLabelText('Note'), 'Side gate');
    await person.click(button('Save'));
    expect(await screen.findByText('Someone else changed this client meanwhile.')).toBeTruthy();
    expect(field('Note').value).toBe('Side gate');
  });

  test('is archived, and comes back by undo', async () => {
    const { person, held } = openOwner();
    await person.click(await screen.findByRole('button', { name: 'Archive' }));
    expect(await screen.findByText(/^archived/)).toBeTruthy();
    await person.click(await screen.findByText('Undo'));
    await waitFor(() => expect(held.view.client.archivedOn).toBeNull());
  });

  test('shares a household with someone found in the book', async () => {
    const { person, server } = openOwner();
    await person.click(await screen.findByRole('button', { name: 'Shares a household with' }));
    await person.click(screen.getByRole('combobox', { name: 'Find an owner' }));
    await person.paste('kunle');
    await person.click(await screen.findByText('Kunle Adeyemi'));
    expect(await screen.findByText('Household Adeyemi')).toBeTruthy();
    expect(server.sent.at(-1)).toEqual(['PUT /api/clients/:id/household', { with: KUNLE.id }]);
    await person.click(button('Leave it'));
    await waitFor(() => expect(screen.queryByText('Household Adeyemi')).toBeNull());
  });

  test('who is twice in the book under another number is found by hand, and shown what would join', async () => {
    const { person, server } = openOwner();
    await person.click(await screen.findByRole('button', { name: 'Twice in the book?' }));
    await person.click(screen.getByRole('combobox', { name: 'Find an owner' }));
    await person.paste('kunle');
    await person.click(await screen.findByText('Kunle Adeyemi'));
    expect(await screen.findByText('the dog Umber')).toBeTruthy();
    await person.click(button('Join into Amara Nwosu'));
    await waitFor(() => expect(server.sent).toMatchObject([['POST /api/clients/:id/merge', { goneId: KUNLE.id }]]));
  });

  test('what was joined in can be taken apart', async () => {
    const merge = { id: v7(), name: 'A. Nwosu', by: 'Ines', at: '2026-11-20T10:00:00Z' };
    const { person, server } = openOwner(view({ merges: [merge] }));
    expect(await screen.findByText(/A. Nwosu was joined in by Ines/)).toBeTruthy();
    await person.click(button('Take apart'));
    await waitFor(() => expect(server.sent.map(([key]) => key)).toEqual(['POST /api/merges/:id/undo']));
  });
});

describe('all owners', () => {
  test('are found by dog, number and street; those archived only when looked for', async () => {
    const street = { ...EMPTY_CARD, address: { ...EMPTY_CARD.address, street: '3 Slip Row' } };
    openServer({
      'GET /api/session': () => session(),
      'GET /api/clients': () => ({
        items: [client({ card: street }), KUNLE, client({ id: v7(), name: 'Gone Away', archivedOn: TODAY })],
        after: null,
      }),
      'GET /api/dogs': () => ({ items: [listed()], after: null }),
    });
    const { person } = show(<OwnersScreen />);
    const names = () =>
      screen
        .getAllByRole('row')
        .slice(1)
        .map((row) => within(row).getByRole('link').textContent);
    await screen.findByText('Radish');
    expect(names()).toEqual(['Amara Nwosu', 'Kunle Adeyemi']);
    for (const [words, found] of [
      ['radish', 'Amara Nwosu'],
      ['slip', 'Amara Nwosu'],
      ['07700900114', 'Kunle Adeyemi'],
      ['gone', 'Gone Away'],
    ] as const) {
      await person.clear(field('Find'));
      await person.type(field('Find'), words);
      expect(names()).toEqual([found]);
    }
  });
});

describe('a client who asks to be erased', () => {
  function erasing(refused: string | null) {
    const server = openServer({
      'GET /api/session': () => session(),
      'GET /api/clients': () => ({ items: [client()], after: null }),
      'GET /api/clients/:id': () => view(),
      'GET /api/clients/:id/erasure': () => ({
        name: 'Amara Nwosu',
        erases: ['The name Amara Nwosu'],
        keeps: ['2 visits without a name'],
        refused,
      }),
      'POST /api/clients/:id/erasure': () => ({}),
      // The page behind the dialog is a form, too: it may not be sent along.
      'PUT /api/clients/:id': ({ body }) => ({ version: body.version + 1 }),
    });
    return { ...show(<OwnerScreen />, { path: '/owners/:id', at: `/owners/${CLIENT_ID}` }), server };
  }

  test('is shown what goes and what stays, and erased only when the name is typed', async () => {
    const { person, server } = erasing(null);
    await person.click(await screen.findByRole('button', { name: 'Erase…' }));
    expect(await screen.findByText('2 visits without a name')).toBeTruthy();
    const go = screen.getByRole<HTMLButtonElement>('button', { name: 'Erase for good' });
    expect(go.disabled).toBe(true);
    await person.type(screen.getByLabelText('Type the name: Amara Nwosu'), 'Amara Nwosu');
    await person.click(go);
    await waitFor(() => expect(server.sent).toEqual([['POST /api/clients/:id/erasure', { name: 'Amara Nwosu' }]]));
    expect(await screen.findByText('another screen')).toBeTruthy();
  });

  test('while a dog is booked it is said, and nothing can be typed', async () => {
    const { person } = erasing('Radish is booked. Cancel the booking first.');
    await person.click(await screen.findByRole('button', { name: 'Erase…' }));
    expect(await screen.findByText('Radish is booked. Cancel the booking first.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Erase for good' })).toBeNull();
  });
});

describe('when they like to come', () => {
  test('days, time, person and a pattern are kept tap by tap', async () => {
    const { person, held } = openOwner();
    const days = within(await screen.findByRole('group', { name: 'Days that suit; none: all' }));
    await person.click(days.getByRole('button', { name: 'Thu' }));
    await waitFor(() => expect(held.view.wishes).toMatchObject({ weekdays: [3], part: null }));
    await choose(person, screen.getByLabelText('Time of day'), 'morning');
    await waitFor(() => expect(held.view.wishes).toMatchObject({ weekdays: [3], part: 'morning' }));
    await person.type(screen.getByLabelText('A fixed day every … weeks'), '5');
    await person.type(screen.getByLabelText('One of those days'), '3 dec');
    await waitFor(() => expect(held.view.wishes?.pattern).toEqual({ from: '2026-12-03', everyWeeks: 5 }));
    await person.click(days.getByRole('button', { name: 'Thu' }));
    await waitFor(() => expect(held.view.wishes?.weekdays).toEqual([]));
  });

  test('two quick taps are both kept', async () => {
    const { person, held } = openOwner();
    const days = within(await screen.findByRole('group', { name: 'Days that suit; none: all' }));
    const [thu, fri] = [days.getByRole('button', { name: 'Thu' }), days.getByRole('button', { name: 'Fri' })];
    await Promise.all([person.click(thu), person.click(fri)]);
    await waitFor(() => expect(held.view.wishes?.weekdays).toEqual([3, 4]));
  });

  test('a dog that must be the first, with one person', async () => {
    const { person, held } = openOwner();
    await choose(person, await screen.findByLabelText('Radish: in somebody’s day'), 'the first dog');
    await waitFor(() => expect(held.view.dogs[0]?.needs).toMatchObject({ slot: 'first', memberId: null }));
    await choose(person, screen.getByLabelText('Radish: only with'), session().member.name);
    await waitFor(() =>
      expect(held.view.dogs[0]?.needs).toMatchObject({ slot: 'first', memberId: session().member.id }),
    );
  });
});

test('a dog that the van comes to, and that needs somebody good with it: chosen from what people here do', async () => {
  const { person, held } = openOwner();
  await choose(person, await screen.findByLabelText('Radish: where'), 'the van comes: islets');
  await waitFor(() => expect(held.view.dogs[0]?.needs).toMatchObject({ where: 'islets', skills: [] }));
  await person.click(screen.getByRole('button', { name: 'nervous dogs' }));
  await waitFor(() => expect(held.view.dogs[0]?.needs).toMatchObject({ where: 'islets', skills: ['nervous dogs'] }));
});

test('two dogs that do not meet: found by name, taken off again', async () => {
  const { person, held } = openOwner();
  await person.type(await screen.findByLabelText('Radish: does not meet', { selector: 'input' }), 'ro');
  await person.click(await screen.findByRole('button', { name: 'Rook Elin Sato', pressed: false }));
  await waitFor(() => expect(held.view.dogs[0]?.needs?.notWith).toEqual([ROOK]));
  await person.click(await screen.findByRole('button', { name: 'Rook Elin Sato', pressed: true }));
  await waitFor(() => expect(held.view.dogs[0]?.needs?.notWith).toEqual([]));
});
