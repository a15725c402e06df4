import { RIGHTS, type Problem, type SignedInKey } from '@dewpond/contract';
import { ROLES, mayDo, whyNotAllowed, type Deed, type HouseRights, type Role } from '@dewpond/core/rights';
import { and, eq, sql } from 'drizzle-orm';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, describe, expect, test } from 'vitest';
import { audit, business, member, message, product as productTable } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import type { ToldWord } from '@dewpond/core/events';
import { finding } from '@dewpond/core/findings';
import { day } from '@dewpond/core/units';
import { NO_EDITS } from '@dewpond/core/sheet';
import { begin, eventsOf, visitDog } from './tableSide';
import { WORDS_THAT_STAY } from '../features/record/wordsOfPeople';
import { addProduct, bottleOf, makeMix, mixBody, typed } from './shelfSide';
import { PASSWORD, addDog, app, auth, config, databases, openSalon, signIn, type KeptDog, type Salon } from './salon';

let manager: Salon;
beforeAll(async () => {
  manager = await openSalon();
});

const asked = (path: string, cookie: string, method: 'get' | 'post' = 'post') =>
  request(app)[method](path).set('Cookie', cookie).set('Origin', config.PUBLIC_URL);

describe('of the sign-in library only what is used answers', () => {
  test.each([
    'update-user',
    'delete-user',
    'change-email',
    'list-sessions',
    'revoke-sessions',
    'organization/create',
    'organization/update',
    'organization/invite-member',
    'organization/remove-member',
    'organization/set-active',
    'request-password-reset',
    'sign-up/email',
    'sign-in/social',
    'nothing/of/the/kind',
  ])('%s does not', async (path) => {
    const { status, body } = await asked(`/api/auth/${path}`, manager.cookie).send({ name: 'Somebody else' });
    expect([status, (body as { error: { kind: string } }).error.kind]).toEqual([404, 'not found']);
    expect((await asked(`/api/auth/${path}`, manager.cookie, 'get')).status).toBe(404);
  });

  test.each([
    [{ email: 'a\u0000@example.test', password: 'x' }],
    [{ email: 'a@example.test', password: ['x'] }],
    [{ email: { $gt: '' }, password: 'x' }],
    [{}],
    [{ email: 'a@example.test', password: 'x', callbackURL: 'https://elsewhere.example' }],
  ])('signing in with %j is refused in words, and is no fault of ours', async (body) => {
    expect((await asked('/api/auth/sign-in/email', '').send(body)).status).toBe(422);
  });

  test('a password is changed, and the one of before opens nothing', async () => {
    const salon = await openSalon();
    const changed = await asked('/api/auth/change-password', salon.cookie).send({
      currentPassword: PASSWORD,
      newPassword: 'another-long-password',
    });
    expect(changed.status).toBe(200);
    const email = `${salon.businessId}@example.test`;
    expect(await signIn(email, PASSWORD)).toBe('');
    expect(await signIn(email, 'another-long-password')).not.toBe('');
  });
});

