import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { EMPTY_CARD } from '@dewpond/core/clients';
import { FOLLOW_A_DOG } from '../features/merging/tables';
import { addDog, clock, databases, openSalon, type Salon } from './salon';
import { visitDog } from './tableSide';

const START = Date.UTC(2026, 10, 25, 9, 0, 0);
const CHIP = '999000000000001';
let salon: Salon;
beforeAll(async () => {
  salon = await openSalon();
});
beforeEach(() => {
  clock.now = START;
});

const clientOf = async (id: string, of = salon) => (await of.call('GET /api/clients/:id', { id })).body;
const dogOf = async (id: string, of = salon) => (await of.call('GET /api/dogs/:id', { id })).body;
const listed = async (of = salon) => (await of.call('GET /api/dogs')).body.items;
const book = (dogId: string, startsAt: string) =>
  salon.call('POST /api/appointments', {
    body: { id: v7(), dogId, kind: 'full visit', memberId: salon.memberId, startsAt, minutes: 60 },
  });

describe('a client', () => {
  test('is changed with the version it was read at; whoever was slower sees both', async () => {
    const { clientId } = await addDog(salon);
    const { client } = await clientOf(clientId);
    const card = {
      ...client.card,
      emails: ['folake@thornmere.example'],
      consents: { photos: { yes: true, on: '2026-11-20' } },
      address: {
        street: '3 Slip Row',
        town: 'Thornmere',
        postcode: '',
        coordinates: { latitude: 50.2, longitude: -4.1 },
      },
    };
    const edit = { version: 1, name: 'Folake Adeyemi-Okoro', card };
    expect((await salon.call('PUT /api/clients/:id', { id: clientId, body: edit })).body.version).toBe(2);
    const late = await salon.call('PUT /api/clients/:id', { id: clientId, body: edit });
    expect([late.status, (late.body.error.current as { version: number }).version]).toEqual([409, 2]);
    const after = await clientOf(clientId);
    expect(after.client).toMatchObject({ name: 'Folake Adeyemi-Okoro', card });
    expect((await listed()).find((dog) => dog.owner === 'Folake Adeyemi-Okoro')?.street).toBe('3 Slip Row');
  });

  test.each<[string, object, string]>([
    [
      'coordinates off the globe',
      { address: { coordinates: { latitude: 91, longitude: 0 } } },
      'card.address.coordinates.latitude',
    ],
    ['an e-mail that is none', { emails: ['folake'] }, 'card.emails.0'],
    ['a number of letters', { phones: [{ number: 'ring me' }] }, 'card.phones.0.number'],
    ['a consent given tomorrow', { consents: { photos: { yes: true, on: '2026-11-26' } } }, 'card.consents.photos.on'],
  ])('with %s is refused at the field', async (_, more, path) => {
    const { clientId } = await addDog(salon);
    const { client } = await clientOf(clientId);
    const { status, body } = await salon.call('PUT /api/clients/:id', {
      id: clientId,
      body: { version: 1, name: client.name, card: { ...client.card, ...more } },
    });
    expect([status, body.error.fields?.[0]?.path]).toEqual([422, path]);
    expect((await clientOf(clientId)).client).toEqual(client);
  });

  test('a dated word of the owner counts for all their dogs', async () => {
    const { clientId, dogId } = await addDog(salon, { pluckingConsent: true });
    expect((await dogOf(dogId)).facts.pluckingConsent).toBe(true);
    const { client } = await clientOf(clientId);
    const consents = { plucking: { yes: false, on: '2026-11-25' } };
    await salon.call('PUT /api/clients/:id', {
      id: clientId,
      body: { version: 1, name: client.name, card: { ...client.card, consents } },
    });
    expect((await dogOf(dogId)).facts.pluckingConsent).toBe(false);
  });

  test('archived takes the dogs along, unless one is booked; brought back it brings those back', async () => {
    const { clientId, dogId } = await addDog(salon);
    const archive = async (archived: boolean) =>
      salon.call('PUT /api/clients/:id/archive', {
        id: clientId,
        body: { version: (await clientOf(clientId)).client.version, archived },
      });
    await book(dogId, '2026-12-01T09:00:00Z');
    const refused = await archive(true);
    expect([refused.status, refused.body.error.message]).toEqual([409, expect.stringContaining('Tue 1 Dec')]);
    const [booked] = (await dogOf(dogId)).appointments;
    await salon.call('PUT /api/appointments/:id', { id: booked?.id ?? '', body: { change: 'cancel', version: 1 } });
    expect((await archive(true)).status).toBe(200);
    expect((await listed()).find((dog) => dog.id === dogId)?.archived).toBe(true);
    expect((await book(dogId, '2026-12-02T09:00:00Z')).status).toBe(422);
    expect((await archive(false)).status).toBe(200);
    expect((await listed()).find((dog) => dog.id === dogId)?.archived).toBe(false);
  });

  test('shares a household, and leaves it', async () => {
    const [one, two] = [await addDog(salon), await addDog(salon)];
    const join = (withId: string | null) =>
      salon.call('PUT /api/clients/:id/household', { id: one.clientId, body: { with: withId } });
    expect((await join(one.clientId)).status).toBe(422);
    await join(two.clientId);
    expect((await clientOf(one.clientId)).housemates.map((mate) => mate.id)).toEqual([two.clientId]);
    expect((await clientOf(two.clientId)).housemates.map((mate) => mate.dogs.length)).toEqual([1]);
    await join(null);
    expect((await clientOf(two.clientId)).housemates).toEqual([]);
  });
});

