import type { Coordinates } from '../clients';
import { placesOfRound, type Driving, type VanRound } from './round';

/** Mean radius of the Earth, km (IUGG 1980, value from memory). */
const EARTH = 6371.0088;
const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** Great-circle distance, km: the haversine formula on a sphere (Sinnott 1984), within 0.6 % of an ellipsoid. */
export function greatCircle(a: Coordinates, b: Coordinates): number {
  const [lat1, lat2] = [radians(a.latitude), radians(b.latitude)];
  const h =
    Math.sin((lat2 - lat1) / 2) ** 2 +
    Math.cos(lat1) * Math.cos(lat2) * Math.sin(radians(b.longitude - a.longitude) / 2) ** 2;
  return 2 * EARTH * Math.asin(Math.min(1, Math.sqrt(h)));
}

/** How a van gets about where nobody knows the roads [house values]. */
export interface RoadWays {
  /** Kilometres of road for one as the crow flies. */
  readonly factor: number;
  /** Kilometres an hour, for each hour of the day. */
  readonly speeds: readonly number[];
}

const isRush = (hour: number): boolean => (hour >= 7 && hour < 9) || (hour >= 16 && hour < 18);
export const USUAL_ROADS: RoadWays = {
  factor: 1.35,
  speeds: Array.from({ length: 24 }, (_, hour) => (isRush(hour) ? 30 : 40)),
};

/**
 * Driving by great circle × road factor ÷ speed, hour by hour: a drive that begins in the rush goes on at the speed of the
 * hour after it, so that leaving later never arrives sooner. Throws `RangeError` where a speed is not above zero.
 */
export function drivingByRoad(round: VanRound, { factor, speeds }: RoadWays = USUAL_ROADS): Driving {
  if (speeds.length !== 24 || !speeds.every((speed) => speed > 0))
    throw new RangeError('Give a speed above zero for each of the 24 hours.');
  const places = placesOfRound(round);
  const km = places.map((a) => places.map((b) => factor * greatCircle(a, b)));
  const fastest = Math.max(...speeds) / 60;
  const minutes = (from: number, to: number, leaving: number): number => {
    let left = km[from]![to]!;
    let at = leaving;
    while (left > 1e-9) {
      const speed = speeds[Math.floor(at / 60) % 24]! / 60;
      const here = Math.min(left, (60 - (at % 60)) * speed);
      at += here / speed;
      left -= here;
    }
    return at - leaving;
  };
  return { minutes, least: (from, to) => km[from]![to]! / fastest };
}

/** Driving by a table of minutes, the same all day. */
export function drivingByTable(table: readonly (readonly number[])[]): Driving {
  const least = (from: number, to: number): number => table[from]![to]!;
  return { minutes: least, least };
}
