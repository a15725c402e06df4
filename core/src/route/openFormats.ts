import type { Coordinates } from '../clients';
import type { PlannedRound, VanRound } from './round';

const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&apos;',
};
const escaped = (words: string): string => words.replaceAll(/[&<>"']/g, (sign) => ESCAPES[sign]!);
const degrees = (value: number): string => value.toFixed(6);

/** Places of a round in the order they are come to, with their names; home at both ends. */
export function placesInOrder(
  round: VanRound,
  { steps }: PlannedRound,
): { readonly name: string; readonly at: Coordinates }[] {
  const between = steps.flatMap((step) => {
    if (step.kind === 'lunch') return [];
    const { name, at } = step.kind === 'stop' ? round.stops[step.stop]! : round.refills[step.place]!;
    return [{ name, at }];
  });
  return [{ name: 'Start', at: round.start }, ...between, { name: 'Home', at: round.end }];
}

/** The round as a route for a navigator: GPX 1.1. */
export function gpxOf(name: string, round: VanRound, planned: PlannedRound): string {
  const points = placesInOrder(round, planned).map(
    (each) =>
      `    <rtept lat="${degrees(each.at.latitude)}" lon="${degrees(each.at.longitude)}"><name>${escaped(each.name)}</name></rtept>`,
  );
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<gpx version="1.1" creator="Dewpond" xmlns="http://www.topografix.com/GPX/1/1">',
    '  <rte>',
    `    <name>${escaped(name)}</name>`,
    ...points,
    '  </rte>',
    '</gpx>',
    '',
  ].join('\n');
}

/** The round as GeoJSON (RFC 7946): its stops as points in order, and the line between them; longitude comes first. */
export function geoJsonOf(round: VanRound, planned: PlannedRound): object {
  const places = placesInOrder(round, planned);
  const coordinates = ({ at }: { readonly at: Coordinates }): number[] => [at.longitude, at.latitude];
  return {
    type: 'FeatureCollection',
    features: [
      ...places.map((each, order) => ({
        type: 'Feature',
        geometry: { type: 'Point', coordinates: coordinates(each) },
        properties: { name: each.name, order },
      })),
      {
        type: 'Feature',
        geometry: { type: 'LineString', coordinates: places.map(coordinates) },
        properties: { name: 'as the crow flies' },
      },
    ],
  };
}

/** A place for whatever map the device has (RFC 5870). */
export const geoLink = ({ latitude, longitude }: Coordinates): string =>
  `geo:${degrees(latitude)},${degrees(longitude)}`;
