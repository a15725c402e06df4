import type { Coordinates } from '../clients';
import { surfaceArea } from '../dilution';
import { writeCsv } from '../importing';
import { kilograms } from '../units';
import { USUAL_ROADS, drivingByRoad, drivingByTable, greatCircle, type RoadWays } from './driving';
import {
  FIRST_STOP,
  placesOfRound,
  type Driving,
  type Lunch,
  type RefillPlace,
  type VanRound,
  type VanStop,
} from './round';

/** Driving times by name, as they were read from a file. */
export interface DriveTable {
  readonly names: readonly string[];
  /** Minutes from each to each. */
  readonly minutes: readonly (readonly number[])[];
}

/** How a business's van works. */
export interface VanWays {
  /** Where it starts and comes home to; null until it is said. */
  readonly home: Coordinates | null;
  /** Minutes from midnight. */
  readonly leaves: number;
  readonly lunch: Lunch | null;
  /** What the smaller of the two tanks holds, l; null: water comes from the house. */
  readonly tank: number | null;
  readonly refills: readonly RefillPlace[];
  readonly roads: RoadWays;
  readonly table: DriveTable | null;
  /** What the battery gives the dryer, Wh; null: the dryer is plugged in. */
  readonly battery: number | null;
}

/** Until it is said [house values]. */
export const USUAL_VAN: VanWays = {
  home: null,
  leaves: 8 * 60,
  lunch: { between: { from: 12 * 60, to: 13 * 60 + 30 }, minutes: 30 },
  tank: null,
  refills: [],
  roads: USUAL_ROADS,
  table: null,
  battery: null,
};

/** Minutes of driving to a stop and on, where nobody can say: as a desk books them [house value]. */
const DRIVE_TO_A_STOP = 20;
/** The hour by which driving is judged before the round is known. */
const MID_MORNING = 10;

/**
 * Minutes of driving that a stop costs, before anybody knows what lies before and after it: from home to it by road.
 */
export function driveToStop({ home, roads }: Pick<VanWays, 'home' | 'roads'>, at: Coordinates | null): number {
  const speed = roads.speeds[MID_MORNING] ?? 0;
  if (home === null || at === null || !(speed > 0)) return DRIVE_TO_A_STOP;
  return (60 * roads.factor * greatCircle(home, at)) / speed;
}

/** The start and the end in a table of driving times. */
export const HOME = 'Home';
/** Rinse water for a square metre of dog, l, and what a dryer takes, W [house values]. */
const LITRES_PER_SQUARE_METRE = 30;
const DRYER_WATTS = 1500;
/** Share of a visit with the dryer on [house value]. */
const DRYING = 0.25;

/** What a dog's bath takes of the tank, l. */
export const waterFor = (weightKg: number): number =>
  Math.ceil(LITRES_PER_SQUARE_METRE * surfaceArea(kilograms(weightKg)));
/** What its drying takes of the battery, Wh. */
export const dryerFor = (minutes: number): number => Math.round(((DRYING * minutes) / 60) * DRYER_WATTS);

/** A day's round of a van; null while nobody has said where it starts. */
export function roundOf({ home, leaves, lunch, tank, refills }: VanWays, stops: readonly VanStop[]): VanRound | null {
  return home && { start: home, end: home, leaves, stops, lunch, tank, refills };
}

/** Drives by the table where it knows every place of the round, else by the built-in roads. */
export function drivingFor(
  { table, roads }: VanWays,
  round: VanRound,
): { readonly driving: Driving; readonly missing: readonly string[] } {
  if (table === null) return { driving: drivingByRoad(round, roads), missing: [] };
  const names = [HOME, HOME, ...round.stops.map(({ name }) => name), ...round.refills.map(({ name }) => name)];
  const missing = [...new Set(names)].filter((name) => !table.names.includes(name));
  if (missing.length > 0) return { driving: drivingByRoad(round, roads), missing };
  const rows = names.map((name) => table.names.indexOf(name));
  return { driving: drivingByTable(rows.map((a) => rows.map((b) => table.minutes[a]![b]!))), missing: [] };
}

/** The stop before which the battery is empty, as its place in the order; null where it lasts. */
export function batteryEndsBefore(
  stops: readonly VanStop[],
  order: readonly number[],
  battery: number | null,
): number | null {
  if (battery === null) return null;
  let used = 0;
  for (const [i, stop] of order.entries()) {
    used += stops[stop]!.wattHours;
    if (used > battery) return i;
  }
  return null;
}

/** A table to be filled in: every place of a round, whole minutes of the built-in roads where they stand. */
export function tableToFill(round: VanRound, driving: Driving): string {
  const places = placesOfRound(round);
  const names = [HOME, ...round.stops.map(({ name }) => name), ...round.refills.map(({ name }) => name)];
  const numbers = [0, ...Array.from({ length: places.length - FIRST_STOP }, (_, i) => FIRST_STOP + i)];
  const row = (a: number) => numbers.map((b) => (a === b ? 0 : Math.round(driving.minutes(a, b, 10 * 60))));
  return writeCsv(
    ['minutes', ...names],
    numbers.map((a, i) => [names[i]!, ...row(a)]),
  );
}

/** A table without some of its places; null where none is left, or there was none. */
export function withoutPlaces(table: DriveTable | null, gone: readonly string[]): DriveTable | null {
  if (table === null) return null;
  const kept = [...table.names.keys()].filter((i) => !gone.includes(table.names[i]!));
  if (kept.length === 0) return null;
  return {
    names: kept.map((i) => table.names[i]!),
    minutes: kept.map((i) => kept.map((j) => table.minutes[i]![j]!)),
  };
}
