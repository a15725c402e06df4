import type { DogFacts } from '../dog';
import { correctedTime, type VisitEvent } from '../events';
import type { HouseWays } from '../ways';
import { hereSince } from './onTime';
import type { VisitReading } from './readVisit';

/** What a dog that tires has of the business's patience, in minutes; null: no limit, or no such dog. */
export interface TiringBudget {
  readonly standing: number | null;
  readonly dryer: number | null;
  /** Why this dog has one, within a sentence. */
  readonly because: string;
}

const STANDING: Readonly<Record<HouseWays['standingMinutes'], number | null>> = {
  '45 min': 45,
  '30 min': 30,
  '60 min': 60,
  'no limit': null,
};
const DRYER: Readonly<Record<HouseWays['dryerMinutes'], number | null>> = {
  '15 min': 15,
  '10 min': 10,
  '25 min': 25,
  'no limit': null,
};

/** Old, blind, flat-faced dogs and those that cannot stand tire: they have a budget of minutes, set by the business. */
export function tiringBudget(facts: DogFacts): TiringBudget | null {
  const why = [
    ...(facts.lifeStage === 'senior' ? ['old'] : []),
    ...(facts.handling.sight === 'blind' ? ['blind'] : []),
    ...(facts.traits.muzzle === 'flat' ? ['flat-faced'] : []),
    ...(facts.canStandThroughBath ? [] : ['it cannot stand through a bath']),
  ];
  if (why.length === 0) return null;
  return {
    standing: STANDING[facts.ways.standingMinutes],
    dryer: DRYER[facts.ways.dryerMinutes],
    because: why.join(', '),
  };
}

/** Minutes of the budget that are up: at the dryer, or in all. */
export interface Tired {
  readonly at: 'dryer' | 'here';
  /** Whole minutes so far. */
  readonly minutes: number;
  readonly because: string;
}

const MINUTE = 60_000;

/**
 * Whether a dog that tires has had its minutes; null: not yet, or none are set. At the dryer from when the water is off
 * until it is dry; towels alone tire nobody so. `now`: ms since 1970 by the server's clock.
 */
export function tiredBy(
  { facts, state: { steps } }: Pick<VisitReading, 'facts' | 'state'>,
  events: readonly VisitEvent[],
  now: number,
): Tired | null {
  const budget = tiringBudget(facts);
  if (budget === null) return null;
  const minutesSince = (event: VisitEvent | undefined): number => {
    const at = event === undefined ? null : correctedTime(event);
    return at === null ? 0 : Math.floor((now - at) / MINUTE);
  };
  const waterOff = steps['water off'];
  const isBlown = waterOff?.kind === 'done' && steps['dry'] === undefined && facts.handling.dryer !== 'towels only';
  const dried = isBlown ? minutesSince(waterOff.by) : 0;
  const { because } = budget;
  if (budget.dryer !== null && dried >= budget.dryer) return { at: 'dryer', minutes: dried, because };
  const here = minutesSince(hereSince(events));
  return budget.standing !== null && here >= budget.standing ? { at: 'here', minutes: here, because } : null;
}
