import { daysBetween } from '../units';
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
 * whose time is still to be had. `known` are the bookings there were when it was made. No new proposals: for these one plans again.
 */
export function carryOver<Proposal extends Omit<ProposedVisit, 'why'>>(
  plan: PlanOf<Proposal>,
  known: ReadonlySet<string>,
  weeks: Weeks,
): PlanOf<Proposal> {
  const dogs = new Set(weeks.dogs.map(({ id }) => id));
  const standing = new Set(weeks.booked.map(({ id }) => id));
  const isNew = weeks.booked.filter(({ id }) => !known.has(id));
  // Hours of work alone: what is booked is looked at one by one, as a booking that is moved is not in its own way.
  const { blocks } = bookOf({ ...weeks, dogs: [], booked: [] });
  const isFree = ({ day, person, from, to, insteadOf }: Proposal) =>
    blocks.some(
      (block) =>
        dayOfWeeks(weeks, block.day) === day && block.person === person && block.from <= from && to <= block.to,
    ) &&
    !weeks.booked.some(
      (each) => each.day === day && each.person === person && each.from < to && from < each.to && each.id !== insteadOf,
    );
  const proposals = plan.proposals.filter(
    (each) =>
      dogs.has(each.dog) &&
      (each.insteadOf === null || standing.has(each.insteadOf)) &&
      isFree(each) &&
      !isNew.some(({ dog, day }) => dog === each.dog && Math.abs(daysBetween(day, each.day)) < NEAR),
  );
  // Bookings that may move and stay are of the plan, as they are where it is made.
  const moved = new Set(proposals.map(({ insteadOf }) => insteadOf));
  const stays = weeks.booked.filter(({ id, mayMove, choice }) => mayMove && choice !== null && !moved.has(id));
  const timed = [...proposals, ...stays].map(({ day, from, to }) => ({
    day: daysBetween(weeks.first, day),
    from,
    to,
  }));
  const booked = new Set(isNew.map(({ dog }) => dog));
  return {
    proposals,
    unplaced: plan.unplaced.filter(({ dog }) => dogs.has(dog) && !booked.has(dog)),
    days: daysInUse(weeks, timed),
  };
}
