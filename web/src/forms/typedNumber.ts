/** A number as typed, with a comma or a point; NaN while there is none, so that a schema refuses it at its field. */
export const typedNumber = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')));
