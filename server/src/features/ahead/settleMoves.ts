import type { BookedTime } from '../../records/appointments/makeBooking';

interface StandingTime extends BookedTime {
  readonly state: string;
  readonly version: number;
}

/** A booking, the time it is to have, and how it stands; undefined where there is no such booking. */
export interface Move extends BookedTime {
  readonly id: string;
  /** The version that whoever moves it has seen. */
  readonly version: number;
  readonly from: StandingTime | undefined;
}

export interface SettledMoves {
  /** What gets its time, with its version afterwards; `isThere` where it has it already, as when it is sent again. */
  readonly goes: readonly (Move & { readonly isThere: boolean })[];
  readonly refused: readonly { readonly id: string; readonly why: string }[];
  /** What of the people's time is taken when that is done. */
  readonly taken: readonly BookedTime[];
}

export const CHANGED = 'It was changed meanwhile.';
export const TAKEN = 'That person has another dog then.';

/**
 * Which bookings may have their new times, all of them at once: each may have a time that another leaves. One that is refused
 * keeps its time, and so refuses whoever wanted that. `taken` is what is taken now around these times.
 */
export function settleMoves(
  moves: readonly Move[],
  taken: readonly (BookedTime & { readonly id: string })[],
): SettledMoves {
  const refused = new Map<string, string>();
  for (const move of moves) {
    const why = isThere(move) ? null : whyNot(move);
    if (why !== null) refused.set(move.id, why);
  }
  for (;;) {
    const goes = moves.filter(({ id }) => !refused.has(id));
    const leave = new Set(goes.map(({ id }) => id));
    const placed: BookedTime[] = taken.filter(({ id }) => !leave.has(id));
    const before = refused.size;
    for (const move of goes)
      if (placed.some((each) => isInTheWay(each, move))) refused.set(move.id, TAKEN);
      else placed.push(move);
    if (refused.size > before) continue;
    return {
      goes: goes.map((move) =>
        isThere(move)
          ? { ...move, version: move.from?.version ?? move.version, isThere: true }
          : { ...move, version: move.version + 1, isThere: false },
      ),
      refused: moves.flatMap(({ id }) => {
        const why = refused.get(id);
        return why === undefined ? [] : [{ id, why }];
      }),
      taken: placed,
    };
  }
}

/** Whether two times of one person overlap. */
export const isInTheWay = (a: BookedTime, b: BookedTime): boolean =>
  a.memberId === b.memberId && a.startsAt < b.endsAt && b.startsAt < a.endsAt;

const isThere = ({ from, memberId, startsAt, endsAt }: Move): boolean =>
  from?.state === 'booked' &&
  from.memberId === memberId &&
  Number(from.startsAt) === Number(startsAt) &&
  Number(from.endsAt) === Number(endsAt);

function whyNot({ from, version }: Move): string | null {
  if (!from) return 'There is no such booking here.';
  return isAsSeen(from, version) ? null : CHANGED;
}

/** Whether a booking stands as whoever changes it has seen it. */
export const isAsSeen = (booking: Pick<StandingTime, 'state' | 'version'> | undefined, version: number): boolean =>
  booking?.state === 'booked' && booking.version === version;
