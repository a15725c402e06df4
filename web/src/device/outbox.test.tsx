import type { VisitEvent } from '@dewpond/core/visit';
import { visitEvent } from '@dewpond/contract';
import { v7 } from 'uuid';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { MEMBER } from '../tests/demoDog';
import { Refusal, openOffice } from '../tests/office';
import { device, type OwnEvent } from './database';
import { eventsOf, keep, keepPhoto, keepVisit, putAway, useOutbox } from './kept';
import { closeOutbox, nudge, openOutbox } from './outbox';

const ME = MEMBER.personId;
let counter = 0;
/** Something done at the table, by whoever held the tablet. */
const done = (visitId: string, step = 'nails', person = ME): OwnEvent => {
  const event: VisitEvent = {
    id: v7(),
    v: 2,
    counter: (counter += 1),
    device: 'tablet',
    person,
    at: Date.now(),
    offset: null,
    seen: {},
    what: { type: 'step done', step },
  };
  return { id: event.id, visitId, person, event, sentAt: null, refused: null };
};
const ids = (rows: readonly OwnEvent[]) => rows.map(({ id }) => id);

/** An office that takes everything once, unless `answer` says otherwise. */
function office(answer: (ids: string[]) => { status?: number; refused?: string[]; silent?: boolean } = () => ({})) {
  const taken: string[][] = [];
  const begun: string[] = [];
  const stand = openOffice({
    'POST /api/visits': ({ body }) => {
      begun.push(body.id);
      return { id: body.id };
    },
    'POST /api/visits/:id/events': ({ body }) => {
      const asked = body.events.map((each) => visitEvent.parse(each).id);
      const { status, refused = [], silent = false } = answer(asked);
      if (status !== undefined) throw new Refusal(status, { kind: 'server', message: `An answer of ${status}.` });
      const fine = asked.filter((id) => !refused.includes(id));
      taken.push(fine);
      return {
        taken: silent ? [] : fine,
        known: [],
        refused: refused.map((id) => ({ id, status: 409 as const, words: 'That id means something else.' })),
        serverNow: Date.now(),
      };
    },
  });
  return Object.assign(stand, { taken, begun });
}
const settled = () => vi.waitFor(() => expect(useOutbox.getState().waiting).toBe(0), { timeout: 8000 });
const troubled = () => vi.waitFor(() => expect(useOutbox.getState().trouble).not.toBeNull(), { timeout: 8000 });

beforeEach(() => {
  useOutbox.setState(useOutbox.getInitialState(), true);
});

