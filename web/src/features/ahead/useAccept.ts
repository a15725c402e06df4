import type { AheadView } from '@dewpond/contract';
import type { VisitKind } from '@dewpond/core/steps';
import { v7 } from 'uuid';
import { call } from '../../api/call';
import { instantAt } from '../../browser/wallClock';
import { useWrite } from '../../data/useWrite';
import { takingBack } from '../../parts/booking/takeBack';
import { tell } from '../../ui/toasts';
import type { ToldProposal } from '@dewpond/core/bookings';

/** What was booked, so that it can be taken back. */
interface Accepted {
  readonly booked: readonly string[];
  readonly moved: readonly { readonly id: string; readonly version: number }[];
  readonly refused: number;
}

/** Books proposals, and moves the bookings that they replace; one notice, one way back for all of it. */
export function useAccept(view: AheadView, zone: string) {
  const startsAt = (day: string, minute: number) => new Date(instantAt(day, minute, zone)).toISOString();
  return useWrite(['POST /api/ahead', 'PUT /api/appointments/:id'], {
    write: async (_, proposals: readonly ToldProposal[]): Promise<Accepted> => {
      const moves = proposals.filter(({ insteadOf }) => insteadOf !== null);
      const moved = [];
      for (const each of moves) moved.push(await moveTo(each, startsAt(each.day, each.from)));
      const visits = proposals
        .filter(({ insteadOf }) => insteadOf === null)
        .map(({ dog, person, day, from, to, kind }) => ({
          id: v7(),
          dogId: dog,
          memberId: person,
          kind: kind as VisitKind,
          startsAt: startsAt(day, from),
          minutes: to - from,
          mayMove: true,
        }));
      if (visits.length === 0) return { booked: [], moved, refused: 0 };
      const { booked, refused } = await call('POST /api/ahead', { body: { visits } });
      return { booked, moved, refused: refused.length };
    },
    onSuccess: ({ booked, moved, refused }) => {
      const count = booked.length + moved.length;
      const left = refused === 0 ? '' : ` ${refused} could not be: somebody was quicker.`;
      tell(
        `${count === 1 ? 'One visit is' : `${count} visits are`} booked.${left}`,
        booked.length > 0 ? { undo: takingBack(booked) } : {},
      );
    },
    tells: true,
  });

  async function moveTo({ insteadOf, person, from, to }: ToldProposal, at: string) {
    const id = insteadOf ?? '';
    const version = view.versions[id] ?? 1;
    const when = { memberId: person, startsAt: at, minutes: to - from };
    const moved = await call('PUT /api/appointments/:id', { id, body: { change: 'move', version, ...when } });
    return { id, version: moved.version };
  }
}
