import { showDay } from '@dewpond/core/units';
import { fillIn } from '@dewpond/core/wording';
import { Document, Image, Page, Text, View } from '@react-pdf/renderer';
import { BodyInPdf, HeadInPdf, sidesToDraw } from '../../platform/pdf/DogDrawing';
import { breakable } from '../../platform/pdf/fonts';
import { Head, PDF_STYLES, Part } from '../../platform/pdf/look';
import type { PrintedLetter } from './pdfs';

/** A letter to a vet on one page: what was seen, when, what was done and what was not. */
export function LetterDocument({ view }: { view: PrintedLetter }) {
  const { business, dog, letter, drawing, grades, wording } = view;
  const says = wording.letter;
  const { dogsLeft: left, dogsRight: right } = wording.sentences;
  const sides = sidesToDraw(drawing, grades);
  return (
    <Document title={`${business.name}: ${letter.subject}`} author={business.name} language={wording.language}>
      <Page size="A4" style={PDF_STYLES.page}>
        <Head business={business} />
        <Text style={PDF_STYLES.title}>{breakable(letter.subject)}</Text>
        <Text style={PDF_STYLES.soft}>
          {breakable(fillIn(says.toTheVet, { day: showDay(view.day, wording.language) }))}
        </Text>
        <View style={{ flexDirection: 'row', gap: 16 }}>
          <View style={{ flex: 1 }}>
            <Part
              heading={says.dog}
              colour={business.colour}
              lines={[
                letter.dog,
                ...(dog.chip === null ? [] : [fillIn(says.chip, { number: dog.chip })]),
                fillIn(view.phone === '' ? says.owner : says.ownerPhone, { name: view.owner, phone: view.phone }),
              ]}
            />
            <Part heading={says.saw} colour={business.colour} lines={letter.seen} />
            <Part heading={says.before} colour={business.colour} lines={letter.before} />
            <Part heading={says.did} colour={business.colour} lines={letter.done} />
            <Part heading={says.ask} colour={business.colour} lines={letter.asks} />
          </View>
          <View style={{ width: 170, marginTop: 10, gap: 6 }}>
            {sides.length === 0 ? (
              <HeadInPdf traits={drawing} grades={grades} width={170} says={{ left, right }} />
            ) : null}
            {sides.map((side) => (
              <BodyInPdf
                key={side}
                traits={drawing}
                grades={grades}
                side={side}
                width={170}
                says={side === 'left' ? left : right}
              />
            ))}
            {view.photos.map((bytes, i) => (
              <Image
                key={i}
                src={{ data: bytes, format: 'jpg' }}
                style={{ height: 120, objectFit: 'cover', borderRadius: 4 }}
              />
            ))}
          </View>
        </View>
        <Text style={PDF_STYLES.foot} fixed>
          {breakable(`${view.legend} ${says.says}`)}
        </Text>
      </Page>
    </Document>
  );
}
