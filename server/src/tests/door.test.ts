import { day } from '@dewpond/core/units';
import type { Happening, ToldWord } from '@dewpond/core/events';
import { finding } from '@dewpond/core/findings';
import { eq } from 'drizzle-orm';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { organization } from '../platform/db/authSchema';
import { rebuildBusiness } from '../commands/rebuildProjections';
import { addDog, clock, databases, openSalon, type Salon } from './salon';
import { begin, eventsOf, visitDog } from './tableSide';

const START = Date.UTC(2026, 10, 25, 9, 0, 0);
const DAY = 86_400_000;

let salon: Salon;
let dogId: string;
beforeAll(async () => {
  salon = await openSalon();
});
beforeEach(async () => {
  clock.now = START;
  ({ dogId } = await addDog(salon));
});

const send = async (id: string, happenings: readonly Happening[], first = 1) => {
  const { body } = await salon.call('POST /api/visits/:id/events', {
    id,
    body: { events: eventsOf(happenings, first) },
  });
  expect(body.refused).toEqual([]);
};
const word = (says: ToldWord['says'], more: Partial<ToldWord> = {}): ToldWord => ({
  id: v7(),
  by: 'owner',
  who: 'Amara Nwosu',
  place: null,
  says,
  until: null,
  ...more,
});
const dogView = async () => (await salon.call('GET /api/dogs/:id', { id: dogId })).body;

describe('what is told at the table', () => {
  test('is on the dog from that day on, once, however often it is sent; what is ended ends the day before', async () => {
    const id = await begin(salon, dogId);
    const diet = word({ kind: 'uses', what: 'diet', name: 'fish only' });
    const events = eventsOf([{ type: 'opened' }, { type: 'word told', word: diet }]);
    for (let i = 0; i < 2; i++) await salon.call('POST /api/visits/:id/events', { id, body: { events } });
    expect((await dogView()).instructions).toMatchObject([{ id: diet.id, from: '2026-11-25', until: null }]);
    const next = await begin(salon, dogId);
    await send(next, [{ type: 'opened' }, { type: 'word ended', word: diet.id }]);
    expect((await dogView()).instructions).toMatchObject([{ id: diet.id, until: '2026-11-24' }]);
  });

  test('what somebody changed at the desk since is not told anew when all is written again', async () => {
    const id = await begin(salon, dogId);
    const wipes = word({ kind: 'uses', what: 'wipes', name: '' });
    await send(id, [{ type: 'opened' }, { type: 'word told', word: wipes }]);
    const [told] = (await dogView()).instructions;
    const until = day('2026-12-24');
    await salon.call('PUT /api/instructions/:id', { id: wipes.id, body: { version: told?.version ?? 1, until } });
    await rebuildBusiness(databases, salon.businessId);
    expect((await dogView()).instructions).toMatchObject([{ id: wipes.id, until }]);
  });

  test('what was ended at the table and is wanted again at the desk stays, whatever happens at that table', async () => {
    const first = await begin(salon, dogId);
    const wipes = word({ kind: 'uses', what: 'wipes', name: '' });
    await send(first, [{ type: 'opened' }, { type: 'word told', word: wipes }]);
    const second = await begin(salon, dogId);
    await send(second, [{ type: 'opened' }, { type: 'word ended', word: wipes.id }]);
    const [ended] = (await dogView()).instructions;
    const edit = { version: ended?.version ?? 0, until: null };
    expect((await salon.call('PUT /api/instructions/:id', { id: wipes.id, body: edit })).status).toBe(200);
    await send(second, [{ type: 'noted', text: 'calm' }], 9);
    expect((await dogView()).instructions).toMatchObject([{ id: wipes.id, until: null }]);
  });

  test('a bottle of a vet’s for an ear does not end the stop of what is found there an hour later', async () => {
    const place = { site: 'ear', side: 'left' } as const;
    const cleaner = { id: v7(), name: 'Green cleaner', kind: 'ear cleaner', label: 'Ready to use' } as const;
    const says = { kind: 'product', task: 'ear cleaning', productId: cleaner.id } as const;
    await send(await begin(salon, dogId), [
      { type: 'opened' },
      { type: 'bottle brought', bottle: { ...cleaner, waterParts: null, ingredients: [], suppliedBy: 'vet' } },
      { type: 'word told', word: word(says, { by: 'vet', who: 'Dr Oyelaran', place }) },
      { type: 'found', finding: { place, sign: 'ear musty smell', grade: 2, answer: null } },
    ]);
    clock.now = START + DAY;
    expect(Object.keys((await dogView()).facts.suspended)).toEqual(['ear/left']);
    clock.now = START;
  });

  test('a word about another dog cannot be ended from here', async () => {
    const { dogId: other } = await addDog(salon);
    const theirs = word({ kind: 'uses', what: 'shampoo', name: '' });
    await send(await begin(salon, other), [{ type: 'opened' }, { type: 'word told', word: theirs }]);
    await send(await begin(salon, dogId), [{ type: 'opened' }, { type: 'word ended', word: theirs.id }]);
    const { body } = await salon.call('GET /api/dogs/:id', { id: other });
    expect(body.instructions).toMatchObject([{ id: theirs.id, until: null }]);
  });
});

