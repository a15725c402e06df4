import { daysBetween, type Day } from '../units';
import { bookOf, dayOfWeeks, type Weeks } from './weeks';
import { daysInUse, type ProposedVisit, type ProposedWeeks } from './proposals';

/** A plan whose reasons may be told in words already. */
interface PlanOf<Proposal> extends Omit<ProposedWeeks, 'proposals'> {
  readonly proposals: readonly Proposal[];
}

/** A booking of the dog so near takes the place of what was proposed, days [house value]. */
const NEAR = 10;

/**
 * What still holds of a plan when the book has changed since: a proposal whose dog was not booked near it meanwhile, and
 * whose time is still to be had. No new proposals: for these one plans again.
 */
export function carryOver<Proposal extends Omit<ProposedVisit, 'why'>>(
  plan: PlanOf<Proposal>,
  before: Weeks,
  weeks: Weeks,
): PlanOf<Proposal> {
  const dogs = new Set(weeks.dogs.map(({ id }) => id));
  const known = new Set(before.booked.map(({ id }) => id));
  const standing = new Set(weeks.booked.map(({ id }) => id));
  const isNew = weeks.booked.filter(({ id }) => !known.has(id));
  // Without dogs every booking stands as it is, and is cut out.
  const { blocks } = bookOf({ ...weeks, dogs: [] });
  const fits = ({ day, person, from, to }: Proposal) =>
    blocks.some(
      (block) =>
        dayOfWeeks(weeks, block.day) === day && block.person === person && block.from <= from && to <= block.to,
    );
  const proposals = plan.proposals.filter(
    (each) =>
      dogs.has(each.dog) &&
      (each.insteadOf === null ? fits(each) : standing.has(each.insteadOf)) &&
      !isNew.some(({ dog, day }) => dog === each.dog && Math.abs(daysBetween(day, each.day)) < NEAR),
  );
  const dayIndex = (day: Day) => daysBetween(weeks.first, day);
  const timed = proposals.map(({ day, from, to }) => ({ day: dayIndex(day), from, to }));
  const booked = new Set(isNew.map(({ dog }) => dog));
  return {
    proposals,
    unplaced: plan.unplaced.filter(({ dog }) => dogs.has(dog) && !booked.has(dog)),
    days: daysInUse(weeks, timed),
  };
}
