import { COLOURED, FIGURES, type ColourReading, type Lab, type MeasuredColour } from '@dewpond/core/colour';

/** "38 ± 3" */
export const sayFigure = ({ lab, plusMinus }: MeasuredColour, figure: keyof Lab): string =>
  `${Math.round(lab[figure])} ± ${Math.max(1, Math.round(plusMinus[figure]))}`;

/** The figure that counts first: "redness a* 18 ± 3" */
export function sayReading(reading: ColourReading): string {
  const [figure] = COLOURED[reading.of].counts;
  return figure === undefined ? '' : `${FIGURES[figure].name} ${FIGURES[figure].letter} ${sayFigure(reading, figure)}`;
}
