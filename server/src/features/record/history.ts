import { max } from 'd3-array';
import { instructionWords } from '@dewpond/core/dog';
import { signWords, findingWords } from '@dewpond/core/findings';
import { homeKeyWords, homeTaskName } from '@dewpond/core/homecare';
import { TEMPLATES, ownerSaysWords } from '@dewpond/core/messages';
import { placeKey, type PlaceKey } from '@dewpond/core/places';
import { inOrderOfRecord, type RecordEntry } from '@dewpond/core/record';
import type { Day } from '@dewpond/core/units';
import { INCIDENTS } from '@dewpond/core/events';
import { eq, or, sql } from 'drizzle-orm';
import {
  homePhoto,
  homeTick,
  incidentSeen,
  message,
  ownerAnswer,
  photo,
  photoShown,
  referral,
  weighing,
} from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { planFor } from '../../records/dog/facts';
import type { DogRecord } from '../../records/dog/dogRecord';
import { type StockedBusiness, type Business } from '../../records/business/business';
import { dayIn } from '../../platform/time/zone';

/** Everything on record of one dog, newest first. */
export async function historyOf(
  tx: Tenant,
  business: StockedBusiness,
  record: DogRecord,
  now: number,
): Promise<RecordEntry[]> {
  const { id: dogId } = record.dog;
  return inOrderOfRecord([
    ...ofVisits(record),
    ...record.instructions.map((each) =>
      entry(
        each.id,
        each.from,
        'instruction',
        instructionWords(each, [...business.products, ...business.putAway]),
        each.place ? placeKey(each.place) : null,
      ),
    ),
    ...record.visits.flatMap(saidAt),
    ...record.care.flatMap(hairOf),
    ...(await photosOf(tx, record)),
    ...(await referralsOf(tx, dogId)),
    ...(await incidentsOf(tx, dogId)),
    ...(await weightsOf(tx, dogId)),
    ...(await messagesOf(tx, dogId, business.zone)),
    ...(await answersOf(tx, dogId, business.zone)),
    ...(await ticksOf(tx, business, record, now)),
    ...(await homePhotosOf(tx, dogId)),
  ]);
}

/** What became of the hair of an ear at a visit, as far as it was told. */
function hairOf({
  visitId,
  day,
  place,
  hairDid,
  hairCame,
  hairBorne,
  hairLeft,
}: DogRecord['care'][number]): RecordEntry[] {
  const words = [
    hairDid === null ? '' : hairDid,
    hairCame === null ? '' : `${hairCame} came out`,
    hairBorne === null ? '' : hairBorne,
    hairLeft === null ? '' : `left: ${hairLeft}`,
  ].filter((each) => each !== '');
  return words.length === 0
    ? []
    : [entry(`hair ${visitId} ${place}`, day, 'hair', words.join('; '), place as PlaceKey, { visitId })];
}

/** What was said at a visit: at the door, and at its end. */
const saidAt = ({ id, day, ownerSaid, closingNote }: DogRecord['visits'][number]): RecordEntry[] => [
  ...(ownerSaid === '' ? [] : [entry(`said ${id}`, day, 'said', ownerSaid, null, { visitId: id })]),
  ...(closingNote === '' ? [] : [entry(`note ${id}`, day, 'note', closingNote, null, { visitId: id })]),
];

const entry = (
  id: string,
  day: string,
  kind: RecordEntry['kind'],
  words: string,
  place: PlaceKey | null = null,
  more: Partial<RecordEntry> = {},
): RecordEntry => ({ id, day: day as Day, kind, words, place, grade: null, visitId: null, picture: null, ...more });

function ofVisits({ visits, findings }: DogRecord): RecordEntry[] {
  return visits.flatMap(({ id: visitId, day, closed, looked, begunTwice }): RecordEntry[] => {
    const found = findings.filter((each) => each.visitId === visitId);
    const at = new Set(found.map(({ place }) => placeKey(place)));
    const ended = closed ?? 'still open';
    const words = `Visit, ${ended}; ${looked.length} places looked at${begunTwice ? '; begun a second time for its booking' : ''}`;
    return [
      entry(`visit ${visitId}`, day, 'visit', words, null, { visitId }),
      ...found.map(({ place, more, ...seen }) =>
        entry(
          `found ${visitId} ${placeKey(place)} ${seen.sign}`,
          day,
          'found',
          [findingWords(seen), ...(more?.words ? [`“${more.words}”`] : [])].join('; '),
          placeKey(place),
          { visitId, grade: seen.grade },
        ),
      ),
      ...looked
        .filter((place) => !at.has(place))
        .map((place) => entry(`clear ${visitId} ${place}`, day, 'clear', 'clear', place, { visitId, grade: 0 })),
    ];
  });
}

