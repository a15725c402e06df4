import { readTime, showTime } from '../units';
import { SALON, weekTrouble, type WorkSpan } from './hours';

/**
 * A day's work as one types it: "9-12:30, 13:15-17", with where it is, if not at the salon: "9-16 islets". Empty: a day off.
 * Null where it is none, or ends before it begins.
 * @example
 * readWork('9-12:30, 1:15pm-5pm') // [{ from: 540, to: 750, where: 'salon' }, { from: 795, to: 1020, where: 'salon' }]
 */
export function readWork(typed: string): WorkSpan[] | null {
  // "9-12 and 1-5" are two; "9-16 farms and islets" is one.
  const pieces = typed.split(/[,;]|\band\b(?=\s*\d)/).filter((piece) => piece.trim() !== '');
  const spans = pieces.map(readPiece);
  if (!spans.every((span) => span !== null)) return null;
  const day = spans.toSorted((a, b) => a.from - b.from);
  return weekTrouble([day, [], [], [], [], [], []]) === null ? day : null;
}

function readPiece(piece: string): WorkSpan | null {
  const [start = '', end = '', more] = piece.trim().split(/\s*(?:-|–|\bto\b)\s*/);
  const from = readTime(start);
  const words = end.split(/\s+/);
  // "5 pm islets": as many words as make a time, the rest says where.
  for (let count = words.length; count > 0 && from !== null && more === undefined; count--) {
    const to = readTime(words.slice(0, count).join(' '));
    if (to === null) continue;
    return { from, to, where: words.slice(count).join(' ') || SALON };
  }
  return null;
}

/** "9:00–12:30, 13:15–17:00 islets"; a day off is empty. */
export const showWork = (spans: readonly WorkSpan[], twelve: boolean): string =>
  spans
    .map(
      ({ from, to, where }) => `${showTime(from, twelve)}–${showTime(to, twelve)}${where === SALON ? '' : ` ${where}`}`,
    )
    .join(', ');
