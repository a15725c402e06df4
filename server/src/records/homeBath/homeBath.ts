import type { HomeBathView } from '@dewpond/contract';
import { prescribedOn } from '@dewpond/core/careplan';
import { fillingFor, homeBath, type HomeBath, type HomeBathAgreed } from '@dewpond/core/homebath';
import { homeBathTold, type HomeBathTold, type Wording } from '@dewpond/core/wording';
import { daysBetween, type Day } from '@dewpond/core/units';
import type { Business } from '../business/business';
import type { Planned } from '../dog/facts';
import type { Shelf } from '../shelf/shelf';

/** The next visit of a dog that has none booked, nor one that is suggested, days [house value]. */
const COMING_VISIT_DAYS = 42;

interface BathOfDog {
  readonly planned: Pick<Planned, 'facts' | 'plan'>;
  readonly business: Business;
  readonly shelf: Shelf;
}

/** What one bath at home takes, by what was agreed. */
export const homeBathOf = (
  { planned: { facts, plan }, business, shelf }: BathOfDog,
  agreed: HomeBathAgreed,
): HomeBath => homeBath(facts, plan, agreed, { units: business.units, shelf: shelf.products });

/** The same as its owner reads it. */
export const homeBathFor = (of: BathOfDog, agreed: HomeBathAgreed, wording: Wording): HomeBathTold =>
  homeBathTold(wording, homeBathOf(of, agreed), of.business.units);

/** For who agrees it with the owner: what is agreed, what it comes to, what to fill. */
export function homeBathViewOf(
  of: BathOfDog,
  agreed: HomeBathAgreed | null,
  wording: Wording,
  next: { readonly today: Day; readonly visit: Day | null },
): Omit<HomeBathView, 'version'> {
  const given = prescribedOn(of.planned.facts);
  const bath = agreed && homeBathOf(of, agreed);
  const isFilled = bath?.kind === 'ready' && agreed?.bottle.kind === 'filled' && given === null;
  const until = next.visit === null ? COMING_VISIT_DAYS : daysBetween(next.today, next.visit);
  return {
    agreed,
    told: bath && homeBathTold(wording, bath, of.business.units),
    toSettle: bath?.kind === 'to be settled' ? bath.why : null,
    prescribed: given === null ? null : given.who,
    filling: isFilled ? fillingFor(bath.takes, agreed.everyDays, until) : null,
  };
}
