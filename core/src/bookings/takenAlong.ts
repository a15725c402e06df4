import type { ProposedVisit } from './proposals';
import type { BookedVisit } from './weeks';

type TakenProposal = Pick<ProposedVisit, 'person' | 'day' | 'from' | 'to' | 'insteadOf'>;

/**
 * What has to be taken with these proposals of a plan, themselves among them: where a booking stands at the time of one, the
 * plan moves it elsewhere, and that has to be taken, too.
 */
export function takenAlong<Proposal extends TakenProposal>(
  chosen: readonly Proposal[],
  plan: readonly Proposal[],
  booked: readonly BookedVisit[],
): Proposal[] {
  const moves = new Map(plan.flatMap((each) => (each.insteadOf === null ? [] : [[each.insteadOf, each] as const])));
  const taken = new Set(chosen);
  // A set is walked through to what is added meanwhile.
  for (const each of taken)
    for (const booking of booked) {
      const gives = isInTheWay(booking, each) ? moves.get(booking.id) : undefined;
      if (gives) taken.add(gives);
    }
  return [...taken];
}

/** Whether a booking stands at the time of a proposal, and is not the one that it moves. */
export const isInTheWay = ({ id, person, day, from, to }: BookedVisit, proposal: TakenProposal): boolean =>
  id !== proposal.insteadOf &&
  day === proposal.day &&
  person === proposal.person &&
  from < proposal.to &&
  proposal.from < to;
