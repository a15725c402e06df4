import { ENTRY_KINDS } from '@dewpond/core/record';
import { namePlace, placeOf } from '@dewpond/core/places';
import { showDay } from '@dewpond/core/units';
import { Document, Image, Page, Text, View } from '@react-pdf/renderer';
import { breakable } from '../../platform/pdf/fonts';
import { Head, PDF_STYLES } from '../../platform/pdf/look';
import type { DogExport } from './recordPdf';

/** The newest pictures on paper; all of them are in the file beside it. */
const PICTURES_IN_PDF = 24;

export function RecordDocument({ given }: { given: DogExport }) {
  const { business, dog, owner, history } = given;
  const told = history.filter(({ kind }) => kind !== 'clear');
  const days = [...new Set(told.map(({ day }) => day))];
  const jpegs = new Map(given.pictures.map(({ id, jpeg }) => [id, jpeg]));
  const newest = told.flatMap(({ picture }) => (picture === null ? [] : [picture.id])).slice(0, PICTURES_IN_PDF);
  const pictures = new Map(newest.map((id) => [id, Buffer.from(jpegs.get(id) ?? '', 'base64')]));
  return (
    <Document title={`${business.name}: the record of ${dog.name}`} author={business.name} language="en-GB">
      <Page size="A4" style={PDF_STYLES.page}>
        <Head business={business} />
        <Text style={PDF_STYLES.title}>{breakable(`The record of ${dog.name}`)}</Text>
        <Text style={PDF_STYLES.soft}>{breakable(`For ${owner.name}, as of ${showDay(given.exportedOn)}`)}</Text>
        {days.map((day) => (
          <View key={day} style={PDF_STYLES.part}>
            <Text style={[PDF_STYLES.heading, { color: business.colour }]} minPresenceAhead={30}>
              {`${showDay(day)} ${day.slice(0, 4)}`}
            </Text>
            {told
              .filter((entry) => entry.day === day)
              .map((entry) => {
                const bytes = entry.picture === null ? undefined : pictures.get(entry.picture.id);
                return (
                  <View key={entry.id} style={{ flexDirection: 'row', gap: 8, marginBottom: 1.5 }} wrap={false}>
                    <Text style={[PDF_STYLES.soft, { width: 70 }]}>{ENTRY_KINDS[entry.kind]}</Text>
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
          style={PDF_STYLES.foot}
          fixed
          render={({ pageNumber, totalPages }) =>
            `${dog.name}, page ${pageNumber} of ${totalPages}. What a groomer saw from the outside; only a vet can say what it means.`
          }
        />
      </Page>
    </Document>
  );
}