describe('who it was', () => {
  test('is the name that the business wrote, whatever the account calls itself; with the person’s id', async () => {
    const salon = await openSalon();
    const context = await auth.$context;
    const email = `${salon.businessId}@example.test`;
    const known = await context.internalAdapter.findUserByEmail(email);
    const personId = known?.user.id ?? '';
    await context.internalAdapter.updateUser(personId, { name: 'The manager' });
    const { clientId } = await addDog(salon);
    await salon.call('GET /api/clients/:id', { id: clientId });
    const notes = await inTenant(databases, salon.businessId, (tx) =>
      tx
        .select()
        .from(audit)
        .where(and(eq(audit.about, clientId), eq(audit.what, 'saw'))),
    );
    expect(notes[0]).toMatchObject({ person: 'Ines', personId });
    expect((await salon.call('GET /api/session')).body.person.name).toBe('Ines');
  });

  test('stands in no record without the person’s id, and no name is longer than a name', async () => {
    const salon = await openSalon();
    const { dogId } = await addDog(salon);
    const long = 'Ines '.repeat(60).trim();
    await inTenant(databases, salon.businessId, (tx) => tx.update(member).set({ name: long }));
    await addProduct(salon, { name: 'Chalk wash' });
    const mixed = mixBody(salon.productId, await bottleOf(salon));
    await makeMix(salon, mixed);
    await salon.call('POST /api/dogs/:id/weighings', { id: dogId, body: { day: '2026-11-20', kg: 14 } });
    await salon.call('POST /api/links', { body: { id: v7(), dogId, days: 3 } });
    const signedBy = WORDS_THAT_STAY['who in the salon did it; the books and the audit need it'] ?? [];
    await inTenant(databases, salon.businessId, async (tx) => {
      const { rows: people } = await tx.execute<{ id: string }>(sql`select person_id as id from dewpond.member`);
      for (const column of signedBy) {
        const [table = '', name = ''] = column.split('.');
        // A word inside a JSON has its id beside it there.
        const inside = ['dog.seen_on', 'programme.lessons', 'referral.ended', 'referral.told'].includes(column);
        if (inside) continue;
        const { rows } = await tx.execute<{ by: string; id: string | null }>(
          sql`select ${sql.identifier(name)} as by, person_id as id from dewpond.${sql.identifier(table)}`,
        );
        for (const { by, id } of rows.filter((row) => row.by.startsWith('Ines Ines')))
          expect([column, id, by.length <= 120]).toEqual([column, people[0]?.id, true]);
        if (['stock_entry', 'made_mix', 'weighing', 'owner_link', 'audit'].includes(table))
          expect([table, rows.some((row) => row.by.startsWith('Ines Ines'))]).toEqual([table, true]);
      }
    });
  });

  test('of a referral is who asks, whatever name is sent, and stays where nothing new was said', async () => {
    const [salon, sent] = [await openSalon(), { told: null, answer: null, vet: null, end: null }];
    const { dogId } = await addDog(salon);
    await visitDog(salon, dogId, [
      { type: 'found', finding: finding({ site: 'ear', side: 'left' }, 'ear yellow wax', 2) },
    ]);
    const of = async () => (await salon.call('GET /api/referrals', { query: { dog: dogId } })).body.items[0];
    const id = (await of())?.id ?? '';
    const told = { how: 'at the door', on: '2026-11-25', by: 'The manager' } as const;
    await salon.call('PUT /api/referrals/:id', { id, body: { ...sent, version: 1, told } });
    expect((await of())?.told).toEqual({ ...told, by: 'Ines' });
    await inTenant(databases, salon.businessId, (tx) => tx.update(member).set({ name: 'Oswin' }));
    const end = { outcome: 'the owner declined', on: '2026-11-25', by: 'x' } as const;
    await salon.call('PUT /api/referrals/:id', {
      id,
      body: { ...sent, version: 2, told: { ...told, by: 'Ines' }, end },
    });
    expect(await of()).toMatchObject({ told: { by: 'Ines' }, end: { by: 'Oswin' } });
  });

  test('the role is the business’s, too', async () => {
    const salon = await openSalon();
    await inTenant(databases, salon.businessId, (tx) => tx.update(member).set({ role: 'bather' }));
    expect((await request(app).get('/api/export/dogs.csv').set('Cookie', salon.cookie)).status).toBe(403);
  });
});

/** All may do what the address asks for: what is left is what depends on what is sent. */
const OPEN: HouseRights = {
  work: ROLES,
  'owner words': ROLES,
  'keep the shelf': ROLES,
  'follow referrals': ROLES,
  'change sheets': ROLES,
};
const ENTRY = { ml: 500, reason: 'counted anew', kind: 'correction', lot: null };

