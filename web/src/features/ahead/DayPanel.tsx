import type { AheadView, Appointment } from '@dewpond/contract';
import { isGivenUp, takenAlong } from '@dewpond/core/bookings';
import { visitName, type VisitKind } from '@dewpond/core/steps';
import type { Day } from '@dewpond/core/units';
import { useState } from 'react';
import { clock, duration, fieldTime, minuteOf, minutesOf, showDay, wallTime } from '../../browser/times';
import { useAppointments, useMembers } from '../../data/queries';
import { useZone } from '../../data/useUnits';
import { Handle } from './dragging/Handle';
import { MessageDialog } from '../../parts/messages/MessageDialog';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Chip } from '../../ui/Chip';
import { classes } from '../../ui/classes';
import type { ToldProposal } from '@dewpond/core/bookings';
import { May } from '../../parts/May';

interface DayPanelProps {
  readonly day: Day;
  readonly view: AheadView;
  /** Proposals for all days: what is taken may need that another is moved out of its way. */
  readonly plan: readonly ToldProposal[];
  readonly isBooking: boolean;
  readonly onAccept: (proposals: readonly ToldProposal[]) => void;
  readonly onMove: (appointment: Appointment) => void;
  /** A time that came free. */
  readonly onFill: (appointment: Appointment) => void;
}

/** One day: what is booked, what is proposed and why, and what came free. */
export function DayPanel({ day, view, plan, isBooking, onAccept, onMove, onFill }: DayPanelProps) {
  const booked = useAppointments(day, day).data ?? [];
  const proposals = plan.filter((each) => each.day === day);
  const withWhatMoves = (some: readonly ToldProposal[]) => takenAlong(some, plan, view.weeks.booked);
  const zone = useZone();
  const [reminded, setReminded] = useState<Appointment | null>(null);
  const members = useMembers().data ?? [];
  const stands = booked.filter(({ state }) => !isGivenUp(state));
  const free = booked.filter(({ state }) => isGivenUp(state));
  const minutes = stands.reduce((sum, each) => sum + minutesOf(each), 0);
  return (
    <section aria-label={showDay(day)}>
      {reminded && (
        <MessageDialog
          about={{
            kind: 'before you come',
            dogId: reminded.dogId,
            visitId: null,
            day,
            ...comingTogether(reminded, stands, zone),
          }}
          onClose={() => setReminded(null)}
        />
      )}
      <Card title={showDay(day)} aside={stands.length === 0 ? 'nothing booked' : duration(minutes)}>
        <ul className="flex flex-col gap-1.5">
          {stands.map((each) => (
            <Booked
              key={each.id}
              appointment={each}
              onMove={onMove}
              onRemind={day > view.weeks.first ? () => setReminded(each) : null}
            />
          ))}
        </ul>
        {proposals.length > 0 && (
          <div className="mt-3 flex flex-col gap-1.5">
            <p className="flex items-center justify-between gap-2 font-semibold">
              Proposed
              <May deed="book">
                <Button disabled={isBooking} onClick={() => onAccept(withWhatMoves(proposals))}>
                  Book this day
                </Button>
              </May>
            </p>
            <ul className="flex flex-col gap-1.5">
              {proposals
                .toSorted((a, b) => a.from - b.from)
                .map((each) => (
                  <Proposed
                    key={each.dog}
                    proposal={each}
                    dog={view.names[each.dog] ?? ''}
                    person={members.find(({ id }) => id === each.person)?.name ?? ''}
                    before={view.weeks.booked.find(({ id }) => id === each.insteadOf) ?? null}
                    along={withWhatMoves([each])
                      .slice(1)
                      .map((other) => `${view.names[other.dog] ?? ''} to ${whenOn(day, other)}`)}
                    isBooking={isBooking}
                    onAccept={() => onAccept(withWhatMoves([each]))}
                  />
                ))}
            </ul>
          </div>
        )}
        {free.length > 0 && (
          <ul aria-label="Came free" className="mt-3 flex flex-col gap-1.5">
            {free.map((each) => (
              <CameFree key={each.id} appointment={each} onFill={onFill} />
            ))}
          </ul>
        )}
        {stands.length + proposals.length + free.length === 0 && (
          <p className="text-soft">Nothing yet. Plan the weeks, or book a dog that is due.</p>
        )}
      </Card>
    </section>
  );
}

/** All dogs of that owner on that day, written to once, by the time of the first. */
function comingTogether({ dogId, ownerId }: Appointment, stands: readonly Appointment[], zone: string) {
  const theirs = stands.filter((each) => each.ownerId === ownerId && each.state === 'booked');
  return {
    time: fieldTime(Math.min(...theirs.map(({ startsAt }) => minuteOf(startsAt, zone)))),
    withDogs: [...new Set(theirs.map((each) => each.dogId))].filter((id) => id !== dogId),
  };
}

