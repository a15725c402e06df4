import { screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { askedHere, atBranch, lookAt } from '../../api/atBranch';
import { usePreferences } from '../../browser/preferences';
import { branchOf } from '../../data/branchOf';
import { choose } from '../../tests/choose';
import { DOG_ID, QUAY, session } from '../../tests/demoDog';
import { openServer, show } from '../../tests/server';
import { BranchChip, BranchOfDog } from './BranchOfDog';
import { BranchSwitch } from './BranchSwitch';

const CORACLE = { id: v7(), name: 'Coracle', kind: 'van' } as const;
const two = { ...session(), branches: [QUAY, CORACLE] };

beforeEach(() => {
  usePreferences.setState({ branches: {} });
  lookAt(null);
});

describe('where one looks', () => {
  test('as this device last chose, else where one belongs, else the first; of one branch nobody speaks', () => {
    expect(branchOf(session(), {})).toBeNull();
    expect(branchOf(two, {})).toEqual(QUAY);
    expect(branchOf({ ...two, branchId: CORACLE.id }, {})).toEqual(CORACLE);
    expect(branchOf(two, { [two.business.id]: CORACLE.id })).toEqual(CORACLE);
    // A branch that was closed meanwhile, and where one belonged as well.
    expect(branchOf({ ...two, branchId: v7() }, { [two.business.id]: v7() })).toEqual(QUAY);
  });

  test('the switch names it; another is chosen, remembered, and asked for from then on', async () => {
    openServer({ 'GET /api/session': () => two });
    const { person } = show(<BranchSwitch />);
    await person.click(await screen.findByRole('combobox', { name: 'Branch: Withy Quay' }));
    expect(atBranch()).toEqual({ 'x-dewpond-branch': QUAY.id });
    await person.click(await screen.findByRole('option', { name: 'Coracle' }));
    expect(await screen.findByRole('combobox', { name: 'Branch: Coracle' })).toBeTruthy();
    expect(usePreferences.getState().branches).toEqual({ [two.business.id]: CORACLE.id });
    expect(atBranch()).toEqual({ 'x-dewpond-branch': CORACLE.id });
    // What is cached on the device of one branch is not taken for another's.
    expect(askedHere('today now')).toBe(`today now @${CORACLE.id}`);
  });

  test('with one branch there is no switch, and nothing is said of it to the server', async () => {
    openServer({ 'GET /api/session': () => session() });
    const { container } = show(<BranchSwitch />);
    await waitFor(() => expect(atBranch()).toEqual({}));
    expect(container.textContent).toBe('');
  });
});

describe('where a dog is cared for', () => {
  const view = { items: [], dogs: { [DOG_ID]: CORACLE.id }, people: {} };
  test('stands at its name, and is said otherwise', async () => {
    const server = openServer({
      'GET /api/session': () => two,
      'GET /api/branches': () => view,
      'PUT /api/dogs/:id/branch': () => ({}),
    });
    const { person } = show(
      <>
        <BranchChip dogId={DOG_ID} />
        <BranchOfDog dog={{ id: DOG_ID, name: 'Teasel' }} />
      </>,
    );
    expect((await screen.findAllByText('Coracle')).length).toBeGreaterThan(0);
    await choose(person, await screen.findByLabelText('Teasel: cared for at'), 'Withy Quay');
    await waitFor(() => expect(server.sent).toEqual([['PUT /api/dogs/:id/branch', { branchId: QUAY.id }]]));
  });
});
