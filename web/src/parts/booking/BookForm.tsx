import { bookedTime, type Appointment, type SlotView } from '@dewpond/contract';
import { addDays, isDay, readTime, type Day } from '@dewpond/core/units';
import { isGivenUp } from '@dewpond/core/bookings';
import { usualMinutes, visitName, type AgreedVisit, type VisitKind } from '@dewpond/core/steps';
import type { z } from 'zod';
import { call } from '../../api/call';
import { useWrite } from '../../data/useWrite';
import { useAppointments, useDog, useMembers, useSession } from '../../data/queries';
import { DayField } from '../../forms/DayField';
import { TimeField } from '../../forms/TimeField';
import { useDraft } from '../../forms/useDraft';
import { typedNumber } from '../../forms/typedNumber';
import { clock, dayOf, fieldTime, minuteOf, minutesOf, showDay } from '../../browser/times';
import { instantAt } from '../../browser/wallClock';
import { useZone } from '../../data/useUnits';
import { Button } from '../../ui/Button';
import { Conflict } from '../../forms/Conflict';
import { TextField } from '../../ui/Field';
import { SelectField } from '../../ui/SelectField';
import { FormFoot } from '../../forms/FormFoot';
import { tell } from '../../ui/tell';
import type { DogBooked } from './dogBooked';
import { useCancel } from './useCancel';
import { WhatIsDone } from './WhatIsDone';
import { useNow } from '../../browser/useNow';

/** Before the session is known; a date field then shows the first day it takes. */
const EARLIEST = '2026-01-01' as Day;

/** When a dog comes, for what, for how long, to whom; as typed. */
interface BookingForm {
  readonly day: string;
  readonly time: string;
  readonly minutes: string;
  readonly memberId: string;
  readonly kind: Appointment['kind'];
  readonly agreed: AgreedVisit | null;
  readonly note: string;
}
const TIME_FIELDS = {
  day: 'Day',
  time: 'Time',
  minutes: 'Minutes',
  memberId: 'Who',
  kind: 'What',
  agreed: 'What is in it',
  note: 'Note',
} as const;

const formOf = (each: Appointment, zone: string): BookingForm => ({
  day: dayOf(each.startsAt, zone),
  time: timeOf(each.startsAt, zone),
  minutes: String(minutesOf(each)),
  memberId: each.memberId,
  kind: each.kind,
  agreed: each.agreed,
  note: each.note,
});

/** The moment, as it is sent; empty while day and time are none. */
function momentOf(day: string, time: string, zone: string): string {
  const minute = readTime(time);
  const at = minute === null || !isDay(day) ? Number.NaN : instantAt(day, minute, zone);
  return Number.isNaN(at) ? '' : new Date(at).toISOString();
}

/** As the field keeps it: "09:00". */
const timeOf = (instant: string, zone: string): string => fieldTime(minuteOf(instant, zone));

interface BookFormProps {
  readonly dog: DogBooked;
  readonly moving: Appointment | undefined;
  /** The best time there is, to begin with; null where none is known. */
  readonly best: SlotView | null;
  readonly kind: VisitKind;
  /** This dog's minutes for such a visit. */
  readonly minutes: number | null;
  readonly onDone: () => void;
}

/** A booking as it is typed, what it is sent as, and how it is cancelled. */
function useBooking({ dog, moving, best, kind, minutes, onDone }: BookFormProps) {
  const zone = useZone();
  const today = useSession().data?.today ?? (moving ? (dayOf(moving.startsAt, zone) as Day) : EARLIEST);
  const members = useMembers();
  const suggested = dog.suggested && dog.suggested > today ? dog.suggested : addDays(today, 1);
  const first: BookingForm = {
    day: best?.day ?? suggested,
    time: best ? timeOf(best.startsAt, zone) : '09:00',
    minutes: String(minutes ?? usualMinutes({ kind })),
    memberId: best?.memberId ?? '',
    kind,
    agreed: null,
    note: '',
  };
  // As it stands now: somebody else may move it while this is open.
  const now = useDog(dog.id).data?.appointments.find(({ id }) => id === moving?.id) ?? moving;
  const whose = (memberId: string) => memberId || (members.data?.[0]?.id ?? '');
  const draft = useDraft(
    { version: now?.version ?? 0, form: now ? formOf(now, zone) : first },
    {
      as: ({ day, time, minutes, memberId, kind, agreed, note }) => ({
        kind,
        agreed,
        note,
        startsAt: momentOf(day, time, zone),
        minutes: typedNumber(minutes),
        memberId: whose(memberId),
      }),
      fits: bookedTime,
    },
  );
  const save = useWrite(['POST /api/appointments', 'PUT /api/appointments/:id'], {
    form: draft,
    write: async (id, { kind, agreed = null, note = '', ...when }: z.input<typeof bookedTime>) => {
      await (moving
        ? call('PUT /api/appointments/:id', {
            id: moving.id,
            body: { change: 'move', version: draft.version, ...when, contents: { kind, agreed, note } },
          })
        : call('POST /api/appointments', { body: { id, dogId: dog.id, kind, agreed, note, ...when } }));
    },
    onSuccess: () => {
      const { day, time } = draft.form;
      tell(`${dog.name} is booked for ${showDay(day as Day)} at ${time.replace(/^0/, '')}.`);
      onDone();
    },
  });
  return { draft, save, now, members: members.data ?? [], chosen: whose(draft.form.memberId) };
}