function Booked({
  appointment,
  onMove,
  onRemind,
}: {
  readonly appointment: Appointment;
  readonly onMove: DayPanelProps['onMove'];
  /** Null: the day is over, or has begun. */
  readonly onRemind: (() => void) | null;
}) {
  const zone = useZone();
  const { dogName, ownerName, memberName, startsAt, endsAt, state, mayMove, saidYes } = appointment;
  return (
    <li className="flex gap-1">
      {state === 'booked' && (
        <Handle
          id={appointment.id}
          visit={{ dogId: appointment.dogId, name: dogName, kind: appointment.kind, moving: appointment }}
        />
      )}
      <button
        type="button"
        disabled={state !== 'booked'}
        onClick={() => onMove(appointment)}
        aria-label={`${dogName}, ${clock(startsAt, zone)}, ${memberName}: move or cancel`}
        className="w-full text-left rounded-xl bg-pond-pale px-3 py-2 min-h-11 leading-tight hover:ring-2 ring-pond disabled:opacity-60 flex flex-wrap items-baseline justify-between gap-x-3"
      >
        <span>
          <b>{dogName}</b>, {visitName(appointment)}
          {saidYes && <span className="text-pond font-semibold"> said yes</span>}
        </span>
        <span className="tabular-nums">
          {clock(startsAt, zone)}–{clock(endsAt, zone)} {memberName.split(' ')[0]}
          {mayMove && <span className="text-soft"> may move</span>}
        </span>
      </button>
      {state === 'booked' && onRemind && (
        <May deed="write to owners">
          <Button look="quiet" aria-label={`Remind ${ownerName} of ${dogName}`} onClick={onRemind}>
            Remind
          </Button>
        </May>
      )}
    </li>
  );
}

/** "13:15" on the day one looks at, else the day. */
const whenOn = (day: Day, time: Pick<ToldProposal, 'day' | 'from'>): string =>
  time.day === day ? wallTime(time.from) : showDay(time.day);

interface ProposedProps {
  readonly proposal: ToldProposal;
  readonly dog: string;
  readonly person: string;
  /** The booking that is moved. */
  readonly before: Pick<ToldProposal, 'day' | 'from'> | null;
  /** Who is moved out of its way: "Rook to Tue 8 Dec". */
  readonly along: readonly string[];
  readonly isBooking: boolean;
  readonly onAccept: () => void;
}

function Proposed({ proposal, dog, person, before, along, isBooking, onAccept }: ProposedProps) {
  const { from, to, kind, why, toMove, insteadOf, atHome } = proposal;
  const does = insteadOf === null ? 'Book' : 'Move';
  return (
    <li
      className={classes(
        'rounded-xl border-2 border-dashed border-pond pr-3 max-md:pl-3 py-2 flex items-center justify-between gap-2',
        insteadOf === null ? 'pl-1' : 'pl-3',
      )}
    >
      {insteadOf === null && (
        <Handle
          id={`proposed ${proposal.dog} ${proposal.day}`}
          visit={{ dogId: proposal.dog, name: dog, kind: kind as VisitKind, moving: null }}
        />
      )}
      <span className="min-w-0 flex-1">
        <b>{dog}</b>, {kind}{' '}
        <span className="tabular-nums whitespace-nowrap">
          {wallTime(from)}–{wallTime(to)} {person.split(' ')[0]}
        </span>{' '}
        {insteadOf !== null && (
          <Chip tone="watch">{before === null ? 'moved' : `moved from ${whenOn(proposal.day, before)}`}</Chip>
        )}
        <span className="block text-sm text-soft">
          {why.join('; ')}
          {toMove >= 0.1 ? `. Another day costs ${toMove.toFixed(1)} more.` : '. Another day is as good.'}
        </span>
        {along.length > 0 && (
          <span className="block text-sm text-soft">Out of its way: {new Intl.ListFormat('en').format(along)}.</span>
        )}
        {atHome.length > 0 && (
          <span className="block text-sm text-soft">
            At home until then: {atHome.map(({ name, times }) => `${name} ${times}×`).join(', ')}.
          </span>
        )}
      </span>
      <May deed="book">
        <Button disabled={isBooking} onClick={onAccept} aria-label={`${does} ${dog}`}>
          {does}
        </Button>
      </May>
    </li>
  );
}

function CameFree({
  appointment,
  onFill,
}: {
  readonly appointment: Appointment;
  readonly onFill: DayPanelProps['onFill'];
}) {
  const zone = useZone();
  const { dogName, startsAt, endsAt, memberName, state } = appointment;
  return (
    <li className="rounded-xl border border-line px-3 py-2 flex flex-wrap items-center justify-between gap-2 text-soft">
      <span>
        {clock(startsAt, zone)}–{clock(endsAt, zone)} {memberName.split(' ')[0]}: {dogName}{' '}
        {state === 'no show' ? 'did not come' : 'cancelled'}
      </span>
      <May deed="book">
        <Button look="quiet" onClick={() => onFill(appointment)}>
          Who gains
        </Button>
      </May>
    </li>
  );
}
