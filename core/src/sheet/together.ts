import { mirror, placeKey, samePlace, type Place } from '../places';
import { listed, type Wording } from '../wording';
import type { SheetLine, TogetherLine } from './sheet';

/** A sentence about one place, and how it is said of others. */
export interface PlacedLine extends SheetLine {
  readonly at?: {
    readonly place: Place;
    /** With which others it is told: its other side only, or any place of which the same is true. */
    readonly joins: 'its other side' | 'any';
    readonly say: (places: string, count: number) => string;
  };
}

/** A line without what only making the sheet wants of it. */
export const plain = ({ key, words }: SheetLine): SheetLine => ({ key, words });

/** Lines that say the same of several places, as one sentence each. */
export function together(lines: readonly PlacedLine[], wording: Wording): TogetherLine[] {
  const placed = lines.flatMap(({ key, at }) => (at ? [{ key, ...at, template: at.say('', 1) }] : []));
  const goWith = (a: (typeof placed)[number], b: (typeof placed)[number]) =>
    a.template === b.template && (a.joins === 'any' || a === b || samePlace(mirror(a.place), b.place));
  const told = new Set<string>();
  return placed.flatMap((first): TogetherLine[] => {
    const group = placed.filter((each) => !told.has(each.key) && goWith(first, each));
    const [, second] = group;
    if (told.has(first.key) || !second) return [];
    for (const { key } of group) told.add(key);
    const places = group.map(({ place }) => place);
    return [
      {
        key: `${first.key} and ${group.length === 2 ? placeKey(second.place) : `${group.length - 1} more`}`,
        words: ofBoth(first.say(listed(wording, places), places.length), wording),
        of: group.map(({ key }) => key),
      },
    ];
  });
}

/** English says "the left ear" and "both ears". */
const ofBoth = (words: string, { language }: Wording): string =>
  language.startsWith('en') ? words.replaceAll('the both ', 'both ').replaceAll('The both ', 'Both ') : words;
