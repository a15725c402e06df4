import { Document, Page, StyleSheet, Text, View } from '@react-pdf/renderer';
import { SHEET_FONTS, breakable } from '../../platform/pdf/fonts';
import type { HomeLabelGiven } from './homeLabelPdf';

const MM = 72 / 25.4;
/** A roll of 62 mm, cut longer than the salon's own: an owner reads it without having learned the trade. */
export const HOME_LABEL_SIZE = { width: 62 * MM, height: 62 * MM } as const;

const styles = StyleSheet.create({
  page: { fontFamily: SHEET_FONTS, fontSize: 8.5, color: '#000', padding: 2.5 * MM, lineHeight: 1.2 },
  product: { fontSize: 11, fontWeight: 700, maxLines: 2, textOverflow: 'ellipsis' },
  dog: {
    borderWidth: 1.2,
    borderColor: '#000',
    paddingHorizontal: 4,
    paddingVertical: 1.5,
    marginVertical: 2,
    fontWeight: 700,
    fontSize: 10,
    maxLines: 1,
    textOverflow: 'ellipsis',
  },
  line: { marginTop: 1.5 },
  foot: { position: 'absolute', left: 2.5 * MM, right: 2.5 * MM, bottom: 2 * MM, fontSize: 7 },
});

/** The label of a bottle of concentrate for an owner; black on white, as a thermal printer prints. */
export function HomeLabelDocument({ label, business, phone, language }: HomeLabelGiven) {
  const from = phone === '' ? business : `${business}, ${phone}`;
  return (
    <Document title={`${label.product}: ${label.dog}`} author={business} language={language}>
      <Page size={[HOME_LABEL_SIZE.width, HOME_LABEL_SIZE.height]} style={styles.page}>
        <Text style={styles.product}>{breakable(label.product)}</Text>
        <Text style={styles.dog}>{breakable(label.dog)}</Text>
        {label.lines.map((line, i) => (
          <Text key={line} style={i === 0 ? { ...styles.line, fontWeight: 700 } : styles.line}>
            {breakable(line)}
          </Text>
        ))}
        <View style={styles.foot}>
          <Text>{label.hazard}</Text>
          <Text style={{ fontWeight: 700 }}>{breakable(from)}</Text>
        </View>
      </Page>
    </Document>
  );
}
