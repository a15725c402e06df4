import { finding } from '@dewpond/core/findings';
import { SIDES } from '@dewpond/core/places';
import { readSheet } from '@dewpond/core/sheet';
import { describeDog, factsAsSeen } from '@dewpond/core/dog';
import type { Happening } from '@dewpond/core/events';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { eq } from 'drizzle-orm';
import request from 'supertest';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { findingSeen, placeCare, taskDone, visitEvent } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { rebuildBusiness } from '../commands/rebuildProjections';
import { addDog, app, businessEditOf, clock, databases, openSalon, type Salon } from './salon';
import { begin, eventsOf, visitDog, wholeVisit } from './tableSide';

const DAY = 86_400_000;
const START = Date.UTC(2026, 10, 25, 9, 0, 0);
const LEFT_EAR = { site: 'ear', side: 'left' } as const;
const RIGHT_EAR = { site: 'ear', side: 'right' } as const;
const wax = (grade: 1 | 2 | 3, place: typeof LEFT_EAR | typeof RIGHT_EAR = LEFT_EAR): Happening => ({
  type: 'found',
  finding: finding(place, 'ear pale wax', grade),
});

/** The sheet of a visit as it is printed. */
async function paperOf(id: string) {
  const response = await request(app)
    .get(`/api/visits/${id}/sheet.pdf`)
    .set('Cookie', salon.cookie)
    .responseType('blob');
  expect(response.headers['content-type']).toBe('application/pdf');
  return getDocument({ data: new Uint8Array(response.body as Buffer), useSystemFonts: false }).promise;
}

let salon: Salon;
beforeAll(async () => {
  salon = await openSalon();
});
beforeEach(() => {
  clock.now = START;
});

describe('a visit moves what is due', () => {
  const dueAt = async (dogId: string, task: string, side: string) => {
    const { body } = await salon.call('GET /api/dogs/:id', { id: dogId });
    return body.due.find(({ line }) => line.task === task && line.place?.side === side);
  };

  test('a dirty left ear comes sooner next time, a clean right one later', async () => {
    const { dogId } = await addDog(salon);
    await visitDog(salon, dogId);
    for (let i = 0; i < 3; i++) {
      clock.now += 28 * DAY;
      await visitDog(salon, dogId, [wax(3)]);
    }
    const [left, right] = [await dueAt(dogId, 'ear cleaning', 'left'), await dueAt(dogId, 'ear cleaning', 'right')];
    expect(left?.rhythm?.interval).toBeLessThan(28);
    expect(right?.rhythm?.interval).toBeGreaterThan(28);
    expect(left?.rhythm?.evidence).toHaveLength(3);
    expect((left?.window?.ideal ?? '') < (right?.window?.ideal ?? '')).toBe(true);
  });

  test('a stop bars the ear until a vet answers about it, and says so on Today', async () => {
    const { dogId } = await addDog(salon, { name: 'Bramble' });
    await visitDog(salon, dogId, [{ type: 'found', finding: finding(LEFT_EAR, 'ear musty smell', 1) }]);
    expect(await dueAt(dogId, 'ear cleaning', 'left')).toMatchObject({
      state: 'barred',
      line: { bars: [{ rank: 'safety' }] },
    });
    expect((await dueAt(dogId, 'ear cleaning', 'right'))?.state).not.toBe('barred');
    expect(
      (await salon.call('GET /api/watch')).body.items.some((item) => item.dogId === dogId && item.level === 'tell'),
    ).toBe(true);
    const answer = {
      id: v7(),
      by: 'vet',
      who: 'Dr Oyelaran',
      place: LEFT_EAR,
      says: { kind: 'interval', task: 'ear cleaning', days: 14 },
      from: '2026-11-25',
      until: null,
    };
    expect((await salon.call('POST /api/dogs/:id/instructions', { id: dogId, body: answer })).status).toBe(201);
    const after = await dueAt(dogId, 'ear cleaning', 'left');
    expect(after).toMatchObject({ rhythm: null, line: { fixedByVet: true, interval: { usual: 14 }, bars: [] } });
  });

  test('what the owner said is there next time: a heart condition stays, drops of that day do not', async () => {
    const { dogId } = await addDog(salon, { name: 'Quill' });
    await visitDog(salon, dogId, [
      { type: 'answered', question: 'heart', answer: true },
      { type: 'answered', question: 'drops, left ear', answer: true },
    ]);
    clock.now += 28 * DAY;
    const id = await begin(salon, dogId);
    const { body: view } = await salon.call('GET /api/visits/:id', { id });
    expect(view.lastAnswers).toMatchObject({ heart: { answer: true, day: '2026-11-25' } });
    expect(view.facts.fitness.heart).toBe(true);
    expect(view.facts.ears.left.conditions).toEqual([]);
    const { body: page } = await salon.call('GET /api/dogs/:id', { id: dogId });
    const bath = page.due.find(({ line }) => line.task === 'bath');
    expect(bath?.line.cautions.map(({ words }) => words).join(' ')).toMatch(/Heart: short stay/);
  });

  test('what was used moves the dog’s own factor, slowly', async () => {
    const { dogId } = await addDog(salon, { name: 'Tansy' });
    const { body: before } = await salon.call('GET /api/dogs/:id/mix', { id: dogId });
    const need = before.mixes[0]?.mix.need ?? 0;
    await visitDog(salon, dogId, [
      { type: 'used', product: salon.productId, name: 'Oat gentle wash', ml: need * 2, planned: need, how: 'double' },
    ]);
    const { body: after } = await salon.call('GET /api/dogs/:id/mix', { id: dogId });
    expect((after.mixes[0]?.mix.need ?? 0) / need).toBeCloseTo(2 ** 0.25, 6);
  });

  test("another school's pads are not pooled: the business change is dated", async () => {
    const other = await openSalon();
    const { dogId } = await addDog(other);
    await visitDog(other, dogId);
    clock.now += 28 * DAY;
    await visitDog(other, dogId, [
      { type: 'pad dirty', side: 'left', colour: 'brown' },
      { type: 'pad dirty', side: 'left', colour: 'brown' },
    ]);
    const grade = async () =>
      (await other.call('GET /api/dogs/:id', { id: dogId })).body.due.find(
        ({ line }) => line.task === 'ear cleaning' && line.place?.side === 'left',
      )?.rhythm?.evidence[0]?.grade;
    expect(await grade()).toBe(2);
    clock.now += DAY;
    const edit = await businessEditOf(other);
    await other.call('PUT /api/business', { body: { ...edit, ways: { ...edit.ways, earCleaning: 'fill' } } });
    expect(await grade()).toBe(0);
  });
});

