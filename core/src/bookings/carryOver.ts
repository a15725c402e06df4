import { daysBetween } from '../units';
import { groupBy } from './groupBy';
import { isInTheWay } from './takenAlong';
import { bookOf, type Weeks } from './weeks';
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
  // Hours of work alone: what is booked is looked at one by one.
  const work = groupBy(bookOf({ ...weeks, dogs: [], booked: [] }).blocks, ({ day }) => day);
  const booked = groupBy(weeks.booked, ({ day }) => day);
  const isOpen = ({ day, person, from, to }: Proposal) =>
    (work.get(daysBetween(weeks.first, day)) ?? []).some(
      (block) => block.person === person && block.from <= from && to <= block.to,
    );
  let proposals = plan.proposals.filter(
    (each) =>
      dogs.has(each.dog) &&
      (each.insteadOf === null || standing.has(each.insteadOf)) &&
      isOpen(each) &&
      !isNew.some(({ dog, day }) => dog === each.dog && Math.abs(daysBetween(day, each.day)) < NEAR),
  );
  // A booking that is moved is in nobody's way: until its own move is no longer to be had.
  for (let before = -1; before !== proposals.length;) {
    before = proposals.length;
    const leaves = new Set(proposals.map(({ insteadOf }) => insteadOf));
    proposals = proposals.filter(
      (proposal) =>
        !(booked.get(proposal.day) ?? []).some((each) => !leaves.has(each.id) && isInTheWay(each, proposal)),
    );
  }
  // Bookings that may move and stay are of the plan, as they are where it is made.
  const moved = new Set(proposals.map(({ insteadOf }) => insteadOf));
  const stays = weeks.booked.filter(({ id, mayMove, choice }) => mayMove && choice !== null && !moved.has(id));
  const timed = [...proposals, ...stays].map(({ day, from, to }) => ({
    day: daysBetween(weeks.first, day),
    from,
    to,
  }));
  const comes = new Set(isNew.map(({ dog }) => dog));
  return {
    proposals,
    unplaced: plan.unplaced.filter(({ dog }) => dogs.has(dog) && !comes.has(dog)),
    days: daysInUse(weeks, timed),
  };
}
