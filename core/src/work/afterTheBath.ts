import { NOSE_PAD, placeKey, type Place, type Side } from '../places';
import { BODY, COAT, EARS, FACE_TO_CHECK, FACE_TO_DRY, PAWS, REAR, folded, just } from './bodyParts';
import { waysFor, type DogAtWork } from './dogAtWork';
import { isPoured, type EarDepth } from './earDepth';
import { touching, type Piece } from './touch';

const isOf =
  (...starts: readonly string[]) =>
  ({ site }: Place): boolean =>
    starts.some((start) => site.startsWith(start));

const ARMPITS = BODY.filter(isOf('leg front'));
const BELLY = BODY.filter(isOf('belly'));
const REST = BODY.filter((place) => ![...ARMPITS, ...BELLY, ...PAWS, REAR].includes(place));

/** Squeeze and press; damp combing here, where the business combs damp. */
export const waterOff = ({ ways }: DogAtWork): Piece[] => [
  { id: 'press', name: 'coat', task: 'drying', touches: touching(COAT, ['towel']) },
  ...(ways.comb === 'also damp'
    ? [
        {
          id: 'comb damp',
          name: 'combed damp',
          task: 'brush-out' as const,
          touches: touching(COAT, ['comb']),
        },
      ]
    : []),
];

/** Place by place; no air at face or ears, and none at all for a dog that has towels only. */
export function dry({ traits, handling }: DogAtWork): Piece[] {
  const air = handling.dryer === 'towels only' ? (['towel'] as const) : (['towel', 'blow'] as const);
  const task = 'drying';
  const its = folded(traits).folds;
  return [
    { id: 'face', name: 'face', task, touches: touching(FACE_TO_DRY, ['towel']) },
    { id: 'ears', name: 'ears', task, touches: touching(EARS, ['towel']) },
    { id: 'armpits', name: 'armpits', task, touches: touching(ARMPITS, air) },
    { id: 'belly', name: 'belly', task, touches: touching(BELLY, air) },
    { id: 'paws', name: 'paws', task, touches: touching(PAWS, air) },
    { id: 'rear', name: 'rear', task, touches: touching(just(REAR), air) },
    { id: 'back and sides', name: 'back, sides, hind legs', task, touches: touching(REST, air) },
    ...(its.length > 0 ? [{ id: 'folds', name: 'folds', task, touches: touching(its, ['towel']) } as const] : []),
  ];
}

/** What shaking brought up; a second filling before it where the business cleans twice and the pads were not clean. */
export function earsAfter(
  dog: DogAtWork,
  side: Side,
  { depth = waysFor(dog).earCleaning, isDone = false }: { readonly depth?: EarDepth; readonly isDone?: boolean } = {},
): Piece[] {
  const ways = waysFor(dog);
  const place: Place = { site: 'ear', side };
  const task = 'ear cleaning';
  const again = ways.earsWhen === 'both' && isPoured(depth) && !isDone && !dog.outerEarOnly;
  return [
    ...(again
      ? [
          {
            id: `ear cleaner again ${placeKey(place)}`,
            name: 'second filling and massage',
            task,
            touches: [...touching(just(place), ['fill'], 'ear cleaner'), ...touching(just(place), ['massage'])],
            needsProduct: true,
          } as const,
        ]
      : []),
    ...(dog.outerEarOnly
      ? []
      : [
          {
            id: `ear wipe ${placeKey(place)}`,
            name: 'wiped',
            task,
            touches: touching(just(place), ['clean']),
          } as const,
        ]),
    { id: `ear dry ${placeKey(place)}`, name: 'dried', task, touches: touching(just(place), ['towel']) },
  ];
}

/** One fold: clean, dry, protect. */
export const fold = ({ ways, foldProduct }: DogAtWork, place: Place): Piece[] => [
  {
    id: `fold clean ${placeKey(place)}`,
    name: 'clean',
    task: 'fold care',
    touches: touching(just(place), ['clean'], foldProduct ? 'fold care' : null),
  },
  { id: `fold dry ${placeKey(place)}`, name: 'dry', task: 'fold care', touches: touching(just(place), ['towel']) },
  ...(ways.foldProtect === 'none'
    ? []
    : [
        {
          id: `fold protect ${placeKey(place)}`,
          name: 'protect',
          task: 'fold care' as const,
          touches: touching(just(place), ['protect'], ways.foldProtect === 'powder' ? 'powder' : 'fold care'),
          needsProduct: true as const,
        },
      ]),
];

/** A dry nose pad: balm, and nothing where there is none. */
export const noseBalm = (): Piece[] => [
  {
    id: 'nose balm',
    name: 'balm',
    task: 'nose balm',
    touches: touching(just(NOSE_PAD), ['protect'], 'balm'),
    needsProduct: true,
  },
];

export const combAndTidy = (): Piece[] => [
  { id: 'comb', name: 'coat', task: 'brush-out', touches: touching(COAT, ['comb']) },
  { id: 'feet round', name: 'feet round', task: 'pads', touches: touching(PAWS, ['trim']) },
  { id: 'ear edges', name: 'ear edges and tips', task: 'ear flaps', touches: touching(EARS, ['clip']) },
  { id: 'face again', name: 'face checked again', task: null, touches: touching(FACE_TO_CHECK, ['look']) },
];