describe('events', () => {
  test('sent twice are kept once; the same id with other content is refused, and holds up nothing else', async () => {
    const { dogId } = await addDog(salon);
    const id = await begin(salon, dogId);
    const [opened, clear] = eventsOf([{ type: 'opened' }, { type: 'looked clear', place: LEFT_EAR }]);
    if (!opened || !clear) throw new Error('two events');
    const send = (events: object[]) => salon.call('POST /api/visits/:id/events', { id, body: { events } });
    expect((await send([opened])).body.taken).toEqual([opened.id]);
    expect((await send([opened, clear])).body).toMatchObject({ taken: [clear.id], known: [opened.id], refused: [] });
    const [fresh] = eventsOf([{ type: 'noted', text: 'hello' }], 9);
    if (!fresh) throw new Error('one event');
    const { body } = await send([{ ...clear, counter: 7 }, fresh]);
    expect(body.taken).toEqual([fresh.id]);
    expect(body.refused).toMatchObject([{ id: clear.id, status: 409, words: expect.stringMatching(/already used/) }]);
    const { events } = (await salon.call('GET /api/visits/:id', { id })).body;
    expect(events).toHaveLength(3);
    expect(events.find((event) => event.id === clear.id)?.counter).toBe(clear.counter);
  });

  test('two devices merge; a plug that is in keeps the visit open, whatever a device says', async () => {
    const { dogId } = await addDog(salon);
    const id = await begin(salon, dogId);
    const send = (happenings: Happening[], device: string, first: number) =>
      salon.call('POST /api/visits/:id/events', { id, body: { events: eventsOf(happenings, first, device) } });
    await send([{ type: 'plug in', side: 'left' }], 'tablet', 1);
    const refused = await send([{ type: 'closed', how: 'ended early' }], 'phone', 2);
    expect(refused.body.refused).toMatchObject([
      { status: 409, words: expect.stringContaining('A plug is still in the left ear') },
    ]);
    await send([{ type: 'plug out', side: 'left', came: 'damp' }], 'tablet', 3);
    expect((await send([{ type: 'closed', how: 'ended early' }], 'phone', 4)).body.taken).toHaveLength(1);
  });

  test('work that comes after the close is taken in, and the sheet asks for a new look', async () => {
    const { dogId } = await addDog(salon);
    const id = await visitDog(salon, dogId);
    expect(
      (await salon.call('POST /api/visits/:id/events', { id, body: { events: eventsOf([wax(2)], 900, 'phone') } }))
        .status,
    ).toBe(201);
    const { body } = await salon.call('GET /api/visits/:id/sheet', { id });
    expect(body.sheet).toMatchObject({ lookAgain: true });
    expect(body.sheet.saw[0]?.words).toContain('light-brown wax (plain)');
  });

  test('an event of another kind, of another business, or for no visit is refused', async () => {
    const { dogId } = await addDog(salon);
    const id = await begin(salon, dogId);
    const stranger = await openSalon();
    const events = eventsOf([{ type: 'opened' }]);
    expect((await stranger.call('POST /api/visits/:id/events', { id, body: { events } })).status).toBe(404);
    expect((await salon.call('POST /api/visits/:id/events', { id: v7(), body: { events } })).status).toBe(404);
    const odd = { ...events[0], what: { type: 'exploded' } };
    const { body } = await salon.call('POST /api/visits/:id/events', { id, body: { events: [odd, 'nonsense'] } });
    expect(body).toMatchObject({
      taken: [],
      refused: [
        { id: odd.id, status: 422 },
        { id: '', status: 422 },
      ],
    });
    expect((await salon.call('POST /api/visits/:id/events', { id, body: { events: [] } })).status).toBe(422);
  });
});