describe('a cat in the household', () => {
  const lastAnswers = async (id: string) =>
    (await salon.call('GET /api/visits/:id', { id })).body.lastAnswers as Record<string, { answer: boolean }>;

  test('is asked once for all its dogs, whichever of them it was told of; the newest word holds', async () => {
    const { dogId: first, clientId } = await addDog(salon);
    const second = v7();
    const profile = { name: 'Sorrel', weightKg: 6, breeds: ['pug'] };
    await salon.call('POST /api/dogs', { body: { id: second, clientId, profile } });
    const stranger = dogId;
    await send(await begin(salon, first), [{ type: 'opened' }, { type: 'answered', question: 'cats', answer: true }]);
    clock.now = START + DAY;
    const next = await begin(salon, second);
    expect((await lastAnswers(next)).cats).toMatchObject({ answer: true });
    const { body } = await salon.call('GET /api/visits/:id', { id: next });
    expect(body.facts.fitness.cats).toBe(true);
    await send(next, [{ type: 'opened' }, { type: 'answered', question: 'cats', answer: false }]);
    expect((await lastAnswers(await begin(salon, first))).cats).toMatchObject({ answer: false });
    expect((await lastAnswers(await begin(salon, stranger))).cats).toBeUndefined();
    clock.now = START;
  });

  test('two people who share a household share it', async () => {
    const { dogId: first, clientId } = await addDog(salon);
    const { dogId: second, clientId: partner } = await addDog(salon);
    await salon.call('PUT /api/clients/:id/household', { id: clientId, body: { with: partner } });
    await send(await begin(salon, first), [{ type: 'opened' }, { type: 'answered', question: 'cats', answer: true }]);
    expect((await lastAnswers(await begin(salon, second))).cats).toMatchObject({ answer: true });
  });

  test('fits are of one dog, not of the household', async () => {
    const { dogId: first, clientId } = await addDog(salon);
    const second = v7();
    await salon.call('POST /api/dogs', { body: { id: second, clientId, profile: { name: 'Sorrel', weightKg: 6 } } });
    await send(await begin(salon, first), [{ type: 'opened' }, { type: 'answered', question: 'fits', answer: true }]);
    expect((await lastAnswers(await begin(salon, second))).fits).toBeUndefined();
  });
});