describe('events on their way to the office', () => {
  test('in order, in batches of at most 200, each once; kept for some days to be seen without a network', async () => {
    const there = office();
    const visitId = v7();
    const rows = Array.from({ length: 450 }, (_, i) => done(visitId, `step ${i}`));
    await keep(rows.toReversed());
    await openOutbox(ME);
    await settled();
    expect(there.taken.map((batch) => batch.length)).toEqual([200, 200, 50]);
    expect(there.taken.flat()).toEqual(ids(rows));
    expect((await eventsOf(visitId)).own).toHaveLength(450);
    nudge();
    await settled();
    expect(there.taken.flat()).toHaveLength(450);
  });

  test.each([500, 503, 429])('an answer of %s loses nothing and is tried again by itself', async (status) => {
    let broken = true;
    const there = office(() => (broken ? { status } : {}));
    const row = done(v7());
    await openOutbox(ME);
    await keep([row]);
    nudge();
    await troubled();
    expect(await device.events.get(row.id)).toMatchObject({ sentAt: null, refused: null });
    broken = false;
    await settled();
    expect(there.taken.flat()).toEqual([row.id]);
  });

  test('an office that hangs is given up after a while, and everything is still here', async () => {
    const there = office();
    const timeout = vi.spyOn(AbortSignal, 'timeout').mockImplementation(() => AbortSignal.abort());
    vi.stubGlobal('fetch', (_: string, { signal }: RequestInit) =>
      signal?.aborted ? Promise.reject(new DOMException('too slow', 'TimeoutError')) : new Promise(() => undefined),
    );
    const row = done(v7());
    await openOutbox(ME);
    await keep([row]);
    nudge();
    await troubled();
    expect(useOutbox.getState()).toMatchObject({ waiting: 1, signedOut: false });
    expect(there.taken).toEqual([]);
    timeout.mockRestore();
  });

  test('a session that ended: everything waits for a sign-in, and goes out after it', async () => {
    let signedIn = false;
    const there = office(() => (signedIn ? {} : { status: 401 }));
    const row = done(v7());
    await openOutbox(ME);
    await keep([row]);
    nudge();
    await vi.waitFor(() => expect(useOutbox.getState().signedOut).toBe(true));
    signedIn = true;
    await openOutbox(ME);
    await settled();
    expect(there.taken.flat()).toEqual([row.id]);
    expect(useOutbox.getState().signedOut).toBe(false);
  });

  test('what another person did is not sent in this one’s name, and is counted apart', async () => {
    const there = office();
    const theirs = done(v7(), 'nails', 'somebody else');
    const mine = done(v7());
    await openOutbox(ME);
    await keep([theirs, mine]);
    nudge();
    await settled();
    expect(there.taken.flat()).toEqual([mine.id]);
    expect(useOutbox.getState().ofOthers).toBe(1);
    closeOutbox();
    await openOutbox('somebody else');
    await settled();
    expect(there.taken.flat()).toEqual([mine.id, theirs.id]);
  });

  test('a refused one holds up no other, is told in words, and stays until it is put away', async () => {
    const visitId = v7();
    const [first, bad, last] = [done(visitId), done(visitId), done(visitId)];
    const there = office(() => ({ refused: [bad.id] }));
    await openOutbox(ME);
    await keep([first, bad, last]);
    nudge();
    await settled();
    expect(there.taken.flat()).toEqual([first.id, last.id]);
    expect(useOutbox.getState().refused).toMatchObject([{ id: bad.id, words: 'That id means something else.' }]);
    expect((await eventsOf(visitId)).refused).toEqual([bad.event]);
    await putAway(bad.id);
    expect(useOutbox.getState().refused).toEqual([]);
    expect(await device.events.get(bad.id)).toBeUndefined();
  });

  test('an office that speaks of none of them is not asked for ever', async () => {
    office(() => ({ silent: true }));
    await openOutbox(ME);
    await keep([done(v7())]);
    nudge();
    await settled();
    expect(useOutbox.getState().refused[0]?.words).toMatch(/did not say/);
  });

  test('a full disk: kept in memory, said so, sent from there, and written down when there is room', async () => {
    let away = true;
    const there = office(() => (away ? { status: 503 } : {}));
    const full = vi
      .spyOn(device.events, 'bulkPut')
      .mockRejectedValue(new DOMException('no room', 'QuotaExceededError'));
    const visitId = v7();
    const [one, two] = [done(visitId), done(visitId)];
    await openOutbox(ME);
    await keep([one]);
    nudge();
    await troubled();
    expect(useOutbox.getState()).toMatchObject({ unkept: 1, waiting: 1 });
    expect((await eventsOf(visitId)).own).toEqual([one.event]);
    full.mockRestore();
    await keep([two]);
    expect(useOutbox.getState().unkept).toBe(0);
    expect(await device.events.count()).toBe(2);
    away = false;
    nudge();
    await settled();
    expect(there.taken.flat()).toEqual([one.id, two.id]);
  });

  test('events an older Dewpond left in its own place are taken over and sent as they are', async () => {
    const there = office();
    const visitId = v7();
    const { event } = done(visitId);
    const { seen: _, ...old } = { ...event, v: 1 };
    localStorage.setItem(`dewpond-waiting-${visitId}`, JSON.stringify([old]));
    localStorage.setItem('dewpond-waiting-broken', '{not a list');
    await openOutbox(ME);
    await settled();
    expect(there.taken.flat()).toEqual([event.id]);
    expect(localStorage.getItem(`dewpond-waiting-${visitId}`)).toBeNull();
    // What cannot be read is left where it is, rather than lost.
    expect(localStorage.getItem('dewpond-waiting-broken')).toBe('{not a list');
  });

  test('acknowledged work is forgotten after some days, waiting work never', async () => {
    office();
    const old = { ...done(v7()), sentAt: Date.now() - 4 * 86_400_000 };
    const recent = { ...done(v7()), sentAt: Date.now() - 86_400_000 };
    const waiting = { ...done(v7(), 'nails', 'somebody else'), event: { ...done('').event, at: 0 } };
    await device.events.bulkPut([old, recent, waiting]);
    await openOutbox(ME);
    await settled();
    expect((await device.events.toCollection().primaryKeys()).toSorted()).toEqual(ids([recent, waiting]).toSorted());
  });
});

