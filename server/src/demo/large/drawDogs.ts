import { SHIPPED, composeTraits, type Traits } from '@dewpond/core/catalogue';
import { plainWords, type ClientCard } from '@dewpond/core/clients';
import { SIDES, type PlaceKey } from '@dewpond/core/places';
import { addDays, type Day } from '@dewpond/core/units';
import { at } from '../owners';
import type { DemoDog } from '../shape';
import { DOG_NAMES, FAMILY_NAMES, GIVEN_NAMES, MARKS, NOTES, OUTLYING, STREETS } from './names';

/** Breeds at a salon's door, the common ones more than once. */
const BREEDS = [
  ...['cockapoo', 'cockapoo', 'cavapoo', 'cavapoo', 'cocker', 'cocker', 'labrador', 'labrador', 'golden', 'shih-tzu'],
  ...['shih-tzu', 'miniature-schnauzer', 'miniature-schnauzer', 'bichon', 'poodle-miniature', 'poodle-toy', 'maltese'],
  ...['border-collie', 'german-shepherd', 'jack-russell', 'yorkie', 'westie', 'french-bulldog', 'pug', 'cavalier'],
  ...['english-bulldog', 'whippet', 'poodle-standard', 'goldendoodle', 'lagotto', 'pomeranian', 'havanese', 'lhasa'],
] as const;
/** Some of them are crosses of two. */
const CROSSES = 0.12;

/** A dog of the large world: what the book needs to know of it beside what every demo dog has. */
export interface LargeDog extends DemoDog {
  /** Which household of the book: its dogs come together. */
  readonly household: number;
  /** At a farm or on an islet: the van comes to it. */
  readonly isOutlying: boolean;
  /** Days before today on which it came for the first time. */
  readonly joinedAgo: number;
  /** Comes for ears and nails between its baths. */
  readonly comesBetween: boolean;
  readonly fullMinutes: number;
}

type Random = () => number;

/** Of seven households one lives outside the town. */
const livesOut = (household: number): boolean => household % 7 === 3;

const pick = <T>(from: readonly T[], random: Random): T => {
  const chosen = from[Math.floor(random() * from.length)];
  if (chosen === undefined) throw new RangeError('Nothing to choose from.');
  return chosen;
};
/** About 1, and as often half as much again as a third less. */
const spread = (random: Random): number => Math.exp(0.28 * (random() + random() + random() + random() - 2));

/** How many dogs live in a household: two in every third, three in some. */
const dogsIn = (household: number): number => (household % 24 === 7 ? 3 : household % 3 === 1 ? 2 : 1);

/** True days until a place is plainly dirty, by the looks that make it so [invented, in the order the trade expects]. */
const EARS: Readonly<Record<Traits['ears'], number>> = {
  upright: 92,
  tipped: 76,
  folded: 62,
  hanging: 38,
  'long hanging': 29,
};
const TEARS: Readonly<Record<Traits['tearing'], number>> = { none: 100, some: 48, constant: 23 };
const FOLDS = { light: 62, deep: 27 } as const;

function hiddenOf(traits: Traits, random: Random): DemoDog['hidden'] {
  const hidden: Partial<Record<PlaceKey, number>> = {};
  const ear = EARS[traits.ears] * (traits.canalHair === 'dense' ? 0.8 : 1) * spread(random);
  const eye = TEARS[traits.tearing] * spread(random);
  for (const side of SIDES) {
    hidden[`ear/${side}`] = Math.round(ear * (0.85 + 0.3 * random()));
    hidden[`eye/${side}`] = Math.round(eye * (0.9 + 0.2 * random()));
  }
  for (const [site, depth] of Object.entries(traits.folds)) {
    const tau = Math.round(FOLDS[depth] * spread(random));
    for (const side of ['left', 'right', 'none'] as const) hidden[`fold ${site}/${side}` as PlaceKey] = tau;
  }
  return hidden;
}

/** Weeks between two full visits, as owners of such a coat keep them [common practice, no source]. */
const USUAL_WEEKS: Readonly<Partial<Record<Traits['coat'], number>>> = {
  smooth: 10,
  'short double': 10,
  'long double': 9,
  curly: 6,
  long: 6,
};
const everyWeeks = ({ coat }: Traits, random: Random): number =>
  (USUAL_WEEKS[coat] ?? 8) + Math.floor(random() * 4) - 1;