describe('a bottle that was brought', () => {
  const bottle = (more: object = {}) => ({
    id: v7(),
    name: 'Blue wash',
    kind: 'medicated' as const,
    label: '9:1',
    waterParts: '9',
    ingredients: ['chlorhexidine 2 %'],
    suppliedBy: 'vet' as const,
    ...more,
  });

  test('stands on the shelf as one dog’s own, and is what its next bath takes; no other dog gets it', async () => {
    const blue = bottle();
    const says = { kind: 'bath product', productId: blue.id, contactMinutes: 8, nothingElse: false } as const;
    await send(await begin(salon, dogId), [
      { type: 'opened' },
      { type: 'bottle brought', bottle: blue },
      { type: 'word told', word: word(says, { by: 'vet', who: 'Dr Oyelaran' }) },
    ]);
    const { bath } = await dogView();
    expect(bath?.bath).toMatchObject({ name: 'Blue wash', strength: '9:1', because: 'Dr Oyelaran asked for it' });
    const { body: business } = await salon.call('GET /api/business');
    expect(business.products.find(({ id }) => id === blue.id)).toMatchObject({ suppliedBy: 'vet', label: '9:1' });
    const { dogId: other } = await addDog(salon);
    const { body } = await salon.call('GET /api/dogs/:id', { id: other });
    expect(body.bath?.bath?.name).not.toBe('Blue wash');
  });

  test('for this visit only: the next bath is the business’s again', async () => {
    const green = bottle({ name: 'Green wash', kind: 'cleansing', suppliedBy: 'owner' });
    const says = { kind: 'bath product', productId: green.id, contactMinutes: 0, nothingElse: false } as const;
    const id = await begin(salon, dogId);
    await send(id, [
      { type: 'opened' },
      { type: 'bottle brought', bottle: green },
      { type: 'word told', word: word(says, { until: day('2026-11-25') }) },
      {
        type: 'used',
        product: green.id,
        name: 'Green wash',
        ml: 300,
        planned: 300,
        how: 'as planned',
        tasks: ['bath'],
      },
    ]);
    expect((await dogView()).bath?.bath?.name).toBe('Green wash');
    clock.now = START + DAY;
    expect((await dogView()).bath?.bath?.name).not.toBe('Green wash');
    clock.now = START;
  });
});

test('a business that just signs up does not keep the others’ tables from being made anew', async () => {
  const id = await begin(salon, dogId);
  await send(id, [{ type: 'opened' }, { type: 'noted', text: 'calm' }]);
  const toBe = { id: v7(), name: 'To be', slug: v7(), createdAt: new Date() };
  await databases.auth.insert(organization).values(toBe);
  expect(await rebuildBusiness(databases, salon.businessId)).toBeGreaterThan(0);
  await databases.auth.delete(organization).where(eq(organization.id, toBe.id));
});

test('what the owner said and the closing note are read at the next handover and stand in the record', async () => {
  const first = await begin(salon, dogId);
  await send(first, [
    { type: 'opened' },
    { type: 'owner said', text: 'scratches at night' },
    { type: 'noted', text: 'left hind nail split' },
  ]);
  const { body: next } = await salon.call('GET /api/visits/:id', { id: await begin(salon, dogId) });
  expect(next.atTheDoor).toMatchObject({
    ownerSaid: { day: '2026-11-25', words: 'scratches at night' },
    closing: { day: '2026-11-25', words: 'left hind nail split' },
  });
  expect((await dogView()).notes).toEqual({
    ownerSaid: { day: '2026-11-25', words: 'scratches at night' },
    closing: { day: '2026-11-25', words: 'left hind nail split' },
  });
  const { body: record } = await salon.call('GET /api/dogs/:id/history', { id: dogId });
  expect(record.items.filter(({ kind }) => kind === 'said' || kind === 'note')).toMatchObject([
    { kind: 'said', words: 'scratches at night', visitId: first },
    { kind: 'note', words: 'left hind nail split', visitId: first },
  ]);
});

test('a product that a skin reacted to is not taken for that dog again', async () => {
  const used = (await dogView()).bath?.bath;
  if (!used) throw new Error('no wash');
  await send(await begin(salon, dogId), [
    { type: 'opened' },
    {
      type: 'incident',
      incident: {
        kind: 'skin reacts',
        place: null,
        done: 'rinsed',
        told: '',
        words: '',
        product: { id: used.productId, name: used.name },
      },
    },
  ]);
  expect((await dogView()).bath?.bath?.productId).not.toBe(used.productId);
});