/** A booking by hand: any day, any time, any mixture of work. */
export function BookForm(props: BookFormProps) {
  const { moving, onDone } = props;
  const { draft, save, now, members, chosen } = useBooking(props);
  const { set, field, at } = draft;
  const { day } = draft.form;
  return (
    <form noValidate onSubmit={draft.submit((when) => save.mutate(when))} className="grid grid-cols-2 gap-4">
      <div className="col-span-2 empty:hidden">
        <Conflict
          draft={draft}
          what="this booking"
          names={TIME_FIELDS}
          show={(field, of) =>
            field === 'memberId'
              ? (members.find(({ id }) => id === of.memberId)?.name ?? '')
              : field === 'day'
                ? showDay(of.day as Day)
                : field === 'agreed'
                  ? visitName({ kind: of.kind, agreed: of.agreed })
                  : of[field]
          }
        />
      </div>
      <DayField label="Day" {...field('day')} error={isDay(day) ? undefined : at('startsAt')} />
      <TimeField label="Time" {...field('time')} error={isDay(day) ? at('startsAt') : undefined} />
      <SelectField label="Who" {...field('memberId')} value={chosen}>
        {members.map((member) => (
          <option key={member.id} value={member.id}>
            {member.name}
          </option>
        ))}
      </SelectField>
      <TextField label="Minutes" type="number" min={15} max={480} step={5} required {...field('minutes')} />
      <WhatIsDone
        contents={draft.form}
        error={draft.within('agreed')}
        onChange={({ kind, agreed = null }, usual) => set({ kind, agreed, minutes: String(usual) })}
      />
      <div className="col-span-2">
        <TextField
          label="Note for the table"
          maxLength={500}
          placeholder="no cut this time, cut in December"
          {...field('note')}
        />
      </div>
      <DaySoFar day={day} memberId={chosen} />
      <FormFoot draft={draft} disabled={save.isPending || chosen === ''} does={moving ? 'Move' : 'Book'}>
        {moving && <EndBooking booking={now ?? moving} onDone={onDone} />}
      </FormFoot>
    </form>
  );
}

interface EndBookingProps {
  readonly booking: Appointment;
  readonly onDone: () => void;
}

/** A booking that does not take place, and by whom: how often and how late an owner cancels is said when they book. */
function EndBooking({ booking, onDone }: EndBookingProps) {
  const cancel = useCancel();
  const now = useNow(60_000);
  const end = (by: 'owner' | 'business' | 'nobody came') => cancel.mutate({ booking, by }, { onSuccess: onDone });
  return (
    <>
      {Date.parse(booking.startsAt) < now && (
        <Button look="stop" disabled={cancel.isPending} onClick={() => end('nobody came')}>
          Did not come
        </Button>
      )}
      <Button look="stop" disabled={cancel.isPending} onClick={() => end('owner')}>
        The owner cancels
      </Button>
      <Button look="stop" disabled={cancel.isPending} onClick={() => end('business')}>
        Cancel this booking
      </Button>
    </>
  );
}

/** What that person already has on that day, so that a clash is seen before it is refused. */
function DaySoFar({ day, memberId }: { readonly day: string; readonly memberId: string }) {
  const zone = useZone();
  const valid = /^\d{4}-\d{2}-\d{2}$/.test(day);
  const { data } = useAppointments(valid ? day : '2026-01-01', valid ? day : '2026-01-01');
  const theirs = data?.filter((each) => each.memberId === memberId && !isGivenUp(each.state)) ?? [];
  return (
    <div className="col-span-2 rounded-xl border border-line px-3 py-2 text-sm">
      <p className="font-semibold text-soft">That day so far</p>
      {theirs.length === 0 ? (
        <p>Nothing yet.</p>
      ) : (
        <p>
          {theirs
            .map((each) => `${clock(each.startsAt, zone)}–${clock(each.endsAt, zone)} ${each.dogName}`)
            .join(' · ')}
        </p>
      )}
    </div>
  );
}
