import type { Letterhead } from '@dewpond/contract';
import { ENTRY_KINDS, type Entry, type Picture } from '@dewpond/core/record';
import { namePlace, placeOf } from '@dewpond/core/places';
import { showDay, type Day } from '@dewpond/core/units';
import { Document, Image, Page, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { eq, inArray } from 'drizzle-orm';
import { homePhoto, photo, visit, visitEvent, weighing } from '../db/schema';
import type { Tenant } from '../db/tenant';
import type { DogRecord } from '../dogs/records';
import type { House } from '../house/house';
import { letterheadOf } from '../house/letterhead';
import { dayIn } from '../house/zone';
import { breakable, registerFonts } from '../paper/fonts';
import { Head, PAPER } from '../paper/look';
import { historyOf } from './history';

/** Everything kept of one dog, for an owner who asks for the data. Pictures are JPEG in base64. */
export interface DogExport {
  readonly format: 'dewpond dog';
  readonly version: 1;
  readonly exportedOn: Day;
  readonly business: Letterhead;
  readonly owner: { readonly name: string; readonly card: DogRecord['client']['card'] };
  readonly dog: DogRecord['dog']['profile'];
  readonly instructions: DogRecord['instructions'];
  readonly weights: readonly { readonly day: string; readonly kg: number }[];
  readonly history: readonly Entry[];
  /** What happened at each visit, event by event, as it was written down. */
  readonly visits: readonly {
    readonly day: string;
    readonly closed: string | null;
    readonly events: readonly unknown[];
  }[];
  readonly pictures: readonly (Picture & { readonly jpeg: string })[];
}

export async function exportDog(tx: Tenant, house: House, record: DogRecord, now: number): Promise<DogExport> {
  const history = await historyOf(tx, house, record, now);
  const visits = await tx.select().from(visit).where(eq(visit.dogId, record.dog.id));
  const ids = visits.map(({ id }) => id);
  const events = ids.length === 0 ? [] : await tx.select().from(visitEvent).where(inArray(visitEvent.visitId, ids));
  const taken = ids.length === 0 ? [] : await tx.select().from(photo).where(inArray(photo.visitId, ids));
  const sent = await tx.select().from(homePhoto).where(eq(homePhoto.dogId, record.dog.id));
  const weights = await tx.select().from(weighing).where(eq(weighing.dogId, record.dog.id));
  return {
    format: 'dewpond dog',
    version: 1,
    exportedOn: dayIn(house.zone, now),
    business: letterheadOf(house),
    owner: { name: record.client.name, card: record.client.card },
    dog: record.dog.profile,
    instructions: record.instructions,
    weights: weights.map(({ day, kg }) => ({ day, kg })),
    history,
    visits: visits.map(({ id, day, closed }) => ({
      day,
      closed,
      events: events
        .filter(({ visitId }) => visitId === id)
        .toSorted((a, b) => a.counter - b.counter)
        .map(({ counter, at, what }) => ({ counter, at: new Date(at).toISOString(), what })),
    })),
    pictures: [
      ...taken.map(({ id, bytes }) => ({ id, takenBy: 'salon' as const, jpeg: bytes.toString('base64') })),
      ...sent.map(({ id, bytes }) => ({ id, takenBy: 'owner' as const, jpeg: bytes.toString('base64') })),
    ],
  };
}

/** The same on paper: day by day, the pictures small. */
export function recordPdf(given: DogExport): Promise<Buffer> {
  registerFonts();
  return renderToBuffer(<RecordDocument given={given} />);
}

/** The newest pictures on paper; all of them are in the file beside it. */
const PICTURES_ON_PAPER = 24;

function RecordDocument({ given }: { given: DogExport }) {
  const { business, dog, owner, history } = given;
  const told = history.filter(({ kind }) => kind !== 'clear');
  const days = [...new Set(told.map(({ day }) => day))];
  const jpegs = new Map(given.pictures.map(({ id, jpeg }) => [id, jpeg]));
  const newest = told.flatMap(({ picture }) => (picture === null ? [] : [picture.id])).slice(0, PICTURES_ON_PAPER);
  const pictures = new Map(newest.map((id) => [id, Buffer.from(jpegs.get(id) ?? '', 'base64')]));
  return (
    <Document title={`${business.name}: the record of ${dog.name}`} author={business.name} language="en-GB">
      <Page size="A4" style={PAPER.page}>
        <Head house={business} />
        <Text style={PAPER.title}>{breakable(`The record of ${dog.name}`)}</Text>
        <Text style={PAPER.soft}>{breakable(`For ${owner.name}, as of ${showDay(given.exportedOn)}`)}</Text>
        {days.map((day) => (
          <View key={day} style={PAPER.part}>
            <Text style={[PAPER.heading, { color: business.colour }]} minPresenceAhead={30}>
              {`${showDay(day)} ${day.slice(0, 4)}`}
            </Text>
            {told
              .filter((entry) => entry.day === day)
              .map((entry) => {
                const bytes = entry.picture === null ? undefined : pictures.get(entry.picture.id);
                return (
                  <View key={entry.id} style={{ flexDirection: 'row', gap: 8, marginBottom: 1.5 }} wrap={false}>
                    <Text style={[PAPER.soft, { width: 70 }]}>{ENTRY_KINDS[entry.kind]}</Text>
                    <Text style={{ flex: 1 }}>
                      {breakable(`${entry.place === null ? '' : `${namePlace(placeOf(entry.place))}: `}${entry.words}`)}
                    </Text>
                    {bytes ? (
                      <Image
                        src={{ data: bytes, format: 'jpg' }}
                        style={{ width: 90, height: 64, objectFit: 'cover' }}
                      />
                    ) : null}
                  </View>
                );
              })}
          </View>
        ))}
        <Text
          style={PAPER.foot}
          fixed
          render={({ pageNumber, totalPages }) =>
            `${dog.name}, page ${pageNumber} of ${totalPages}. What a groomer saw from the outside; only a vet can say what it means.`
          }
        />
      </Page>
    </Document>
  );
}