describe('two that are the same', () => {
  const merge = (of: 'clients' | 'dogs', id: string, goneId: string, mergeId = v7()) =>
    salon.call(`POST /api/${of}/:id/merge`, { id, body: { id: mergeId, goneId } });
  const undo = (id: string) => salon.call('POST /api/merges/:id/undo', { id, body: {} });

  test('clients are seen by their phone, shown first, joined, and taken apart again', async () => {
    const own = await openSalon();
    const [kept, gone] = [await addDog(own), await addDog(own, { name: 'Umber' })];
    const twin = await clientOf(kept.clientId, own);
    expect(twin.likelySame.map(({ id }) => id)).toEqual([gone.clientId]);
    const { client } = await clientOf(gone.clientId, own);
    await own.call('PUT /api/clients/:id', {
      id: gone.clientId,
      body: { version: 1, name: 'F. Adeyemi', card: { ...client.card, emails: ['f@thornmere.example'] } },
    });
    const preview = await own.call('GET /api/clients/:id/merge', { id: kept.clientId, query: { gone: gone.clientId } });
    expect(preview.body).toMatchObject({ moves: ['the dog Umber'], gains: ['f@thornmere.example'], refused: null });
    const id = v7();
    const join = () =>
      own.call('POST /api/clients/:id/merge', { id: kept.clientId, body: { id, goneId: gone.clientId } });
    expect([(await join()).status, (await join()).status]).toEqual([201, 201]);
    const after = await clientOf(kept.clientId, own);
    expect(after.dogs.map(({ name }) => name)).toEqual(['Teasel', 'Umber']);
    expect(after.client.card.emails).toEqual(['f@thornmere.example']);
    expect(after.likelySame).toEqual([]);
    expect((await clientOf(gone.clientId, own)).client.archivedOn).toBe('2026-11-25');
    expect(after.merges).toMatchObject([{ id, name: 'F. Adeyemi' }]);
    await own.call('POST /api/merges/:id/undo', { id, body: {} });
    const apart = await clientOf(kept.clientId, own);
    expect([apart.dogs.length, apart.client.card.emails, apart.merges]).toEqual([1, [], []]);
    expect((await clientOf(gone.clientId, own)).dogs.map(({ name }) => name)).toEqual(['Umber']);
  });

  test('what was written on the card since a merge is not thrown away by taking it back', async () => {
    const [kept, gone] = [await addDog(salon), await addDog(salon)];
    const id = v7();
    await merge('clients', kept.clientId, gone.clientId, id);
    const { client } = await clientOf(kept.clientId);
    await salon.call('PUT /api/clients/:id', {
      id: kept.clientId,
      body: { version: client.version, name: client.name, card: { ...client.card, note: 'Side gate.' } },
    });
    await undo(id);
    expect((await clientOf(kept.clientId)).client.card.note).toBe('Side gate.');
  });

  test('dogs are joined with visits, weights and instructions, and taken apart again', async () => {
    const { clientId, dogId } = await addDog(salon);
    const twinId = v7();
    await salon.call('POST /api/dogs', {
      body: { id: twinId, clientId, profile: { name: 'teasel', weightKg: 15, breeds: ['beagle'], chip: CHIP } },
    });
    expect((await dogOf(dogId)).likelySame.map(({ id }) => id)).toEqual([twinId]);
    await visitDog(salon, twinId);
    clock.now += 86_400_000;
    await salon.call('POST /api/dogs/:id/weighings', { id: twinId, body: { day: '2026-11-26', kg: 15.5 } });
    const preview = await salon.call('GET /api/dogs/:id/merge', { id: dogId, query: { gone: twinId } });
    expect(preview.body).toMatchObject({ moves: ['1 visit', '1 weight'], gains: [`chip ${CHIP}`], refused: null });
    const before = await dogOf(twinId);
    const id = v7();
    expect((await merge('dogs', dogId, twinId, id)).status).toBe(201);
    const joined = await dogOf(dogId);
    expect([joined.visits.length, joined.weighings.length, joined.profile.chip]).toEqual([1, 2, CHIP]);
    expect((await dogOf(twinId)).archivedOn).toBe('2026-11-26');
    await undo(id);
    const [kept, twin] = [await dogOf(dogId), await dogOf(twinId)];
    expect([kept.visits.length, kept.profile.chip, kept.weighings.length]).toEqual([0, '', 1]);
    expect(twin.visits).toEqual(before.visits);
    expect([twin.profile.chip, twin.archivedOn]).toEqual([CHIP, null]);
  });

  test('two different chips are two dogs; one and the same cannot be joined', async () => {
    const { clientId, dogId } = await addDog(salon, { chip: '999000000000011' });
    const other = v7();
    const profile = { name: 'Teasel', weightKg: 9, chip: '999000000000012' };
    await salon.call('POST /api/dogs', { body: { id: other, clientId, profile } });
    const refused = await merge('dogs', dogId, other);
    expect([refused.status, refused.body.error.message]).toEqual([409, expect.stringContaining('two dogs')]);
    expect((await merge('clients', clientId, clientId)).status).toBe(409);
    expect((await merge('clients', clientId, v7())).status).toBe(404);
  });

  test('a chip is one dog’s: the other is told whose', async () => {
    const { clientId } = await addDog(salon, { chip: '999000000000021' });
    const body = { id: v7(), clientId, profile: { name: 'Quill', weightKg: 8, chip: '999000000000021' } };
    const { status, body: told } = await salon.call('POST /api/dogs', { body });
    expect([status, told.error.message]).toEqual([422, 'That chip is Teasel’s, of Folake Adeyemi.']);
  });
});

