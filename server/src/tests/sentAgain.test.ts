import type { EndpointKey } from '@dewpond/contract';
import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { beforeAll, describe, expect, test } from 'vitest';
import { stockEntry } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { addProduct, book, bottleOf, enter, mixBody, stockOf, typed } from './shelfSide';
import { addDog, databases, openSalon, type Salon } from './salon';
import { visitDog } from './tableSide';

let salon: Salon;
let clientId: string;
let dogId: string;
let bottleId: string;
beforeAll(async () => {
  salon = await openSalon();
  ({ clientId, dogId } = await addDog(salon));
  bottleId = await bottleOf(salon);
});

const made: readonly [EndpointKey, () => object | Promise<object>, of?: 'dog'][] = [
  ['POST /api/clients', () => ({ name: 'Una Bryce' })],
  ['POST /api/dogs', () => ({ clientId, profile: { name: 'Umber', weightKg: 9, breeds: ['beagle'], chip: chip() } })],
  ['POST /api/vets', () => ({ name: 'Ferrol Vets', practice: '', phone: '', email: '', address: '', note: '' })],
  [
    'POST /api/appointments',
    () => ({
      dogId,
      memberId: salon.memberId,
      kind: 'bath only',
      startsAt: '2027-02-01T09:00:00Z',
      minutes: 60,
    }),
  ],
  ['POST /api/products', () => typed({ name: `Wash ${v7()}`, usual: true })],
  ['POST /api/pumps', () => ({ name: 'Blue pump' })],
  ['POST /api/bottles', () => ({ name: 'Half litre', brim: 540, line: 500, graduation: 50, count: 1 })],
  ['POST /api/stock', () => ({ productId: salon.productId, kind: 'delivery', ml: 2000, reason: '' })],
  ['POST /api/mixes', () => mixBody(salon.productId, bottleId)],
  [
    'POST /api/dogs/:id/instructions',
    () => ({
      by: 'vet',
      who: 'Dr Ferrol',
      place: null,
      says: { kind: 'bar', task: 'bath' },
      from: '2026-11-01',
      until: null,
    }),
    'dog',
  ],
  ['POST /api/dogs/:id/programme', () => ({ kind: 'young' }), 'dog'],
  ['POST /api/visits', () => ({ dogId, appointmentId: null })],
  ['POST /api/links', () => ({ dogId, days: 30 })],
];
let chips = 900_000_000_000_000;
const chip = () => String((chips += 1));

describe('the same sent eight times at once is done once, and every answer says the same', () => {
  test.each(made)('%s', async (key, body, of) => {
    const sent = { id: v7(), ...(await body()) };
    const stock = await stockOf(salon, salon.productId);
    const answers = await Promise.all(
      Array.from({ length: 8 }, () => salon.call(key, { ...(of ? { id: dogId } : {}), body: sent })),
    );
    expect(answers.map(({ status, body: said }) => (status === 201 ? 201 : said))).toEqual(
      Array.from({ length: 8 }, () => 201),
    );
    expect(new Set(answers.map(({ body: said }) => JSON.stringify(said))).size).toBe(1);
    if (key === 'POST /api/stock') expect(await stockOf(salon, salon.productId)).toBe((stock ?? 0) + 2000);
    if (key === 'POST /api/mixes') {
      const drawn = await inTenant(databases, salon.businessId, (tx) =>
        tx.select().from(stockEntry).where(eq(stockEntry.mixId, sent.id)),
      );
      expect(drawn).toHaveLength(1);
    }
  });

  test.each(made)('%s: another content under that id is refused', async (key, body, of) => {
    // A wash mixed above stands in one of the two bottles; this one takes the other.
    const id = v7();
    const where = of ? { id: dogId } : {};
    if (key === 'POST /api/dogs/:id/programme') return; // One programme a dog: said by the test below.
    const first = { id, ...(await body()) } as Record<string, unknown>;
    const begun = await salon.call(key, { ...where, body: free(key, first) });
    expect(begun.status).toBe(201);
    if (key === 'POST /api/links') return; // A link says nothing but its dog and how long.
    const other = await salon.call(key, { ...where, body: otherwise(key, free(key, first)) });
    expect([other.status, other.body.error?.kind]).toEqual([409, 'conflict']);
  });

  /** What two of a kind cannot share. */
  const free = (key: EndpointKey, body: Record<string, unknown>) =>
    key === 'POST /api/appointments' ? { ...body, startsAt: '2027-02-02T09:00:00Z' } : body;
  const otherwise = (key: EndpointKey, body: Record<string, unknown>): object => {
    if ('minutes' in body) return { ...body, minutes: 75 };
    if ('totalMl' in body) return { ...body, strokes: 5 };
    if ('ml' in body) return { ...body, ml: 1000 };
    if ('profile' in body) return { ...body, profile: { ...(body['profile'] as object), name: 'Otter' } };
    if ('who' in body) return { ...body, who: 'Dr Marl' };
    if (key === 'POST /api/visits') return { ...body, appointmentId: v7() };
    return { ...body, name: 'Another name' };
  };
});

