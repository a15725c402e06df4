import { screen, waitFor } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { DOG_ID } from '../tests/demoDog';
import { RefusedAnswer, openServer, show } from '../tests/server';
import { call } from '../api/call';
import { useWrite } from './useWrite';

function Button() {
  const write = useWrite('POST /api/links', {
    write: (id, days: number) => call('POST /api/links', { body: { id, dogId: DOG_ID, days } }),
  });
  return (
    <>
      <button type="button" onClick={() => write.mutate(60)}>
        Write
      </button>
      <p>{write.isSuccess ? 'written' : (write.error?.message ?? 'nothing yet')}</p>
    </>
  );
}

function open(refuse = false) {
  const server = openServer({
    'POST /api/links': ({ body }) => {
      if (refuse) throw new RefusedAnswer(422, { kind: 'bad input', message: 'No.' });
      const never = null;
      return {
        id: body.id,
        url: 'https://salon.example/owner#x',
        expiresAt: '2027-01-24T09:00:00.000Z',
        revokedAt: never,
        seenAt: never,
        lastSeenAt: never,
        createdBy: 'Ines',
        createdAt: '2026-11-25T09:00:00.000Z',
      };
    },
  });
  return { server, ...show(<Button />) };
}
const ids = (server: ReturnType<typeof openServer>) => server.sent.map(([, body]) => (body as { id: string }).id);
const press = () => screen.findByRole('button', { name: 'Write' });

function Change() {
  const write = useWrite('PUT /api/vets/:id', {
    write: (_, name: string) =>
      call('PUT /api/vets/:id', { id: VET.id, body: { ...VET_FIELDS, name, version: 1, archived: false } }),
  });
  return (
    <>
      <button type="button" onClick={() => write.mutate('Ferrol Vets')}>
        Write
      </button>
      <p>{write.data ? `version ${write.data.version}` : (write.error?.message ?? 'nothing yet')}</p>
    </>
  );
}
const VET_FIELDS = { name: '', practice: '', phone: '', email: '', address: '', note: '' };
const VET = { id: DOG_ID, ...VET_FIELDS };

describe('a change whose answer is lost', () => {
  const openVets = (theirs: Partial<typeof VET_FIELDS>) => {
    let version = 1;
    let kept = VET_FIELDS;
    const server = openServer({
      'PUT /api/vets/:id': ({ body }) => {
        const { version: seen, archived: _, ...fields } = body as typeof VET_FIELDS & Record<string, unknown>;
        if (seen !== version)
          throw new RefusedAnswer(409, {
            kind: 'conflict',
            message: 'Someone else changed this vet meanwhile.',
            current: { ...kept, archived: false, version },
            yours: body,
          });
        kept = { ...fields, ...theirs };
        version += 1;
        return { version };
      },
    });
    return { server, ...show(<Change />) };
  };

  test('is not told of itself as someone else’s', async () => {
    const { person, server } = openVets({});
    server.loses = 1;
    await person.click(await press());
    expect(await screen.findByText('version 2')).toBeTruthy();
  });

  test('but of another’s that came in between', async () => {
    const { person, server } = openVets({ phone: '01632 960777' });
    server.loses = 1;
    await person.click(await press());
    expect(await screen.findByText(/Someone else changed this vet/)).toBeTruthy();
  });
});

describe('a write', () => {
  test('whose answer is lost is asked for again under the same id, by itself', async () => {
    const { person, server } = open();
    server.loses = 1;
    await person.click(await press());
    expect(await screen.findByText('written')).toBeTruthy();
    expect(ids(server)).toHaveLength(2);
    expect(new Set(ids(server)).size).toBe(1);
  });

  test('that failed is sent under the same id by the next press; one that was kept is another the next time', async () => {
    const { person, server } = open();
    server.loses = 3;
    await person.click(await press());
    expect(await screen.findByText(/cannot be reached/)).toBeTruthy();
    await person.click(await press());
    expect(await screen.findByText('written')).toBeTruthy();
    expect(new Set(ids(server)).size).toBe(1);
    await person.click(await press());
    await waitFor(() => expect(new Set(ids(server)).size).toBe(2));
  });

  test('that was refused is not asked for again', async () => {
    const { person, server } = open(true);
    await person.click(await press());
    expect(await screen.findByText('No.')).toBeTruthy();
    expect(ids(server)).toHaveLength(1);
  });
});
