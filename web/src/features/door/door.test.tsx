import { screen } from '@testing-library/react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { SignIn } from '../../app/SignIn';
import { openServer, RefusedAnswer, show } from '../../tests/server';
import { BeginScreen } from './BeginScreen';
import { JoinScreen } from './JoinScreen';

const TOKEN = 'a-secret-that-is-long-enough';
const assign = vi.fn();
/** The address of a link; the sign-in's own addresses, which stand outside the contract, answer `ok`. */
function at(hash: string) {
  vi.stubGlobal('location', { ...window.location, hash, assign });
  const contract = fetch;
  vi.stubGlobal('fetch', (url: string, init: RequestInit) =>
    url.startsWith('/api/auth/') ? Promise.resolve(Response.json({})) : contract(url, init),
  );
}
afterEach(() => {
  assign.mockClear();
  vi.unstubAllGlobals();
});

describe('where an invitation leads', () => {
  test('says who invites; a password that is refused is said at its field; then one is in', async () => {
    const server = openServer({
      'POST /api/join/look': () => ({
        ...{ business: 'Withy Quay', name: 'Aroha', role: 'groomer', email: '', isKnown: false },
        expiresAt: '2026-12-02T09:00:00Z',
      }),
      'POST /api/join': ({ body }) => {
        if (body.password === 'password1234')
          throw new RefusedAnswer(422, {
            kind: 'bad input',
            message: 'One of those tried first.',
            fields: [{ path: 'password', message: 'One of those tried first.' }],
          });
        return { email: body.email };
      },
    });
    at(`#${TOKEN}`);
    const { person } = show(<JoinScreen />);
    expect(await screen.findByText(/work here as groomer/)).toBeTruthy();
    await person.type(screen.getByLabelText('Your e-mail'), 'aroha@withyquay.example');
    await person.type(screen.getByLabelText('Password'), 'password1234');
    await person.click(screen.getByRole('button', { name: 'Join' }));
    expect(await screen.findByText('One of those tried first.')).toBeTruthy();
    await person.clear(screen.getByLabelText('Password'));
    await person.type(screen.getByLabelText('Password'), 'tall reeds wave');
    await person.click(screen.getByRole('button', { name: 'Join' }));
    await vi.waitFor(() => expect(assign).toHaveBeenCalledWith('/'));
    expect(server.sent.at(-1)?.[1]).toMatchObject({ token: TOKEN, name: 'Aroha' });
  });

  test('a link that opens nothing says why', async () => {
    openServer({
      'POST /api/join/look': () => {
        throw new RefusedAnswer(409, { kind: 'conflict', message: 'This invitation was used.' });
      },
    });
    at(`#${TOKEN}x`);
    show(<JoinScreen />);
    expect(await screen.findByText('This invitation was used.')).toBeTruthy();
  });
});

test('a business begins: the country fills in the rest, weights go out in kilograms', async () => {
  const server = openServer({
    'POST /api/begin/look': () => ({}),
    'POST /api/begin': ({ body }) => ({ email: body.manager.email }),
  });
  at(`#${TOKEN}`);
  const { person } = show(<BeginScreen />);
  await person.type(await screen.findByLabelText('Name'), 'Saltmarsh');
  await person.click(screen.getByLabelText('Country'));
  await person.click(await screen.findByRole('option', { name: 'United States' }));
  expect(screen.getByLabelText<HTMLInputElement>('Lifted by two above, lb').value).toBe('51');
  expect(screen.getByLabelText<HTMLInputElement>('Currency').value).toBe('USD');
  await person.type(screen.getByLabelText('Your name, as records say it'), 'Jonah');
  await person.type(screen.getByLabelText('Your e-mail'), 'jonah@saltmarsh.example');
  await person.type(screen.getByLabelText('Password'), 'tall reeds wave');
  await person.click(screen.getByRole('button', { name: 'Begin' }));
  await vi.waitFor(() => expect(assign).toHaveBeenCalledWith('/'));
  const { business, manager } = server.sent.at(-1)?.[1] as {
    business: Record<string, unknown>;
    manager: Record<string, unknown>;
  };
  expect(business).toMatchObject({ name: 'Saltmarsh', country: 'US', units: 'US', zone: 'America/New_York' });
  expect(business['liftAloneKg']).toBeCloseTo(23.13, 2);
  expect(manager).toMatchObject({ name: 'Jonah' });
});

test('whoever forgot is told the same, known or not', async () => {
  const server = openServer({ 'POST /api/forgotten': () => ({}) });
  const { person } = show(<SignIn />);
  await person.type(screen.getByLabelText('E-mail'), 'ines@withyquay.example');
  await person.click(screen.getByRole('button', { name: 'Forgotten?' }));
  await person.click(screen.getByRole('button', { name: 'Send the link' }));
  expect(await screen.findByText(/If this address has an account/)).toBeTruthy();
  expect(server.sent).toEqual([['POST /api/forgotten', { email: 'ines@withyquay.example' }]]);
});
