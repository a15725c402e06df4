import { homeDays } from '@dewpond/core/homecare';
import { addDays, day } from '@dewpond/core/units';
import { PAGE_WORDS, type HomeTaskTold } from '@dewpond/core/wording';
import ICAL from 'ical.js';
import sharp from 'sharp';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, describe, expect, test } from 'vitest';
import { homeCalendar } from '../features/calendars/calendar';
import { addDog, addMember, app, clock, guest, logLines, openSalon, type Salon } from './salon';
import { visitDog } from './tableSide';

const task = (key: string, everyDays: number): HomeTaskTold => ({
  key,
  task: 'teeth',
  places: [],
  everyDays,
  minutes: 2,
  how: 'brush the teeth',
  stepped: null,
  clearSince: null,
  byVet: false,
  ticked: null,
  better: null,
  name: 'Teeth',
  words:
    'Brush, front teeth first; a comma, a semicolon; a very long line that has to be folded to be read by a program.',
  takes: '2 minutes',
  often: 'every 2 days',
  less: null,
  changed: null,
  card: { drawing: null, never: [], stops: [] },
});

function read(text: string) {
  const root = new ICAL.Component(ICAL.parse(text) as unknown[]);
  const zones = root.getAllSubcomponents('vtimezone').map((each) => new ICAL.Timezone(each));
  for (const zone of zones) ICAL.TimezoneService.register(zone);
  return root.getAllSubcomponents('vevent').map((each) => new ICAL.Event(each));
}

/** Every time an entry comes back until a day, as its calendar day, its hour on the wall, and its instant. */
function occurrences(event: ICAL.Event, until: string) {
  const times = event.iterator();
  const found = [];
  for (let next = times.next(); next; next = times.next()) {
    const on = next.toString().slice(0, 10);
    if (on > until) break;
    found.push({ on, wall: next.toString().slice(11, 16), at: next.toUnixTime() });
  }
  return found;
}

describe.each([
  ['Europe/London', ['2026-03-29', '2026-10-25']],
  ['America/Denver', ['2026-03-08', '2026-11-01']],
] as const)('a calendar of home care in %s', (zone, changes) => {
  const [since, today, end] = [day('2026-01-05'), day('2026-01-09'), day('2027-01-09')];
  const tasks = [task('teeth', 2), task('ear cleaning ear/left', 21), task('eyes', 1)];
  const text = homeCalendar({
    dog: 'Teasel',
    business: 'Withy Quay Grooming',
    zone,
    today,
    now: Date.UTC(2026, 0, 9, 12),
    since,
    tasks,
    language: 'en-GB',
    words: PAGE_WORDS,
    bookings: [
      { id: 'b', startsAt: '2026-07-01T09:30:00Z', endsAt: '2026-07-01T11:00:00Z', words: 'Teasel; a visit, booked' },
    ],
    id: 'dog',
  });
  const events = read(text);

  test('read back by ical.js, comes on exactly the days of the plan for a year', () => {
    for (const [i, each] of tasks.entries()) {
      const event = events[i];
      if (!event) throw new Error('an entry is missing');
      expect(occurrences(event, end).map(({ on }) => on)).toEqual(homeDays(each, since, today, end));
    }
  });

  test('stays at half past six by the clock on the wall when clocks change', () => {
    const [, , daily] = events;
    if (!daily) throw new Error('no daily entry');
    const all = occurrences(daily, end);
    expect(new Set(all.map(({ wall }) => wall))).toEqual(new Set(['18:30']));
    const hours = all.slice(1).map((each, i) => [each.on, (each.at - (all[i]?.at ?? 0)) / 3600] as const);
    const odd = hours.filter(([, between]) => between !== 24);
    expect(odd).toEqual([
      [changes[0], 23],
      [changes[1], 25],
    ]);
  });

  test('reminds, is stamped in UTC, folds its lines, keeps words as they are, and names no other site', () => {
    expect(text).toMatch(/BEGIN:VALARM\r\nACTION:DISPLAY\r\nTRIGGER:/);
    for (const stamp of text.match(/DTSTAMP:.*/g) ?? []) expect(stamp.trim()).toMatch(/^DTSTAMP:\d{8}T\d{6}Z$/);
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    expect(events[0]?.description).toContain('a comma, a semicolon; a very long line that has to be folded');
    expect(events.at(-1)?.summary).toBe('Teasel; a visit, booked');
    expect(text).not.toMatch(/https?:/);
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
  });
});

