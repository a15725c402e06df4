import type { Coordinates } from './card';

/** "50.3402, -4.1099" as one types it, or as a map gives it; not a number where it is none. */
export function readCoordinates(text: string): Coordinates {
  const [latitude = '', longitude = '', more] = text
    .replaceAll('−', '-')
    .trim()
    .split(/[,;\s]+/);
  const read = (part: string): number => (part === '' || more !== undefined ? Number.NaN : Number(part));
  return { latitude: read(latitude), longitude: read(longitude) };
}

/** The same as it is shown, and typed again. */
export const showCoordinates = ({ latitude, longitude }: Coordinates): string => `${latitude}, ${longitude}`;

/** Whether it is a place on the earth. */
export const isOnEarth = ({ latitude, longitude }: Coordinates): boolean =>
  Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180;