describe('a vet', () => {
  test('is kept with contacts, belongs to dogs, and can be archived', async () => {
    const { dogId } = await addDog(salon);
    const id = v7();
    const fields = { name: 'Dr Oyelaran', practice: 'Harbour Vets', phone: '01632 960200' };
    await salon.call('POST /api/vets', { body: { id, ...fields } });
    const { version, profile } = await dogOf(dogId);
    expect((await salon.call('PUT /api/dogs/:id', { id: dogId, body: { version, profile, vetId: v7() } })).status).toBe(
      422,
    );
    await salon.call('PUT /api/dogs/:id', { id: dogId, body: { version, profile, vetId: id } });
    expect((await dogOf(dogId)).vet).toEqual({ id, ...fields });
    const [kept] = (await salon.call('GET /api/vets')).body.items.filter((vet) => vet.id === id);
    expect(kept).toMatchObject({ dogs: 1, archivedOn: null });
    const edit = { ...fields, version: 1, archived: true };
    expect((await salon.call('PUT /api/vets/:id', { id, body: edit })).status).toBe(200);
    expect((await salon.call('PUT /api/vets/:id', { id, body: edit })).status).toBe(409);
    expect((await dogOf(dogId)).vet?.name).toBe('Dr Oyelaran');
  });
});