describe('the table of who may what', () => {
  const keys = Object.keys(RIGHTS) as SignedInKey[];
  let salon: Salon;
  const become = (role: Role, rights: HouseRights = {}) =>
    inTenant(databases, salon.businessId, async (tx) => {
      await tx.update(member).set({ role });
      await tx.update(business).set({ rights });
    });
  const ask = async (key: SignedInKey) => {
    const [method = 'GET', path = ''] = key.split(' ');
    const { status, body } = await request(app)
      [method.toLowerCase() as 'get' | 'post' | 'put' | 'delete'](path.replaceAll(/:\w+/g, () => v7()))
      .set('Cookie', salon.cookie)
      .set('Origin', config.PUBLIC_URL)
      .send(method === 'GET' ? undefined : {});
    return status === 403 ? (body as Problem).error.message : null;
  };
  beforeAll(async () => {
    salon = await openSalon();
  });

  test.each(ROLES)('every address asks for what its line says, of a %s', async (role) => {
    await become(role);
    for (const key of keys) {
      const deed = RIGHTS[key];
      const refused = deed === 'everybody' || mayDo(role, deed, {}) ? null : whyNotAllowed(role, deed, {});
      expect([key, await ask(key)]).toEqual([key, refused]);
    }
  });

  test('what the house decides holds at once, in both ways', async () => {
    await become('groomer', { export: [], 'house ways': ['groomer'] });
    expect(await ask('GET /api/export/:file')).toBe('A groomer does not take the book out. Ask an owner-manager.');
    expect(await ask('PUT /api/business')).toBeNull();
    await become('bather', { export: ['bather'] });
    expect(await ask('GET /api/export/:file')).toBeNull();
  });

  test('only what differs from what is shipped is kept; of two who change it at once the second is told', async () => {
    await become('manager');
    const { version } = (await salon.call('GET /api/rights')).body;
    const own = { export: ['groomer', 'desk'], mix: ['groomer', 'bather', 'trainee'] };
    expect((await salon.call('PUT /api/rights', { body: { version, own } })).status).toBe(200);
    expect((await salon.call('GET /api/rights')).body.own).toEqual({ export: ['groomer', 'desk'] });
    expect((await salon.call('GET /api/session')).body.rights).toEqual({ export: ['groomer', 'desk'] });
    expect((await salon.call('PUT /api/rights', { body: { version, own } })).status).toBe(409);
    const unknown = { version: version + 1, own: { 'fly a kite': ['desk'] } };
    expect((await salon.call('PUT /api/rights', { body: unknown })).status).toBe(422);
  });

  test('what depends on what is sent is asked with every role', async () => {
    const own = await openSalon();
    await inTenant(databases, own.businessId, (tx) => tx.update(business).set({ rights: OPEN }));
    const { dogId } = await addDog(own);
    const visitId = await visitDog(own, dogId, [
      { type: 'found', finding: finding({ site: 'ear', side: 'left' }, 'ear yellow wax', 2) },
    ]);
    // Nothing in it is by whoever asks.
    const othersId = await begin(own, (await addDog(own)).dogId);
    const sheet = async (id: string) => {
      const { version } = (await own.call('GET /api/visits/:id/sheet', { id })).body;
      return own.call('PUT /api/visits/:id/sheet', { id, body: { version, edits: NO_EDITS } });
    };
    const word = (by: 'vet' | 'owner') => ({
      ...{ id: v7(), by, who: 'Dr Kealoha', place: null, from: '2026-11-25', until: null },
      says: { kind: 'avoid', ingredient: v7() },
    });
    const refusal = ({ status, body }: { status: number; body: Partial<Problem> }) =>
      status === 403 ? body.error?.message : null;
    const product = async () => {
      const [wash] = (await own.call('GET /api/business')).body.products;
      if (!wash) throw new Error('no wash');
      const { strength: _, strokeMl: __, costPerMl: ___, archivedOn: ____, contactMinutes: _____, id, ...body } = wash;
      return { id, body };
    };
    const change = async (more: object) => {
      const { id, body } = await product();
      return own.call('PUT /api/products/:id', { id, body: { ...body, ...more } });
    };
    const referral = async (more: object) => {
      const [open] = (await own.call('GET /api/referrals', { query: { dog: dogId } })).body.items;
      if (!open) throw new Error('no referral');
      const { told, answer, vet, end } = open;
      const body = { version: open.version, told, answer, vet, end, ...more };
      return own.call('PUT /api/referrals/:id', { id: open.id, body });
    };
    const seen = () => `words ${v7()}`;
    const write = (by: 'vet' | 'owner') => own.call('POST /api/dogs/:id/instructions', { id: dogId, body: word(by) });
    /** A vet's word that stands, and a day on which it ends. */
    const vetsWord = word('vet');
    expect((await own.call('POST /api/dogs/:id/instructions', { id: dogId, body: vetsWord })).status).toBe(201);
    const end = async () => {
      const { instructions } = (await own.call('GET /api/dogs/:id', { id: dogId })).body;
      const { version } = instructions.find(({ id }) => id === vetsWord.id) ?? { version: 0 };
      return own.call('PUT /api/instructions/:id', { id: vetsWord.id, body: { version, until: '2026-12-24' } });
    };
    /** Events are judged one by one: what is refused comes back among the others. */
    const tell = async (says: ToldWord['says']): Promise<{ status: number; body: Partial<Problem> }> => {
      const told = { ...word('vet'), says };
      const { from: _, ...toldWord } = told;
      const events = eventsOf([{ type: 'word told', word: toldWord }], ++counter);
      const { body } = await own.call('POST /api/visits/:id/events', { id: toldAt, body: { events } });
      const [why] = body.refused;
      return why
        ? { status: 403, body: { error: { kind: 'not allowed', message: why.words } } }
        : { status: 201, body: {} };
    };
    const toldAt = await begin(own, (await addDog(own)).dogId);
    let counter = 100;
    let parts = 3;
    const asks: readonly (readonly [Deed | null, () => Promise<{ status: number; body: Partial<Problem> }>])[] = [
      ['vet words', () => write('vet')],
      [null, () => write('owner')],
      [
        'vet words',
        () => referral({ vet: { who: 'Dr Kealoha', words: seen(), on: '2026-11-25', instructionId: null } }),
      ],
      ['vet words', end],
      ['close referrals', () => referral({ end: { outcome: 'the owner declined', on: '2026-11-25', by: seen() } })],
      ['vet words', () => tell({ kind: 'vet saw', task: 'eye check', on: day('2026-10-01') })],
      [null, () => tell({ kind: 'uses', what: 'ear drops', name: seen() })],
      ['say dilutions', () => change({ label: `${++parts}:1`, waterParts: String(parts) })],
      ['set prices', () => change({ containerMl: 1000, price: 1 + Math.random() })],
      [null, () => change({ leadDays: Math.ceil(Math.random() * 30) })],
      ['correct stock', () => own.call('POST /api/stock', { body: { ...ENTRY, id: v7(), productId: own.productId } })],
      [
        null,
        () => own.call('POST /api/stock', { body: { ...ENTRY, id: v7(), productId: own.productId, kind: 'count' } }),
      ],
      ['change others’ sheets', () => sheet(othersId)],
      [null, () => sheet(visitId)],
    ];
    for (const role of ROLES) {
      await inTenant(databases, own.businessId, (tx) => tx.update(member).set({ role }));
      for (const [deed, ask] of asks)
        expect([role, deed, refusal(await ask())]).toEqual([
          role,
          deed,
          deed === null || mayDo(role, deed, OPEN) ? null : whyNotAllowed(role, deed, OPEN),
        ]);
    }
  });
});

