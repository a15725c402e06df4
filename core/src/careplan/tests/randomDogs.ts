import fc from 'fast-check';
import { BREEDS, CANAL_HAIR, COATS, COAT_DENSITIES, EAR_CARRIAGES, composeTraits, earOdds } from '../../catalogue';
import {
  BEST_TIMES,
  DRYERS,
  HEARING,
  HELPERS,
  LIKES,
  MINDS,
  MUZZLES_WORN,
  SIGHT,
  TETHERS,
  type HandlingNotes,
} from '../../handling';
import { day, kilograms } from '../../units';
import { finding, type EyeCondition, type Sign } from '../../findings';
import type { Place, Site } from '../../places';
import {
  COAT_CONDITIONS,
  ASKED_AT_HOME,
  PRODUCT_TASKS,
  USE_KINDS,
  HAIR_BORNE,
  HAIR_CAME,
  HAIR_LEFT,
  NO_HAIR_RECORD,
  SKIN,
  plainDog,
  type Suspended,
  type DogFacts,
  type Instruction,
} from '../../dog';
import {
  ALL_HOUSE_QUESTIONS,
  ALL_SERVICES,
  HOUSE_QUESTIONS,
  SERVICES,
  type BusinessDoes,
  type BusinessServices,
  type HouseWays,
} from '../../ways';
import { INTERVAL_ROWS } from '../../rules';
import { ALL_TASKS } from '../../tasks';

export const TODAY = day('2026-11-25');

/** An easy adult beagle of a business with default ways; tests change one thing at a time. */
export function aDog(more: Partial<DogFacts> = {}, breed = 'beagle'): DogFacts {
  const ear = { ...NO_HAIR_RECORD, conditions: [], plucked: { daysAgo: 35 }, ownerForbidsPlucking: false };
  return plainDog([breed], {
    weight: kilograms(12),
    tearingSeenByVet: true,
    ears: { left: ear, right: ear },
    pluckingConsent: true,
    today: TODAY,
    ...more,
  });
}

export const instruct = (says: Instruction['says'], more: Partial<Instruction> = {}): Instruction => ({
  id: 'i1',
  by: 'vet',
  who: 'Dr Oyelaran',
  place: null,
  says,
  from: day('2026-01-01'),
  until: null,
  ...more,
});

const places: readonly (Place | null)[] = [
  null,
  { site: 'ear', side: 'left' },
  { site: 'ear', side: 'right' },
  { site: 'ear', side: 'none' },
];

const anyInstruction: fc.Arbitrary<Instruction> = fc
  .record({
    by: fc.constantFrom('vet', 'owner'),
    place: fc.constantFrom(...places),
    until: fc.constantFrom(null, day('2026-12-31'), day('2026-02-01')),
    says: fc.oneof(
      fc.record({ kind: fc.constant('bar' as const), task: fc.constantFrom(...ALL_TASKS) }),
      fc.record({
        kind: fc.constant('interval' as const),
        task: fc.constantFrom(...ALL_TASKS),
        days: fc.integer({ min: 1, max: 180 }),
      }),
      fc.record({
        kind: fc.constant('at home' as const),
        task: fc.constantFrom(...ASKED_AT_HOME),
        timesADay: fc.constantFrom(1, 2, 3),
      }),
      fc.record({
        kind: fc.constant('bath product' as const),
        productId: fc.constant('p'),
        contactMinutes: fc.constantFrom(0, 10),
        nothingElse: fc.boolean(),
      }),
      fc.record({
        kind: fc.constant('uses' as const),
        what: fc.constantFrom(...USE_KINDS),
        name: fc.constantFrom('', 'the blue bottle'),
      }),
      fc.record({
        kind: fc.constant('product' as const),
        task: fc.constantFrom(...PRODUCT_TASKS),
        productId: fc.constant('q'),
      }),
      fc.record({
        kind: fc.constant('ear hair' as const),
        way: fc.constantFrom('whole', 'staged', 'trim', 'leave', 'vet'),
      }),
    ),
  })

  .map((each) =>
    instruct(each.says as Instruction['says'], {
      ...(each as Partial<Instruction>),
      // A wash is for the whole dog.
      ...(each.says.kind === 'bath product' ? { place: null } : {}),
    }),
  );

const anyWays = fc.record(
  Object.fromEntries(
    ALL_HOUSE_QUESTIONS.map((key) => [
      key,
      fc.constantFrom(...HOUSE_QUESTIONS[key].schools.map((school) => school.id)),
    ]),
  ),
) as unknown as fc.Arbitrary<HouseWays>;

const anyServices = fc.record(
  Object.fromEntries(
    ALL_SERVICES.map((key) => [key, fc.constantFrom(...(Object.keys(SERVICES[key].means) as BusinessDoes[]))]),
  ),
) as unknown as fc.Arbitrary<BusinessServices>;

const anyHandling: fc.Arbitrary<HandlingNotes> = fc.record({
  minds: fc.subarray([...MINDS]),
  likes: fc.subarray([...LIKES]),
  helper: fc.constantFrom(...HELPERS),
  muzzle: fc.constantFrom(...MUZZLES_WORN),
  dryer: fc.constantFrom(...DRYERS),
  tether: fc.constantFrom(...TETHERS),
  sight: fc.constantFrom(...SIGHT),
  hearing: fc.constantFrom(...HEARING),
  bestTime: fc.constantFrom(...BEST_TIMES),
  marks: fc.constantFrom([], ['own towel']),
});

