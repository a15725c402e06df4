/**
 * A number with what is counted, in English.
 * @example
 * counted(1, 'stroke') // '1 stroke'
 * counted(4, 'stroke') // '4 strokes'
 */
export const counted = (count: number, one: string): string => `${count} ${count === 1 ? one : `${one}s`}`;