describe('a whole visit, left and right', () => {
  test('the mirrored visit gives mirrored records', async () => {
    const rows = async (findings: Happening[]) => {
      const { dogId } = await addDog(salon);
      const visitId = await visitDog(salon, dogId, findings);
      return inTenant(databases, salon.businessId, async (tx) => ({
        findings: (await tx.select().from(findingSeen).where(eq(findingSeen.visitId, visitId))).map(
          ({ place, sign, grade }) => ({ place, sign, grade }),
        ),
        care: (await tx.select().from(placeCare).where(eq(placeCare.visitId, visitId)))
          .map(({ place, dirt, cared, dirtyPads }) => `${place} ${dirt} ${cared} ${dirtyPads}`)
          .toSorted(),
      }));
    };
    const left = await rows([wax(2), { type: 'pad dirty', side: 'left', colour: 'brown' }]);
    const right = await rows([wax(2, RIGHT_EAR), { type: 'pad dirty', side: 'right', colour: 'brown' }]);
    const flip = (text: string) => text.replace(/left|right/, (side) => (side === 'left' ? 'right' : 'left'));
    expect(right.findings).toEqual(left.findings.map((row) => ({ ...row, place: flip(row.place) })));
    expect(right.care).toEqual(left.care.map(flip).toSorted());
    expect(left.care).toContain('ear/left 2 true 1');
  });

  test('projections are rebuilt from the events to the same rows', async () => {
    const { dogId } = await addDog(salon);
    await visitDog(salon, dogId, [wax(3)]);
    const read = () =>
      inTenant(databases, salon.businessId, async (tx) => ({
        findings: await tx.select().from(findingSeen).orderBy(findingSeen.visitId, findingSeen.place, findingSeen.sign),
        care: await tx.select().from(placeCare).orderBy(placeCare.visitId, placeCare.place),
        tasks: await tx.select().from(taskDone).orderBy(taskDone.visitId, taskDone.task),
      }));
    const before = await read();
    await inTenant(databases, salon.businessId, async (tx) => {
      await tx.delete(findingSeen);
      await tx.delete(placeCare);
      await tx.delete(taskDone);
    });
    expect((await read()).care).toEqual([]);
    await rebuildBusiness(databases, salon.businessId);
    expect(await read()).toEqual(before);
  });

  test('events can be neither changed nor removed', async () => {
    const change = inTenant(databases, salon.businessId, (tx) => tx.update(visitEvent).set({ counter: 1 }));
    await expect(change).rejects.toMatchObject({ cause: { code: '42501' } });
  });
});