/** A place under a stop of an earlier visit, three weeks ago. */
export const suspendedBy = (site: Site, side: Place['side'], sign: Sign): Suspended => ({
  findings: [finding({ site, side }, sign, 1)],
  on: day('2026-01-20'),
});

const eyeHistory = fc.constantFrom<readonly EyeCondition[]>([], [], ['eye drops or ointment today'], ['eye operation']);

const earHistory = fc.record({
  conditions: fc.constantFrom([], ['drops given today'] as const),
  plucked: fc.oneof(fc.constant('never' as const), fc.record({ daysAgo: fc.option(fc.integer({ min: 0, max: 400 })) })),
  ownerForbidsPlucking: fc.boolean(),
  hair: fc.constantFrom(null, null, ...CANAL_HAIR),
  lastHair: fc.option(
    fc.record({
      came: fc.constantFrom(null, ...HAIR_CAME),
      borne: fc.constantFrom(null, ...HAIR_BORNE),
      left: fc.constantFrom(null, ...HAIR_LEFT),
      daysAgo: fc.integer({ min: 0, max: 400 }),
    }),
  ),
});

/** A row or two of the rules with days of the business's own. */
const anyIntervals = fc.dictionary(
  fc.constantFrom(...INTERVAL_ROWS.map(({ id }) => id)),
  fc
    .tuple(fc.integer({ min: 1, max: 90 }), fc.nat(40), fc.nat(60))
    .map(([least, more, most]) => ({ least, usual: least + more, most: least + more + most })),
  { maxKeys: 3 },
);

/** Random dogs, houses and instructions. */
export const anyDog: fc.Arbitrary<DogFacts> = fc
  .record({
    breeds: fc.array(fc.constantFrom(...BREEDS.map((breed) => breed.id)), { maxLength: 3 }),
    seen: fc.record(
      {
        coat: fc.constantFrom(...COATS),
        coatDensity: fc.constantFrom(...COAT_DENSITIES),
        ears: fc.constantFrom(...EAR_CARRIAGES),
        canalHair: fc.constantFrom(...CANAL_HAIR),
      },
      { requiredKeys: [] },
    ),
    lifeStage: fc.constantFrom('puppy', 'adult', 'senior'),
    weight: fc.constantFrom(2, 9, 18, 33, 60).map(kilograms),
    today: fc.constantFrom('2026-02-10', '2026-04-20', '2026-07-01', '2026-11-25').map(day),
    grassSeedMonths: fc.constantFrom([], [6, 7, 8]),
    hayFeverMonths: fc.constantFrom([], [4, 7, 11]),
    dirtyWork: fc.boolean(),
    hardGround: fc.boolean(),
    whiteCoat: fc.boolean(),
    mixPerSquareMetre: fc.constantFrom(400, 800, 1200),
    reactedTo: fc.constantFrom([], ['cleansing']),
    intervals: anyIntervals,
    stiffJoints: fc.boolean(),
    tightBreathing: fc.boolean(),
    fitness: fc.record({
      cats: fc.boolean(),
      spotOn: fc.option(fc.constantFrom('2026-07-02', '2026-11-24', '2026-01-01').map(day)),
      stitches: fc.boolean(),
      fits: fc.boolean(),
      heart: fc.boolean(),
      inSeason: fc.boolean(),
    }),
    canStandThroughBath: fc.boolean(),
    skin: fc.constantFrom(...SKIN),
    coatCondition: fc.constantFrom(...COAT_CONDITIONS),
    swims: fc.boolean(),
    tearingSeenByVet: fc.boolean(),
    earTrouble: fc.constantFrom('none', 'in the past, no word from a vet', 'in the past, vet knows'),
    ears: fc.record({ left: earHistory, right: earHistory }),
    eyes: fc.record({ left: eyeHistory, right: eyeHistory }),
    pluckingConsent: fc.boolean(),
    pluckingStress: fc.constantFrom('none', 'slight', 'plain', 'bad', 'broke off'),
    nailsOvergrown: fc.boolean(),
    nailBled: fc.boolean(),
    reactions: fc.constantFrom('', 'oat wash, red belly'),
    hazeKnown: fc.boolean(),
    services: anyServices,
    handling: anyHandling,
    ways: anyWays,
    instructions: fc.array(anyInstruction, { maxLength: 4 }),
    suspended: fc.constantFrom(
      {},
      { 'ear/left': suspendedBy('ear', 'left', 'ear musty smell') },
      {
        'eye/right': suspendedBy('eye', 'right', 'eye squinting'),
        'fold nose/none': suspendedBy('fold nose', 'none', 'fold raw'),
        'side/left': suspendedBy('side', 'left', 'wet sore'),
      },
      { 'ear/right': { words: 'something only a newer version can say' } },
    ),
  })
  .map(({ breeds, seen, ...more }) => {
    const composed = composeTraits(breeds, seen);
    return aDog({
      ...(more as Partial<DogFacts>),
      traits: composed.traits,
      breedHandling: composed.handling,
      earOdds: earOdds(composed.breeds),
    });
  });
