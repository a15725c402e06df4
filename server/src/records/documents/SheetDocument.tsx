import type { Section } from '@dewpond/core/sheet';
import { fillIn } from '@dewpond/core/wording';
import { Document, Image, Page, Text, View } from '@react-pdf/renderer';
import { BodyInPdf, HeadInPdf, sidesToDraw } from '../../platform/pdf/DogDrawing';
import { breakable } from '../../platform/pdf/fonts';
import { Head, PDF_STYLES, Part, Ripple } from '../../platform/pdf/look';
import type { PrintedSheet } from './pdfs';

/** The owner sheet on one page of A4: what we saw and what is next, then what to do and what was done. */
export function SheetDocument({
  business,
  owner,
  read,
  drawing,
  photos,
  fontSize,
}: PrintedSheet & { readonly fontSize: number }) {
  const { title, headings, forOwner, presses, foot, sides: sideWords } = read.frame;
  const lines = (section: Section) => read.parts.find((part) => part.section === section)?.lines ?? [];
  const words = (section: Section) => lines(section).map((line) => line.words);
  const sides = sidesToDraw(drawing, read.grades);
  return (
    <Document title={`${business.name}: ${title}`} author={business.name} language={read.language}>
      <Page size="A4" style={[PDF_STYLES.page, { fontSize }]}>
        <Head business={business} />
        <Text style={PDF_STYLES.title}>{breakable(title)}</Text>
        <Text style={PDF_STYLES.soft}>{breakable(fillIn(forOwner, { owner }))}</Text>
        {presses === null ? null : <Text style={PDF_STYLES.presses}>{breakable(presses)}</Text>}
        <View style={{ flexDirection: 'row', gap: 16 }}>
          <View style={{ flex: 1 }}>
            <View style={PDF_STYLES.part}>
              <Text style={[PDF_STYLES.heading, { color: business.colour }]}>{headings.saw}</Text>
              {lines('saw').map(({ key, grade, words: said }) => (
                <View key={key} style={PDF_STYLES.row} wrap={false}>
                  {grade === null ? null : <Ripple grade={grade} />}
                  <Text style={{ flex: 1 }}>{breakable(said)}</Text>
                </View>
              ))}
            </View>
            <Part heading={headings.suggest} colour={business.colour} lines={words('suggest')} />
          </View>
          <View style={{ width: 150, marginTop: 6, gap: 6 }}>
            <HeadInPdf traits={drawing} grades={read.grades} width={150} says={sideWords} />
            {sides.map((side) => (
              <BodyInPdf
                key={side}
                traits={drawing}
                grades={read.grades}
                side={side}
                width={150}
                says={sideWords[side]}
              />
            ))}
          </View>
        </View>
        {photos.length > 0 && (
          <View style={{ flexDirection: 'row', gap: 8, marginTop: 8 }} wrap={false}>
            {photos.map(({ words: shows, bytes }, i) => (
              <View key={i} style={{ width: 128 }}>
                <Image
                  src={{ data: bytes, format: 'jpg' }}
                  style={{ height: 92, objectFit: 'cover', borderRadius: 4 }}
                />
                <Text style={[PDF_STYLES.soft, { fontSize: 8 }]}>{shows}</Text>
              </View>
            ))}
          </View>
        )}
        <Part heading={headings.care} colour={business.colour} lines={words('care')} />
        <Part heading={headings.did} colour={business.colour} lines={words('did')} />
        <Part heading={headings.home} colour={business.colour} lines={words('home')} />
        <Text style={PDF_STYLES.foot} fixed>
          {breakable(foot)}
        </Text>
      </Page>
    </Document>
  );
}
