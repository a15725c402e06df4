import { isOnEarth, readCoordinates, showCoordinates, type Coordinates } from '@dewpond/core/clients';
import type { DriveTable, RefillPlace, VanWays } from '@dewpond/core/route';
import { readTime } from '@dewpond/core/units';
import { fieldTime } from '../../../browser/times';
import { typedNumber } from '../../../forms/typedNumber';

/** What is typed of the van, as text. */
export interface TypedVan {
  readonly home: string;
  readonly leaves: string;
  readonly lunchFrom: string;
  readonly lunchTo: string;
  readonly lunch: string;
  readonly tank: string;
  readonly refills: string;
  readonly battery: string;
  readonly factor: string;
}

export const asTyped = ({ home, leaves, lunch, tank, refills, battery, roads }: VanWays): TypedVan => ({
  home: home ? showCoordinates(home) : '',
  leaves: fieldTime(leaves),
  lunchFrom: lunch ? fieldTime(lunch.between.from) : '',
  lunchTo: lunch ? fieldTime(lunch.between.to) : '',
  lunch: lunch ? String(lunch.minutes) : '',
  tank: tank === null ? '' : String(tank),
  refills: refills.map((each) => `${each.name}; ${showCoordinates(each.at)}; ${each.minutes}`).join('\n'),
  battery: battery === null ? '' : String(battery),
  factor: String(roads.factor),
});

/** "50.34, -4.11" as a place; null where it is none. */
function readPlace(text: string): Coordinates | null {
  const read = readCoordinates(text);
  return isOnEarth(read) ? read : null;
}

/** "Quay tap; 50.34, -4.11; 10", a line each; null where one is wrong. */
function readRefills(text: string): RefillPlace[] | null {
  const lines = text.split('\n').filter((line) => line.trim() !== '');
  const read = lines.map((line): RefillPlace | null => {
    const [name = '', where = '', minutes = '10'] = line.split(';').map((part) => part.trim());
    const at = readPlace(where);
    const taken = Number(minutes);
    return name !== '' && at && Number.isInteger(taken) && taken >= 1 && taken <= 120
      ? { name, at, minutes: taken }
      : null;
  });
  return read.every((each) => each !== null) ? read : null;
}

export type VanFaults = Partial<Record<keyof TypedVan, string>>;

/** The van as it was typed, or what is wrong with it, by field. */
export function readVan(typed: TypedVan, before: VanWays, table: DriveTable | null): VanWays | VanFaults {
  const faults: { -readonly [Field in keyof TypedVan]?: string } = {};
  const positive = (field: 'tank' | 'battery', most: number) => {
    if (typed[field] === '') return null;
    const value = typedNumber(typed[field]);
    if (!(value >= 1 && value <= most)) faults[field] = `A number from 1 to ${most}, or nothing.`;
    return value;
  };
  const home = typed.home === '' ? null : readPlace(typed.home);
  if (typed.home !== '' && home === null) faults.home = 'Latitude and longitude, like 50.34, -4.11.';
  const leaves = readTime(typed.leaves);
  if (leaves === null) faults.leaves = 'A time, like 8:00.';
  const hasLunch = typed.lunchFrom !== '' || typed.lunchTo !== '' || typed.lunch !== '';
  const [from, to, minutes] = [readTime(typed.lunchFrom), readTime(typed.lunchTo), typedNumber(typed.lunch)];
  if (hasLunch && (from === null || to === null || from > to))
    faults.lunchTo = 'Lunch begins between two times; leave all three empty for none.';
  if (hasLunch && !(Number.isInteger(minutes) && minutes >= 5 && minutes <= 180)) faults.lunch = '5 to 180 minutes.';
  const refills = readRefills(typed.refills);
  if (refills === null) faults.refills = 'A line each: name; latitude, longitude; minutes.';
  const factor = typedNumber(typed.factor);
  if (!(factor >= 1 && factor <= 5)) faults.factor = '1 to 5: kilometres of road for one as the crow flies.';
  const [tank, battery] = [positive('tank', 2000), positive('battery', 100_000)];
  if (Object.keys(faults).length > 0 || leaves === null || refills === null) return faults;
  return {
    ...before,
    home,
    leaves,
    lunch: hasLunch && from !== null && to !== null ? { between: { from, to }, minutes } : null,
    tank,
    refills,
    battery,
    roads: { ...before.roads, factor },
    table,
  };
}
