import { BREEDS, foldSites } from '@dewpond/core/catalogue';
import { makePlan } from '@dewpond/core/careplan';
import { nextVisit, planDue, type CareRecord } from '@dewpond/core/due';
import { NO_HAIR_RECORD, plainDog, type DogFacts } from '@dewpond/core/dog';
import { placeKey, placesOf, type Grade } from '@dewpond/core/places';
import { addDays, day, kilograms } from '@dewpond/core/units';
import { report, round, seeded } from './report';

const PLANS = 10_000;
const DOGS = 1000;
const VISITS = 8;
const TODAY = day('2026-11-25');
const random = seeded(7);
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;

function randomDog(): { facts: DogFacts; record: CareRecord } {
  const breeds = [pick(BREEDS).id, ...(random() < 0.3 ? [pick(BREEDS).id] : [])];
  const ear = {
    ...NO_HAIR_RECORD,
    conditions: [],
    plucked: { daysAgo: 7 * Math.floor(random() * 20) },
    ownerForbidsPlucking: false,
  };
  const facts = plainDog(breeds, {
    weight: kilograms(2 + random() * 50),
    lifeStage: pick(['puppy', 'adult', 'senior'] as const),
    canStandThroughBath: random() < 0.9,
    skin: pick(['healthy', 'sensitive', 'allergic'] as const),
    swims: random() < 0.2,
    grassSeedMonths: [6, 7, 8],
    tearingSeenByVet: random() < 0.5,
    ears: { left: ear, right: ear },
    pluckingConsent: true,
    nailsOvergrown: random() < 0.2,
    today: TODAY,
  });
  const places = placesOf(foldSites(facts.traits)).map((place) => {
    const observations = Array.from({ length: VISITS }, (_, i) => ({
      day: addDays(TODAY, (i - VISITS) * 28),
      t: 28,
      padGrade: null,
      lookGrade: Math.floor(random() * 4) as Grade,
    }));
    return [placeKey(place), { observations, lastCare: addDays(TODAY, -28), spared: null, suspended: false }] as const;
  });
  return {
    facts,
    record: {
      places: Object.fromEntries(places),
      tasks: { bath: { observations: [], lastCare: addDays(TODAY, -28), spared: null, suspended: false } },
      homeCareChangedOn: null,
      schoolChangedOn: null,
    },
  };
}

const many = Array.from({ length: PLANS }, randomDog);
const dogs = many.slice(0, DOGS);
const time = (work: () => void): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
dogs.slice(0, 50).forEach(({ facts, record }) => planDue(makePlan(facts), record, TODAY));
const plans = time(() => many.forEach(({ facts }) => makePlan(facts)));
const withDue = time(() =>
  dogs.forEach(({ facts, record }) => nextVisit(planDue(makePlan(facts), record, TODAY), TODAY)),
);
report('plans', [
  { what: `care plan of ${PLANS} random dogs`, 'total ms': round(plans, 0), 'ms a dog': round(plans / PLANS, 3) },
  {
    what: `care plan, ${VISITS} visits of learning at every place, next due, ${DOGS} dogs`,
    'total ms': round(withDue, 0),
    'ms a dog': round(withDue / DOGS, 3),
  },
]);
