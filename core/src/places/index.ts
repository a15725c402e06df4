/** Sides are the dog's own, everywhere. */
export type Side = 'left' | 'right';
export const SIDES = ['left', 'right'] as const satisfies readonly Side[];

/** Folds a groomer cares for. `pocket` is the deep one between eye and nose; like lips it has two sides. */
export const FOLD_SITES = ['nose', 'pocket', 'lip', 'brow', 'neck', 'tail', 'vulva'] as const;
export type FoldSite = (typeof FOLD_SITES)[number];

/** Whether a fold is looked at left and right apart, or as one. */
export const FOLD_IS_PAIRED: Readonly<Record<FoldSite, boolean>> = {
  nose: false,
  pocket: true,
  lip: true,
  brow: true,
  neck: false,
  tail: false,
  vulva: false,
};

export type Site = 'ear' | 'eye' | `fold ${FoldSite}` | 'body';
export const SITES: readonly Site[] = ['ear', 'eye', ...FOLD_SITES.map((fold): Site => `fold ${fold}`), 'body'];

/** A site and, where it has two, which one. */
export interface Place {
  readonly site: Site;
  readonly side: Side | 'none';
}

/** 0 clear, 1 slight, 2 plain, 3 bad. */
export type Grade = 0 | 1 | 2 | 3;
export const GRADES = [0, 1, 2, 3] as const satisfies readonly Grade[];
export const GRADE_WORDS = ['clear', 'slight', 'plain', 'bad'] as const;

export type PlaceKey = `${Site}/${Side | 'none'}`;

/** A stable text key for maps and tables: "ear/left", "fold nose/none". */
export const placeKey = (place: Place): PlaceKey => `${place.site}/${place.side}`;

/** The place a key names. Throws `RangeError` for text that is not one. */
export function placeOf(key: string): Place {
  const [site, side] = key.split('/');
  if (!SITES.includes(site as Site) || (side !== 'left' && side !== 'right' && side !== 'none')) {
    throw new RangeError(`"${key}" is not a place on a dog.`);
  }
  return { site: site as Site, side };
}

export const samePlace = (a: Place, b: Place): boolean => a.site === b.site && a.side === b.side;

export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left');

/** The same place on the other half of the dog; an unpaired place is its own mirror. */
export const mirror = (place: Place): Place =>
  place.side === 'none' ? place : { ...place, side: otherSide(place.side) };

/** "left ear", "nose fold", "right lip fold", "left pocket between eye and nose". */
export function namePlace(place: Place): string {
  const side = place.side === 'none' ? '' : `${place.side} `;
  if (place.site === 'fold pocket') return `${side}pocket between eye and nose`;
  if (place.site.startsWith('fold ')) return `${side}${place.site.slice(5)} fold`;
  return `${side}${place.site}`;
}

const bothSides = (site: Site): Place[] => SIDES.map((side) => ({ site, side }));

/** Every place this dog is looked over at: both ears, both eyes, and each fold it has. */
export function placesOf(folds: readonly FoldSite[]): Place[] {
  return [
    ...bothSides('ear'),
    ...bothSides('eye'),
    ...folds.flatMap((fold): Place[] =>
      FOLD_IS_PAIRED[fold] ? bothSides(`fold ${fold}`) : [{ site: `fold ${fold}`, side: 'none' }],
    ),
  ];
}
