import type { BranchesView } from '@dewpond/contract';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { usePreferences } from '../../../browser/preferences';
import { choose } from '../../../tests/choose';
import { MEMBER, QUAY, session, sessionOf } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { BranchesScreen } from './BranchesScreen';

const CORACLE = { id: v7(), name: 'Coracle', kind: 'van' } as const;
const counts = { version: 1, closedOn: null, dogs: 9, people: 4, products: 12 };

beforeEach(() => usePreferences.setState({ branches: {} }));

function open(view: Partial<BranchesView> = {}, asked = session()) {
  const held: BranchesView = { items: [{ ...QUAY, ...counts }], dogs: {}, people: {}, ...view };
  return openServer({
    'GET /api/session': () => ({ ...asked, branches: held.items.map(({ id, name, kind }) => ({ id, name, kind })) }),
    'GET /api/branches': () => held,
    'GET /api/members': () => ({ items: [MEMBER] }),
    'POST /api/branches': ({ body }) => ({ id: body.id }),
    'PUT /api/branches/:id': ({ body }) => ({ version: body.version + 1 }),
    'PUT /api/branches/:id/open': ({ body }) => ({ version: body.version + 1 }),
    'PUT /api/members/:id/branch': () => ({}),
  });
}
const both: Partial<BranchesView> = {
  items: [
    { ...QUAY, ...counts },
    { ...CORACLE, ...counts, dogs: 0, people: 0, products: 0 },
  ],
};
const button = (name: string) => screen.getByRole('button', { name });

test('one salon is enough: nothing of belonging is asked until there is another', async () => {
  open();
  show(<BranchesScreen />);
  expect(await screen.findByText('Withy Quay')).toBeTruthy();
  expect(screen.queryByText('Who belongs where')).toBeNull();
  // The first one stays.
  expect(screen.queryByRole('button', { name: 'Close it' })).toBeNull();
});

test('a van is added; what it is says how its dogs are cared for', async () => {
  const server = open();
  show(<BranchesScreen />);
  await screen.findByText('Withy Quay');
  fireEvent.click(button('Add one'));
  fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Coracle' } });
  expect(screen.getByText(/every visit has the driving/)).toBeTruthy();
  fireEvent.click(button('Add it'));
  await waitFor(() => expect(server.sent).toMatchObject([['POST /api/branches', { name: 'Coracle', kind: 'van' }]]));
});

test('a name is asked for', async () => {
  const server = open();
  show(<BranchesScreen />);
  await screen.findByText('Withy Quay');
  fireEvent.click(button('Add one'));
  fireEvent.click(button('Add it'));
  expect(await screen.findByText('The name is missing.')).toBeTruthy();
  expect(server.sent).toEqual([]);
});

test('a person is put somewhere else, and an empty branch closed', async () => {
  const server = open(both);
  const { person } = show(<BranchesScreen />);
  expect(await screen.findByText(/9-12, 13-17 Coracle/)).toBeTruthy();
  await choose(person, await screen.findByLabelText(MEMBER.name), 'Coracle');
  await waitFor(() => expect(server.sent).toEqual([['PUT /api/members/:id/branch', { branchId: CORACLE.id }]]));
  fireEvent.click(button('Close it'));
  await waitFor(() => expect(server.sent.at(-1)).toEqual(['PUT /api/branches/:id/open', { version: 1, open: false }]));
});

test('a groomer sees them and is told who may change them', async () => {
  open(both, sessionOf('groomer'));
  show(<BranchesScreen />);
  expect(await screen.findByText(/Only an owner-manager may open and close salons and vans/)).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Add one' })).toBeNull();
  expect(screen.queryByRole('button', { name: 'Name and kind' })).toBeNull();
});
