import { bookedTime, type Appointment } from '@dewpond/contract';
import { addDays, showDay, type Day } from '@dewpond/core/units';
import { visitName, type AgreedVisit } from '@dewpond/core/steps';
import { TZDate } from '@date-fns/tz';
import type { z } from 'zod';
import { call } from '../../api/call';
import { useWrite } from '../../data/useWrite';
import { useAppointments, useDog, useMembers, useSession } from '../../data/queries';
import { useDraft } from '../../forms/useDraft';
import { typedNumber } from '../../forms/typedNumber';
import { clock, dayOf } from '../../browser/times';
import { useZone } from '../../data/useUnits';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { Conflict } from '../../forms/Conflict';
import { Dialog } from '../../ui/Dialog';
import { TextField } from '../../ui/Field';
import { SelectField } from '../../ui/SelectField';
import { FormFoot } from '../../forms/FormFoot';
import { tell } from '../../ui/toasts';
import { OpenReferrals } from '../referrals/OpenReferrals';
import { useCancel } from './useCancel';
import { WhatIsDone } from './WhatIsDone';

interface BookDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly dog: { readonly id: string; readonly name: string; readonly suggested: Day | null };
  /** Given: that booking is moved instead of a new one made. */
  readonly moving?: Appointment;
}

export function BookDialog({ open, onClose, dog, moving }: BookDialogProps) {
  const says = dog.suggested ? `The plan suggests around ${showDay(dog.suggested)}.` : undefined;
  return (
    <Dialog open={open} onClose={onClose} title={moving ? `Move ${dog.name}` : `Book ${dog.name}`} says={says}>
      {open && (
        <div className="mb-3 empty:hidden">
          <OpenReferrals dogId={dog.id} />
        </div>
      )}
      {open && <BookForm dog={dog} moving={moving} onDone={onClose} />}
    </Dialog>
  );
}

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
  time: clock(each.startsAt, zone).padStart(5, '0'),
  minutes: String(minutesOf(each)),
  memberId: each.memberId,
  kind: each.kind,
  agreed: each.agreed,
  note: each.note,
});

/** The moment, as it is sent; empty while day and time are none. */
function momentOf(day: string, time: string, zone: string): string {
  const at = Number(new TZDate(`${day}T${time}:00`, zone));
  return Number.isNaN(at) ? '' : new Date(at).toISOString();
}

const minutesOf = (each: Appointment): number => (Date.parse(each.endsAt) - Date.parse(each.startsAt)) / 60_000;

interface BookFormProps {
  readonly dog: BookDialogProps['dog'];
  readonly moving: Appointment | undefined;
  readonly onDone: () => void;
}

/** A booking as it is typed, what it is sent as, and how it is cancelled. */
function useBooking({ dog, moving, onDone }: BookFormProps) {
  const zone = useZone();
  const today = useSession().data?.today ?? (moving ? (dayOf(moving.startsAt, zone) as Day) : EARLIEST);
  const members = useMembers();
  const suggested = dog.suggested && dog.suggested > today ? dog.suggested : addDays(today, 1);
  const first: BookingForm = {
    day: suggested,
    time: '09:00',
    minutes: '120',
    memberId: '',
    kind: 'full visit',
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
      tell(`${dog.name} is booked for ${showDay(day as Day)} at ${time}.`);
      onDone();
    },
  });
  return { draft, save, now, members: members.data ?? [], chosen: whose(draft.form.memberId) };
}

function BookForm(props: BookFormProps) {
  const { dog, moving, onDone } = props;
  const { draft, save, now, members, chosen } = useBooking(props);
  const { set, field, at } = draft;
  const { day, time } = draft.form;
  const marks = useDog(dog.id).data?.marks ?? [];
  const cancel = useCancel();
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
      {marks.length > 0 && (
        <p className="col-span-2 flex flex-wrap gap-1.5" aria-label="To mind">
          {marks.map((mark) => (
            <Chip key={mark} tone="watch">
              {mark}
            </Chip>
          ))}
        </p>
      )}
      <TextField label="Day" type="date" required {...field('day')} error={time === '' ? undefined : at('startsAt')} />
      <TextField
        label="Time"
        type="time"
        required
        step={300}
        {...field('time')}
        error={time === '' ? at('startsAt') : undefined}
      />
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
        {moving && (
          <Button
            look="stop"
            disabled={cancel.isPending}
            onClick={() => cancel.mutate(now ?? moving, { onSuccess: onDone })}
          >
            Cancel this booking
          </Button>
        )}
      </FormFoot>
    </form>
  );
}

/** What that person already has on that day, so that a clash is seen before it is refused. */
function DaySoFar({ day, memberId }: { readonly day: string; readonly memberId: string }) {
  const zone = useZone();
  const valid = /^\d{4}-\d{2}-\d{2}$/.test(day);
  const { data } = useAppointments(valid ? day : '2026-01-01', valid ? day : '2026-01-01');
  const theirs = data?.filter((each) => each.memberId === memberId && each.state !== 'cancelled') ?? [];
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