describe('a version of before is told how it stands, never success', () => {
  const versions = async (): Promise<readonly [EndpointKey, string, object, number][]> => {
    const productId = await addProduct(salon, { name: `Wash ${v7()}` });
    await enter(salon, productId, 'delivery', 500, { lot: { id: v7(), number: 'L-1', expires: null } });
    const { lots } = (await salon.call('GET /api/products/:id/ledger', { id: productId })).body;
    const ids = { vet: v7(), pump: v7(), bottle: v7(), mix: v7(), word: v7() };
    const blank = { name: 'Ferrol Vets', practice: '', phone: '', email: '', address: '', note: '' };
    const tin = { name: 'Quarter litre', brim: 280, line: 250, graduation: 50, count: 2 };
    await salon.call('POST /api/vets', { body: { id: ids.vet, ...blank } });
    await salon.call('POST /api/pumps', { body: { id: ids.pump, name: 'Red pump' } });
    await salon.call('POST /api/bottles', { body: { id: ids.bottle, ...tin } });
    await salon.call('POST /api/mixes', {
      body: mixBody(productId, ids.bottle, { id: ids.mix, productMl: 10, totalMl: 250 }),
    });
    const puppy = await addDog(salon, { name: 'Plover' });
    const booked = (await book(salon, puppy.dogId, 40)).body as { id: string };
    const word = { by: 'owner', who: 'Una', place: null, says: { kind: 'interval', task: 'bath', days: 30 } };
    await salon.call('POST /api/dogs/:id/instructions', {
      id: puppy.dogId,
      body: { id: ids.word, ...word, from: '2026-11-01', until: null },
    });
    const lesson = v7();
    await salon.call('POST /api/dogs/:id/programme', { id: puppy.dogId, body: { id: lesson, kind: 'young' } });
    const visitId = await visitDog(salon, puppy.dogId);
    const sheet = { edits: { lines: {}, added: [], photos: [] } };
    return [
      ['PUT /api/vets/:id', ids.vet, { ...blank, name: 'Ferrol', archived: false }, 1],
      ['PUT /api/pumps/:id', ids.pump, { name: 'Pink pump' }, 1],
      ['PUT /api/bottles/:id', ids.bottle, tin, 1],
      ['PUT /api/products/:id', productId, typed({ name: `Wash ${v7()}` }), 1],
      ['PUT /api/mixes/:id', ids.mix, { step: 'watered' }, 1],
      ['PUT /api/lots/:id', lots[0]?.id ?? '', { number: 'L-2', expires: null, openedOn: null, emptiedOn: null }, 1],
      ['PUT /api/clients/:id', puppy.clientId, { name: 'Una Bryce', card: {} }, 1],
      ['PUT /api/dogs/:id', puppy.dogId, { profile: { name: 'Plover', weightKg: 9, breeds: ['beagle'] } }, 1],
      ['PUT /api/appointments/:id', booked.id, { change: 'cancel' }, 1],
      ['PUT /api/instructions/:id', ids.word, { until: '2027-01-01' }, 1],
      ['PUT /api/programmes/:id', lesson, { ended: true }, 1],
      ['PUT /api/visits/:id/sheet', visitId, sheet, 0],
    ];
  };

  test('every change that names the version it saw', async () => {
    for (const [key, id, body, version] of await versions()) {
      const send = () => salon.call(key, { id, body: { ...body, version } });
      const [first, second] = [await send(), await send()];
      expect([key, first.status, first.body]).toEqual([key, 200, expect.objectContaining({ version: version + 1 })]);
      expect([key, second.status]).toEqual([key, 409]);
      expect([key, second.body.error.current]).toEqual([key, expect.objectContaining({ version: version + 1 })]);
      expect([key, second.body.error.yours]).toEqual([key, expect.anything()]);
    }
  });
});
