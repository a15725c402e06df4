import type { VisitEvent } from '@dewpond/core/events';
import { visitEvent } from '@dewpond/contract';
import { v7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { MEMBER } from '../tests/demoDog';
import { RefusedAnswer, openServer } from '../tests/server';
import { inThisBrowser } from '../data/device';
import { httpNetwork } from '../data/httpNetwork';
import { browserStorage } from './browserStorage';
import { memoryStorage } from './memoryStorage';
import { Outbox } from './outbox';
import { OwnWork } from './ownWork';
import type { DeviceStorage, OwnEvent } from './storage';

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

/** A server that takes everything once, unless `answer` says otherwise. */
function server(answer: (ids: string[]) => { status?: number; refused?: string[]; silent?: boolean } = () => ({})) {
  const taken: string[][] = [];
  const begun: string[] = [];
  const stand = openServer({
    'POST /api/visits': ({ body }) => {
      begun.push(body.id);
      return { id: body.id };
    },
    'POST /api/visits/:id/events': ({ body }) => {
      const asked = body.events.map((each) => visitEvent.parse(each).id);
      const { status, refused = [], silent = false } = answer(asked);
      if (status !== undefined) throw new RefusedAnswer(status, { kind: 'server', message: `An answer of ${status}.` });
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

describe.each<readonly [string, () => DeviceStorage]>([
  ['in the browser’s database', () => browserStorage(`outbox ${v7()}`)],
  ['in memory', memoryStorage],
])('own work stored %s', (_, makeStorage) => {
  let storage: DeviceStorage;
  let ownWork: OwnWork;
  let outbox: Outbox;
  beforeEach(() => {
    storage = makeStorage();
    ownWork = new OwnWork(storage, inThisBrowser.now);
    outbox = new Outbox(ownWork, httpNetwork, inThisBrowser);
  });
  afterEach(() => outbox.close());
  const settled = () => vi.waitFor(() => expect(ownWork.useState.getState().waiting).toBe(0), { timeout: 8000 });
  const troubled = () =>
    vi.waitFor(() => expect(ownWork.useState.getState().trouble).not.toBeNull(), { timeout: 8000 });

  describe('events on their way to the server', () => {
    test('in order, in batches of at most 200, each once; kept for some days to be seen without a network', async () => {
      const there = server();
      const visitId = v7();
      const rows = Array.from({ length: 450 }, (_, i) => done(visitId, `step ${i}`));
      await ownWork.addEvents(rows.toReversed());
      await outbox.open(ME);
      await settled();
      expect(there.taken.map((batch) => batch.length)).toEqual([200, 200, 50]);
      expect(there.taken.flat()).toEqual(ids(rows));
      expect((await ownWork.eventsOf(visitId)).own).toHaveLength(450);
      outbox.nudge();
      await settled();
      expect(there.taken.flat()).toHaveLength(450);
    });

    test.each([500, 503, 429])('an answer of %s loses nothing and is tried again by itself', async (status) => {
      let broken = true;
      const there = server(() => (broken ? { status } : {}));
      const row = done(v7());
      await outbox.open(ME);
      await ownWork.addEvents([row]);
      outbox.nudge();
      await troubled();
      expect(await storage.events.get(row.id)).toMatchObject({ sentAt: null, refused: null });
      broken = false;
      await settled();
      expect(there.taken.flat()).toEqual([row.id]);
    });

    test('what is done in the last moment of a sending goes out by itself', async () => {
      const there = server();
      const [first, last] = [done(v7()), done(v7())];
      await outbox.open(ME);
      const count = ownWork.count.bind(ownWork);
      let counts = 0;
      vi.spyOn(ownWork, 'count').mockImplementation(async () => {
        await count();
        // The second after an answer is the last thing that a sending does.
        if (there.taken.length !== 1 || (counts += 1) !== 2) return;
        await ownWork.addEvents([last]);
        outbox.nudge();
      });
      await ownWork.addEvents([first]);
      outbox.nudge();
      await vi.waitFor(() => expect(there.taken.flat()).toEqual(ids([first, last])));
      await settled();
    });

    test('while another window sends, what is done here waits for its turn and goes out by itself', async () => {
      const there = server();
      let windows = 1;
      const alone = (work: () => Promise<void>) => (windows-- > 0 ? Promise.resolve() : work());
      outbox = new Outbox(ownWork, httpNetwork, { ...inThisBrowser, alone });
      const row = done(v7());
      await ownWork.addEvents([row]);
      await outbox.open(ME);
      await settled();
      expect(there.taken.flat()).toEqual([row.id]);
    });

    test('what comes while it is counted is counted', async () => {
      const waiting: number[] = [];
      ownWork.useState.subscribe((state) => waiting.push(state.waiting));
      const photos = storage.photos.all.bind(storage.photos);
      vi.spyOn(storage.photos, 'all').mockImplementationOnce(async () => {
        await ownWork.addEvents([done(v7())]);
        return photos();
      });
      await ownWork.count();
      expect(waiting.length).toBeGreaterThan(0);
      expect(waiting).not.toContain(0);
    });

    test('a server that hangs is given up after a while, and everything is still here', async () => {
      const there = server();
      const timeout = vi.spyOn(AbortSignal, 'timeout').mockImplementation(() => AbortSignal.abort());
      vi.stubGlobal('fetch', (_: string, { signal }: RequestInit) =>
        signal?.aborted ? Promise.reject(new DOMException('too slow', 'TimeoutError')) : new Promise(() => undefined),
      );
      const row = done(v7());
      await outbox.open(ME);
      await ownWork.addEvents([row]);
      outbox.nudge();
      await troubled();
      expect(ownWork.useState.getState()).toMatchObject({ waiting: 1, signedOut: false });
      expect(there.taken).toEqual([]);
      timeout.mockRestore();
    });

    test('a session that ended: everything waits for a sign-in, and goes out after it', async () => {
      let signedIn = false;
      const there = server(() => (signedIn ? {} : { status: 401 }));
      const row = done(v7());
      await outbox.open(ME);
      await ownWork.addEvents([row]);
      outbox.nudge();
      await vi.waitFor(() => expect(ownWork.useState.getState().signedOut).toBe(true));
      signedIn = true;
      await outbox.open(ME);
      await settled();
      expect(there.taken.flat()).toEqual([row.id]);
      expect(ownWork.useState.getState().signedOut).toBe(false);
    });

    test('what another person did is not sent in this one’s name, and is counted apart', async () => {
      const there = server();
      const theirs = done(v7(), 'nails', 'somebody else');
      const mine = done(v7());
      await outbox.open(ME);
      await ownWork.addEvents([theirs, mine]);
      outbox.nudge();
      await settled();
      expect(there.taken.flat()).toEqual([mine.id]);
      expect(ownWork.useState.getState().ofOthers).toBe(1);
      outbox.close();
      await outbox.open('somebody else');
      await settled();
      expect(there.taken.flat()).toEqual([mine.id, theirs.id]);
    });

    test('a refused one holds up no other, is told in words, and stays until it is dismissed', async () => {
      const visitId = v7();
      const [first, bad, last] = [done(visitId), done(visitId), done(visitId)];
      const there = server(() => ({ refused: [bad.id] }));
      await outbox.open(ME);
      await ownWork.addEvents([first, bad, last]);
      outbox.nudge();
      await settled();
      expect(there.taken.flat()).toEqual([first.id, last.id]);
      expect(ownWork.useState.getState().refused).toMatchObject([
        { id: bad.id, words: 'That id means something else.' },
      ]);
      expect((await ownWork.eventsOf(visitId)).refused).toEqual([bad.event]);
      await ownWork.discard(bad.id);
      expect(ownWork.useState.getState().refused).toEqual([]);
      expect(await storage.events.get(bad.id)).toBeUndefined();
    });

    test('a server that speaks of none of them is not asked for ever', async () => {
      server(() => ({ silent: true }));
      await outbox.open(ME);
      await ownWork.addEvents([done(v7())]);
      outbox.nudge();
      await settled();
      expect(ownWork.useState.getState().refused[0]?.words).toMatch(/did not say/);
    });

    test('a full disk: kept in memory, said so, sent from there, and written down when there is room', async () => {
      let away = true;
      const there = server(() => (away ? { status: 503 } : {}));
      const full = vi
        .spyOn(storage.events, 'putAll')
        .mockRejectedValue(new DOMException('no room', 'QuotaExceededError'));
      const visitId = v7();
      const [one, two] = [done(visitId), done(visitId)];
      await outbox.open(ME);
      await ownWork.addEvents([one]);
      outbox.nudge();
      await troubled();
      expect(ownWork.useState.getState()).toMatchObject({ unsaved: 1, waiting: 1 });
      expect((await ownWork.eventsOf(visitId)).own).toEqual([one.event]);
      full.mockRestore();
      await ownWork.addEvents([two]);
      expect(ownWork.useState.getState().unsaved).toBe(0);
      expect(await storage.events.ofVisit(visitId)).toHaveLength(2);
      away = false;
      outbox.nudge();
      await settled();
      expect(there.taken.flat()).toEqual([one.id, two.id]);
    });

    test('events an older Dewpond left in its own place are taken over and sent as they are', async () => {
      const there = server();
      const visitId = v7();
      const { event } = done(visitId);
      const { seen: _, ...old } = { ...event, v: 1 };
      localStorage.setItem(`dewpond-waiting-${visitId}`, JSON.stringify([old]));
      localStorage.setItem('dewpond-waiting-broken', '{not a list');
      await outbox.open(ME);
      await settled();
      expect(there.taken.flat()).toEqual([event.id]);
      expect(localStorage.getItem(`dewpond-waiting-${visitId}`)).toBeNull();
      // What cannot be read is left where it is, rather than lost.
      expect(localStorage.getItem('dewpond-waiting-broken')).toBe('{not a list');
    });

    test('acknowledged work is forgotten after some days, waiting work never', async () => {
      server();
      const old = { ...done(v7()), sentAt: Date.now() - 4 * 86_400_000 };
      const recent = { ...done(v7()), sentAt: Date.now() - 86_400_000 };
      const waiting = { ...done(v7(), 'nails', 'somebody else'), event: { ...done('').event, at: 0 } };
      await storage.events.putAll([old, recent, waiting]);
      await outbox.open(ME);
      await settled();
      const left = await Promise.all([old, recent, waiting].map(({ id }) => storage.events.get(id)));
      expect(left.flatMap((row) => row?.id ?? [])).toEqual(ids([recent, waiting]));
    });
  });

  describe('a visit begun without a network', () => {
    const begin = (id: string) => ownWork.addVisit({ id, person: ME, dogId: v7(), appointmentId: v7(), refused: null });

    test('is told to the server before its events', async () => {
      const there = server();
      const id = v7();
      await begin(id);
      await ownWork.addEvents([done(id)]);
      await outbox.open(ME);
      await settled();
      expect(there.begun).toEqual([id]);
      expect(there.taken.flat()).toHaveLength(1);
    });

    test('that another device had begun: its work goes into that one, pictures too', async () => {
      const there = server();
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
      await ownWork.addEvents([row]);
      const photo = v7();
      await ownWork.addPhoto({
        id: photo,
        visitId: mine,
        person: ME,
        bytes: new Blob(['x'], { type: 'image/jpeg' }),
        refused: null,
      });
      await outbox.open(ME);
      await settled();
      expect(asked).toEqual([
        'POST /api/visits',
        `POST /api/visits/${theirs}/events`,
        `PUT /api/visits/${theirs}/photos/${photo}`,
      ]);
      expect(there.taken.flat()).toEqual([row.id]);
      expect(ownWork.useState.getState().moved).toEqual({ [mine]: theirs });
      expect(await storage.photos.all()).toHaveLength(0);
    });

    test('of a dog that is not in the book: its owner, the dog, the visit, its events, in that order', async () => {
      const asked: string[] = [];
      let answers = 0;
      openServer({
        'POST /api/clients': ({ body }) => {
          asked.push('client');
          return { id: body.id };
        },
        'POST /api/dogs': ({ body }) => {
          asked.push('dog');
          // The first answer is lost on its way: all of it is sent again, under the same ids.
          if ((answers += 1) === 1) throw new RefusedAnswer(503, { kind: 'server', message: 'away' });
          return { id: body.id };
        },
        'POST /api/visits': ({ body }) => {
          asked.push('visit');
          return { id: body.id };
        },
        'POST /api/visits/:id/events': ({ body }) => {
          asked.push('events');
          return {
            taken: body.events.map((each) => visitEvent.parse(each).id),
            known: [],
            refused: [],
            serverNow: Date.now(),
          };
        },
      });
      const [id, dogId, clientId] = [v7(), v7(), v7()];
      await ownWork.addVisit({
        ...{ id, person: ME, dogId, appointmentId: null, refused: null },
        newDog: { client: { id: clientId, name: 'Kofi Lindgren' }, clientId, profile: { name: 'Wren', weightKg: 9 } },
      });
      await ownWork.addEvents([done(id)]);
      await outbox.open(ME);
      await settled();
      expect(asked).toEqual(['client', 'dog', 'client', 'dog', 'visit', 'events']);
      expect(await storage.visits.all()).toEqual([]);
    });

    test('of a new dog that stands in the book otherwise: told, and kept; its events go to no other visit', async () => {
      const other = v7();
      const events: string[] = [];
      openServer({
        'POST /api/dogs': () => {
          throw new RefusedAnswer(409, {
            kind: 'conflict',
            message: 'Another dog has this chip.',
            current: { id: other },
          });
        },
        'POST /api/visits/:id/events': () => {
          events.push('sent');
          return { taken: [], known: [], refused: [], serverNow: Date.now() };
        },
      });
      const [id, clientId] = [v7(), v7()];
      await ownWork.addVisit({
        ...{ id, person: ME, dogId: v7(), appointmentId: null, refused: null },
        newDog: { client: null, clientId, profile: { name: 'Wren', weightKg: 9 } },
      });
      await ownWork.addEvents([done(id)]);
      await outbox.open(ME);
      await settled();
      expect(ownWork.useState.getState().refused.map(({ words }) => words)).toEqual([
        'Another dog has this chip.',
        'Another dog has this chip.',
      ]);
      expect([events, await storage.events.unsent()]).toEqual([[], [expect.objectContaining({ visitId: id })]]);
    });

    test('that the server refuses: visit and events are told, and kept', async () => {
      openServer({
        'POST /api/visits': () => {
          throw new RefusedAnswer(422, { kind: 'bad input', message: 'There is no such dog here.' });
        },
      });
      const id = v7();
      await begin(id);
      await ownWork.addEvents([done(id)]);
      await outbox.open(ME);
      await settled();
      expect(ownWork.useState.getState().refused.map(({ words }) => words)).toEqual([
        'There is no such dog here.',
        'There is no such dog here.',
      ]);
      expect(await storage.events.unsent()).toHaveLength(1);
    });
  });

  test('a picture the server refuses is told and stays on the device', async () => {
    server();
    vi.stubGlobal('fetch', () =>
      Promise.resolve(
        Response.json({ error: { kind: 'too large', message: 'The room for pictures is full.' } }, { status: 413 }),
      ),
    );
    await ownWork.addPhoto({
      id: v7(),
      visitId: v7(),
      person: ME,
      bytes: new Blob(['x'], { type: 'image/jpeg' }),
      refused: null,
    });
    await outbox.open(ME);
    await settled();
    expect(ownWork.useState.getState().refused).toMatchObject([
      { what: 'a picture', words: 'The room for pictures is full.' },
    ]);
    expect(await storage.photos.all()).toHaveLength(1);
  });
});
