import type { Span } from '../bookings';
import type { Coordinates } from '../clients';

export interface VanStop {
  readonly id: string;
  readonly name: string;
  readonly at: Coordinates;
  /** Minutes of work there. */
  readonly service: number;
  /** When the van may come, minutes from midnight; null: at any time. */
  readonly window: Span | null;
  /** Fresh water that its dogs take, l; as much goes into the waste tank. */
  readonly litres: number;
  /** What the dryer takes there, Wh. */
  readonly wattHours: number;
}

/** Where water is taken and waste let off. */
export interface RefillPlace {
  readonly name: string;
  readonly at: Coordinates;
  readonly minutes: number;
}

export interface Lunch {
  /** It begins between these, minutes from midnight. */
  readonly between: Span;
  readonly minutes: number;
}

/** A van's day: all that its order of stops depends on. */
export interface VanRound {
  readonly start: Coordinates;
  readonly end: Coordinates;
  /** When it leaves, minutes from midnight. */
  readonly leaves: number;
  readonly stops: readonly VanStop[];
  readonly lunch: Lunch | null;
  /** What both tanks hold, l: the smaller of the two counts. Null: water is of no account. */
  readonly tank: number | null;
  readonly refills: readonly RefillPlace[];
}

/** Drives between places of a round: place 0 is the start, 1 the end, then the stops, then where water is taken. */
export interface Driving {
  /** Minutes of a drive that is begun at a minute of the day. Whoever leaves later never arrives sooner. */
  readonly minutes: (from: number, to: number, leaving: number) => number;
  /** No drive between the two takes less, whenever it is begun. */
  readonly least: (from: number, to: number) => number;
}

export const START = 0;
export const END = 1;
export const FIRST_STOP = 2;

/** Places of a round by their number. */
export const placesOfRound = ({ start, end, stops, refills }: VanRound): readonly Coordinates[] => [
  start,
  end,
  ...stops.map(({ at }) => at),
  ...refills.map(({ at }) => at),
];

/** What a minute costs [house values]: a minute later home is 1. */
export interface RoundCosts {
  readonly driving: number;
  /** Past a window, or past the time of lunch. */
  readonly late: number;
}
export const ROUND_COSTS: RoundCosts = { driving: 1, late: 5 };

/** A thing that is done on a round, minutes from midnight. */
export type RoundStep =
  | {
      readonly kind: 'stop';
      readonly stop: number;
      readonly arrives: number;
      readonly begins: number;
      readonly ends: number;
    }
  | { readonly kind: 'refill'; readonly place: number; readonly arrives: number; readonly ends: number }
  | { readonly kind: 'lunch'; readonly begins: number; readonly ends: number };

export interface PlannedRound {
  /** Places in `VanRound.stops`. */
  readonly order: readonly number[];
  readonly steps: readonly RoundStep[];
  readonly home: number;
  /** Minutes at the wheel. */
  readonly driving: number;
  /** Minutes past windows, all together. */
  readonly late: number;
  /** Stops whose water is more than the tank holds. */
  readonly tooMuchWater: readonly number[];
  readonly cost: number;
}
