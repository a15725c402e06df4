import type { CanalHair } from '@dewpond/core/catalogue';
import type { EarHairWork } from '@dewpond/core/dog';
import type { PlaceKey } from '@dewpond/core/places';
import type { Day } from '@dewpond/core/units';
import type { DogRows } from './dogRows';

/** What visits say of the hair of one ear, the newest word of each. */
export interface KeptEarHair {
  readonly hair: CanalHair | null;
  readonly pluckedOn: Day | null;
  readonly last: { readonly day: Day; readonly went: EarHairWork } | null;
}

type CareOfEar = Pick<
  DogRows['care'][number],
  'place' | 'hairSeen' | 'hairDid' | 'hairCame' | 'hairBorne' | 'hairLeft'
> & { readonly day: Day };

/** Of the care of a dog, the oldest first. */
export function keptEarHair(care: readonly CareOfEar[], place: PlaceKey): KeptEarHair {
  const rows = care.filter((row) => row.place === place);
  const last = rows.findLast((row) => row.hairCame !== null || row.hairBorne !== null || row.hairLeft !== null);
  return {
    hair: rows.findLast((row) => row.hairSeen !== null)?.hairSeen ?? null,
    pluckedOn: rows.findLast((row) => row.hairDid === 'plucked')?.day ?? null,
    last: last ? { day: last.day, went: { came: last.hairCame, borne: last.hairBorne, left: last.hairLeft } } : null,
  };
}
