import type { SheetView } from '@dewpond/contract';
import { GRADE_WORDS, type Grade } from '@dewpond/core/places';
import { clearWords } from '@dewpond/core/sheet';
import { showDay } from '@dewpond/core/units';
import { Circle, Document, Page, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import { SHEET_FONTS, breakable } from './fonts';

const INK = '#1B2928';
const SOFT = '#5A6765';
const POND = '#125B60';
const GRADE_COLOURS = ['#5B7A2E', '#125B60', '#9A6410', '#A13F25'] as const;

const styles = StyleSheet.create({
  page: { fontFamily: SHEET_FONTS, fontSize: 10, color: INK, padding: 40, paddingBottom: 64, lineHeight: 1.4 },
  business: { color: POND, fontWeight: 700, fontSize: 11 },
  title: { fontSize: 22, fontWeight: 700, lineHeight: 1.3, marginTop: 4 },
  soft: { color: SOFT },
  part: { marginTop: 12 },
  heading: { fontSize: 13, fontWeight: 700, lineHeight: 1.3, color: POND, marginBottom: 4 },
  row: { flexDirection: 'row', alignItems: 'center', marginBottom: 1 },
  foot: { position: 'absolute', bottom: 28, left: 40, right: 40, fontSize: 8.5, color: SOFT },
});

/** A dot is clear; one, two, three rings are slight, plain, bad. */
function Ripple({ grade }: { grade: Grade }) {
  const colour = GRADE_COLOURS[grade];
  return (
    <Svg width={22} height={22} viewBox="-11 -11 22 22" style={{ marginRight: 6 }}>
      <Circle cx={0} cy={0} r={2.2} fill={colour} />
      {[1, 2, 3]
        .filter((ring) => ring <= grade)
        .map((ring) => (
          <Circle key={ring} cx={0} cy={0} r={2.2 + ring * 2.6} fill="none" stroke={colour} strokeWidth={1.2} />
        ))}
    </Svg>
  );
}

function Part({ heading, lines }: { heading: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <View style={styles.part}>
      <Text style={styles.heading}>{heading}</Text>
      {lines.map((line) => (
        <Text key={line} style={{ marginBottom: 2 }}>
          {breakable(line)}
        </Text>
      ))}
    </View>
  );
}

/** The owner sheet on one page of A4: what we saw, did, suggest. */
export function SheetDocument({ view }: { view: SheetView }) {
  const { sheet } = view;
  const clear = clearWords(sheet.saw);
  const rows = [...sheet.saw.filter(({ grade }) => grade > 0), ...(clear ? [{ grade: 0 as const, words: clear }] : [])];
  const title = `${sheet.dog}, ${showDay(sheet.day)}`;
  return (
    <Document title={`${view.business}: ${title}`} author={view.business} language="en-GB">
      <Page size="A4" style={styles.page}>
        <Text style={styles.business}>{breakable(view.business)}</Text>
        <Text style={styles.title}>{breakable(title)}</Text>
        <Text style={styles.soft}>{breakable(`For ${view.owner}`)}</Text>
        <View style={styles.part}>
          <Text style={styles.heading}>What we saw</Text>
          {rows.map(({ grade, words }) => (
            <View key={words} style={styles.row} wrap={false}>
              <Ripple grade={grade} />
              <Text style={{ flex: 1 }}>{breakable(words)}</Text>
            </View>
          ))}
        </View>
        <Part heading="What we did" lines={sheet.did} />
        <Part heading="What we suggest" lines={[...sheet.suggest, sheet.next]} />
        <Part heading="At home" lines={sheet.homeCare.map(({ words }) => words)} />
        <Text style={styles.foot} fixed>
          {`A dot is clear; one, two, three rings are ${GRADE_WORDS.slice(1).join(', ')}. Left and right are the dog's own. This is what a groomer saw from the outside; only a vet can say what it means.`}
        </Text>
      </Page>
    </Document>
  );
}
