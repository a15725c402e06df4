import { fork, type ChildProcess } from 'node:child_process';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { finding } from '@dewpond/core/findings';
import { day } from '@dewpond/core/units';
import { tapped, typed, type Happening } from '@dewpond/core/events';
import type { NewVisitEvent } from '@dewpond/contract';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import request from 'supertest';
import { afterAll, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import { v7 } from 'uuid';
import { makeApp } from '../app';
import {
  incidentSeen,
  photoShown,
  placeCare,
  refusedEvent,
  stageTook,
  toolUsed,
  visit,
  visitEvent,
} from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { listenForVisits } from '../platform/live/news';
import { rebuildBusiness } from '../commands/rebuildProjections';
import { pino } from 'pino';
import { addDog, app, auth, clock, config, databases, openSalon, services, type Salon } from './salon';
import { heldToContract } from './held';
import { textOf } from './owner';
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

const send = (id: string, events: readonly unknown[], who = salon) =>
  who.call('POST /api/visits/:id/events', { id, body: { events } });
/** Events of the present version, which say what their device had seen. */
const seeing = (seen: Record<string, number>, happenings: readonly Happening[], first: number, device = 'tablet') =>
  eventsOf(happenings, first, device).map((event): NewVisitEvent => ({ ...event, v: 2, seen }));
const note: Happening = { type: 'noted', text: 'hello' };

describe('bad events', () => {
  test('made after its device saw the close: refused in words, and kept as it came', async () => {
    const id = await visitDog(salon, dogId);
    const { events } = (await salon.call('GET /api/visits/:id/events', { id })).body;
    const close = events.at(-1)?.counter ?? 0;
    const [late] = seeing({ tablet: close }, [note], close + 1, 'phone');
    const { body } = await send(id, [late]);
    expect(body).toMatchObject({ taken: [], refused: [{ id: late?.id, status: 409 }] });
    expect(body.refused[0]?.words).toMatch(/closed, and this device knew it/);
    const kept = await inTenant(databases, salon.businessId, (tx) =>
      tx.select().from(refusedEvent).where(eq(refusedEvent.visitId, id)),
    );
    expect(kept).toMatchObject([{ id: late?.id, content: late }]);
    await expect(inTenant(databases, salon.businessId, (tx) => tx.delete(refusedEvent))).rejects.toMatchObject({
      // Only when a client is erased.
      cause: { message: 'What was written down is neither changed nor removed.' },
    });
  });

  test('made without having seen it: taken in, shown as later, and the sheet asks for a new look', async () => {
    const id = await visitDog(salon, dogId);
    const before = seeing({ tablet: 1 }, [note], 900, 'phone');
    expect((await send(id, before)).body.taken).toHaveLength(1);
    expect((await salon.call('GET /api/visits/:id/sheet', { id })).body.sheet.lookAgain).toBe(true);
  });

  test('from the far future, from a Dewpond far newer, malformed: each refused alone, the rest is taken', async () => {
    const id = await begin(salon, dogId);
    const [good, future, newer] = eventsOf([note, note, note]);
    const { body } = await send(id, [
      { ...future, at: START + 400 * DAY },
      { ...newer, v: 9999 },
      { id: v7(), what: { type: 'noted' } },
      { nothing: true },
      good,
    ]);
    expect(body.taken).toEqual([good?.id]);
    expect(body.refused.map(({ status }) => status)).toEqual([422, 422, 422, 422]);
    expect(body.refused.map(({ words }) => words).join('\n')).toMatch(/more than a year ahead/);
  });

  test('a clock that was never measured is believed, however wrong: nothing done is lost', async () => {
    const id = await begin(salon, dogId);
    const [event] = eventsOf([note]);
    expect((await send(id, [{ ...event, at: Date.UTC(2021, 0, 1), offset: null }])).body.taken).toHaveLength(1);
  });

  test('of another business: as if the visit were not there', async () => {
    const id = await begin(salon, dogId);
    const stranger = await openSalon();
    expect((await send(id, eventsOf([note]), stranger)).status).toBe(404);
    expect((await stranger.call('GET /api/visits/:id/events', { id })).status).toBe(404);
  });
});

describe('looked at, nothing needed', () => {
  const dueOf = async (task: string) => {
    const { body } = await salon.call('GET /api/dogs/:id', { id: dogId });
    const line = body.due.find((each) => each.line.task === task && each.line.place?.side !== 'right');
    if (!line) throw new Error(`No line for ${task}.`);
    return { line, body };
  };
  const visitOn = async (day: number, happened: readonly Happening[]) => {
    clock.now = START + day * DAY;
    const id = await begin(salon, dogId);
    const closed: Happening = { type: 'closed', how: 'ended early' };
    expect((await send(id, eventsOf([{ type: 'opened' }, ...happened, closed]))).body.refused).toEqual([]);
    return id;
  };
  const notNeeded = (step: string): Happening => ({ type: 'step skipped', step, because: tapped('not needed') });

  test('late nails that needed nothing are not late tomorrow, and the days since the care teach', async () => {
    const paw = { site: 'paw front', side: 'left' } as const;
    await visitOn(-40, [{ type: 'step done', step: 'nails' }]);
    clock.now = START;
    expect((await dueOf('nails')).line).toMatchObject({ state: 'late', rhythm: { evidence: [] } });
    const id = await visitOn(0, [{ type: 'nails judged', place: paw, length: 'short' }, notNeeded('nails')]);
    clock.now = START + DAY;
    const { line, body } = await dueOf('nails');
    expect(line).toMatchObject({
      state: 'may',
      lastCare: '2026-10-16',
      spared: { day: '2026-11-25', t: 40, grade: 0 },
      rhythm: { evidence: [{ day: '2026-11-25', t: 40, grade: 0 }] },
    });
    expect(line.rhythm?.interval).toBeGreaterThan(28);
    const seen = body.visits.find((each) => each.visitId === id);
    expect(seen?.tasks).toEqual([{ task: 'nails', outcome: 'not needed', grade: 0 }]);
    const { body: sheet } = await salon.call('GET /api/visits/:id/sheet', { id });
    const said = sheet.sheet.did.map(({ words }) => words);
    expect(said).toContain('Looked at, nothing needed: nails and dewclaws.');
    expect(said).toContain('Nails as we found them: short (left front paw).');
  });

  test('a fold or an eye that needed nothing is no care of that place', async () => {
    const eye = { site: 'eye', side: 'left' } as const;
    await visitOn(-30, [
      { type: 'looked clear', place: eye },
      { type: 'step done', step: 'eyes, on the table left' },
    ]);
    await visitOn(0, [{ type: 'looked clear', place: eye }, notNeeded('eyes, on the table left')]);
    const { line } = await dueOf('eyes and face');
    expect(line).toMatchObject({ lastCare: '2026-10-26', spared: { day: '2026-11-25', t: 30, grade: 0 } });
  });

  test('nails of a place that has none are refused', async () => {
    const id = await begin(salon, dogId);
    const [event] = eventsOf([{ type: 'nails judged', place: { site: 'ear', side: 'left' }, length: 'short' }]);
    const { body } = await send(id, [event]);
    expect(body.refused[0]?.words).toMatch(/judged by paw/);
  });
});

describe('hair in the ear is remembered', () => {
  const hairAt = async (side: 'left' | 'right') => {
    const { body } = await salon.call('GET /api/dogs/:id', { id: dogId });
    return body.facts.ears[side];
  };

  test('what came out, how it was borne, what is left, what was seen: each at its ear, for the next decision', async () => {
    clock.now = START - 35 * DAY;
    const id = await begin(salon, dogId);
    const happened: Happening[] = [
      { type: 'opened' },
      { type: 'ear hair seen', side: 'right', hair: 'none' },
      { type: 'ear hair went', side: 'left', came: 'most', borne: null, left: null },
      { type: 'ear hair went', side: 'left', came: 'most', borne: 'calm', left: 'some' },
      { type: 'closed', how: 'ended early' },
    ];
    expect((await send(id, eventsOf(happened))).body.refused).toEqual([]);
    clock.now = START;
    const left = await hairAt('left');
    expect(left).toMatchObject({
      plucked: { daysAgo: 35 },
      hair: null,
      lastHair: { came: 'most', borne: 'calm', left: 'some', daysAgo: 35 },
    });
    const right = await hairAt('right');
    expect(right).toMatchObject({ hair: 'none', lastHair: null });
    // The same from the events alone.
    await rebuildBusiness(databases, salon.businessId);
    expect(await hairAt('left')).toEqual(left);
  });
});

describe('what a visit leaves behind for the next', () => {
  const nick: Happening = {
    type: 'incident',
    incident: { kind: 'nick', place: { site: 'paw front', side: 'left' }, done: 'Pressed.', told: 'Noor', words: '' },
  };
  const lump = finding({ site: 'side', side: 'left' }, 'lump new', 1);

  test('minutes, tools, pictures, details of findings; rebuilt from the events they are the same', async () => {
    const photo = v7();
    const colour = {
      ...{ of: 'skin' as const, lab: { l: 61.2, a: 18.4, b: 15 }, plusMinus: { l: 4, a: 2.6, b: 2.4 } },
    } as const;
    const id = await begin(salon, dogId);
    const happened: Happening[] = [
      { type: 'opened' },
      { type: 'found', finding: { ...lump, more: { mm: 7, words: 'soft' } } },
      { type: 'step done', step: 'nails' },
      { type: 'tool used', part: 'body', tool: '7F blade' },
      { type: 'photo taken', photo, place: lump.place, sign: 'lump new' },
      { type: 'colour measured', photo, colour },
      nick,
      { type: 'closed', how: 'ended early' },
    ];
    const events = eventsOf(happened).map((event, i) => ({ ...event, at: START + i * 5 * 60_000 }));
    expect((await send(id, events)).body.refused).toEqual([]);
    const rows = () =>
      inTenant(databases, salon.businessId, async (tx) => ({
        took: await tx.select().from(stageTook).where(eq(stageTook.visitId, id)),
        tools: await tx.select().from(toolUsed).where(eq(toolUsed.visitId, id)),
        incidents: await tx.select().from(incidentSeen).where(eq(incidentSeen.visitId, id)),
        photos: await tx.select().from(photoShown).where(eq(photoShown.visitId, id)),
        visits: await tx.select().from(visit).where(eq(visit.id, id)),
      }));
    const before = await rows();
    expect(before.took).toMatchObject([{ stage: 'nails', minutes: 10 }]);
    expect(before.incidents).toMatchObject([{ kind: 'nick', askOn: '2026-11-27', told: 'Noor' }]);
    expect(before.visits[0]?.looked).toEqual(['side/left']);
    await rebuildBusiness(databases, salon.businessId);
    expect(await rows()).toEqual(before);

    const next = await begin(salon, dogId);
    const { body } = await salon.call('GET /api/visits/:id', { id: next });
    expect(body.tools).toEqual({ body: '7F blade' });
    expect(body.photos).toMatchObject([{ photo, place: 'side/left', sign: 'lump new', day: '2026-11-25', colour }]);
    expect(body.lastTime?.findings).toEqual([{ ...lump, more: { mm: 7, words: 'soft' } }]);
    expect(body.lastTime?.looked).toEqual(['side/left']);
    // One visit of ten minutes where the business reckons six: exp(ln(10/6) / 4).
    expect(body.minutesFactor.nails).toBeCloseTo(Math.exp(Math.log(10 / 6) / 4), 6);
  });

  test('an incident is asked after on the Watch list until the dog has been here again', async () => {
    const id = await begin(salon, dogId);
    await send(id, eventsOf([{ type: 'opened' }, nick, { type: 'closed', how: 'ended early' }]));
    const listed = async () =>
      (await salon.call('GET /api/watch')).body.items.filter((each) => each.dogId === dogId).map(({ words }) => words);
    expect(await listed()).toEqual(['Nick; Pressed; Noor was told. Ask how it is from Fri 27 Nov.']);
    clock.now += 28 * DAY;
    await visitDog(salon, dogId);
    expect(await listed()).toEqual([]);
  });

  test('a dog sent home to be finished another day stands on that day, is carried along, and goes on where it was', async () => {
    const id = await begin(salon, dogId);
    const home: Happening = { type: 'went home', because: typed('too tired'), back: day('2026-11-26') };
    await send(id, eventsOf([{ type: 'opened' }, { type: 'step done', step: 'prepare' }, home]));
    const on = async (at: string) => (await salon.call('GET /api/today', { query: { day: at } })).body.returning;
    expect(await on('2026-11-25')).toEqual([]);
    expect(await on('2026-11-26')).toMatchObject([{ visitId: id, because: 'too tired' }]);
    clock.now += DAY;
    expect((await salon.call('GET /api/prefetch')).body.visits.map(({ visitId }) => visitId)).toContain(id);
    await send(id, eventsOf([{ type: 'came back' }], 4));
    expect(await on('2026-11-26')).toEqual([]);
    expect((await salon.call('GET /api/visits/:id', { id })).body.events).toHaveLength(4);
  });

  test('a visit begun without a booking stands on its day until it is closed, or its dog goes home for another day', async () => {
    const id = await begin(salon, dogId);
    const open = async (at?: string) =>
      (await salon.call('GET /api/today', at ? { query: { day: at } } : {})).body.unbooked
        .filter((each) => each.dogId === dogId)
        .map(({ visitId }) => visitId);
    expect(await open()).toEqual([id]);
    expect(await open('2026-11-26')).toEqual([]);
    const home: Happening = { type: 'went home', because: typed('too tired'), back: day('2026-11-26') };
    await send(id, eventsOf([{ type: 'opened' }, home]));
    expect(await open()).toEqual([]);
    await send(id, eventsOf([{ type: 'came back' }], 3));
    expect(await open()).toEqual([id]);
    await send(id, eventsOf([{ type: 'closed', how: 'ended early' }], 4));
    expect(await open()).toEqual([]);
  });

  test('a body that was clear is known to have been looked at', async () => {
    await visitDog(salon, dogId);
    const { body } = await salon.call('GET /api/visits/:id', { id: await begin(salon, dogId) });
    expect(body.lastTime?.looked).toEqual(expect.arrayContaining(['mouth/none', 'paw hind/right', 'body/none']));
  });
});

describe('pictures', () => {
  const put = (visitId: string, photo: string, bytes: Buffer, type = 'image/jpeg', who = salon) =>
    request(app)
      .put(`/api/visits/${visitId}/photos/${photo}`)
      .set('Cookie', who.cookie)
      .set('Content-Type', type)
      .send(bytes);
  const picture = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#886644' } })
      .withExif({ IFD0: { Artist: 'A camera' } })
      .jpeg()
      .toBuffer();
  let id: string;
  beforeEach(async () => {
    id = await begin(salon, dogId);
  });

  test('is drawn anew without what the camera wrote, smaller, and sent twice is kept once', async () => {
    const photo = v7();
    const sent = await picture(3000, 1000);
    expect((await put(id, photo, sent)).status).toBe(200);
    expect((await put(id, photo, sent)).status).toBe(200);
    const kept = await request(app).get(`/api/photos/${photo}`).set('Cookie', salon.cookie);
    expect(kept.headers['content-type']).toBe('image/jpeg');
    const metadata = await sharp(kept.body as Buffer).metadata();
    expect([metadata.width, metadata.exif]).toEqual([1600, undefined]);
    const another = await put(id, photo, await picture(20, 20));
    expect([another.status, (another.body as { error: { message: string } }).error.message]).toEqual([
      409,
      expect.stringMatching(/already used/),
    ]);
  });

  test.each([
    ['a renamed program', Buffer.from('MZ\u0090\u0000 this program cannot be run'), 422, /no picture we can read/],
    ['half a picture', null, 422, /damaged|no picture/],
    ['ten megabytes', Buffer.alloc(10 * 1024 * 1024, 1), 413, /more than we take/],
  ] as const)('%s is refused in words', async (_, given, status, words) => {
    const bytes = given ?? (await picture(400, 400)).subarray(0, 300);
    const response = await put(id, v7(), bytes);
    expect(response.status).toBe(status);
    expect((response.body as { error: { message: string } }).error.message).toMatch(words);
  });

  test('12,000 × 12,000 points are too many, whatever the file weighs', async () => {
    const huge = await sharp({ create: { width: 12_000, height: 12_000, channels: 3, background: '#fff' } })
      .png({ compressionLevel: 9 })
      .toBuffer();
    expect(huge.length).toBeLessThan(8 * 1024 * 1024);
    const response = await put(id, v7(), huge, 'image/png');
    expect(response.status).toBe(413);
    expect((response.body as { error: { message: string } }).error.message).toMatch(/12000 × 12000 points/);
  });

  test('another business neither sees it nor adds to the visit', async () => {
    const photo = v7();
    await put(id, photo, await picture(40, 40));
    const stranger = await openSalon();
    expect((await request(app).get(`/api/photos/${photo}`).set('Cookie', stranger.cookie)).status).toBe(404);
    expect((await put(id, v7(), await picture(40, 40), 'image/jpeg', stranger)).status).toBe(404);
  });
});

describe('what a device carries along', () => {
  const book = (startsAt: number) =>
    salon.call('POST /api/appointments', {
      body: {
        id: v7(),
        dogId,
        memberId: salon.memberId,
        kind: 'full visit',
        startsAt: new Date(startsAt).toISOString(),
        minutes: 60,
      },
    });

  test('today’s and tomorrow’s bookings and begun visits, each with all it stands on; nothing of the day after', async () => {
    salon = await openSalon();
    ({ dogId } = await addDog(salon));
    for (const days of [0, 1, 2]) expect((await book(START + days * DAY + 3_600_000)).status).toBe(201);
    const { body } = await salon.call('GET /api/prefetch');
    expect(body.visits.map(({ visitId, day }) => [visitId, day])).toEqual([
      [null, '2026-11-25'],
      [null, '2026-11-26'],
    ]);
    const [first] = body.visits;
    expect(first?.owner).toEqual({ name: 'Folake Adeyemi', phones: ['01632 960114'] });
    const id = v7();
    await salon.call('POST /api/visits', { body: { id, dogId, appointmentId: first?.appointmentId ?? null } });
    await send(id, eventsOf([{ type: 'opened' }]));
    const begun = await salon.call('GET /api/prefetch');
    const { visitId: _, startsAt: __, events, ...prepared } = begun.body.visits[0] ?? { events: [] };
    expect(events).toHaveLength(1);
    // What is carried of a visit is what its own page would say.
    const {
      id: ___,
      events: ____,
      fromLost: ______,
      serverNow: _____,
      ...page
    } = (await salon.call('GET /api/visits/:id', { id })).body;
    expect(prepared).toEqual(page);
  });
});

describe('two people at one dog', () => {
  let second: Server;
  const news = listenForVisits(databases, pino({ level: 'silent' }));
  beforeAll(async () => {
    // Another process as far as the application knows: it shares nothing but the database.
    second = heldToContract(makeApp(config, { ...services, news }, pino({ level: 'silent' }), auth)).listen(0);
    await vi.waitFor(() => expect(second.listening).toBe(true));
  });
  afterAll(async () => {
    second.closeAllConnections();
    second.close();
    await news.stop();
  });

  test('what one sends through one process, the other hears of through another, at once', async () => {
    const id = await begin(salon, dogId);
    const url = `http://127.0.0.1:${(second.address() as AddressInfo).port}/api/visits/${id}/live`;
    const stop = new AbortController();
    const response = await fetch(url, { headers: { Cookie: salon.cookie }, signal: stop.signal });
    expect(response.headers.get('content-type')).toMatch(/^text\/event-stream/);
    let heard = 0;
    const reader = response.body?.getReader();
    const listen = async (): Promise<void> => {
      const part = await reader?.read();
      if (!part?.value) return;
      heard += new TextDecoder().decode(part.value).split('event: new').length - 1;
      await listen();
    };
    listen().catch(() => undefined);
    await vi.waitFor(() => expect(heard).toBeGreaterThanOrEqual(1));
    // The first one may also come once more when listening begins.
    await new Promise((resolve) => setTimeout(resolve, 500));
    const before = heard;
    const sent = Date.now();
    await send(id, eventsOf([{ type: 'opened' }]));
    await vi.waitFor(() => expect(heard).toBe(before + 1), { timeout: 2000, interval: 10 });
    expect(Date.now() - sent).toBeLessThan(2000);
    stop.abort();
  });

  test('a stranger hears nothing', async () => {
    const id = await begin(salon, dogId);
    const stranger = await openSalon();
    const { port } = second.address() as AddressInfo;
    const response = await fetch(`http://127.0.0.1:${port}/api/visits/${id}/live`, {
      headers: { Cookie: stranger.cookie },
    });
    expect(response.status).toBe(404);
  });
});

describe('a server that is killed', () => {
  const CLIENTS = 4;
  const EACH = 250;
  const BATCH = 10;

  /** A process of its own on the same database. */
  async function start(port: number): Promise<ChildProcess> {
    const child = fork(new URL('../main.ts', import.meta.url).pathname, [], {
      execArgv: ['--import', 'tsx'],
      env: { ...process.env, PORT: String(port), PUBLIC_URL: config.PUBLIC_URL, LOG_LEVEL: 'silent', NODE_ENV: 'test' },
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    });
    await new Promise((resolve, fail) => {
      child.once('message', resolve);
      child.once('exit', () => fail(new Error('the server did not start')));
    });
    return child;
  }

  test('in the middle of 1,000 events of 4 clients: all it acknowledged are there, none twice, and the rest arrives', async () => {
    const id = await begin(salon, dogId);
    const port = 20_000 + Math.floor(Math.random() * 20_000);
    const acknowledged = new Set<string>();
    let server = await start(port);
    let killed = false;
    const all: NewVisitEvent[][] = [];

    const post = async (events: readonly NewVisitEvent[]) => {
      const response = await fetch(`http://127.0.0.1:${port}/api/visits/${id}/events`, {
        method: 'POST',
        headers: { Cookie: salon.cookie, 'Content-Type': 'application/json', Origin: config.PUBLIC_URL },
        body: JSON.stringify({ events }),
      });
      if (!response.ok) throw new Error(`${response.status}: ${await response.text()}`);
      const { taken, known } = (await response.json()) as { taken: string[]; known: string[] };
      for (const each of [...taken, ...known]) acknowledged.add(each);
    };
    const client = async (name: string) => {
      const mine = eventsOf(
        Array.from({ length: EACH }, (): Happening => note),
        1,
        name,
      );
      all.push(mine);
      for (let from = 0; from < EACH; from += BATCH) {
        // As long as a server takes to start on a busy machine.
        for (const end = Date.now() + 60_000; ;) {
          try {
            await post(mine.slice(from, from + BATCH));
            break;
          } catch (error) {
            if (Date.now() > end) throw error;
            await new Promise((resolve) => setTimeout(resolve, 50));
          }
        }
      }
    };
    const killer = (async () => {
      await vi.waitFor(() => expect(acknowledged.size).toBeGreaterThan(300), { timeout: 60_000, interval: 5 });
      server.kill('SIGKILL');
      await new Promise((resolve) => server.once('exit', resolve));
      killed = true;
      const then = [...acknowledged];
      const written = await inTenant(databases, salon.businessId, (tx) =>
        tx.select({ id: visitEvent.id }).from(visitEvent).where(eq(visitEvent.visitId, id)),
      );
      const there = new Set(written.map((row) => row.id));
      expect(then.filter((each) => !there.has(each))).toEqual([]);
      server = await start(port);
    })();
    await Promise.all([killer, ...Array.from({ length: CLIENTS }, (_, i) => client(`tablet ${i + 1}`))]);
    server.kill('SIGTERM');
    expect(killed).toBe(true);
    const rows = await inTenant(databases, salon.businessId, (tx) =>
      tx.select({ id: visitEvent.id }).from(visitEvent).where(eq(visitEvent.visitId, id)),
    );
    expect(rows.map((row) => row.id).toSorted()).toEqual(
      all
        .flat()
        .map((event) => event.id)
        .toSorted(),
    );
    expect(acknowledged.size).toBe(CLIENTS * EACH);
  }, 120_000);
});

test('an ear finding of no known side bars both ears, and neither learns from that visit', async () => {
  const found = finding({ site: 'ear', side: 'none' }, 'ear yellow wax', 2);
  const id = await begin(salon, dogId);
  await send(id, eventsOf([{ type: 'opened' }, { type: 'found', finding: found }]));
  await send(
    id,
    eventsOf(
      (['left', 'right'] as const).map((side): Happening => ({ type: 'looked clear', place: { site: 'ear', side } })),
      5,
    ),
  );
  const rows = await inTenant(databases, salon.businessId, (tx) =>
    tx.select().from(placeCare).where(eq(placeCare.visitId, id)),
  );
  const ears = rows.filter(({ place }) => place.startsWith('ear/'));
  expect(ears.map(({ place, barred, looked, dirt }) => [place, barred, looked, dirt]).toSorted()).toEqual([
    ['ear/left', true, false, 0],
    ['ear/right', true, false, 0],
    ...(ears.length > 2 ? [['ear/none', expect.anything(), true, expect.anything()]] : []),
  ]);
});

test('an ear that comes to a vet a third time in six months is said so to the owner and in the letter', async () => {
  // Sessions expire: the two visits before are of the past.
  const pus: Happening = { type: 'found', finding: finding({ site: 'ear', side: 'left' }, 'ear pus', 1) };
  const sheetAfter = async (daysAgo: number) => {
    clock.now = START - daysAgo * DAY;
    const id = await visitDog(salon, dogId, [pus]);
    const { body } = await salon.call('GET /api/visits/:id/sheet', { id });
    return body.sheet.suggest.map(({ words }) => words).join(' ');
  };
  expect(await sheetAfter(150)).not.toMatch(/in six months/);
  expect(await sheetAfter(60)).not.toMatch(/in six months/);
  expect(await sheetAfter(0)).toMatch(/Left ear: 3 times in six months/);
  const { body } = await salon.call('GET /api/referrals', { query: { dog: dogId } });
  const path = `/api/referrals/${body.items[0]?.id}/letter.pdf`;
  const pdf = await request(app).get(path).set('Cookie', salon.cookie).responseType('blob');
  expect((await textOf(pdf.body as Buffer)).text).toMatch(/In six months it came to this, or to a stop, at 3 visits/);
});