describe('feeds', () => {
  let salon: Salon;
  beforeAll(async () => {
    salon = await openSalon();
  });
  const pathOf = (url: string) => new URL(url).pathname;
  async function page() {
    const { dogId } = await addDog(salon);
    await visitDog(salon, dogId);
    const { body: link } = await salon.call('POST /api/links', { body: { id: v7(), dogId, days: 30 } });
    const token = link.url.split('#')[1] ?? '';
    const { body } = await request(app).get('/api/owner').set(guest(token));
    return {
      dogId,
      link,
      token,
      page: body as { calendar: string; home: { today: string; tasks: HomeTaskTold[]; share: unknown } },
    };
  }

  test('an owner’s calendar opens without a session, closes with the page, and its address opens no page', async () => {
    const { link, page: its, dogId } = await page();
    const lines = logLines.length;
    const answer = await request(app).get(pathOf(its.calendar));
    expect(answer.headers['content-type']).toContain('text/calendar');
    expect(read(answer.text).length).toBe(its.home.tasks.length);
    const token = /calendars\/(.+)\.ics/.exec(its.calendar)?.[1] ?? '';
    expect((await request(app).get('/api/owner').set(guest(token))).status).toBe(404);
    expect(logLines.slice(lines).join('')).not.toContain(token);
    expect(logLines.slice(lines).join('')).toContain('/api/calendars/(secret)');
    // While its dog is archived a page is closed, too, and its calendar with it.
    const archive = async (archived: boolean) => {
      const { version } = (await salon.call('GET /api/dogs/:id', { id: dogId })).body;
      await salon.call('PUT /api/dogs/:id/archive', { id: dogId, body: { version, archived } });
      const page = await request(app)
        .get('/api/owner')
        .set(guest(link.url.split('#')[1] ?? ''));
      return [page.status, (await request(app).get(pathOf(its.calendar))).status];
    };
    expect(await archive(true)).toEqual([404, 404]);
    expect(await archive(false)).toEqual([200, 200]);
    await salon.call('PUT /api/links/:id/revoke', { id: link.id, body: {} });
    expect((await request(app).get(pathOf(its.calendar))).status).toBe(404);
    expect((await request(app).get('/api/calendars/nonsense.ics')).status).toBe(404);
  });

  test('a groomer’s own calendar has the bookings of that person; a new address closes the old', async () => {
    const { dogId } = await addDog(salon, { name: 'Umber' });
    await salon.call('POST /api/appointments', {
      body: {
        id: v7(),
        dogId,
        memberId: salon.memberId,
        kind: 'full visit',
        startsAt: new Date(clock.now + 86_400_000).toISOString(),
        minutes: 60,
      },
    });
    await salon.call('POST /api/appointments', {
      body: {
        id: v7(),
        dogId,
        memberId: salon.memberId,
        kind: 'as agreed',
        agreed: { name: '', parts: ['bath', 'nails'] },
        startsAt: new Date(clock.now + 2 * 86_400_000).toISOString(),
        minutes: 60,
      },
    });
    expect((await salon.call('GET /api/me/calendar')).body.url).toBeNull();
    const { body: first } = await salon.call('PUT /api/me/calendar', { body: { open: true } });
    const events = read((await request(app).get(pathOf(first.url ?? ''))).text);
    expect(events.map(({ summary }) => summary)).toEqual([
      'Umber (Folake Adeyemi), full visit',
      'Umber (Folake Adeyemi), bath, nails',
    ]);
    expect(events[0]?.startDate.toUnixTime()).toBe((clock.now + 86_400_000) / 1000);
    const { body: dogView } = await salon.call('GET /api/dogs/:id', { id: dogId });
    const one = await request(app)
      .get(`/api/appointments/${dogView.appointments[0]?.id}/booking.ics`)
      .set('Cookie', salon.cookie);
    expect(read(one.text).map(({ summary }) => summary)).toEqual(['Umber at A salon']);
    const { body: second } = await salon.call('PUT /api/me/calendar', { body: { open: true } });
    expect((await request(app).get(pathOf(first.url ?? ''))).status).toBe(404);
    expect((await request(app).get(pathOf(second.url ?? ''))).status).toBe(200);
    await salon.call('PUT /api/me/calendar', { body: { open: false } });
    expect((await request(app).get(pathOf(second.url ?? ''))).status).toBe(404);
  });

  test('the business’s has everybody’s bookings with whose they are; a manager opens it, a new address closes the one before', async () => {
    const { dogId } = await addDog(salon, { name: 'Larch' });
    const other = await addMember(salon, { name: 'Tomasz Wrona' });
    await salon.call('POST /api/appointments', {
      body: {
        id: v7(),
        dogId,
        memberId: other.id,
        kind: 'bath only',
        startsAt: new Date(clock.now + 3 * 86_400_000).toISOString(),
        minutes: 60,
      },
    });
    expect((await salon.call('GET /api/business/calendar')).body.url).toBeNull();
    const { body: first } = await salon.call('PUT /api/business/calendar', { body: { open: true } });
    const said = read((await request(app).get(pathOf(first.url ?? ''))).text).map(({ summary }) => summary);
    expect(said.filter((each) => each.startsWith('Larch'))).toEqual([
      'Larch (Folake Adeyemi), bath only, Tomasz Wrona',
    ]);
    const { body: second } = await salon.call('PUT /api/business/calendar', { body: { open: true } });
    expect((await request(app).get(pathOf(first.url ?? ''))).status).toBe(404);
    expect((await request(app).get(pathOf(second.url ?? ''))).status).toBe(200);
    await salon.call('PUT /api/business/calendar', { body: { open: false } });
    expect((await request(app).get(pathOf(second.url ?? ''))).status).toBe(404);
    const groomer = await openSalon('groomer');
    expect((await groomer.call('GET /api/business/calendar')).status).toBe(403);
    expect((await groomer.call('PUT /api/business/calendar', { body: { open: true } })).status).toBe(403);
  });

  test('an owner ticks what was done; it is counted, and no clock of the salon starts anew', async () => {
    const { dogId, token, page: its } = await page();
    const [first] = its.home.tasks;
    if (!first) throw new Error('no home care');
    const before = await salon.call('GET /api/dogs/:id', { id: dogId });
    const clockBefore = clock.now;
    clock.now += first.everyDays * 86_400_000;
    const today = addDays(day(its.home.today), first.everyDays);
    const tick = (more: object) =>
      request(app)
        .put('/api/owner/home')
        .set(guest(token))
        .send({ key: first.key, day: today, done: true, ...more });
    expect((await tick({ note: 'She wriggled.' })).status).toBe(200);
    expect((await tick({ note: 'She wriggled a lot.' })).status).toBe(200);
    const { body } = await salon.call('GET /api/dogs/:id/home', { id: dogId });
    expect(body.ticks).toEqual([{ key: first.key, day: today, times: 1, note: 'She wriggled a lot.' }]);
    expect(body.share.done).toBe(1);
    expect((await tick({ day: addDays(today, 1) })).status).toBe(422);
    expect((await tick({ day: addDays(today, -15) })).status).toBe(422);
    expect((await tick({ key: 'made up' })).status).toBe(404);
    clock.now = clockBefore;
    const after = await salon.call('GET /api/dogs/:id', { id: dogId });
    expect(after.body.due).toEqual(before.body.due);
    clock.now += first.everyDays * 86_400_000;
    expect((await tick({ done: false })).status).toBe(200);
    expect((await salon.call('GET /api/dogs/:id/home', { id: dogId })).body.ticks).toEqual([]);
    clock.now = clockBefore;
  });

  test('a vet’s word, three times a day: three ticks of one day, counted each, and told in the record', async () => {
    const { dogId, token } = await page();
    const word = { by: 'vet', who: 'Dr Oyelaran', place: null, from: '2026-11-01', until: null } as const;
    const says = { kind: 'at home', task: 'eyes and face', timesADay: 3 } as const;
    const path = `/api/dogs/${dogId}/instructions`;
    const tell = (more: object) =>
      request(app)
        .post(path)
        .set('Cookie', salon.cookie)
        .send({ id: v7(), ...word, says: { ...says, ...more } });
    expect((await tell({ timesADay: 4 })).status).toBe(422);
    expect((await tell({ task: 'bath' })).status).toBe(422);
    expect((await tell({})).status).toBe(201);
    const home = async () => (await salon.call('GET /api/dogs/:id/home', { id: dogId })).body;
    const [face] = (await home()).tasks.filter(({ task }) => task === 'eyes and face');
    expect(face).toMatchObject({ everyDays: 1 / 3, byVet: true, often: '3 times a day' });
    const clockBefore = clock.now;
    clock.now += 86_400_000;
    const { today } = await home();
    const send = (times: number) =>
      request(app)
        .put('/api/owner/home')
        .set(guest(token))
        .send({ key: face?.key, day: today, done: true, times, note: '' });
    for (const times of [1, 2, 2]) expect((await send(times)).status).toBe(200);
    expect((await send(0)).status).toBe(422);
    const { ticks, share } = await home();
    expect(ticks).toEqual([{ key: face?.key, day: today, times: 2, note: '' }]);
    expect(share.done).toBe(2);
    const { body: record } = await salon.call('GET /api/dogs/:id/history', { id: dogId });
    expect(JSON.stringify(record)).toContain('2 times');
    clock.now = clockBefore;
  });

  test('an owner sends a picture; the salon sees it, another dog’s owner does not, and what is no picture is refused', async () => {
    const [mine, other] = [await page(), await page()];
    const picture = await sharp({ create: { width: 640, height: 480, channels: 3, background: '#557733' } })
      .withExif({ IFD0: { Artist: 'Somebody' } })
      .jpeg()
      .toBuffer();
    const id = v7();
    const send = (bytes: Buffer, at = id) =>
      request(app).put(`/api/owner/home/photos/${at}`).set(guest(mine.token)).type('image/jpeg').send(bytes);
    expect((await send(picture)).status).toBe(200);
    expect((await send(picture)).status).toBe(200);
    expect((await send(Buffer.from('MZ, a program'), v7())).status).toBe(422);
    const { body } = await salon.call('GET /api/dogs/:id/home', { id: mine.dogId });
    expect(body.photos).toEqual([{ id, day: mine.page.home.today }]);
    const seen = await request(app).get(`/api/home-photos/${id}`).set('Cookie', salon.cookie).responseType('blob');
    expect((await sharp(seen.body as Buffer).metadata()).exif).toBeUndefined();
    expect((await request(app).get(`/api/owner/home/photos/${id}`).set(guest(other.token))).status).toBe(404);
    expect((await request(app).get(`/api/home-photos/${id}`)).status).toBe(401);
    const stranger = await openSalon();
    expect((await request(app).get(`/api/home-photos/${id}`).set('Cookie', stranger.cookie)).status).toBe(404);
  });
});
