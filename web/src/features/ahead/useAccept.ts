import type { AheadView } from '@dewpond/contract';
import type { VisitKind } from '@dewpond/core/steps';
import { call } from '../../api/call';
import { instantAt } from '../../browser/wallClock';
import { useIds } from '../../data/useIds';
import { useWrite } from '../../data/useWrite';
import { takingBack, type MovedBooking } from '../../parts/booking/takeBack';
import { tell } from '../../ui/tell';
import type { ToldProposal } from '@dewpond/core/bookings';

/** What was booked and moved, so that it can be taken back. */
interface Accepted {
  readonly booked: readonly string[];
  readonly moved: readonly MovedBooking[];
  readonly refused: number;
}

/** So many new visits are sent at once; all that moves goes with the first, as it makes room. */
const AT_ONCE = 500;

/** Books proposals, and moves the bookings that they replace; one notice, one way back for all of it. */
export function useAccept({ weeks, versions }: AheadView, zone: string) {
  const idOf = useIds();
  const timeOf = ({ person, day, from, to }: Pick<ToldProposal, 'person' | 'day' | 'from' | 'to'>) => ({
    ...{ memberId: person, startsAt: new Date(instantAt(day, from, zone)).toISOString(), minutes: to - from },
  });
  return useWrite('POST /api/ahead', {
    write: async (write, proposals: readonly ToldProposal[]): Promise<Accepted> => {
      const moves = proposals.flatMap((each) =>
        each.insteadOf === null
          ? []
          : [{ id: each.insteadOf, version: versions[each.insteadOf] ?? 1, ...timeOf(each) }],
      );
      const visits = proposals
        .filter(({ insteadOf }) => insteadOf === null)
        .map((each) => {
          const time = timeOf(each);
          const id = idOf(write, `${each.dog} ${time.startsAt} ${each.person}`);
          return { id, dogId: each.dog, kind: each.kind as VisitKind, mayMove: true, ...time };
        });
      const booked: string[] = [];
      const moved: MovedBooking[] = [];
      let refused = 0;
      for (let i = 0; i === 0 || i < visits.length; i += AT_ONCE) {
        const body = { visits: visits.slice(i, i + AT_ONCE), moved: i === 0 ? moves : [] };
        const answer = await call('POST /api/ahead', { body });
        booked.push(...answer.booked);
        moved.push(...answer.moved.flatMap(({ id, version }) => timeBefore(id, version)));
        refused += answer.refused.length;
      }
      return { booked, moved, refused };
    },
    onSuccess: ({ booked, moved, refused }) => {
      const count = booked.length + moved.length;
      const left = refused === 0 ? '' : ` ${refused} could not be: somebody was quicker.`;
      tell(
        `${count === 1 ? 'One visit is' : `${count} visits are`} ${booked.length === 0 && count > 0 ? 'moved' : 'booked'}.${left}`,
        count > 0 ? { undo: takingBack(booked, moved) } : {},
      );
    },
    tells: true,
  });

  function timeBefore(id: string, version: number): MovedBooking[] {
    const before = weeks.booked.find((each) => each.id === id);
    return before ? [{ id, version, ...timeOf(before) }] : [];
  }
}
