import { placeKey, type Place, type Side } from '../places';
import { HEAD_AND_EARS, folded, just } from './bodyParts';
import type { DogAtWork } from './dogAtWork';
import { touching, type Piece, type TouchProduct } from './touch';

/** The body wash: what was prescribed, but for a plain wash before it; else the business's. */
const bodyWash = ({ isPrescribed, plainFirst }: DogAtWork, which: 1 | 2): TouchProduct =>
  isPrescribed && !(plainFirst && which === 1) ? 'prescribed' : 'cleansing';

/** Lukewarm water over the coat, from the neck down. */
export const wet = ({ traits }: DogAtWork): Piece[] => [
  { id: 'wet', name: 'coat', task: 'bath', touches: touching(folded(traits).body, ['rinse']) },
];

/** A ball of cotton at the mouth of each canal. */
export const plugs = (sides: readonly Side[]): Piece[] =>
  sides.map((side) => ({
    id: `plug ${side}`,
    name: `${side} ear`,
    task: null,
    touches: touching(just({ site: 'ear', side }), ['plug']),
  }));

/** Whether the head is washed at all. */
export const washesHead = ({ ways }: Pick<DogAtWork, 'ways'>): boolean => ways.head !== 'neck down only';

/** First or second wash: body and head, in the business's order. */
export function wash(dog: DogAtWork, which: 1 | 2): Piece[] {
  const task = which === 1 ? 'bath' : 'second wash';
  const product = bodyWash(dog, which);
  const body: Piece = {
    id: `wash body ${which}`,
    name: 'body',
    task,
    touches: touching(folded(dog.traits).body, ['wash'], product),
  };
  const washed: Piece = {
    id: `wash head ${which}`,
    name: 'head',
    task,
    touches: touching(HEAD_AND_EARS, ['wash'], product),
  };
  if (!washesHead(dog)) return [body];
  return dog.ways.head === 'first' ? [washed, body] : [body, washed];
}

/** Places of the face: both eyes' surroundings and the folds between them. */
export const facePlaces = ({ traits }: Pick<DogAtWork, 'traits'>): readonly Place[] => folded(traits).face;

/** The face by the business's product: washed, rinsed with plain water, or gone over with damp pads. */
export function washFace(dog: DogAtWork): Piece[] {
  if (!washesHead(dog)) return [];
  const places = facePlaces(dog);
  const task = 'face wash';
  switch (dog.ways.faceProduct) {
    case 'pads only':
      return [{ id: 'face pads', name: 'face', task, touches: touching(places, ['towel']) }];
    case 'plain water':
      return [{ id: 'face water', name: 'face', task, touches: touching(places, ['rinse']) }];
    case 'tear-free':
    case 'mild wash for all': {
      const product = dog.ways.faceProduct === 'tear-free' ? 'face' : 'cleansing';
      return [{ id: 'face wash', name: 'face', task, touches: touching(places, ['wash'], product) }];
    }
  }
}

/** Grease that a pad did not take off a flap: washed off with the head. */
export const flapInTheTub = (sides: readonly Side[]): Piece[] =>
  sides.map((side) => ({
    id: `flap washed ${placeKey({ site: 'ear', side })}`,
    name: `greasy flap, ${side} ear`,
    task: 'bath' as const,
    touches: touching(just({ site: 'ear', side }), ['wash']),
  }));

/** Crust that is loosened in the tub: all of it where the business does it there, or what did not lift on the table. */
export const crustInTheTub = (sides: readonly Side[]): Piece[] =>
  sides.map((side) => ({
    id: `eye crust ${placeKey({ site: 'eye', side })}`,
    name: `crust, ${side} eye`,
    task: 'eyes and face' as const,
    touches: touching(just({ site: 'eye', side }), ['comb']),
  }));

/** Product off, everywhere it came to. */
export const rinse = (dog: DogAtWork): Piece[] => [
  { id: 'rinse body', name: 'body', task: 'bath', touches: touching(folded(dog.traits).body, ['rinse']) },
  ...(washesHead(dog)
    ? [
        {
          id: 'rinse head',
          name: 'head and face',
          task: 'bath' as const,
          touches: [...touching(HEAD_AND_EARS, ['rinse']), ...touching(facePlaces(dog), ['rinse'])],
        },
      ]
    : []),
];

export const conditioner = ({ traits }: DogAtWork): Piece[] => [
  {
    id: 'conditioner',
    name: 'coat',
    task: 'conditioner',
    touches: [...touching(folded(traits).body, ['wash'], 'conditioner'), ...touching(folded(traits).body, ['rinse'])],
    needsProduct: true,
  },
];