/** A dog comes into the book by others. */
async function dogOf(salon: Salon): Promise<KeptDog> {
  const be = (role: Role) => inTenant(databases, salon.businessId, (tx) => tx.update(member).set({ role }));
  await be('groomer');
  const kept = await addDog(salon);
  await be('bather');
  return kept;
}

describe('a bather', () => {
  let bather: Salon;
  beforeAll(async () => {
    bather = await openSalon('bather');
  });

  test('takes no book out', async () => {
    const { status, body } = await request(app).get('/api/export/dogs.csv').set('Cookie', bather.cookie);
    expect([status, (body as { error: { message: string } }).error.message]).toEqual([
      403,
      'A bather does not take the book out. Ask an owner-manager or a groomer.',
    ]);
  });

  test('changes no dilution, and adds no product of another; all else of it may be changed', async () => {
    const { products } = (await bather.call('GET /api/business')).body;
    const [wash] = products;
    if (!wash) throw new Error('no wash');
    const edit = (more: object) => {
      const { strength: _, strokeMl: __, costPerMl: ___, archivedOn: ____, contactMinutes: _____, id, ...body } = wash;
      return bather.call('PUT /api/products/:id', { id, body: { ...body, ...more } });
    };
    for (const more of [
      { label: '4:1', waterParts: '4' },
      { kind: 'face' },
      { purposes: [{ purpose: 'x', waterParts: '24' }] },
    ])
      expect((await edit(more)).status).toBe(403);
    expect((await bather.call('POST /api/products', { body: { id: v7(), ...typed({ name: 'Weak' }) } })).status).toBe(
      403,
    );
    expect((await edit({ leadDays: 3 })).body).toEqual({ version: 2 });
  });

  test('sees the numbers of an owner, and no address', async () => {
    const { dogId, clientId } = await dogOf(bather);
    const card = {
      phones: [{ number: '01632 960114', whose: '' }],
      emails: ['folake@thornmere.example'],
      address: { street: '3 Slip Row', town: 'Thornmere', postcode: 'TM1 2AB', coordinates: null },
    };
    await inTenant(databases, bather.businessId, (tx) => tx.update(member).set({ role: 'groomer' }));
    const { client: before } = (await bather.call('GET /api/clients/:id', { id: clientId })).body;
    const body = { version: before.version, name: before.name, card: { ...before.card, ...card } };
    expect((await bather.call('PUT /api/clients/:id', { id: clientId, body })).status).toBe(200);
    await inTenant(databases, bather.businessId, (tx) => tx.update(member).set({ role: 'bather' }));
    const of = async () => {
      const { client } = (await bather.call('GET /api/dogs/:id', { id: dogId })).body;
      const line = (await bather.call('GET /api/dogs')).body.items.find(({ id }) => id === dogId);
      const { phones, emails, address } = client.card;
      return {
        phones: phones.length,
        emails: emails.length,
        street: [address.street, line?.street],
        phone: line?.phone,
      };
    };
    const hidden = await of();
    await inTenant(databases, bather.businessId, (tx) => tx.update(member).set({ role: 'groomer' }));
    const shown = await of();
    await inTenant(databases, bather.businessId, (tx) => tx.update(member).set({ role: 'bather' }));
    expect([shown.phones, shown.emails]).toEqual([1, 1]);
    expect(shown.street[0]).not.toBe('');
    expect(hidden).toEqual({ ...shown, emails: 0, street: ['', ''] });
  });

  test('changes what is no price of a product whose price is no round sum', async () => {
    await inTenant(databases, bather.businessId, (tx) =>
      tx
        .update(productTable)
        .set({ containerMl: 750, costPerMl: 12.345 / 750 })
        .where(eq(productTable.id, bather.productId)),
    );
    const [wash] = (await bather.call('GET /api/business')).body.products.filter(({ id }) => id === bather.productId);
    if (!wash) throw new Error('no wash');
    const { strength: _, strokeMl: __, costPerMl: ___, archivedOn: ____, contactMinutes: _____, id, ...body } = wash;
    const edit = (more: object) => bather.call('PUT /api/products/:id', { id, body: { ...body, ...more } });
    expect((await edit({ containerMl: 500 })).status).toBe(403);
    expect((await edit({ price: 3 })).status).toBe(403);
    expect((await edit({ leadDays: 9 })).status).toBe(200);
    const [kept] = await inTenant(databases, bather.businessId, (tx) =>
      tx.select({ cost: productTable.costPerMl }).from(productTable).where(eq(productTable.id, bather.productId)),
    );
    expect(kept?.cost).toBe(12.345 / 750);
  });

  test('reads in the outbox that it was written, and to no address', async () => {
    const { dogId, clientId } = await dogOf(bather);
    await inTenant(databases, bather.businessId, (tx) =>
      tx.insert(message).values(
        (['e-mail', 'text message'] as const).map((channel) => ({
          ...{
            id: v7(),
            clientId,
            dogId,
            kind: 'sheet',
            channel,
            subject: '',
            words: '',
            state: 'sent',
            askedBy: 'Ines',
            madeFrom: '',
          },
          recipient: channel === 'e-mail' ? 'folake@thornmere.example' : '01632 960114',
        })) as never,
      ),
    );
    const to = (await bather.call('GET /api/messages')).body.items.map((each) => each.to).toSorted();
    expect(to).toEqual(['', '01632 960114']);
  });

  test('writes no vet’s word and ends none, but an owner’s', async () => {
    const { dogId } = await dogOf(bather);
    const word = (by: 'vet' | 'owner') => ({
      id: v7(),
      by,
      who: 'Dr Kealoha',
      place: null,
      says: { kind: 'avoid', ingredient: 'tea tree' },
      from: '2026-11-25',
      until: null,
    });
    const write = (body: object) => bather.call('POST /api/dogs/:id/instructions', { id: dogId, body });
    expect((await write(word('vet'))).status).toBe(403);
    expect((await write(word('owner'))).status).toBe(201);
  });

  test('writes no vet’s word on a referral, but what the owner said', async () => {
    const { dogId } = await dogOf(bather);
    await visitDog(bather, dogId, [
      { type: 'found', finding: finding({ site: 'ear', side: 'left' }, 'ear yellow wax', 2) },
    ]);
    const [open] = (await bather.call('GET /api/referrals', { query: { dog: dogId } })).body.items;
    if (!open) throw new Error('no referral');
    const step = (more: object) =>
      bather.call('PUT /api/referrals/:id', {
        id: open.id,
        body: { version: open.version, told: null, answer: null, vet: null, end: null, ...more },
      });
    const vet = { who: 'Dr Kealoha', words: 'All well.', on: '2026-11-25', instructionId: null };
    expect((await step({ vet })).status).toBe(403);
    expect((await step({ told: { how: 'at the door', on: '2026-11-25', by: 'Ines' } })).status).toBe(200);
  });

  test('a groomer may', async () => {
    const groomer = await openSalon('groomer');
    expect((await request(app).get('/api/export/dogs.csv').set('Cookie', groomer.cookie)).status).toBe(200);
    await addProduct(groomer, { name: 'Chalk wash' });
  });
});

describe('whoever was removed', () => {
  test('is out at once: pages, calendar', async () => {
    const salon = await openSalon();
    const { url } = (await salon.call('PUT /api/me/calendar', { body: { open: true } })).body;
    const feed = () => request(app).get(new URL(url ?? '').pathname);
    expect((await feed()).status).toBe(200);
    await inTenant(databases, salon.businessId, (tx) => tx.update(member).set({ leftAt: new Date() }));
    expect((await feed()).status).toBe(404);
    // Not even a session is left.
    expect((await salon.call('GET /api/business')).status).toBe(401);
  });
});