test('a whole visit closes with what the bath chose', async () => {
  await visitDog(salon, dogId);
  const { visits } = await dogView();
  expect(visits).toHaveLength(1);
});

describe('how it showed itself', () => {
  const shows = { type: 'shows today', what: 'cannot stand', yes: true } as const;

  test('is told at the next visit; kept as a mark it stands on the dog, once, and stays off when it is taken off', async () => {
    await send(await begin(salon, dogId), [{ type: 'opened' }, shows]);
    const second = await begin(salon, dogId);
    const { body: view } = await salon.call('GET /api/visits/:id', { id: second });
    expect(view.shownBefore).toEqual(['cannot stand']);
    expect((await dogView()).profile.canStandThroughBath).toBe(true);
    await send(second, [{ type: 'opened' }, shows, { type: 'mark kept', what: 'cannot stand' }]);
    const { profile, version } = await dogView();
    expect(profile.canStandThroughBath).toBe(false);
    await salon.call('PUT /api/dogs/:id', {
      id: dogId,
      body: { version, profile: { ...profile, canStandThroughBath: true } },
    });
    await rebuildBusiness(databases, salon.businessId);
    await send(second, [{ type: 'noted', text: 'still here' }], 9);
    expect((await dogView()).profile.canStandThroughBath).toBe(true);
  });
});

test('a vet’s look that is told at the table with its date is then not due, and stands on the dog', async () => {
  const state = async () => (await dogView()).due.find(({ line }) => line.task === 'eye check');
  const { profile, version } = await dogView();
  await salon.call('PUT /api/dogs/:id', { id: dogId, body: { version, profile: { ...profile, breeds: ['pug'] } } });
  expect((await state())?.lastCare).toBeNull();
  const word: ToldWord = {
    id: v7(),
    by: 'vet',
    who: 'a vet, says the owner',
    place: null,
    says: { kind: 'vet saw', task: 'eye check', on: day('2026-10-01') },
    until: null,
  };
  await send(await begin(salon, dogId), [{ type: 'opened' }, { type: 'word told', word }]);
  expect(await state()).toMatchObject({ lastCare: '2026-10-01', state: 'not yet' });
});

test('a way of its own goes before the house way from the next reading on, and a school that does not exist is refused', async () => {
  const { profile, version } = await dogView();
  const put = (ownWays: object) =>
    salon.call('PUT /api/dogs/:id', { id: dogId, body: { version, profile: { ...profile, ownWays } } });
  expect((await put({ washes: { school: 'three', because: 'so' } })).status).toBe(422);
  expect((await put({ washes: { school: 'one', because: 'tires quickly' } })).status).toBe(200);
  const { facts, bath } = await dogView();
  expect(facts.ways.washes).toBe('one');
  expect(facts.ownWays).toEqual({ washes: { because: 'tires quickly', insteadOf: 'two' } });
  expect(bath?.['second wash']).toBeNull();
});

test('an eye corner that is wet at three visits though cleaned is proposed to be clipped; kept, it is its own way', async () => {
  ({ dogId } = await addDog(salon, { breeds: ['shih-tzu'], weightKg: 6 }));
  const wet: Happening = { type: 'found', finding: finding({ site: 'eye', side: 'right' }, 'eye wet', 1, false) };
  for (let i = 0; i < 3; i++) {
    expect((await dogView()).proposedWays).toEqual([]);
    await visitDog(salon, dogId, [wet]);
    clock.now += 30 * DAY;
  }
  const view = await dogView();
  const because = 'the corner of the right eye is wet at every visit, though cleaned';
  expect(view.proposedWays).toEqual([{ question: 'eyeCorner', school: 'clip', because }]);
  const profile = { ...view.profile, ownWays: { eyeCorner: { school: 'clip', because } } };
  await salon.call('PUT /api/dogs/:id', { id: dogId, body: { version: view.version, profile } });
  const kept = await dogView();
  expect([kept.proposedWays, kept.facts.ways.eyeCorner]).toEqual([[], 'clip']);
});
