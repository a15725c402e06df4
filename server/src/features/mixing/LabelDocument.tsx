import { Document, Page, StyleSheet, Text, View } from '@react-pdf/renderer';
import { SHEET_FONTS, breakable } from '../../platform/pdf/fonts';
import type { BottleLabel } from './labelsPdf';

const MM = 72 / 25.4;
/** A roll of 62 mm, cut at 44 mm. */
export const LABEL_SIZE = { width: 62 * MM, height: 44 * MM } as const;

const styles = StyleSheet.create({
  page: { fontFamily: SHEET_FONTS, fontSize: 8.5, color: '#000', padding: 2.5 * MM, lineHeight: 1.15 },
  product: { fontSize: 11, fontWeight: 700, maxLines: 2, textOverflow: 'ellipsis' },
  ratio: { fontSize: 20, fontWeight: 700, lineHeight: 1.1 },
  row: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'flex-end' },
  dog: {
    borderWidth: 1.2,
    borderColor: '#000',
    paddingHorizontal: 4,
    paddingVertical: 1.5,
    fontWeight: 700,
    fontSize: 10,
    maxLines: 1,
    textOverflow: 'ellipsis',
  },
  strong: { fontWeight: 700 },
  foot: { position: 'absolute', left: 2.5 * MM, right: 2.5 * MM, bottom: 2 * MM, fontSize: 7.5 },
});

/** Labels for bottles, one a page of the roll; black on white, as a thermal printer prints. */
export function LabelDocument({ labels, business }: { labels: readonly BottleLabel[]; business: string }) {
  return (
    <Document title={`${business}: bottle labels`} author={business} language="en-GB">
      {labels.map((label, i) => (
        <Page key={`${label.bottle} ${i}`} size={[LABEL_SIZE.width, LABEL_SIZE.height]} style={styles.page}>
          <Text style={styles.product}>{breakable(label.product)}</Text>
          <View style={styles.row}>
            <Text style={styles.ratio}>{label.ratio}</Text>
            <Text>{breakable(label.bottle)}</Text>
          </View>
          {label.dog !== null && <Text style={styles.dog}>{`ONLY FOR ${breakable(label.dog)}`}</Text>}
          <Text style={{ marginTop: 2 }}>{`Mixed ${label.mixed}`}</Text>
          <Text style={styles.strong}>{`Discard by ${label.discard}`}</Text>
          <Text style={styles.foot}>{label.hazard}</Text>
        </Page>
      ))}
    </Document>
  );
}