async function photosOf(tx: Tenant, { dog: { id: dogId }, findings, visits }: DogRecord): Promise<RecordEntry[]> {
  const gradeOf = ({ visitId, place, sign }: Pick<typeof photoShown.$inferSelect, 'visitId' | 'place' | 'sign'>) => {
    const here = findings.filter((each) => each.visitId === visitId && placeKey(each.place) === place);
    const shown = here.filter((each) => each.sign === sign);
    const looked = visits.some(({ id, looked: places }) => id === visitId && places.includes(place as PlaceKey));
    return max(shown.length > 0 ? shown : here, ({ grade }) => grade) ?? (looked ? 0 : null);
  };

  const rows = await tx
    .select({ shown: photoShown })
    .from(photoShown)
    .innerJoin(photo, eq(photo.id, photoShown.photoId))
    .where(eq(photoShown.dogId, dogId));
  return rows.map(({ shown: { photoId, visitId, place, sign, day, colour } }) =>
    entry(
      `photo ${photoId}`,
      day,
      'photo',
      sign === null ? 'picture' : `picture: ${signWords(sign).name}`,
      place as PlaceKey,
      {
        visitId,
        picture: { id: photoId, takenBy: 'salon', grade: gradeOf({ visitId, place, sign }), colour },
      },
    ),
  );
}

async function referralsOf(tx: Tenant, dogId: string): Promise<RecordEntry[]> {
  const rows = await tx.select().from(referral).where(eq(referral.dogId, dogId));
  return rows.flatMap(({ id, place, visitId, level, openedOn, told, answer, vet, end }) => {
    const step = (what: string, day: string, words: string) =>
      entry(`referral ${id} ${what}`, day, 'referral', words, place, { visitId });
    return [
      step('opened', openedOn, `for a vet: ${level}`),
      ...(told ? [step('told', told.on, `owner told ${told.how}, by ${told.by}`)] : []),
      ...(answer
        ? [step('answer', answer.on, `owner: ${answer.answer}${answer.words ? `, “${answer.words}”` : ''}`)]
        : []),
      ...(vet ? [step('vet', vet.on, `${vet.who}: “${vet.words}”`)] : []),
      ...(end ? [step('end', end.on, `closed: ${end.outcome}, by ${end.by}`)] : []),
    ];
  });
}

async function incidentsOf(tx: Tenant, dogId: string): Promise<RecordEntry[]> {
  const rows = await tx.select().from(incidentSeen).where(eq(incidentSeen.dogId, dogId));
  return rows.map(({ eventId, visitId, day, kind, place, done, told }) =>
    entry(
      `incident ${eventId}`,
      day,
      'incident',
      [INCIDENTS[kind].name, done, told === '' ? '' : `${told} was told`].filter((each) => each !== '').join('; '),
      place as PlaceKey | null,
      { visitId },
    ),
  );
}

async function weightsOf(tx: Tenant, dogId: string): Promise<RecordEntry[]> {
  const rows = await tx.select().from(weighing).where(eq(weighing.dogId, dogId));
  return rows.map(({ day, kg }) => entry(`weight ${day}`, day, 'weight', `${kg} kg`));
}

async function messagesOf(tx: Tenant, dogId: string, zone: string): Promise<RecordEntry[]> {
  const rows = await tx
    .select()
    .from(message)
    .where(or(eq(message.dogId, dogId), sql`${message.withDogs} @> ${JSON.stringify([dogId])}::jsonb`));
  return rows.map(({ id, kind, channel, state, createdAt, askedBy, visitId }) =>
    entry(
      `message ${id}`,
      dayIn(zone, createdAt),
      'message',
      `${TEMPLATES[kind].name}, ${channel}, ${state}, by ${askedBy}`,
      null,
      { visitId },
    ),
  );
}

async function answersOf(tx: Tenant, dogId: string, zone: string): Promise<RecordEntry[]> {
  const rows = await tx.select().from(ownerAnswer).where(eq(ownerAnswer.dogId, dogId));
  return rows.map(({ id, says, note, toldAt }) =>
    entry(
      `answer ${id}`,
      dayIn(zone, toldAt),
      'message',
      `Owner: ${ownerSaysWords(says)}${note === '' ? '' : `: “${note}”`}`,
    ),
  );
}

/** A day's ticks in one line: what an owner did is told, not counted entry by entry. */
async function ticksOf(tx: Tenant, business: Business, record: DogRecord, now: number): Promise<RecordEntry[]> {
  const { home } = planFor(record, business, dayIn(business.zone, now));
  const tasks = [...home.kept, ...home.left.map(({ task }) => task)];
  const names = new Map(tasks.map((task) => [task.key, homeTaskName(task)]));
  const rows = await tx.select().from(homeTick).where(eq(homeTick.dogId, record.dog.id));
  const days = [...new Set(rows.map(({ day }) => day))];
  return days.map((day) => {
    const done = rows.filter((row) => row.day === day);
    const said = done.flatMap(({ note }) => (note === '' ? [] : [`“${note}”`]));
    const each = done.map(({ key, times }) => {
      const name = names.get(key) ?? homeKeyWords(key);
      return times > 1 ? `${name}, ${times} times` : name;
    });
    const words = [...each, ...said].join('; ');
    return entry(`home ${day}`, day, 'home', words);
  });
}

async function homePhotosOf(tx: Tenant, dogId: string): Promise<RecordEntry[]> {
  const rows = await tx
    .select({ id: homePhoto.id, day: homePhoto.day })
    .from(homePhoto)
    .where(eq(homePhoto.dogId, dogId))
    .orderBy(homePhoto.sentAt);
  return rows.map(({ id, day }) =>
    entry(`home photo ${id}`, day, 'home', 'a picture from the owner', null, {
      picture: { id, takenBy: 'owner', grade: null, colour: null },
    }),
  );
}
