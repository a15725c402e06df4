import type { ResponseOf } from '@dewpond/contract';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { sessionOf } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { RightsScreen } from './RightsScreen';

function openRights(role: 'manager' | 'groomer' = 'manager') {
  const held: { view: ResponseOf<'GET /api/rights'> } = { view: { version: 1, own: {} } };
  const server = openServer({
    'GET /api/session': () => ({ ...sessionOf(role), rights: held.view.own }),
    'GET /api/rights': () => held.view,
    'PUT /api/rights': ({ body }) => {
      held.view = { version: body.version + 1, own: body.own };
      return { version: held.view.version };
    },
  });
  return { held, server, ...show(<RightsScreen />) };
}
const cell = (name: string) => screen.findByRole<HTMLButtonElement>('button', { name });

describe('who may what', () => {
  test('a row says who may; one press changes it at once, and the notice has the way back', async () => {
    const { person, held } = openRights();
    const bather = await cell('bather: take the book out');
    expect(bather.getAttribute('aria-pressed')).toBe('false');
    expect((await cell('groomer: take the book out')).getAttribute('aria-pressed')).toBe('true');
    await person.click(bather);
    expect(await screen.findByText('A bather may take the book out.')).toBeTruthy();
    expect(held.view.own).toEqual({ export: ['groomer', 'bather'] });
    await person.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(held.view.own).toEqual({}));
  });

  test('what was changed goes back to what is shipped', async () => {
    const { person, held } = openRights();
    await person.click(await cell('groomer: take the book out'));
    await person.click(await screen.findByRole('button', { name: 'take the book out: as shipped' }));
    await waitFor(() => expect(held.view.own).toEqual({}));
    expect(screen.queryByRole('button', { name: 'take the book out: as shipped' })).toBeNull();
  });

  test('the owner-manager’s column and the table itself cannot be given away', async () => {
    openRights();
    expect((await cell('owner-manager: take the book out')).disabled).toBe(true);
    expect((await cell('groomer: say who may what')).disabled).toBe(true);
  });

  test('whoever may not change it reads it, and who may', async () => {
    openRights('groomer');
    expect(await screen.findByText(/Only an owner-manager may say who may what/)).toBeTruthy();
    const table = await screen.findByRole('table');
    for (const button of within(table).getAllByRole<HTMLButtonElement>('button')) expect(button.disabled).toBe(true);
  });
});
