import { describe, expect, test } from 'vitest';
import { drivingByRoad, geoJsonOf, geoLink, gpxOf, planRound, readMatrix } from '.';
import { randomRound } from './tests/rounds';

describe('a table of driving times', () => {
  test('is read with commas, semicolons or tabs, and with the commas of half of Europe', () => {
    const read = {
      names: ['Quay', 'Mill'],
      minutes: [
        [0, 7.5],
        [8, 0],
      ],
    };
    expect(readMatrix('from,Quay,Mill\nQuay,0,7.5\nMill,8,')).toEqual(read);
    expect(readMatrix('von;Quay;Mill\r\nQuay;;7,5\r\nMill;8;0\r\n')).toEqual(read);
    expect(readMatrix('\tQuay\tMill\nQuay\t0\t7.5\nMill\t8\t0')).toEqual(read);
  });

  test.each([
    ['nothing', '', /first row holds the names/],
    ['a hole', 'a,Quay,Mill\nQuay,0,\nMill,8,0', /From “Quay” to “Mill” is not filled in/],
    ['a negative time', 'a,Quay,Mill\nQuay,0,-3\nMill,8,0', /takes less than no time/],
    ['words', 'a,Quay,Mill\nQuay,0,far\nMill,8,0', /stands “far”: minutes/],
    ['longer than a day', 'a,Quay,Mill\nQuay,0,2000\nMill,8,0', /longer than a day/],
    ['a row too few', 'a,Quay,Mill\nQuay,0,3', /2 columns of places and 1 rows/],
    ['another order', 'a,Quay,Mill\nMill,0,3\nQuay,8,0', /the same order/],
    ['a name twice', 'a,Quay,Quay\nQuay,0,3\nQuay,8,0', /stands there twice/],
    ['no name', 'a,Quay,\nQuay,0,3\n,8,0', /has no name/],
  ])('with %s is explained', (_, text, trouble) => {
    expect(readMatrix(text)).toEqual({ trouble: expect.stringMatching(trouble) });
  });
});

describe('a round for other programs', () => {
  const round = randomRound({ stops: 3, seed: 3 });
  const planned = planRound(round, drivingByRoad(round));

  test('as GPX: every place in order, names made safe', () => {
    const named = {
      ...round,
      stops: round.stops.map((stop, i) => (i === 0 ? { ...stop, name: 'Reed & <Sons>' } : stop)),
    };
    const gpx = gpxOf('Tuesday', named, planned);
    expect(gpx).toContain('<name>Reed &amp; &lt;Sons&gt;</name>');
    expect(gpx.match(/<rtept /g)).toHaveLength(5);
    expect(gpx.startsWith('<?xml version="1.0" encoding="UTF-8"?>\n<gpx version="1.1" creator="Dewpond"')).toBe(true);
  });

  test('as GeoJSON: longitude first (RFC 7946), and the line through all of it', () => {
    const { features } = geoJsonOf(round, planned) as {
      features: { geometry: { type: string; coordinates: unknown[] } }[];
    };
    expect(features[0]?.geometry.coordinates).toEqual([round.start.longitude, round.start.latitude]);
    expect(features.at(-1)?.geometry).toMatchObject({ type: 'LineString' });
    expect(features.at(-1)?.geometry.coordinates).toHaveLength(5);
  });

  test('as a place for whatever map the device has (RFC 5870)', () => {
    expect(geoLink({ latitude: 51.5, longitude: -9.123_456_7 })).toBe('geo:51.500000,-9.123457');
  });
});