/** Minutes of a full visit as such a salon books them: more coat and more dog take longer. */
const fullMinutes = ({ coat }: Traits, weightKg: number): number =>
  15 * Math.round(((coat === 'smooth' || coat === 'short double' ? 90 : 120) + 1.2 * Math.min(weightKg, 35)) / 15);

const card = (household: number, today: Day, random: Random): Partial<ClientCard> => {
  const isOutlying = livesOut(household);
  const street = pick(isOutlying ? OUTLYING : STREETS, random);
  const jitter = () => (random() - 0.5) * 0.004;
  const agreed = { yes: true, on: addDays(today, -Math.floor(40 + 400 * random())) };
  return {
    address: at(
      isOutlying ? street.name : `${1 + Math.floor(60 * random())} ${street.name}`,
      street.postcode,
      street.latitude + jitter(),
      street.longitude + jitter(),
    ),
    note: pick(NOTES, random),
    prefers: random() < 0.3 ? 'call' : 'text message',
    consents: {
      ...(random() < 0.75 ? { photos: agreed } : {}),
      ...(random() < 0.7 ? { 'e-mail': agreed } : {}),
      ...(random() < 0.6 ? { 'text message': agreed } : {}),
      ...(random() < 0.5 ? { plucking: agreed } : {}),
    },
  };
};

/** Owner number n; the numbers are from the block of a thousand that is kept for fiction. */
function ownerOf(household: number, today: Day, random: Random): DemoDog['owner'] {
  const name = `${GIVEN_NAMES[(household * 7) % GIVEN_NAMES.length]} ${FAMILY_NAMES[(household * 11 + Math.floor(household / 4)) % FAMILY_NAMES.length]}`;
  return {
    name,
    phone: `07700 900${String(200 + household).padStart(3, '0')}`,
    email: `${plainWords(name).replaceAll(' ', '.')}.${household}@thornmere.example`,
    more: card(household, today, random),
  };
}

function drawDog(index: number, household: number, owner: DemoDog['owner'], random: Random): LargeDog {
  const breeds: string[] = [pick(BREEDS, random)];
  if (random() < CROSSES) breeds.push(pick(BREEDS, random));
  const { traits } = composeTraits(breeds, {});
  const [least, most] = SHIPPED.find(breeds[0] ?? '')?.weightKg ?? [8, 14];
  const weightKg = Math.round(10 * (least + (most - least) * random())) / 10;
  const ageYears = 1 + Math.floor(13 * random() * (0.5 + 0.5 * random()));
  const isOld = ageYears >= 11;
  const everyDays = 7 * everyWeeks(traits, random);
  return {
    owner,
    profile: {
      name: DOG_NAMES[(index * 5) % DOG_NAMES.length] ?? 'Quill',
      ageYears,
      breeds,
      weightKg,
      sex: random() < 0.5 ? 'dog' : 'bitch',
      ...(isOld && weightKg > 15 ? { canStandThroughBath: random() < 0.5 } : {}),
      ...(random() < 0.06 ? { skin: 'sensitive' as const } : {}),
      ...(traits.canalHair === 'dense' ? { pluckingConsent: random() < 0.7 } : {}),
      swims: random() < 0.15,
      tearingSeenByVet: random() < 0.8,
      handling: random() < 0.35 ? { marks: [pick(MARKS, random)] } : {},
    },
    hidden: hiddenOf(traits, random),
    nailsTau: Math.round(48 * spread(random)),
    everyDays,
    visits: 0,
    lastVisitDaysAgo: 0,
    thirst: Math.round(100 * spread(random)) / 100,
    household,
    isOutlying: livesOut(household),
    // A quarter were there from the beginning; the others came one by one.
    joinedAgo: random() < 0.25 ? 540 : 30 + Math.floor(510 * random()),
    comesBetween: everyDays >= 35 && (traits.ears === 'hanging' || traits.ears === 'long hanging') && random() < 0.18,
    fullMinutes: fullMinutes(traits, weightKg),
  };
}

/** The same dogs for the same day, whoever asks. */
export function drawDogs(households: number, today: Day, random: Random): readonly LargeDog[] {
  const dogs: LargeDog[] = [];
  for (let household = 0; household < households; household++) {
    const owner = ownerOf(household, today, random);
    for (let i = 0; i < dogsIn(household); i++) dogs.push(drawDog(dogs.length, household, owner, random));
  }
  return dogs;
}
