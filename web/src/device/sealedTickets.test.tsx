import { describe, expect, test } from 'vitest';
import { sealedTickets } from './sealedTickets';

const PIN = '402895';
const WRONG = '739164';
let made = 0;
const fresh = () => sealedTickets(`tickets ${(made += 1)}`);

describe('a ticket sealed on a tablet', () => {
  test('is opened by its PIN and by no other, for its person alone', async () => {
    const tickets = fresh();
    await tickets.sealer('tomasz', PIN)('let Tomasz in');
    expect(await tickets.open('tomasz', PIN)).toEqual({ kind: 'open', content: 'let Tomasz in' });
    expect(await tickets.open('tomasz', WRONG)).toEqual({ kind: 'wrong', left: 4 });
    expect(await tickets.open('bilal', PIN)).toEqual({ kind: 'none' });
  });

  test('is gone after five wrong tries in a row; a right one between begins anew', async () => {
    const tickets = fresh();
    await tickets.sealer('tomasz', PIN)('in');
    for (const left of [4, 3, 2, 1]) expect(await tickets.open('tomasz', WRONG)).toEqual({ kind: 'wrong', left });
    expect(await tickets.open('tomasz', PIN)).toMatchObject({ kind: 'open' });
    for (const left of [4, 3, 2, 1, 0]) expect(await tickets.open('tomasz', WRONG)).toEqual({ kind: 'wrong', left });
    expect(await tickets.open('tomasz', PIN)).toEqual({ kind: 'none' });
  });

  test('of another browser opens nothing: the key stays where it was made', async () => {
    const [here, there] = [fresh(), fresh()];
    await here.sealer('tomasz', PIN)('in');
    await there.sealer('tomasz', PIN)('in');
    const name = (n: number) => `tickets ${made - 2 + n}`;
    const { openDB } = await import('idb');
    const [a, b] = [await openDB(name(1)), await openDB(name(2))];
    const row: unknown = await a.get('tickets', 'tomasz');
    await b.put('tickets', row);
    expect(await there.open('tomasz', PIN)).toMatchObject({ kind: 'wrong' });
    const key = (await a.get('keys', 'device')) as CryptoKey;
    await expect(crypto.subtle.exportKey('raw', key)).rejects.toThrow();
    expect(JSON.stringify(row)).not.toContain(PIN);
  });

  test('is forgotten with the tablet', async () => {
    const tickets = fresh();
    await tickets.sealer('tomasz', PIN)('in');
    await tickets.forget();
    expect(await tickets.open('tomasz', PIN)).toEqual({ kind: 'none' });
  });
});