describe('a visit begun without a network', () => {
  const begin = (id: string) => keepVisit({ id, person: ME, dogId: v7(), appointmentId: v7(), refused: null });

  test('is told to the office before its events', async () => {
    const there = office();
    const id = v7();
    await begin(id);
    await keep([done(id)]);
    await openOutbox(ME);
    await settled();
    expect(there.begun).toEqual([id]);
    expect(there.taken.flat()).toHaveLength(1);
  });

  test('that another device had begun: its work goes into that one, pictures too', async () => {
    const there = office();
    const [mine, theirs] = [v7(), v7()];
    const asked: string[] = [];
    const through = globalThis.fetch;
    vi.stubGlobal('fetch', (url: string, init: RequestInit) => {
      asked.push(`${init.method} ${url}`);
      if (url === '/api/visits')
        return Promise.resolve(
          Response.json(
            { error: { kind: 'conflict', message: 'Already begun.', current: { id: theirs } } },
            { status: 409 },
          ),
        );
      return url.includes('/photos/') ? Promise.resolve(Response.json({})) : through(url, init);
    });
    await begin(mine);
    const row = done(mine);
    await keep([row]);
    const photo = v7();
    await keepPhoto({
      id: photo,
      visitId: mine,
      person: ME,
      bytes: new Blob(['x'], { type: 'image/jpeg' }),
      refused: null,
    });
    await openOutbox(ME);
    await settled();
    expect(asked).toEqual([
      'POST /api/visits',
      `POST /api/visits/${theirs}/events`,
      `PUT /api/visits/${theirs}/photos/${photo}`,
    ]);
    expect(there.taken.flat()).toEqual([row.id]);
    expect(useOutbox.getState().moved).toEqual({ [mine]: theirs });
    expect(await device.photos.count()).toBe(0);
  });

  test('that the office refuses: visit and events are told, and kept', async () => {
    openOffice({
      'POST /api/visits': () => {
        throw new Refusal(422, { kind: 'bad input', message: 'There is no such dog here.' });
      },
    });
    const id = v7();
    await begin(id);
    await keep([done(id)]);
    await openOutbox(ME);
    await settled();
    expect(useOutbox.getState().refused.map(({ words }) => words)).toEqual([
      'There is no such dog here.',
      'There is no such dog here.',
    ]);
    expect(await device.events.count()).toBe(1);
  });
});

test('a picture the office refuses is told and stays on the device', async () => {
  office();
  vi.stubGlobal('fetch', () =>
    Promise.resolve(
      Response.json({ error: { kind: 'too large', message: 'The room for pictures is full.' } }, { status: 413 }),
    ),
  );
  await keepPhoto({
    id: v7(),
    visitId: v7(),
    person: ME,
    bytes: new Blob(['x'], { type: 'image/jpeg' }),
    refused: null,
  });
  await openOutbox(ME);
  await settled();
  expect(useOutbox.getState().refused).toMatchObject([{ what: 'a picture', words: 'The room for pictures is full.' }]);
  expect(await device.photos.count()).toBe(1);
});
