import type { BusinessProfile } from '@dewpond/contract';
import type { Grade } from '@dewpond/core/places';
import { Circle, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import { SHEET_FONTS, breakable } from './fonts';

export const INK = '#1B2928';
export const SOFT = '#5A6765';
/** Dot and rings in ink that also reads in grey: the number of rings says the grade, the colour only helps. */
const GRADE_COLOURS = ['#5B7A2E', '#125B60', '#9A6410', '#A13F25'] as const;

/** What all paper of a business has in common. */
export const PDF_STYLES = StyleSheet.create({
  page: { fontFamily: SHEET_FONTS, fontSize: 10, color: INK, padding: 36, paddingBottom: 56, lineHeight: 1.35 },
  title: { fontSize: 21, fontWeight: 700, lineHeight: 1.25, marginTop: 3 },
  soft: { color: SOFT },
  presses: { color: GRADE_COLOURS[3], fontWeight: 700, marginTop: 4 },
  part: { marginTop: 10 },
  heading: { fontSize: 12.5, fontWeight: 700, lineHeight: 1.3, marginBottom: 3 },
  row: { flexDirection: 'row', alignItems: 'center', marginBottom: 1 },
  foot: { position: 'absolute', bottom: 24, left: 36, right: 36, fontSize: 8, color: SOFT },
});

/** Centre and rings of a mark, about the origin of the drawing it is in. */
export function Rings({ grade, step }: { grade: Grade; step: number }) {
  const colour = GRADE_COLOURS[grade];
  return (
    <>
      <Circle cx={0} cy={0} r={step * 0.85} fill={colour} />
      {[1, 2, 3]
        .filter((ring) => ring <= grade)
        .map((ring) => (
          <Circle
            key={ring}
            cx={0}
            cy={0}
            r={step * (0.85 + ring)}
            fill="none"
            stroke={colour}
            strokeWidth={step * 0.45}
          />
        ))}
    </>
  );
}

/** A dot is clear; one, two, three rings are slight, plain, bad. */
export function Ripple({ grade }: { grade: Grade }) {
  return (
    <Svg width={20} height={20} viewBox="-11 -11 22 22" style={{ marginRight: 6 }}>
      <Rings grade={grade} step={2.6} />
    </Svg>
  );
}

/** The business at the head of a page, in its colour, with how to reach it. */
export function Head({ business }: { business: BusinessProfile }) {
  const reach = [business.phone, business.email].filter((each) => each !== '').join('   ');
  return (
    <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
      <Text style={{ color: business.colour, fontWeight: 700, fontSize: 11 }}>{breakable(business.name)}</Text>
      <Text style={{ color: SOFT, fontSize: 9 }}>{breakable(reach)}</Text>
    </View>
  );
}

export function Part({ heading, colour, lines }: { heading: string; colour: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <View style={PDF_STYLES.part}>
      <Text style={[PDF_STYLES.heading, { color: colour }]}>{heading}</Text>
      {lines.map((line, i) => (
        <Text key={i} style={{ marginBottom: 1.5 }}>
          {breakable(line)}
        </Text>
      ))}
    </View>
  );
}
