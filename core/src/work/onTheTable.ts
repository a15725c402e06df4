import { FEET, SIDES, namePlace, placeKey, placesOf, BODY_PLACES, type Place, type Side } from '../places';
import { foldSites } from '../catalogue';
import { COAT, HEAD, MOUTH, NAILS, PAWS, REAR, just } from './bodyParts';
import { waysFor, type DogAtWork } from './dogAtWork';
import type { EarDepth } from './earDepth';
import { touching, type Piece } from './touch';

const at = (what: string, place: Place): string => `${what} ${placeKey(place)}`;
const ear = (side: Side): Place => ({ site: 'ear', side });
const eye = (side: Side): Place => ({ site: 'eye', side });

/** The whole dog, before anything is cut or wet. */
export const lookOver = ({ traits }: DogAtWork): Piece[] => [
  {
    id: 'look over',
    name: 'every place',
    task: 'ear inspection',
    touches: touching([...placesOf(foldSites(traits)), ...BODY_PLACES], ['look']),
  },
];

/** Face, feet and rear: six pieces of work, not one. The caller takes those that this dog's plan asks for. */
export const firstClip = (): readonly Piece[] => FIRST_CLIP;
const FIRST_CLIP: readonly Piece[] = [
  { id: 'face hair', name: 'face', task: null, touches: touching(just(HEAD), ['clip', 'trim']) },
  ...SIDES.map((side) => ({
    id: at('eye corner', eye(side)),
    name: `${side} eye corner`,
    task: 'eye corners' as const,
    touches: touching(just(eye(side)), ['clip', 'trim']),
  })),
  ...SIDES.map((side) => ({
    id: at('flap inside', ear(side)),
    name: `inside of the ${side} flap`,
    task: 'ear flaps' as const,
    touches: touching(just(ear(side)), ['clip']),
  })),
  { id: 'feet', name: 'feet', task: 'pads', touches: touching(PAWS, ['clip', 'trim']) },
  { id: 'rear', name: 'rear', task: 'rear', touches: touching(just(REAR), ['clip', 'trim']) },
];

/** Hair out of one ear, or trimmed at its opening. */
export function earHair(dog: DogAtWork, side: Side, way: 'whole' | 'staged' | 'trim'): Piece[] {
  const task = 'ear hair';
  if (way === 'trim')
    return [
      {
        id: at('ear hair trim', ear(side)),
        name: 'what sticks out',
        task,
        touches: touching(just(ear(side)), ['trim']),
      },
    ];
  const withPowder = dog.ways.pluckWith.endsWith('powder');
  return [
    ...(withPowder
      ? [
          {
            id: at('ear powder', ear(side)),
            name: 'powder for grip',
            task,
            touches: touching(just(ear(side)), ['fill'], 'powder'),
            needsProduct: true,
          } as const,
        ]
      : []),
    { id: at('ear hair out', ear(side)), name: 'tufts', task, touches: touching(just(ear(side)), ['pluck']) },
  ];
}

/** Cleaning one ear, as deep as the look asks for: dry debris, cleaner, massage, pads; the business says which first. */
export function earCleaning(dog: DogAtWork, side: Side, depth: EarDepth = waysFor(dog).earCleaning): Piece[] {
  const ways = waysFor(dog);
  const place = ear(side);
  const task = 'ear cleaning';
  if (dog.outerEarOnly)
    return [{ id: at('outer flap', place), name: 'outer flap', task, touches: touching(just(place), ['towel']) }];
  const debris: Piece = {
    id: at('dry debris', place),
    name: 'loose dry debris',
    task,
    touches: touching(just(place), ['clean']),
  };
  if (depth === 'wipe')
    return [{ id: at('ear pads', place), name: 'dry wipe', task, touches: touching(just(place), ['clean']) }];
  if (depth === 'damp pad only')
    return [
      debris,
      { id: at('ear pads', place), name: 'pads', task, touches: touching(just(place), ['clean'], 'ear cleaner') },
    ];
  const liquid: Piece = {
    id: at('ear cleaner', place),
    name: 'cleaner and massage',
    task,
    touches: [...touching(just(place), ['fill'], 'ear cleaner'), ...touching(just(place), ['massage'])],
    needsProduct: true,
  };
  const pads: Piece = { id: at('ear pads', place), name: 'pads', task, touches: touching(just(place), ['clean']) };
  return ways.earOrder === 'liquid first' ? [liquid, debris, pads] : [debris, liquid, pads];
}

/** Grease of one flap, on a pad of its own. */
export const greasyFlap = (side: Side): Piece => ({
  id: at('greasy flap', ear(side)),
  name: 'greasy flap',
  task: 'ear cleaning',
  touches: touching(just(ear(side)), ['towel']),
});

/** Crust and corner of one eye, with plain water first. */
export function eyeOnTheTable({ ways }: DogAtWork, side: Side): Piece[] {
  const place = eye(side);
  const task = 'eyes and face';
  return [
    { id: at('eye soften', place), name: 'soften', task, touches: touching(just(place), ['towel']) },
    ...(ways.eyeCrust === 'clip the loose piece'
      ? [
          {
            id: at('eye loose piece', place),
            name: 'loose crust clipped',
            task,
            touches: touching(just(place), ['trim']),
          } as const,
        ]
      : []),
    { id: at('eye crust', place), name: 'crust combed away', task, touches: touching(just(place), ['comb']) },
    {
      id: at('eye wipe', place),
      name: 'wiped with cleaner',
      task,
      touches: touching(just(place), ['clean'], 'eye and face cleaner'),
    },
  ];
}

/** Nails by paw, dewclaws with them. */
export const nails = (): readonly Piece[] => BY_PAW;
const BY_PAW: readonly Piece[] = FEET.flatMap((foot) =>
  SIDES.map((side) => ({
    id: `nails ${foot} ${side}`,
    name: namePlace({ site: `paw ${foot}`, side }),
    task: 'nails' as const,
    touches: touching(NAILS[foot][side], ['clip', 'trim']),
  })),
);

/** One mat: a loose one is opened and combed, or shaved; one down to the skin is shaved only. */
export const mat = (place: Place, toTheSkin: boolean): Piece[] => [
  ...(toTheSkin
    ? []
    : [
        {
          id: at('mat open', place),
          name: 'opened and combed',
          task: 'mats',
          touches: touching(just(place), ['comb']),
        } as const,
      ]),
  { id: at('mat shave', place), name: 'shaved', task: 'mats', touches: touching(just(place), ['clip']) },
];

export const brushOut = (): Piece[] => [
  {
    id: 'brush',
    name: 'coat',
    task: 'brush-out',
    touches: touching(COAT, ['comb']),
  },
];

/** Brush, or gel where the business has chosen that. */
export const teeth = ({ ways }: DogAtWork): Piece[] => [
  {
    id: 'teeth',
    name: 'teeth',
    task: 'teeth',
    touches: touching(just(MOUTH), [ways.teeth === 'gel' ? 'protect' : 'clean']),
  },
];