describe('weights', () => {
  test('one a day, the newest is the dog’s, an older one only fills the record', async () => {
    const { dogId } = await addDog(salon);
    const weigh = (day: string, kg: number) =>
      salon.call('POST /api/dogs/:id/weighings', { id: dogId, body: { day, kg } });
    await weigh('2026-11-25', 14.6);
    await weigh('2026-06-01', 13);
    const dog = await dogOf(dogId);
    expect(dog.weighings.map(({ day, kg }) => [day, kg])).toEqual([
      ['2026-06-01', 13],
      ['2026-11-25', 14.6],
    ]);
    expect(dog.facts.weight).toBe(14.6);
    expect((await weigh('2026-11-26', 14)).status).toBe(422);
    expect((await weigh('2026-11-25', 0)).status).toBe(422);
  });

  test('a weight changed on the dog’s page is a weighing, too', async () => {
    const { dogId } = await addDog(salon);
    clock.now += 7 * 86_400_000;
    const { version, profile } = await dogOf(dogId);
    await salon.call('PUT /api/dogs/:id', { id: dogId, body: { version, profile: { ...profile, weightKg: 15 } } });
    expect((await dogOf(dogId)).weighings.map(({ kg }) => kg)).toEqual([14.2, 15]);
  });
});

describe('short lessons', () => {
  test('are begun once, written down, taken back, ended and taken up again', async () => {
    const { dogId } = await addDog(salon);
    const id = v7();
    const begin = (programmeId: string) =>
      salon.call('POST /api/dogs/:id/programme', { id: dogId, body: { id: programmeId, kind: 'nervous' } });
    expect([(await begin(id)).status, (await begin(id)).status, (await begin(v7())).status]).toEqual([201, 201, 409]);
    const lesson = { id: v7(), goal: 'room', went: 'easy' };
    const write = (body: object) => salon.call('POST /api/programmes/:id/lessons', { id, body });
    expect([(await write(lesson)).status, (await write(lesson)).status]).toEqual([201, 201]);
    expect((await write({ ...lesson, went: 'too much' })).status).toBe(409);
    expect((await write({ id: v7(), goal: 'opera', went: 'easy' })).status).toBe(422);
    const programme = async () => (await dogOf(dogId)).programme;
    expect(await programme()).toMatchObject({
      kind: 'nervous',
      lessons: [{ goal: 'room', on: '2026-11-25', by: 'Ines' }],
    });
    const change = async (body: object) =>
      salon.call('PUT /api/programmes/:id', { id, body: { version: (await programme())?.version, ...body } });
    await change({ ended: true });
    expect((await write({ id: v7(), goal: 'table', went: 'easy' })).status).toBe(409);
    await change({ ended: false, withoutLesson: lesson.id });
    expect(await programme()).toMatchObject({ endedOn: null, lessons: [] });
  });
});

describe('a card that is empty', () => {
  test('is a card all the same', async () => {
    const id = v7();
    await salon.call('POST /api/clients', { body: { id, name: 'Wen Halloran' } });
    expect((await clientOf(id)).client.card).toEqual(EMPTY_CARD);
  });
});

test('every table that names a dog follows it in a merge, or it is said why not', async () => {
  const { rows } = await databases.app.query<{ table: string }>(
    `select table_name as table from information_schema.columns where table_schema = 'dewpond' and column_name = 'dog_id'`,
  );
  // Day by day, where the other dog has none of that day; and what is due, which is reckoned anew.
  const otherwise = ['weighing', 'home_tick', 'dog_due'];
  // A lot that was touched and a made mix name the dog by their visit and their own id.
  expect(
    rows.map(({ table }) => table).filter((table) => !FOLLOW_A_DOG.includes(table) && !otherwise.includes(table)),
  ).toEqual([]);
});
