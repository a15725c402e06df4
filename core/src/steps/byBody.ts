import type { Traits } from '../catalogue';
import { surfaceArea, type CoatDensity, type CoatLength } from '../dilution';
import type { DogFacts } from '../dog';
import type { Stage } from './steps';

/** The dog the business's minutes are meant for has this much skin, m², and a half-length coat of ordinary density. */
const ORDINARY_AREA = 0.55;
/** How far size alone may move them [house values]. */
const SIZE_LIMITS = [0.6, 1.7] as const;
/** How far the coat alone may move them [house values]. */
const COAT_LIMITS = [0.35, 3] as const;

/** How many times the business's minutes a coat takes: by length, density, and what kind it is. All house values. */
interface CoatTable {
  readonly length: Readonly<Record<CoatLength, number>>;
  readonly density: Readonly<Record<CoatDensity, number>>;
  readonly kind: Readonly<Partial<Record<Traits['coat'], number>>>;
}

const WASHING: CoatTable = {
  length: { shaved: 0.8, short: 0.9, half: 1, full: 1.2 },
  density: { thin: 0.9, ordinary: 1, dense: 1.1, 'very dense': 1.25 },
  kind: { corded: 1.5 },
};
const DRYING: CoatTable = {
  length: { shaved: 0.5, short: 0.7, half: 1, full: 1.4 },
  density: { thin: 0.75, ordinary: 1, dense: 1.3, 'very dense': 1.6 },
  kind: { corded: 2.5, hairless: 0.5 },
};
const BRUSHING: CoatTable = {
  length: { shaved: 0.5, short: 0.6, half: 1, full: 1.4 },
  density: { thin: 0.8, ordinary: 1, dense: 1.2, 'very dense': 1.4 },
  // Cords are parted, not brushed.
  kind: { smooth: 0.8, corded: 0.5, hairless: 0.5 },
};

/** Work that grows with dog and coat. */
const OF_THE_COAT: Readonly<Partial<Record<Stage, CoatTable>>> = {
  'brush-out': BRUSHING,
  wet: WASHING,
  'wash 1': WASHING,
  'rinse 1': WASHING,
  'wash 2': WASHING,
  'last rinse': WASHING,
  'water off': DRYING,
  dry: DRYING,
  'comb and tidy': BRUSHING,
};
/** Pressing water off does not grow with the dog's size as the rest does. */
const NOT_BY_SIZE: ReadonlySet<Stage> = new Set<Stage>(['water off']);
/** Towels alone take longer than a dryer [house value]. */
const TOWELS_ONLY = 1.3;

type Body = Pick<DogFacts, 'traits' | 'weight' | 'handling'>;

const within = (value: number, [least, most]: readonly [number, number]): number =>
  Math.min(most, Math.max(least, value));

/** How many times the business's minutes this stage takes because of the coat; 1 where the coat does not matter. */
export function byCoat(stage: Stage, { traits, handling }: Omit<Body, 'weight'>): number {
  const table = OF_THE_COAT[stage];
  if (!table) return 1;
  const dryer = stage === 'dry' && handling.dryer === 'towels only' ? TOWELS_ONLY : 1;
  const kind = table.kind[traits.coat] ?? 1;
  return within(table.length[traits.coatLength] * table.density[traits.coatDensity] * kind * dryer, COAT_LIMITS);
}

/** How many times the business's minutes a stage takes with this dog: its size, its coat, with or without a dryer. */
export const byBody = (stage: Stage, dog: Body): number =>
  OF_THE_COAT[stage] === undefined
    ? 1
    : byCoat(stage, dog) * (NOT_BY_SIZE.has(stage) ? 1 : within(surfaceArea(dog.weight) / ORDINARY_AREA, SIZE_LIMITS));
