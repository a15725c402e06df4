import type { EarlierPhoto } from '@dewpond/contract';
import type { PlaceKey } from '@dewpond/core/places';
import type { Day } from '@dewpond/core/units';
import { group } from 'd3-array';
import type { DogRows } from './dogRows';

type PhotoOfVisit = DogRows['photos'][number] & { readonly day: Day };

/**
 * The picture of each place to hold today's beside: of the newest visit that has one, the first, as the place was found
 * (ids are UUID v7: in order of time). Of the whole dog the last, as it went home.
 */
export const toHoldBeside = (rows: readonly PhotoOfVisit[]): EarlierPhoto[] =>
  [...group(rows, ({ place }) => place)].flatMap(([place, its]) => {
    const newest = its.at(-1)?.visitId;
    const ofVisit = its
      .filter(({ visitId }) => visitId === newest)
      .toSorted((a, b) => (a.photoId < b.photoId ? -1 : 1))
      .at(place === 'body/none' ? -1 : 0);
    return ofVisit === undefined
      ? []
      : [
          {
            ...{ photo: ofVisit.photoId, place: place as PlaceKey, sign: ofVisit.sign, day: ofVisit.day },
            colour: ofVisit.colour,
          },
        ];
  });
