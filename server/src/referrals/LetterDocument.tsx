import { showDay } from '@dewpond/core/units';
import { Document, Image, Page, Text, View } from '@react-pdf/renderer';
import { BodyOnPaper, HeadOnPaper, sidesToDraw } from '../paper/DogDrawing';
import { breakable } from '../paper/fonts';
import { Head, PAPER, Part } from '../paper/look';
import type { LetterView } from './letter';

/** A letter to a vet on one page: what was seen, when, what was done and what was not. */
export function LetterDocument({ view }: { view: LetterView }) {
  const { house, dog, letter, drawing, grades } = view;
  const sides = sidesToDraw(drawing, grades);
  return (
    <Document title={`${house.name}: ${letter.subject}`} author={house.name} language="en-GB">
      <Page size="A4" style={PAPER.page}>
        <Head house={house} />
        <Text style={PAPER.title}>{breakable(letter.subject)}</Text>
        <Text style={PAPER.soft}>{breakable(`To the vet. ${showDay(view.day)}`)}</Text>
        <View style={{ flexDirection: 'row', gap: 16 }}>
          <View style={{ flex: 1 }}>
            <Part
              heading="The dog"
              colour={house.colour}
              lines={[
                `${dog.name}: ${dog.words}`,
                ...(dog.chip === null ? [] : [`Chip ${dog.chip}`]),
                `Owner: ${view.owner}${view.phone === '' ? '' : `, ${view.phone}`}`,
              ]}
            />
            <Part heading="What we saw" colour={house.colour} lines={letter.seen} />
            <Part heading="Looked at before" colour={house.colour} lines={letter.before} />
            <Part heading="What we did, and what not" colour={house.colour} lines={letter.done} />
            <Part heading="What we ask" colour={house.colour} lines={[letter.asks]} />
          </View>
          <View style={{ width: 170, marginTop: 10, gap: 6 }}>
            {sides.length === 0 ? <HeadOnPaper traits={drawing} grades={grades} width={170} /> : null}
            {sides.map((side) => (
              <BodyOnPaper key={side} traits={drawing} grades={grades} side={side} width={170} />
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
        <Text style={PAPER.foot} fixed>
          {`${view.legend} This letter says what was seen; it says nothing of what it may be.`}
        </Text>
      </Page>
    </Document>
  );
}