describe('the owner sheet', () => {
  test('reads well, and the PDF holds the same text, a title and a language', async () => {
    const { dogId } = await addDog(salon, { name: 'Sorrel' });
    const id = await visitDog(salon, dogId, [wax(2)]);
    const { body: view } = await salon.call('GET /api/visits/:id/sheet', { id });
    expect(view.sheet.saw.map((saw) => saw.words).slice(0, 2)).toEqual([
      'Left ear: light-brown wax (plain).',
      'Right ear: clear.',
    ]);
    const pdf = await paperOf(id);
    expect(pdf.numPages).toBe(1);
    const { info } = (await pdf.getMetadata()) as unknown as { info: { Title: string; Language: string } };
    expect(info).toMatchObject({ Title: 'A salon: Sorrel, Wed 25 Nov', Language: 'en-GB' });
    const text = (await (await pdf.getPage(1)).getTextContent()).items
      .map((item) => ('str' in item ? item.str : ''))
      .join(' ')
      .replaceAll(/\s+/g, ' ');
    for (const words of [
      'What we saw',
      ...readSheet(view.sheet, view.edits).parts.flatMap(({ lines }) => lines.map((line) => line.words)),
    ])
      expect(text).toContain(words.replaceAll(/\s+/g, ' '));
  });

  test('the next visit is the next that is booked, and never the one of the day itself', async () => {
    const own = await openSalon();
    const { dogId } = await addDog(own);
    const book = (inHours: number) =>
      own.call('POST /api/appointments', {
        body: {
          id: v7(),
          dogId,
          memberId: own.memberId,
          kind: 'full visit',
          startsAt: new Date(clock.now + inHours * 3_600_000).toISOString(),
          minutes: 60,
        },
      });
    const next = async () => (await own.call('GET /api/visits/:id/sheet', { id })).body.sheet.suggest.at(-1)?.words;
    expect((await book(2)).status).toBe(201);
    const id = await visitDog(own, dogId);
    expect(await next()).toMatch(/^We suggest the next visit around/);
    expect((await book(24 * 21)).status).toBe(201);
    expect(await next()).toBe('Your next visit is booked for Wed 16 Dec.');
  });

  test('a name of 80 letters and letters of many languages still fit one page', async () => {
    const { dogId } = await addDog(salon, { name: 'Ł'.repeat(40) + 'ÄéÿŠžđ'.repeat(6) + 'abcd' });
    const id = await visitDog(salon, dogId);
    expect((await paperOf(id)).numPages).toBe(1);
  });

  test('a visit of which there is much to tell still fits one page, in smaller letters', async () => {
    const { dogId } = await addDog(salon, { name: 'Quince', breeds: ['pug'] });
    const findings = [
      ...SIDES.map((side) => finding({ site: 'ear', side }, 'ear musty smell', 2)),
      ...SIDES.map((side) => finding({ site: 'eye', side }, 'eye stain', 2)),
      finding({ site: 'fold nose', side: 'none' }, 'fold redness', 2),
    ];
    const bled: Happening = {
      type: 'incident',
      incident: { kind: 'quick', place: null, done: 'We pressed it until it stopped.', told: 'Folake', words: '' },
    };
    const id = await visitDog(salon, dogId, [
      ...findings.map((each): Happening => ({ type: 'found', finding: each })),
      bled,
    ]);
    expect((await paperOf(id)).numPages).toBe(1);
  });

  test('an unknown visit, or one of another business, has none', async () => {
    const stranger = await openSalon();
    const { dogId } = await addDog(stranger);
    const id = await visitDog(stranger, dogId);
    for (const wanted of [id, v7(), 'nonsense']) {
      expect((await request(app).get(`/api/visits/${wanted}/sheet.pdf`).set('Cookie', salon.cookie)).status).toBe(404);
    }
  });
});

test('whole visits end with every step settled', async () => {
  const { dogId } = await addDog(salon, { breeds: ['pug'] });
  const id = await begin(salon, dogId);
  const { body: view } = await salon.call('GET /api/visits/:id', { id });
  const happened = wholeVisit(view, []);
  expect(happened.at(-1)).toEqual({ type: 'closed', how: 'finished' });
  expect(happened.filter((each) => each.type === 'plug in')).toHaveLength(2);
});

test('a dog of which only its card is known has the facts that a device makes of it without a network', async () => {
  const own = await openSalon();
  const profile = {
    breeds: ['lagotto'],
    weightKg: 14.2,
    seen: { coatLength: 'short' },
    skin: 'sensitive',
    swims: true,
  };
  const { dogId } = await addDog(own, profile);
  const { body: dog } = await own.call('GET /api/dogs/:id', { id: dogId });
  const { body: house } = await own.call('GET /api/business');
  const { body: view } = await own.call('GET /api/visits/:id', { id: await begin(own, dogId) });
  expect(factsAsSeen(dog.profile, house, view.day)).toEqual(view.facts);
  expect(view.facts.traits.coatLength).toBe('short');
  expect(describeDog(view.facts, dog.profile, 'metric')).toBe(view.dog.words);
});
